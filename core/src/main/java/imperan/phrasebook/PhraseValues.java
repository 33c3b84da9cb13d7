package imperan.phrasebook;

import imperan.show.ScaleMark;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The values that an argument takes, as people write them: a range such as {@code 0 to 1 dB}, {@code 0..255} or {@code -45 – 45 °},
 * choices with bars between, or numbers with a word for each, such as {@code 0 off, 1 short}.
 *
 * @param choices empty where there is a range, or nothing is told
 * @param marks   the words for numbers; empty where there are none
 */
record PhraseValues(
        Optional<Double> low, Optional<Double> high, String unit, List<String> choices, List<ScaleMark> marks) {

    private static final String NUMBER = "[-+−]?(?:\\d+(?:\\.\\d+)?|\\.\\d+)";
    private static final String UNIT = "%|°C?|[A-Za-zµΩ]{1,8}(?:/[a-z]{1,3})?";
    private static final Pattern RANGE = Pattern.compile(
            "(?i)(?:from|between|range:?|min(?:imum)?\\.?\\s*[:=]?)?\\s*[\\[(]?\\s*(" + NUMBER + ")\\s*(" + UNIT
                    + ")??\\s*(?:\\.\\.\\.?|…|–|—|~|up to|to|through|thru|and|or|,\\s*max(?:imum)?\\.?\\s*[:=]?|[,;]|/|:|-|−)\\s*("
                    + NUMBER
                    + ")\\s*[\\])]?\\s*(\\S{0,12})(?:\\s+\\(.*\\)|\\s*[,;]\\s*default.*)?");
    private static final Pattern NUMBER_AND_UNIT = Pattern.compile("(" + NUMBER + ")\\s*(" + UNIT + ")?");
    /** A comma for the point of a decimal, where nothing else can be meant. */
    private static final Pattern WITH_COMMA = Pattern.compile("([-+−]?\\d+),(\\d+)");

    private static final Pattern NUMBER_THEN_WORD =
            Pattern.compile("(-?\\d{1,9}(?:\\.\\d{1,9})?)\\s*(?:=|:|→|->|–|-)?\\s*\\(?([^\\d\\s=:(][^=:]{0,60}?)\\)?");
    private static final Pattern WORD_THEN_NUMBER =
            Pattern.compile("([^\\d\\s=:][^=:]{0,60}?)\\s*[=:]\\s*(-?\\d{1,9}(?:\\.\\d{1,9})?)");
    private static final Pattern NOTHING = Pattern.compile("(?i)|-|–|—|none|any|n/a|all");

    static final PhraseValues NONE = new PhraseValues(Optional.empty(), Optional.empty(), "", List.of(), List.of());

    /** A range; empty where the text is none. The ends may each have the unit; kilo before one of them is reckoned with. */
    static Optional<PhraseValues> range(String text) {
        Matcher matcher = RANGE.matcher(oneSpaced(text));
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String first = Optional.ofNullable(matcher.group(2)).orElse("");
        String last = unit(matcher.group(4));
        Optional<Double> high = number(matcher.group(3));
        if (!first.isEmpty() && !last.isEmpty() && last.equals("k" + first)) {
            return Optional.of(ranging(number(matcher.group(1)), high.map(value -> value * 1000), first));
        }
        return first.isEmpty() || last.isEmpty() || first.equals(last)
                ? Optional.of(ranging(number(matcher.group(1)), high, last.isEmpty() ? first : last))
                : Optional.empty();
    }

    private static PhraseValues ranging(Optional<Double> low, Optional<Double> high, String unit) {
        return new PhraseValues(low, high, unit, List.of(), List.of());
    }

    static PhraseValues choosing(List<String> choices) {
        return new PhraseValues(Optional.empty(), Optional.empty(), "", choices, List.of());
    }

    /** With one space wherever there are several: a search has nothing to try then that grows with their number. */
    static String oneSpaced(String text) {
        return text.strip().replaceAll("\\s++", " ");
    }

    /** What stands in brackets behind a range is a unit where it is as short as one; else it is a remark. */
    private static String unit(String behind) {
        String bare = behind.replaceAll("^[\\[(]|[\\]),;.]+$", "");
        return bare.equals(behind) || bare.length() <= 2 ? bare : "";
    }

    /** Ranges for several arguments, in their order, such as {@code 0..1; -45..45 °}; empty where the text is not several. */
    static List<PhraseValues> ranges(String text) {
        for (String between : List.of("[;|]", ",")) {
            List<Optional<PhraseValues>> each =
                    Arrays.stream(text.split(between)).map(PhraseValues::range).toList();
            if (each.size() > 1 && each.stream().allMatch(Optional::isPresent)) {
                return each.stream().map(Optional::get).toList();
            }
        }
        return List.of();
    }

    /** Everything that a cell can say: a range, numbers with words, choices. Empty where it says something else. */
    static Optional<PhraseValues> cell(String text) {
        if (NOTHING.matcher(text.strip()).matches()) {
            return Optional.of(NONE);
        }
        List<String> choices = choices(text);
        return range(text)
                .or(() -> named(text))
                .or(() -> choices.size() < 2 ? Optional.empty() : Optional.of(choosing(choices)));
    }

    /** Numbers with a word for each: {@code 0 off, 1 short}, {@code 0=off; 1=on}, {@code off: 0 / on: 1}. Empty where it is anything else. */
    static Optional<PhraseValues> named(String text) {
        List<ScaleMark> marks = new ArrayList<>();
        List<String> numbers = new ArrayList<>();
        for (String part : text.split("[,;/|]")) {
            String each = oneSpaced(part);
            Matcher before = NUMBER_THEN_WORD.matcher(each);
            Matcher behind = WORD_THEN_NUMBER.matcher(each);
            String number = before.matches() ? before.group(1) : behind.matches() ? behind.group(2) : "";
            if (number.isEmpty() || numbers.contains(number)) {
                return Optional.empty();
            }
            numbers.add(number);
            marks.add(new ScaleMark(
                    Double.parseDouble(number), (before.matches() ? before.group(2) : behind.group(1)).strip()));
        }
        // the same word behind each is a unit
        return marks.size() < 2
                        || marks.stream().map(ScaleMark::text).distinct().count() < marks.size()
                ? Optional.empty()
                : Optional.of(new PhraseValues(Optional.empty(), Optional.empty(), "", numbers, marks));
    }

    /** A number, whatever unit is behind it. */
    static Optional<Double> number(String text) {
        Matcher comma = WITH_COMMA.matcher(text.strip());
        Matcher matcher =
                NUMBER_AND_UNIT.matcher(comma.matches() ? comma.group(1) + "." + comma.group(2) : text.strip());
        return matcher.matches() ? Optional.of(Double.valueOf(matcher.group(1).replace('−', '-'))) : Optional.empty();
    }

    /** The unit behind a number; empty where there is none. */
    static String unitOf(String text) {
        Matcher matcher = NUMBER_AND_UNIT.matcher(text.strip());
        return matcher.matches() && matcher.group(2) != null ? matcher.group(2) : "";
    }

    /** Texts with bars, commas, semicolons or slashes between. */
    static List<String> choices(String text) {
        return text.isBlank()
                ? List.of()
                : Arrays.stream(text.split("[|,;/]"))
                        .map(String::strip)
                        .filter(choice -> !choice.isEmpty())
                        .toList();
    }

    /** Values as a person writes them for one phrase, where a slip must not become a choice. Empty where it cannot be read. */
    static Optional<PhraseValues> written(String text) {
        if (text.isBlank()) {
            return Optional.of(NONE);
        }
        return text.indexOf('|') < 0
                ? range(text)
                : Optional.of(choosing(Arrays.stream(text.split("\\|"))
                        .map(String::strip)
                        .filter(choice -> !choice.isEmpty())
                        .toList()));
    }
}
