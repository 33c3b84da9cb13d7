package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import imperan.show.Ranges;
import imperan.show.Phrase.AnswerRule;
import imperan.show.ScaleMark;
import imperan.table.SheetText;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Phrases from a table: CSV (RFC 4180) with commas, semicolons or tabs, or columns between bars as documents have them. Columns
 * are known by their titles, in any order; without titles they are known by what stands in them.
 */
public final class TableImport {

    /** Characters of a row that is refused, as it is quoted. */
    private static final int MOST_QUOTED = 160;

    /** What a column can be. */
    private enum Column {
        ADDRESS("address", "path", "osc address", "osc path", "message", "command", "phrase"),
        TYPES("types", "type", "type tags", "typetags", "tags", "arguments", "argument", "args", "arg", "parameter", "parameters", "value type"),
        LOW("low", "min", "minimum", "from", "lowest"),
        HIGH("high", "max", "maximum", "to", "highest"),
        RANGE("range", "values", "value", "limits"),
        UNIT("unit", "units"),
        CHOICES("choices", "choice", "options", "enum", "one of"),
        FIXED("fixed", "constant", "constants", "first"),
        DIRECTION("direction", "access", "way", "in/out", "read/write", "r/w"),
        ANSWER("answer", "reply", "response", "feedback", "returns"),
        MEANING("meaning", "description", "what it does", "notes", "note", "comment", "function"),
        TOLERANCE("tolerance", "within"),
        SECONDS("seconds", "time", "time limit", "answers within"),
        MASKED("masked by", "masked", "needs"),
        MARKS("marks", "scale"),
        WORDS("words", "words in argument");

        private final List<String> titles;

        Column(String... titles) {
            this.titles = List.of(titles);
        }

