package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.dialect.Osc;
import imperan.shaping.ShapingText;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.AskRule;
import imperan.show.Phrase;
import imperan.show.ProofRule;
import imperan.show.Ranges;
import imperan.show.ScaleMark;
import imperan.show.TextRule;
import imperan.table.SheetText;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Phrases from a table: CSV (RFC 4180) with commas, semicolons or tabs, or columns between bars as documents have them. Columns
 * are known by their titles, in any order; without titles they are known by what stands in them.
 */
public final class TableImport {

    /** More columns than these are not described. */
    private static final int MOST_COLUMNS = 64;

    /** Characters of a title or of an example that are shown. */
    private static final int MOST_SHOWN = 40;

    /** Characters of a row that is refused, as it is quoted. */
    private static final int MOST_QUOTED = 160;

    /** What a title says in brackets is the unit, where it is as short as one: Min (dB). */
    private static final Pattern UNIT_OF_TITLE = Pattern.compile(".*[\\[(]\\s*(\\S{1,4})\\s*[\\])]");
    /** A type and its range in one cell, such as float 0..1 or int (0-127). */
    private static final Pattern TYPE_AND_RANGE =
            Pattern.compile("([A-Za-z]+\\d{0,2})[\\s:,]*[\\[(]?\\s*([-+−.\\d].*?)[\\])]?");
    /** Minus infinity, as a fader says of its lower end. */
    private static final Pattern INFINITE = Pattern.compile("(?i).*(?:∞|\\binf(?:inity)?\\b).*");

    private final Map<TableColumn, Integer> places = new EnumMap<>(TableColumn.class);
    /** The unit that the titles tell; empty where they tell none. */
    private String unit = "";

    private final List<ReadRow> rows = new ArrayList<>();

    private final boolean bare;
    /** What somebody says of columns, in the order in which they said it; the others are taken as they look. */
    private final List<ReadTable.Told> told;

    private final List<ReadTable.Column> columns = new ArrayList<>();

    private TableImport(boolean bare, List<ReadTable.Told> told) {
        this.bare = bare;
        this.told = told;
    }

    /** Reads a whole table; each of its rows is in the answer. A slash that is missing at the start of an address is put there. */
    public static List<ReadRow> read(String text) {
        return read(text, false);
    }

    /** @param bare whether an address that lacks the slash at its start is meant so */
    public static List<ReadRow> read(String text, boolean bare) {
        return read(text, bare, List.of()).rows();
    }

    /** @param told what some columns are, the last word last: of each kind there is one column, so the one that was of that kind is ignored then */
    public static ReadTable read(String text, boolean bare, List<ReadTable.Told> told) {
        TableImport reading = new TableImport(bare, told);
        reading.all(text);
        // what we wrote is read as it stands
        return new ReadTable(
                text.startsWith(TableExport.OURS) ? reading.rows : Families.toldOnce(Families.joined(reading.rows)),
                reading.columns);
    }

    /** @param number of the line in the text, from 1 */
    private record Line(long number, List<String> cells) {}

