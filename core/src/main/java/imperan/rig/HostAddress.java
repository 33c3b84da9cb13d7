package imperan.rig;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * An IPv4 address as typed: four decimal numbers 0 to 255 with dots between (RFC 1123 section 2.1, "dotted-decimal").
 *
 * @param problem empty where the text is an address
 */
public record HostAddress(String text, Optional<Fault> problem) {

    private static final Pattern DIGITS = Pattern.compile("\\d{1,3}");

    /** @param mend the address that was probably meant */
    public record Fault(String message, Optional<String> mend) {}

    public static HostAddress parse(String text) {
        return new HostAddress(text, fault(text));
    }

    private static Optional<Fault> fault(String text) {
        if (text.isBlank()) {
            return fault("An address is needed, such as 127.0.0.1 for this machine", "");
        }
        if (isAddress(text)) {
            return Optional.empty();
        }
        String stripped = text.strip();
        if (stripped.equalsIgnoreCase("localhost")) {
            return fault("A number address is needed instead of a name", "127.0.0.1");
        }
        if (isAddress(stripped)) {
            return fault("“" + text + "” has spaces around the address", stripped);
        }
        String dotted = stripped.replaceAll("[,;:]", ".").replaceAll("\\s", "");
        if (stripped.indexOf(',') >= 0) {
            return fault(text + " has commas", dotted);
        }
        if (!dotted.equals(stripped)) {
            return fault(text + " has other signs than dots between its numbers", dotted);
        }
        if (stripped.matches(".*[A-Za-z].*")) {
            return fault(
                    "“" + text + "” has letters; an address has four numbers with dots", lettersAsDigits(stripped));
        }
        String[] numbers = stripped.split("\\.", -1);
        for (String number : numbers) {
            if (DIGITS.matcher(number).matches() && Integer.parseInt(number) > 255) {
                return fault(number + " in " + text + " is above 255", "");
            }
            if (number.length() > 1 && number.startsWith("0")) {
                return fault(
                        text + " has a number with a leading zero, which some systems read as octal",
                        stripped.replaceAll("\\b0+(\\d)", "$1"));
            }
        }
        if (numbers.length != 4) {
            return fault(
                    text + " has " + numbers.length + (numbers.length == 1 ? " number" : " numbers")
                            + "; an address has four",
                    stripped.replaceAll("\\.{2,}", "."));
        }
        return fault("“" + text + "” is not four numbers from 0 to 255 with dots between them", "");
    }

    private static String lettersAsDigits(String text) {
        return text.replaceAll("[oO]", "0").replaceAll("[lI]", "1");
    }

    /** Only a mend that is itself an address is offered. */
    private static Optional<Fault> fault(String message, String mend) {
        return Optional.of(
                isAddress(mend)
                        ? new Fault(message + "; did you mean " + mend + "?", Optional.of(mend))
                        : new Fault(message, Optional.empty()));
    }

    private static boolean isAddress(String text) {
        String[] numbers = text.split("\\.", -1);
        if (numbers.length != 4) {
            return false;
        }
        for (String number : numbers) {
            if (!DIGITS.matcher(number).matches()
                    || Integer.parseInt(number) > 255
                    || number.length() > 1 && number.startsWith("0")) {
                return false;
            }
        }
        return true;
    }
}