        static Optional<Column> titled(String title) {
            String plain = title.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s_-]+", " ").replaceAll("[*`:]", "");
            return Arrays.stream(values()).filter(column -> column.titles.contains(plain)).findFirst();
        }
    }

    private final Map<Column, Integer> places = new EnumMap<>(Column.class);
    private final List<ReadRow> rows = new ArrayList<>();

    private final boolean bare;

    private TableImport(boolean bare) {
        this.bare = bare;
    }

    /** Reads a whole table; each of its rows is in the answer. A slash that is missing at the start of an address is put there. */
    public static List<ReadRow> read(String text) {
        return read(text, false);
    }

    /** @param bare whether an address that lacks the slash at its start is meant so */
    public static List<ReadRow> read(String text, boolean bare) {
        TableImport reading = new TableImport(bare);
        reading.all(text);
        return List.copyOf(reading.rows);
    }

    /** @param number of the line in the text, from 1 */
    private record Line(long number, List<String> cells) {
    }

    private void all(String text) {
        List<Line> lines = lines(text);
        boolean headed = !lines.isEmpty() && lines.get(0).cells().stream().noneMatch(cell -> cell.startsWith("/"));
        if (headed) {
            List<String> titles = lines.get(0).cells();
            for (int i = 0; i < titles.size(); i++) {
                int place = i;
                Column.titled(titles.get(i)).ifPresent(column -> places.putIfAbsent(column, place));
            }
        }
        boolean titled = places.containsKey(Column.ADDRESS);
        for (Line line : headed ? lines.subList(1, lines.size()) : lines) {
            if (!titled) {
                places.clear();
                guess(line.cells());
            }
            rows.add(row("line " + line.number(), line.cells(), !titled));
        }
        if (headed && rows.isEmpty()) {
            rows.add(ReadRow.refused("line " + lines.get(0).number(), titled ? "There are titles, and no line below them"
                    : "No column is titled “address”, and no cell begins with a slash"));
        }
    }

    /** The lines that hold something, with the bars of a document's table or by the delimiter that occurs most. */
    private static List<Line> lines(String text) {
        List<String> all = text.lines().toList();
        boolean bars = all.stream().filter(line -> !line.isBlank()).allMatch(line -> line.strip().startsWith("|") || line.contains(" | "));
        return (bars ? withBars(all) : delimited(text)).stream()
                .filter(line -> !line.cells().stream().allMatch(String::isBlank)).toList();
    }

    private static List<Line> withBars(List<String> all) {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            // a line of dashes divides the titles from the rest
            if (!all.get(i).matches("[\\s|:+-]*")) {
                lines.add(new Line(i + 1, Arrays.stream(all.get(i).strip().replaceAll("^\\||\\|$", "").split("\\|"))
                        .map(cell -> cell.strip().replaceAll("^`|`$", "")).toList()));
            }
        }
        return lines;
    }

    private static List<Line> delimited(String text) {
        // later lines may hold the others within their cells
        char delimiter = delimiter(text.lines().filter(line -> !line.isBlank()).findFirst().orElse("")).or(() -> delimiter(text)).orElse(',');
        List<Line> lines = new ArrayList<>();
        long number = 1;
        try (CSVParser parser = CSVFormat.RFC4180.builder().setDelimiter(delimiter).setIgnoreEmptyLines(false)
                .setIgnoreSurroundingSpaces(true).setLenientEof(true).setTrailingData(true).get().parse(new StringReader(text))) {
            for (CSVRecord line : parser) {
                // a quoted cell may go over several lines; the row is where it begins
                lines.add(new Line(number, line.stream().map(String::strip).map(SheetText::read).toList()));
                number = parser.getCurrentLineNumber() + 1;
            }
        } catch (IOException | UncheckedIOException e) {
            lines.add(new Line(number, List.of("This line cannot be split into cells: " + e.getMessage())));
        }
        return lines;
    }

    /** What occurs most; where two do, the one that is rarer within cells. */
    private static Optional<Character> delimiter(String text) {
        Optional<Character> found = Optional.empty();
        long most = 0;
        for (char candidate : new char[] {'\t', ';', ','}) {
            long count = text.chars().filter(c -> c == candidate).count();
            if (count > most) {
                found = Optional.of(candidate);
                most = count;
            }
        }
        return found;
    }

    private void guess(List<String> line) {
        for (int i = 0; i < line.size(); i++) {
            String cell = line.get(i);
            Column column = cell.startsWith("/") ? places.containsKey(Column.ADDRESS) ? Column.ANSWER : Column.ADDRESS
                    : cell.matches(",?[fihdsTF]{1,8}") || types(cell).isPresent() ? Column.TYPES
                    : PhraseValues.range(cell).isPresent() ? Column.RANGE : Column.MEANING;
            places.putIfAbsent(column, i);
        }
    }

    private String cell(List<String> line, Column column) {
        Integer place = places.get(column);
        return place == null || place >= line.size() ? "" : line.get(place);
    }

    private ReadRow row(String place, List<String> line, boolean guessed) {
        List<String> guesses = new ArrayList<>();
        String address = address(cell(line, Column.ADDRESS), guesses);
        SlotAddress slots = bare ? SlotAddress.parseFreely(address) : SlotAddress.parse(address);
        if (slots.problem().isPresent()) {
            return ReadRow.refused(quoted(place, line), address.isEmpty() ? "There is no address in this line" : slots.problem().get());
        }
        if (guessed) {
            guesses.add("columns known by what stands in them");
        }
        Optional<List<ArgumentType>> types = types(cell(line, Column.TYPES));
        if (types.isEmpty()) {
            return ReadRow.refused(quoted(place, line), "“" + cell(line, Column.TYPES) + "” is not a type: write type tags such as f or ifs, or words such as float, int, text");
        }
        PhraseValues values = values(line);
        List<Phrase.PhraseArgument> arguments = arguments(line, types.get(), values, guesses);
        Optional<Phrase.Direction> direction = direction(cell(line, Column.DIRECTION));
        Phrase.Direction said = direction.orElse(Phrase.Direction.BOTH);
        if (direction.isEmpty() && !cell(line, Column.DIRECTION).isEmpty()) {
            guesses.add("direction “" + cell(line, Column.DIRECTION) + "” taken as both");
        }
        AnswerRule answer = answer(cell(line, Column.ANSWER), said);
        Phrase phrase = new Phrase(address, said, arguments, new AnswerRule(answer.kind(), answer.address(),
                PhraseValues.number(cell(line, Column.TOLERANCE)).filter(t -> t >= 0).orElse(answer.tolerance()),
                PhraseValues.number(cell(line, Column.SECONDS)).filter(t -> t > 0).orElse(answer.seconds()),
                words(cell(line, Column.WORDS), guesses)), cell(line, Column.MEANING),
                cell(line, Column.MASKED));
        return new ReadRow(place, guesses.isEmpty() ? ReadRow.Verdict.UNDERSTOOD : ReadRow.Verdict.GUESSED, Optional.of(phrase),
                String.join("; ", guesses));
    }

    /** A row that is refused is shown as it was written: its place alone has to be looked for. */
    private static String quoted(String place, List<String> line) {
        String text = line.stream().filter(cell -> !cell.isEmpty()).collect(Collectors.joining(" | "));
        return text.isEmpty() ? place : place + ": " + (text.length() > MOST_QUOTED ? text.substring(0, MOST_QUOTED) + "…" : text);
    }

    /** Brings the ways in which documents write a number into an address to ours, where its ends are told. */
    private String address(String cell, List<String> guesses) {
        String address = cell.strip();
        Matcher braces = Pattern.compile("[\\[{](\\d{1,6})\\s*(?:-|–|\\.\\.)\\s*(\\d{1,6})[\\]}]").matcher(address);
        if (braces.find()) {
            int[] number = {0};
            address = braces.replaceAll(found -> "<n" + (number[0]++ == 0 ? "" : number[0]) + ":" + found.group(1) + ".." + found.group(2) + ">");
            guesses.add("numbers in brackets taken as slots");
        }
        if (!bare && !address.startsWith("/") && !address.isEmpty() && !address.contains(" ")) {
            guesses.add("the slash at its start was missing");
            address = "/" + address;
        }
        if (address.length() > 1 && address.endsWith("/")) {
            guesses.add("the slash at its end was left out");
            address = address.substring(0, address.length() - 1);
        }
        return address;
    }

    private PhraseValues values(List<String> line) {
        Optional<Double> low = PhraseValues.number(cell(line, Column.LOW));
        Optional<Double> high = PhraseValues.number(cell(line, Column.HIGH));
        String unit = cell(line, Column.UNIT);
        List<String> choices = PhraseValues.choices(cell(line, Column.CHOICES));
        String written = cell(line, Column.RANGE);
        return PhraseValues.range(written).map(range -> new PhraseValues(low.or(range::low), high.or(range::high),
                        unit.isEmpty() ? range.unit() : unit, choices))
                .orElseGet(() -> new PhraseValues(low, high, unit, choices.isEmpty() ? PhraseValues.choices(written) : choices));
    }

    /** The last argument that is a number has the range; those before it are as they are, or fixed. */
    private List<Phrase.PhraseArgument> arguments(List<String> line, List<ArgumentType> types, PhraseValues values, List<String> guesses) {
        List<String> fixed = PhraseValues.choices(cell(line, Column.FIXED));
        List<ArgumentType> all = new ArrayList<>(types);
        if (all.isEmpty() && (values.low().isPresent() || !values.choices().isEmpty())) {
            all.add(values.low().isPresent() ? ArgumentType.FLOAT32 : ArgumentType.TEXT);
            guesses.add("taken as " + (values.low().isPresent() ? "a decimal" : "a text") + ", for no type is told");
        }
        List<ScaleMark> marks = ScaleMark.parse(cell(line, Column.MARKS)).orElseGet(() -> {
            guesses.add("marks left out: “" + cell(line, Column.MARKS) + "” is not written as 0 off; 1 +10 dB");
            return List.of();
        });
        boolean ranged = values.low().isPresent() && values.high().isPresent() && values.low().get() < values.high().get();
        List<Phrase.PhraseArgument> arguments = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            boolean isFixed = i < fixed.size();
            if (ranged && !Ranges.fits(all.get(i), values.low().get(), values.high().get())) {
                guesses.add("range left out: it goes beyond what a number of this type can be");
                ranged = false;
            }
            boolean has = !isFixed && (all.stream().skip(fixed.size()).allMatch(type -> type == all.get(all.size() - 1)) || i == all.size() - 1);
            arguments.add(new Phrase.PhraseArgument(all.get(i), has && ranged ? values.low() : Optional.empty(),
                    has && ranged ? values.high() : Optional.empty(), has ? values.unit() : "", has ? values.choices() : List.of(),
                    isFixed ? Optional.of(fixed.get(i)) : Optional.empty(), has ? marks : List.of()));
        }
        return arguments;
    }

    /** Types as tags or as words; nothing at all is no argument. Empty where the cell is neither. */
    private static Optional<List<ArgumentType>> types(String cell) {
        String plain = cell.strip();
        if (plain.isEmpty() || plain.matches("(?i)none|no|-|–|n/a")) {
            return Optional.of(List.of());
        }
        if (plain.matches(",?[fihdsTF]{1,16}")) {
            return Optional.of(plain.replace(",", "").chars().mapToObj(tag -> TypeTags.ofTag((char) tag).orElseThrow()).toList());
        }
        List<ArgumentType> types = new ArrayList<>();
        for (String word : plain.split("[\\s,;+/]+")) {
            Optional<ArgumentType> type = TypeTags.ofWord(word.replaceAll("\\d+$", ""));
            if (type.isEmpty()) {
                return Optional.empty();
            }
            types.add(type.get());
        }
        return Optional.of(types);
    }

    private static Optional<Phrase.Direction> direction(String cell) {
        return switch (cell.strip().toLowerCase(Locale.ROOT)) {
            case "out", "send", "write", "w", "to", "set", "write only" -> Optional.of(Phrase.Direction.OUT);
            case "in", "receive", "read", "r", "from", "get", "read only", "report" -> Optional.of(Phrase.Direction.IN);
            case "both", "in/out", "rw", "r/w", "read/write", "set/get", "" -> Optional.of(Phrase.Direction.BOTH);
            default -> Optional.empty();
        };
    }

    /** The place of the argument in which the value is said in words, from 0. */
    private static Optional<Integer> words(String cell, List<String> guesses) {
        if (cell.isEmpty() || cell.matches("\\d{1,2}")) {
            return Optional.of(cell).filter(place -> !place.isEmpty()).map(Integer::valueOf);
        }
        guesses.add("words left out: “" + cell + "” is no place of an argument, such as 1");
        return Optional.empty();
    }

    private static AnswerRule answer(String cell, Phrase.Direction direction) {
        String plain = cell.strip();
        if (plain.startsWith("/")) {
            return AnswerRule.of(AnswerRule.Kind.OTHER, plain, AnswerRule.usual(AnswerRule.Kind.OTHER).tolerance(), 0.5);
        }
        return switch (plain.toLowerCase(Locale.ROOT)) {
            case "none", "no", "nothing", "never" -> AnswerRule.usual(AnswerRule.Kind.NONE);
            case "query", "asked", "on request", "when asked" -> AnswerRule.usual(AnswerRule.Kind.QUERY);
            default -> AnswerRule.usual(direction == Phrase.Direction.OUT ? AnswerRule.Kind.NONE : AnswerRule.Kind.SAME);
        };
    }
}
