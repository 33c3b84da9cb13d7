package imperan.phrasebook;

import imperan.show.AnswerRule;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.Mask;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The answer to a phrase, and what masks it, as the cells of a table have it. What is written here is read here as it was. */
final class AnswerText {

    private static final String ANYTHING = "anything";
    private static final String OTHER = "other ";
    private static final Pattern MASK = Pattern.compile("(other )?\\s*(\\S+)(?:\\s+#(\\d{1,2}))?\\s*=\\s*(.+)");

    private AnswerText() {}

    static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? String.valueOf((long) value)
                : BigDecimal.valueOf(value).toPlainString();
    }

    /** A share of the range as a number, an amount behind ±, a step as such. */
    static String tolerance(Optional<Tolerance> tolerance) {
        return tolerance
                .map(near -> switch (near.unit()) {
                    case SHARE -> number(near.of());
                    case AMOUNT -> "±" + number(near.of());
                    case STEP -> "step " + number(near.of());
                })
                .orElse("");
    }

    static Optional<Tolerance> readTolerance(String cell) {
        String plain = cell.strip().toLowerCase(Locale.ROOT);
        Tolerance.Unit unit = plain.startsWith("±") || plain.startsWith("+-") || plain.startsWith("+/-")
                ? Tolerance.Unit.AMOUNT
                : plain.startsWith("step") ? Tolerance.Unit.STEP : Tolerance.Unit.SHARE;
        boolean percent = plain.endsWith("%");
        return PhraseValues.number(plain.replaceAll("^(?:±|\\+/?-|steps?(?: of)?)\\s*|\\s*%$", ""))
                .map(of -> percent ? of / 100 : of)
                .filter(of -> of > 0 || of == 0 && unit != Tolerance.Unit.STEP)
                .map(of -> new Tolerance(unit, of));
    }

    /** The value that always comes back; quoted only where it could be taken for another word. */
    static String says(AnswerRule rule) {
        return switch (rule.says()) {
            case SAME -> "";
            case ANY -> ANYTHING;
            case GIVEN -> rule.given().equals(ANYTHING)
                            || rule.given().equals("same")
                            || rule.given().startsWith("\"")
                    ? "\"" + rule.given() + "\""
                    : rule.given();
        };
    }

    static AnswerRule readSays(String cell, AnswerRule rule) {
        return switch (cell) {
            case "", "same" -> rule;
            case ANYTHING, "any" -> rule.sayingAnything();
            default -> rule.saying(
                    cell.length() > 1 && cell.startsWith("\"") && cell.endsWith("\"")
                            ? cell.substring(1, cell.length() - 1)
                            : cell);
        };
    }

    static String places(List<Integer> places) {
        return places.stream().map(String::valueOf).collect(Collectors.joining("|"));
    }

    static Optional<List<Integer>> readPlaces(String cell) {
        return cell.isEmpty()
                ? Optional.of(List.of())
                : cell.matches("\\d{1,2}(?:\\s*\\|\\s*\\d{1,2})*")
                        ? Optional.of(Arrays.stream(cell.split("\\|"))
                                .map(place -> Integer.valueOf(place.strip()))
                                .toList())
                        : Optional.empty();
    }

    /** A value of an enum in plain words; its first one, which says nothing, is an empty cell. */
    static <E extends Enum<E>> String word(E value) {
        return value.ordinal() == 0 ? "" : value.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    static <E extends Enum<E>> Optional<E> readWord(Class<E> kind, String cell) {
        String plain = cell.strip().toLowerCase(Locale.ROOT);
        return Arrays.stream(kind.getEnumConstants())
                .filter(value -> word(value).equals(plain))
                .findFirst();
    }

    /** One condition behind the other: an address, the argument where it is not the first, and what it says then. */
    static String masks(List<Mask> masks) {
        return masks.stream()
                .map(mask -> (mask.elsewhere() ? OTHER : "") + mask.address()
                        + (mask.argument() == 0 ? "" : " #" + mask.argument()) + " = " + mask.text())
                .collect(Collectors.joining("; "));
    }

    static Optional<List<Mask>> readMasks(String cell) {
        List<Mask> masks = new ArrayList<>();
        for (String written : cell.isBlank() ? new String[0] : cell.split("\\s*;\\s*")) {
            Matcher mask = MASK.matcher(written.strip());
            if (!mask.matches()) {
                return Optional.empty();
            }
            masks.add(new Mask(
                    mask.group(2),
                    mask.group(3) == null ? 0 : Integer.parseInt(mask.group(3)),
                    mask.group(4).strip(),
                    mask.group(1) != null));
        }
        return Optional.of(masks);
    }
}
