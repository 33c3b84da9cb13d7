package imperan.line;

import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Track;
import imperan.show.cue.CueFollow;
import imperan.show.cue.CueMark;
import imperan.table.SheetText;
import imperan.track.FrameRate;
import imperan.track.Time;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.StringJoiner;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A cue list as text (RFC 4180): written whole, and read back with commas, semicolons or tabs. A row is known by its cue; one without is a new cue. What may be changed is the number, the name, the note, the
 * colour with its word, how the next one follows, and its time on the track of the list; what a cue does is only told.
 */
public final class CueCsv {

    private static final String[] TITLES = {"cue", "number", "name", "note", "colour", "word", "next", "at", "does"};
    private static final Pattern AFTER = Pattern.compile("after ([0-9.]+) s");
    private static final Pattern ANSWERED = Pattern.compile("answered within ([0-9.]+) s(, or not)?");

    private CueCsv() {}

    /** The cues of a list by their numbers. */
    public static String write(Show show, PartId list) {
        StringJoiner text = new StringJoiner("\r\n", "", "\r\n");
        text.add(SheetText.row((Object[]) TITLES));
        for (Part part : CueList.cues(show, list)) {
            Cue cue = (Cue) part.body();
            text.add(SheetText.row(
                    part.id().value(),
                    cue.number(),
                    cue.name(),
                    cue.note(),
                    cue.mark().shade() == CueMark.Shade.NONE
                            ? ""
                            : cue.mark().shade().name().toLowerCase(Locale.ROOT),
                    cue.mark().word(),
                    next(cue.follow()),
                    cue.at().map(Time::text).orElse(""),
                    cue.actions().stream()
                            .map(action -> ActionText.of(show, action))
                            .collect(Collectors.joining("; "))));
        }
        return text.toString();
    }

    private static String next(CueFollow follow) {
        return switch (follow.how()) {
            case HAND -> "hand";
            case TOGETHER -> "together";
            case AFTER -> "after " + number(follow.seconds()) + " s";
            case ANSWERED -> "answered within " + number(follow.seconds()) + " s" + (follow.goesOn() ? ", or not" : "");
        };
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** Reads a table over a list. Rows that are refused change nothing; the others count. Each new cue gets an id. */
    public static LineCsv.Read read(Show show, PartId list, String text, Supplier<PartId> ids) {
        return new Reading(show, list, ids).read(text);
    }

    private static final class Reading {
        private final Show show;
        private final PartId list;
        private final Supplier<PartId> ids;
        private final List<EditRequest.Step> steps = new ArrayList<>();
        private final List<LineCsv.Refusal> refusals = new ArrayList<>();
        /** By which frames are counted in times. */
        private final FrameRate rate;

        private Reading(Show show, PartId list, Supplier<PartId> ids) {
            this.show = show;
            this.list = list;
            this.ids = ids;
            this.rate = show.part(list)
                    .flatMap(part -> ((CueList) part.body()).track())
                    .flatMap(show::part)
                    .filter(part -> part.body() instanceof Track)
                    .map(part -> ((Track) part.body()).rate())
                    .orElse(FrameRate.FPS_25);
        }

        private LineCsv.Read read(String text) {
            String head = text.lines().findFirst().orElse("");
            CSVFormat format = CSVFormat.RFC4180
                    .builder()
                    .setDelimiter(head.indexOf('\t') >= 0 ? '\t' : head.indexOf(';') >= 0 ? ';' : ',')
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .setIgnoreHeaderCase(true)
                    .setIgnoreEmptyLines(true)
                    .setTrim(true)
                    .setAllowMissingColumnNames(true)
                    .get();
            try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
                if (!parser.getHeaderMap().containsKey("number")) {
                    return new LineCsv.Read(
                            Optional.empty(),
                            List.of(
                                    new LineCsv.Refusal(
                                            1,
                                            "The first row has to name the columns, one of them “number”: take the list out first and change it")));
                }
                for (CSVRecord row : parser) {
                    row(row);
                }
            } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
                return new LineCsv.Read(
                        Optional.empty(), List.of(new LineCsv.Refusal(1, "This is no table: " + e.getMessage())));
            }
            return new LineCsv.Read(
                    steps.isEmpty() ? Optional.empty() : Optional.of(new EditRequest("Import cues", steps)),
                    List.copyOf(refusals));
        }

