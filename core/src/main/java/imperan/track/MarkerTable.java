package imperan.track;

import imperan.table.SheetText;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.StringJoiner;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Markers as a table (RFC 4180; tabs and semicolons are taken, too). With titles the columns are known by them; without, the first column that holds a time is the time, and the first other
 * one the name.
 */
public final class MarkerTable {

    private static final int MOST_ROWS = 10_000;
    private static final Set<String> NAMES = Set.of("name", "marker", "label", "title", "cue", "text", "description");
    private static final Set<String> TIMES =
            Set.of("time", "start", "position", "at", "begin", "in", "seconds", "timecode");
    private static final Set<String> ENDS = Set.of("end", "stop", "out");
    private static final Set<String> LENGTHS = Set.of("length", "duration");

    private record Columns(int name, int time, int end, int length) {}

    private MarkerTable() {}

    /** Time as minutes, and in seconds; the name; the length of a section in seconds. */
    public static String write(List<Marker> markers) {
        StringJoiner text = new StringJoiner("\r\n", "", "\r\n");
        text.add(SheetText.row("time", "name", "length"));
        markers.forEach(marker -> text.add(SheetText.row(
                Time.text(marker.seconds()), marker.name(), marker.length() > 0 ? Time.text(marker.length()) : "")));
        return text.toString();
    }

    /** @param rate by which frames are counted, where there are any */
    public static Marker.Read read(String text, FrameRate rate) {
        List<CSVRecord> rows;
        // a mark that says which letters follow is none of them
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        try (CSVParser parser = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter(plain))
                .setIgnoreEmptyLines(true)
                .get()
                .parse(new StringReader(plain))) {
            rows = parser.getRecords();
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            return new Marker.Read.Bad(
                    "This is no table: a quotation mark is not closed, or stands in the middle of a cell",
                    Optional.empty());
        }
        if (rows.isEmpty()) {
            return new Marker.Read.Bad("There is nothing in this table", Optional.empty());
        } else if (rows.size() > MOST_ROWS) {
            return new Marker.Read.Bad(
                    "This table has " + rows.size() + " rows; at most " + MOST_ROWS + " are taken", Optional.empty());
        }
        Optional<Columns> titled = titles(rows.get(0));
        Optional<Columns> columns = titled.or(() -> untitled(rows, rate));
        if (columns.isEmpty()) {
            return new Marker.Read.Bad(
                    "No column of this table holds times. Give it titles: “time” and “name”", Optional.empty());
        }
        List<Marker> markers = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        for (CSVRecord row : titled.isPresent() ? rows.subList(1, rows.size()) : rows) {
            take(row, columns.get(), rate, markers, notes);
        }
        markers.sort(Comparator.comparingDouble(Marker::seconds));
        return new Marker.Read.Good(List.copyOf(markers), notes);
    }

    private static void take(CSVRecord row, Columns columns, FrameRate rate, List<Marker> markers, List<String> notes) {
        Time.Read<Double> at = Time.seconds(cell(row, columns.time), rate);
        Time.Read<Double> end = cell(row, columns.end).isBlank() ? at : Time.seconds(cell(row, columns.end), rate);
        Time.Read<Double> length = cell(row, columns.length).isBlank()
                ? new Time.Read.Good<>(0.0)
                : Time.seconds(cell(row, columns.length), rate);
        for (Time.Read<Double> each : List.of(at, end, length)) {
            if (each instanceof Time.Read.Bad<Double> bad) {
                notes.add("Row " + row.getRecordNumber() + ": " + bad.reason());
                return;
            }
        }
        double from = good(at);
        markers.add(new Marker(
                SheetText.read(cell(row, columns.name)).strip(),
                from,
                Math.max(0, Math.max(good(length), good(end) - from))));
    }

    private static double good(Time.Read<Double> read) {
        return ((Time.Read.Good<Double>) read).value();
    }

    private static String cell(CSVRecord row, int column) {
        return column >= 0 && column < row.size() ? row.get(column) : "";
    }

    /** A semicolon parts cells where commas part decimals; within a time code it does not. */
    private static char delimiter(String text) {
        String first = text.lines().filter(line -> !line.isBlank()).findFirst().orElse("");
        return first.indexOf('\t') >= 0
                ? '\t'
                : first.replaceAll("\\d:\\d\\d;\\d", "").indexOf(';') >= 0 ? ';' : ',';
    }

    private static Optional<Columns> titles(CSVRecord first) {
        int time = column(first, TIMES);
        return time < 0
                ? Optional.empty()
                : Optional.of(new Columns(column(first, NAMES), time, column(first, ENDS), column(first, LENGTHS)));
    }

    private static int column(CSVRecord titles, Set<String> words) {
        for (int i = 0; i < titles.size(); i++) {
            if (words.contains(titles.get(i).strip().toLowerCase(Locale.ROOT))) {
                return i;
            }
        }
        return -1;
    }

    private static Optional<Columns> untitled(List<CSVRecord> rows, FrameRate rate) {
        int width = rows.stream().mapToInt(CSVRecord::size).max().orElse(0);
        List<Integer> times = IntStream.range(0, width)
                .filter(column -> rows.stream().anyMatch(row -> isTime(cell(row, column), rate)))
                .boxed()
                .toList();
        // rows may be numbered: what is written like a time is one before a plain number is
        Optional<Integer> time = times.stream()
                .filter(column -> cell(rows.get(0), column).contains(":"))
                .findFirst()
                .or(() -> times.stream()
                        .filter(column -> cell(rows.get(0), column).matches(".*[.,].*"))
                        .findFirst())
                .or(() -> times.stream().findFirst());
        return time.map(column -> new Columns(
                IntStream.range(0, width)
                        .filter(other -> !times.contains(other))
                        .findFirst()
                        .orElse(-1),
                column,
                -1,
                -1));
    }

    private static boolean isTime(String cell, FrameRate rate) {
        return Timecode.isShaped(cell.strip()) || Time.seconds(cell, rate) instanceof Time.Read.Good;
    }
}