    private void all(String text) {
        List<Line> lines = lines(text);
        if (lines.isEmpty() && !text.isBlank()) {
            rows.add(ReadRow.refused("line 1", "There is nothing here but comments"));
        }
        boolean headed = !lines.isEmpty() && lines.get(0).cells().stream().noneMatch(cell -> cell.startsWith("/"));
        if (headed) {
            List<String> titles = lines.get(0).cells();
            for (int i = 0; i < titles.size(); i++) {
                int place = i;
                TableColumn.titled(titles.get(i)).ifPresent(column -> places.putIfAbsent(column, place));
                Matcher inBrackets = UNIT_OF_TITLE.matcher(titles.get(i));
                boolean ofValues = TableColumn.titled(titles.get(i))
                        .filter(c -> c == TableColumn.LOW || c == TableColumn.HIGH || c == TableColumn.RANGE)
                        .isPresent();
                unit = unit.isEmpty() && ofValues && inBrackets.matches() ? inBrackets.group(1) : unit;
            }
        }
        List<Line> below = headed ? lines.subList(1, lines.size()) : lines;
        boolean titled = places.containsKey(TableColumn.ADDRESS);
        if (!titled && !below.isEmpty()) {
            guess(below.get(0).cells());
        }
        boolean said = !told.isEmpty();
        if (said) {
            takeAsTold();
        }
        describe(headed ? lines.get(0).cells() : List.of(), below);
        for (Line line : below) {
            if (!titled && !said) {
                places.clear();
                guess(line.cells());
            }
            rows.add(row("line " + line.number(), line.cells(), !titled && !said));
        }
        if (headed && rows.isEmpty()) {
            rows.add(ReadRow.refused(
                    "line " + lines.get(0).number(),
                    titled
                            ? "There are titles, and no line below them"
                            : "No column is titled “address”, and no cell begins with a slash"));
        }
    }

    private void takeAsTold() {
        for (ReadTable.Told each : told) {
            places.values().remove(each.column());
            if (each.is() != TableColumn.IGNORED && each.column() >= 0) {
                places.put(each.is(), each.column());
            }
        }
    }

    /** What each column was taken as, with its title and what stands in it first. */
    private void describe(List<String> titles, List<Line> below) {
        List<String> first = below.isEmpty() ? List.of() : below.get(0).cells();
        for (int i = 0; i < Math.min(MOST_COLUMNS, Math.max(titles.size(), first.size())); i++) {
            int place = i;
            TableColumn taken = places.entrySet().stream()
                    .filter(entry -> entry.getValue() == place)
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .orElse(TableColumn.IGNORED);
            columns.add(new ReadTable.Column(
                    shortened(i < titles.size() ? titles.get(i) : ""),
                    shortened(i < first.size() ? first.get(i) : ""),
                    taken));
        }
    }

    private static String shortened(String text) {
        return text.length() > MOST_SHOWN ? text.substring(0, MOST_SHOWN) + "…" : text;
    }

    /** The lines that hold something and are no comment, with the bars of a document's table or by the delimiter that occurs most. */
    private static List<Line> lines(String text) {
        List<String> all = text.lines().filter(line -> !isComment(line)).toList();
        boolean bars = all.stream()
                .filter(line -> !line.isBlank())
                .allMatch(line -> line.strip().startsWith("|") || line.contains(" | "));
        return (bars ? withBars(text.lines().toList()) : delimited(text))
                .stream()
                        .filter(line -> !line.cells().stream().allMatch(String::isBlank))
                        .filter(line -> !isComment(line))
                        .toList();
    }

    /** A column of numbers may be titled # and count #1, #2: such a line is a row. */
    private static boolean isComment(Line line) {
        List<String> filled =
                line.cells().stream().filter(cell -> !cell.isEmpty()).toList();
        return isComment(filled.get(0)) && (filled.size() == 1 || !filled.get(0).matches("#\\d*"));
    }

    /** No address holds such a sign, and none has a space behind its first slashes (OSC 1.0, "OSC Address Spaces"). */
    private static boolean isComment(String text) {
        return text.strip().matches("(?s)(?:#(?!\\d*\\s*[,;\\t|])|//\\s|--\\s|;\\s).*");
    }