        private void row(CSVRecord row) {
            Optional<String> id = text(row, "cue");
            Optional<Held> held = id.filter(PartId::isOne)
                    .map(PartId::new)
                    .flatMap(show::held)
                    .filter(found -> found.part().body() instanceof Cue
                            && found.part().parent().equals(Optional.of(list)));
            if (id.isPresent() && held.isEmpty()) {
                refuse(row, "There is no cue “" + id.get() + "” in this list; leave the column empty for a new one");
                return;
            }
            Cue before = held.map(found -> (Cue) found.part().body())
                    .orElse(Cue.plain(text(row, "number").orElse(""), ""));
            Optional<CueMark.Shade> shade = shade(row, before);
            Optional<CueFollow> follow = follow(row, before);
            if (shade.isEmpty()) {
                refuse(
                        row,
                        "“" + text(row, "colour").orElse("")
                                + "” is no colour of a cue: blue, green, yellow, red, violet, or none");
            } else if (follow.isEmpty()) {
                refuse(
                        row,
                        "“" + text(row, "next").orElse("")
                                + "” is no way for the next cue to follow: hand, together, after 2 s, answered within 2 s");
            } else if (time(row, before) instanceof Time.Read.Bad<Optional<Double>> bad) {
                refuse(row, bad.reason());
            } else {
                Cue after = new Cue(
                        text(row, "number").orElse(before.number()),
                        given(row, "name", before.name()),
                        given(row, "note", before.note()),
                        new CueMark(
                                shade.get(), given(row, "word", before.mark().word())),
                        before.actions(),
                        follow.get(),
                        ((Time.Read.Good<Optional<Double>>) time(row, before)).value());
                if (held.isEmpty() || !after.equals(before)) {
                    Part part = held.map(Held::part).orElseGet(() -> new Part(ids.get(), Optional.of(list), 0, after));
                    steps.add(new EditRequest.Put(
                            new Part(part.id(), part.parent(), part.order(), after),
                            held.map(Held::version).orElse(0L)));
                }
            }
        }

        private static Optional<CueMark.Shade> shade(CSVRecord row, Cue before) {
            if (!row.isSet("colour")) {
                return Optional.of(before.mark().shade());
            }
            String word = text(row, "colour").orElse("none").toUpperCase(Locale.ROOT);
            return List.of(CueMark.Shade.values()).stream()
                    .filter(each -> each.name().equals(word))
                    .findFirst();
        }

        private static Optional<CueFollow> follow(CSVRecord row, Cue before) {
            Optional<String> written = text(row, "next");
            if (written.isEmpty()) {
                return Optional.of(before.follow());
            }
            String word = written.get().toLowerCase(Locale.ROOT);
            Matcher after = AFTER.matcher(word);
            Matcher answered = ANSWERED.matcher(word);
            try {
                return word.equals("hand")
                        ? Optional.of(CueFollow.BY_HAND)
                        : word.equals("together")
                                ? Optional.of(CueFollow.together())
                                : after.matches()
                                        ? Optional.of(CueFollow.after(Double.parseDouble(after.group(1))))
                                        : answered.matches()
                                                ? Optional.of(CueFollow.answered(
                                                        Double.parseDouble(answered.group(1)),
                                                        answered.group(2) != null))
                                                : Optional.empty();
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }

        /** A time that is written as before is the same, though it is written to the millisecond. */
        private Time.Read<Optional<Double>> time(CSVRecord row, Cue before) {
            if (!row.isSet("at") || before.at().map(Time::text).orElse("").equals(row.get("at"))) {
                return new Time.Read.Good<>(before.at());
            } else if (row.get("at").isBlank()) {
                return new Time.Read.Good<>(Optional.empty());
            }
            Time.Read<Double> read = Time.seconds(row.get("at"), rate);
            return read instanceof Time.Read.Good<Double> good
                    ? new Time.Read.Good<>(Optional.of(good.value()))
                    : new Time.Read.Bad<>(((Time.Read.Bad<Double>) read).reason());
        }

        /** What a column says, be it nothing; what was there, where there is no such column. */
        private static String given(CSVRecord row, String column, String before) {
            return row.isSet(column) ? SheetText.read(row.get(column)) : before;
        }

        private static Optional<String> text(CSVRecord row, String column) {
            return row.isSet(column)
                    ? Optional.of(SheetText.read(row.get(column))).filter(text -> !text.isEmpty())
                    : Optional.empty();
        }

        private void refuse(CSVRecord row, String reason) {
            refusals.add(new LineCsv.Refusal(row.getRecordNumber() + 1, reason));
        }
    }
}
