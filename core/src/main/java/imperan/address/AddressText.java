package imperan.address;

import java.util.Optional;

/**
 * An OSC address as typed (OSC 1.0, "OSC Addresses"): parts, each begun by a slash, of printable ASCII without blank and
 * without the characters that patterns and bundles use.
 *
 * @param problem empty where the text is an address
 */
public record AddressText(String text, Optional<Fault> problem) {

    private static final String RESERVED = "#*,?[]{}";

    /** @param mend the address that was probably meant */
    public record Fault(String message, Optional<String> mend) {}

    public static AddressText parse(String text) {
        return new AddressText(text, fault(text));
    }

    /** Reads an address that may lack the slash at its start, as some receivers want it. */
    public static AddressText parseFreely(String text) {
        return isBare(text)
                ? new AddressText(
                        text,
                        fault("/" + text)
                                .map(f -> new Fault(f.message(), f.mend().map(m -> m.substring(1)))))
                : parse(text);
    }

    /** Whether an address lacks the slash at its start, and nothing else tells that it was meant to be there. */
    public static boolean isBare(String text) {
        return !text.isEmpty() && !text.startsWith("/") && !text.startsWith("\\") && text.equals(text.strip());
    }

    private static Optional<Fault> fault(String text) {
        if (text.isBlank()) {
            return Optional.of(new Fault("An address is needed, such as /lamp/1/level", Optional.empty()));
        }
        String message = null;
        if (text.indexOf('\\') >= 0) {
            message = "The slashes lean the wrong way";
        } else if (!text.equals(text.strip())) {
            message = "The address has blanks around it";
        } else if (!text.startsWith("/")) {
            message = "An address begins with a slash";
        } else if (text.contains("//")) {
            message = "The address has two slashes in a row";
        } else if (text.endsWith("/")) {
            message = "The address ends with a slash";
        } else {
            for (char c : text.toCharArray()) {
                if (c <= ' ' || c > '~' || RESERVED.indexOf(c) >= 0) {
                    return Optional.of(new Fault("“" + c + "” cannot be part of an address", Optional.empty()));
                }
            }
        }
        if (message == null) {
            return Optional.empty();
        }
        String mended =
                ("/" + text.strip().replace('\\', '/')).replaceAll("/{2,}", "/").replaceAll("(.)/$", "$1");
        return Optional.of(
                mended.length() > 1 && fault(mended).isEmpty()
                        ? new Fault(message + "; did you mean " + mended + "?", Optional.of(mended))
                        : new Fault(message, Optional.empty()));
    }
}