    private static List<Line> withBars(List<String> all) {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            // a line of dashes divides the titles from the rest
            if (!all.get(i).matches("[\\s|:+-]*")) {
                lines.add(new Line(
                        i + 1,
                        Arrays.stream(all.get(i)
                                        .strip()
                                        .replaceAll("^\\||\\|$", "")
                                        .split("\\|"))
                                .map(cell -> cell.strip().replaceAll("^`|`$", ""))
                                .toList()));
            }
        }
        return lines;
    }

    private static List<Line> delimited(String text) {
        // later lines may hold the others within their cells
        char delimiter = delimiter(text.lines()
                        .filter(line -> !line.isBlank() && !isComment(line))
                        .findFirst()
                        .orElse(""))
                .or(() -> delimiter(text))
                .orElse(',');
        List<Line> lines = new ArrayList<>();
        long number = 1;
        try (CSVParser parser = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreEmptyLines(false)
                .setIgnoreSurroundingSpaces(true)
                .setLenientEof(true)
                .setTrailingData(true)
                .get()
                .parse(new StringReader(text))) {
            for (CSVRecord line : parser) {
                // a quoted cell may go over several lines; the row is where it begins
                lines.add(new Line(
                        number,
                        line.stream().map(String::strip).map(SheetText::read).toList()));
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
            TableColumn column = cell.startsWith("/")
                    ? places.containsKey(TableColumn.ADDRESS) ? TableColumn.ANSWER : TableColumn.ADDRESS
                    : TypeTags.read(cell).isPresent()
                            ? TableColumn.TYPES
                            : PhraseValues.range(cell).isPresent() ? TableColumn.RANGE : TableColumn.MEANING;
            places.putIfAbsent(column, i);
        }
    }

    private String cell(List<String> line, TableColumn column) {
        Integer place = places.get(column);
        return place == null || place >= line.size() ? "" : line.get(place);
    }

    private ReadRow row(String place, List<String> line, boolean guessed) {
        List<String> guesses = new ArrayList<>();
        String address = address(cell(line, TableColumn.ADDRESS), guesses);
        if (address.length() > SlotAddress.MOST_CHARACTERS) {
            return ReadRow.refused(
                    quoted(place, line), "An address has at most " + SlotAddress.MOST_CHARACTERS + " characters");
        }
        SlotAddress slots = SlotAddress.parse(address, (bare ? Osc.BARE : Osc.STRICT)::fault);
        if (slots.problem().isPresent()) {
            return ReadRow.refused(
                    quoted(place, line),
                    address.isEmpty()
                            ? "There is no address in this line"
                            : slots.problem().get());
        }
        if (guessed) {
            guesses.add("columns known by what stands in them");
        }
        Matcher together = TYPE_AND_RANGE.matcher(PhraseValues.oneSpaced(cell(line, TableColumn.TYPES)));
        boolean ranged = together.matches()
                && TypeTags.read(together.group(1)).isPresent()
                && PhraseValues.range(together.group(2)).isPresent();
        Optional<List<ArgumentType>> types = TypeTags.read(ranged ? together.group(1) : cell(line, TableColumn.TYPES));
        if (types.isEmpty()) {
            return ReadRow.refused(
                    quoted(place, line),
                    "“" + cell(line, TableColumn.TYPES)
                            + "” is not a type: write type tags such as f or ifs, or words such as float, int, text");
        }
        String written =
                ranged && cell(line, TableColumn.RANGE).isEmpty() ? together.group(2) : cell(line, TableColumn.RANGE);
        PhraseValues values = values(line, written, guesses);
        List<Phrase.PhraseArgument> arguments =
                arguments(line, types.get(), values, PhraseValues.ranges(written), guesses);
        Optional<Phrase.Direction> direction = direction(cell(line, TableColumn.DIRECTION));
        Phrase.Direction said = direction.orElse(Phrase.Direction.BOTH);
        if (direction.isEmpty() && !cell(line, TableColumn.DIRECTION).isEmpty()) {
            guesses.add("direction “" + cell(line, TableColumn.DIRECTION) + "” taken as both");
        }
        Phrase phrase = new Phrase(
                address,
                said,
                arguments,
                answer(line, address, said, guesses),
                read(
                                line,
                                TableColumn.EFFECT,
                                cell -> AnswerText.readWord(Phrase.Effect.class, cell),
                                "value, event, toggle or dangerous",
                                guesses)
                        .orElse(Phrase.Effect.UNKNOWN),
                cell(line, TableColumn.MEANING),
                cell(line, TableColumn.MASKED),
                read(
                                line,
                                TableColumn.MASKS,
                                AnswerText::readMasks,
                                "/mute/<ch:1..8> = 1; other /solo/<ch:1..8> = 1",
                                guesses)
                        .orElse(List.of()),
                read(line, TableColumn.PROOF, ProofText::read, "0.2 to 0.4; full sweep; every 2 s; at most 3", guesses)
                        .orElse(ProofRule.USUAL));
        return new ReadRow(
                place,
                guesses.isEmpty() ? ReadRow.Verdict.UNDERSTOOD : ReadRow.Verdict.GUESSED,
                Optional.of(phrase),
                String.join("; ", guesses));
    }

    /** A row that is refused is shown as it was written: its place alone has to be looked for. */
    private static String quoted(String place, List<String> line) {
        String text = line.stream().filter(cell -> !cell.isEmpty()).collect(Collectors.joining(" | "));
        return text.isEmpty()
                ? place
                : place + ": " + (text.length() > MOST_QUOTED ? text.substring(0, MOST_QUOTED) + "…" : text);
    }

    /** Brings the ways in which documents write a number into an address to ours, where its ends are told. */
    private String address(String cell, List<String> guesses) {
        String address = cell.strip();
        Matcher braces = Pattern.compile("[\\[{](\\d{1,6})\\s*(?:-|–|\\.\\.)\\s*(\\d{1,6})[\\]}]")
                .matcher(address);
        if (braces.find()) {
            int[] number = {0};
            address = braces.replaceAll(found ->
                    "<n" + (number[0]++ == 0 ? "" : number[0]) + ":" + found.group(1) + ".." + found.group(2) + ">");
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

    private PhraseValues values(List<String> line, String written, List<String> guesses) {
        Optional<Double> low = end(line, TableColumn.LOW, guesses);
        Optional<Double> high = end(line, TableColumn.HIGH, guesses);
        String choosable = cell(line, TableColumn.CHOICES);
        PhraseValues choices =
                PhraseValues.named(choosable).orElseGet(() -> PhraseValues.choosing(PhraseValues.choices(choosable)));
        PhraseValues range = PhraseValues.ranges(written).stream()
                .findFirst()
                .or(() -> PhraseValues.cell(written))
                .orElseGet(() -> {
                    guesses.add(
                            "“" + written + "” left out: it is neither two numbers such as 0..1 nor a list of values");
                    return PhraseValues.NONE;
                });
        String told = Stream.of(
                        cell(line, TableColumn.UNIT),
                        range.unit(),
                        PhraseValues.unitOf(cell(line, TableColumn.LOW)),
                        PhraseValues.unitOf(cell(line, TableColumn.HIGH)))
                .filter(each -> !each.isEmpty())
                .findFirst()
                .orElse(low.or(range::low).isPresent() ? unit : "");
        PhraseValues chosen = choices.choices().isEmpty() ? range : choices;
        return new PhraseValues(low.or(range::low), high.or(range::high), told, chosen.choices(), chosen.marks());
    }

    private Optional<Double> end(List<String> line, TableColumn column, List<String> guesses) {
        String written = cell(line, column);
        Optional<Double> number = PhraseValues.number(written);
        if (number.isEmpty() && INFINITE.matcher(written).matches()) {
            guesses.add("“" + written + "” left out: the range needs a number there");
        }
        return number;
    }

    /** Ranges are those of the arguments where each has one; else the last argument that is a number has the range, and those before it are as they are, or fixed. */
    private List<Phrase.PhraseArgument> arguments(
            List<String> line,
            List<ArgumentType> types,
            PhraseValues values,
            List<PhraseValues> ranges,
            List<String> guesses) {
        List<String> fixed = PhraseValues.choices(cell(line, TableColumn.FIXED));
        List<ArgumentType> all = new ArrayList<>(types);
        if (all.isEmpty() && (values.low().isPresent() || !values.choices().isEmpty())) {
            Taken taken = Taken.of(values);
            all.addAll(Collections.nCopies(Math.max(1, ranges.size()), taken.type));
            guesses.add("taken as " + taken.said + ", for no type is told");
        }
        String marked = cell(line, TableColumn.MARKS);
        List<ScaleMark> marks = marked.isEmpty()
                ? values.marks()
                : ScaleMark.parse(marked).orElseGet(() -> {
                    guesses.add("marks left out: “" + marked + "” is not written as 0 off; 1 +10 dB");
                    return List.of();
                });
        String reads = cell(line, TableColumn.READS);
        Optional<String> unread = ShapingText.read(reads).problem();
        unread.ifPresent(problem -> guesses.add("far end left out: " + problem));
        boolean each = ranges.size() == all.size() - fixed.size();
        if (ranges.size() > 1 && !each) {
            int varying = all.size() - fixed.size();
            guesses.add("there are " + ranges.size() + " ranges for " + varying
                    + (varying == 1 ? " argument" : " arguments") + ": the first is taken");
        }
        TextRule texts = read(line, TableColumn.TEXTS, AskText::readTexts, "at most 32, plain", guesses)
                .orElse(TextRule.UNKNOWN);
        List<Phrase.PhraseArgument> arguments = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            boolean isFixed = i < fixed.size();
            boolean has = !isFixed
                    && (each
                            || i == all.size() - 1
                            || all.stream().skip(fixed.size()).allMatch(type -> type == all.get(all.size() - 1)));
            PhraseValues own = has ? each ? ranges.get(i - fixed.size()) : values : PhraseValues.NONE;
            boolean ranged = own.low().isPresent()
                    && own.high().isPresent()
                    && own.low().get() < own.high().get();
            if (ranged && !Ranges.fits(all.get(i), own.low().get(), own.high().get())) {
                guesses.add("range left out: it goes beyond what a number of this type can be");
                ranged = false;
            }
            arguments.add(new Phrase.PhraseArgument(
                    all.get(i),
                    ranged ? own.low() : Optional.empty(),
                    ranged ? own.high() : Optional.empty(),
                    own.unit(),
                    own.choices(),
                    isFixed ? Optional.of(fixed.get(i)) : Optional.empty(),
                    has ? marks : List.of(),
                    has && unread.isEmpty() ? reads : "",
                    has ? texts : TextRule.UNKNOWN));
        }
        return arguments;
    }

    /** What an argument is taken for whose type nobody tells. */
    private enum Taken {
        DECIMAL(ArgumentType.FLOAT32, "a decimal"),
        WHOLE(ArgumentType.INT32, "a whole number"),
        TEXT(ArgumentType.TEXT, "a text");

        private final ArgumentType type;
        private final String said;

        Taken(ArgumentType type, String said) {
            this.type = type;
            this.said = said;
        }

        static Taken of(PhraseValues values) {
            boolean numbers = !values.choices().isEmpty()
                    && values.choices().stream().allMatch(choice -> choice.matches("-?\\d{1,9}"));
            return values.low().isPresent() ? DECIMAL : numbers ? WHOLE : TEXT;
        }
    }

    /** Documents are written from the target's side or from ours; what can be either is not guessed. */
    private static Optional<Phrase.Direction> direction(String cell) {
        String plain = cell.strip()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[\\s_-]+", " ")
                .replace("only", "")
                .strip();
        return switch (plain) {
            case "out",
                    "send",
                    "sends",
                    "write",
                    "w",
                    "wo",
                    "to",
                    "set",
                    "command",
                    "to target",
                    "us to target",
                    "we send",
                    "→",
                    ">",
                    "=>",
                    "→ target",
                    "> target" -> Optional.of(Phrase.Direction.OUT);
            case "in",
                    "receive",
                    "receives",
                    "read",
                    "r",
                    "ro",
                    "from",
                    "get",
                    "report",
                    "reports",
                    "status",
                    "event",
                    "notification",
                    "notify",
                    "from target",
                    "target to us",
                    "target sends",
                    "←",
                    "<",
                    "<=",
                    "← target",
                    "< target" -> Optional.of(Phrase.Direction.IN);
            case "both",
                    "in/out",
                    "in / out",
                    "in, out",
                    "rw",
                    "r/w",
                    "read/write",
                    "read / write",
                    "read, write",
                    "read write",
                    "set/get",
                    "get/set",
                    "send/receive",
                    "send / receive",
                    "both ways",
                    "bidirectional",
                    "two way",
                    "↔",
                    "<>",
                    "< >",
                    "<=>",
                    "⇄",
                    "⇔",
                    "" -> Optional.of(Phrase.Direction.BOTH);
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

    /** What a cell says; where it cannot be read it is left out, with a word how it is written. */
    private <T> Optional<T> read(
            List<String> line,
            TableColumn column,
            Function<String, Optional<T>> reading,
            String written,
            List<String> guesses) {
        String cell = cell(line, column);
        Optional<T> read = cell.isEmpty() ? Optional.empty() : reading.apply(cell);
        if (read.isEmpty() && !cell.isEmpty()) {
            guesses.add(column.title() + " left out: “" + cell + "” is not written as " + written);
        }
        return read;
    }

    private AnswerRule answer(List<String> line, String address, Phrase.Direction direction, List<String> guesses) {
        AnswerRule rule =
                AnswerText.readSays(cell(line, TableColumn.SAYS), from(cell(line, TableColumn.ANSWER), direction));
        return new AnswerRule(
                rule.kind(),
                rule.address(),
                rule.says(),
                rule.given(),
                read(line, TableColumn.PLACES, AnswerText::readPlaces, "0|1", guesses)
                        .orElse(List.of()),
                read(line, TableColumn.TOLERANCE, AnswerText::readTolerance, "0.02, ±2 or step 5", guesses),
                read(line, TableColumn.SECONDS, TableImport::time, "0.5", guesses)
                        .orElse(rule.seconds()),
                read(line, TableColumn.FINAL, TableImport::time, "4", guesses),
                read(
                                line,
                                TableColumn.TOLD,
                                cell -> AnswerText.readWord(AnswerRule.Told.class, cell),
                                "everybody, others, who asks or subscribers",
                                guesses)
                        .orElse(AnswerRule.Told.UNKNOWN),
                words(cell(line, TableColumn.WORDS), guesses),
                asked(line, address, guesses));
    }

    /** How it is asked, where that fits its address. */
    private Optional<AskRule> asked(List<String> line, String address, List<String> guesses) {
        Optional<AskRule> ask = read(
                line, TableColumn.ASKED, AskText::read, "/get/level with fixed, answered on /level, in 1", guesses);
        Optional<String> misfit = ask.flatMap(how -> how.misfit(address));
        misfit.ifPresent(problem -> guesses.add(TableColumn.ASKED.title() + " left out: " + problem));
        return misfit.isPresent() ? Optional.empty() : ask;
    }

    private static Optional<Double> time(String cell) {
        return PhraseValues.number(cell).filter(time -> time > 0);
    }

    private static AnswerRule from(String cell, Phrase.Direction direction) {
        String plain = cell.strip();
        if (plain.startsWith("/")) {
            return AnswerRule.elsewhere(plain);
        }
        return switch (plain.toLowerCase(Locale.ROOT)) {
            case "none", "no", "nothing", "never" -> AnswerRule.usual(AnswerRule.Kind.NONE);
            case "query", "asked", "on request", "when asked" -> AnswerRule.usual(AnswerRule.Kind.QUERY);
            default -> AnswerRule.usual(
                    direction == Phrase.Direction.OUT ? AnswerRule.Kind.NONE : AnswerRule.Kind.SAME);
        };
    }
}
