package imperan.line;

import imperan.check.Finding;
import imperan.check.LineChecks;
import imperan.check.Lined;
import imperan.phrasebook.TypeTags;
import imperan.shaping.Chain;
import imperan.shaping.ShapingStep;
import imperan.shaping.ShapingText;
import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.cue.Acting;
import imperan.table.SheetText;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.StringJoiner;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * The line table as text (RFC 4180): written whole, and read back with commas or, as spreadsheets copy it, with tabs. A row is known by
 * its line; what may be changed in it is the label, when it goes out, the target by its name, the address, the range and the steps of its shaping.
 */
public final class LineCsv {

    private static final String[] TITLES = {
        "line", "page", "label", "on", "target", "address", "types", "low", "high", "shaping", "finding"
    };

    private LineCsv() {}

    /** All lines of a show, with what is found of each. */
    public static String write(Show show) {
        Map<PartId, List<Finding>> found = new HashMap<>();
        StringJoiner text = new StringJoiner("\r\n", "", "\r\n");
        text.add(SheetText.row((Object[]) TITLES));
        for (TableLine line : LineTable.of(show)) {
            List<Finding> findings = found.computeIfAbsent(
                    line.part(), id -> LineChecks.of(show, show.part(id).orElseThrow()));
            text.add(SheetText.row(
                    line.id(),
                    line.page(),
                    line.label(),
                    line.on(),
                    line.targetName(),
                    line.address(),
                    line.types(),
                    line.low().map(LineCsv::number).orElse(""),
                    line.high().map(LineCsv::number).orElse(""),
                    line.shaping(),
                    String.join(
                            "; ",
                            findings.stream()
                                    .filter(line::isMeantBy)
                                    .map(Finding::text)
                                    .toList())));
        }
        return text.toString();
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /**
     * What came of reading a table.
     *
     * @param request  everything that it changes, as one edit; empty where it changes nothing
     * @param refusals rows that cannot be, each with the reason
     */
    public record Read(Optional<EditRequest> request, List<Refusal> refusals) {}

    /** @param row in the text, from 1 for the titles */
    public record Refusal(long row, String reason) {}

    /** Reads a table over a show. Rows that are refused change nothing; the others count. */
    public static Read read(Show show, String text) {
        return new Reading(show).read(text);
    }

    private static final class Reading {
        private final Show show;
        private final Map<PartId, Body> changed = new LinkedHashMap<>();
        private final List<Refusal> refusals = new ArrayList<>();

        private Reading(Show show) {
            this.show = show;
        }

        private Read read(String text) {
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
                if (!parser.getHeaderMap().containsKey("line")) {
                    return new Read(
                            Optional.empty(),
                            List.of(
                                    new Refusal(
                                            1,
                                            "The first row has to name the columns, one of them “line”: take the table out first and change it")));
                }
                for (CSVRecord row : parser) {
                    row(row);
                }
            } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
                return new Read(Optional.empty(), List.of(new Refusal(1, "This is no table: " + e.getMessage())));
            }
            List<EditRequest.Step> steps = new ArrayList<>();
            changed.forEach((id, body) -> {
                Held held = show.held(id).orElseThrow();
                if (!held.part().body().equals(body)) {
                    steps.add(new EditRequest.Put(
                            new Part(id, held.part().parent(), held.part().order(), body), held.version()));
                }
            });
            return new Read(
                    steps.isEmpty() ? Optional.empty() : Optional.of(new EditRequest("Import the line table", steps)),
                    List.copyOf(refusals));
        }

        private void row(CSVRecord row) {
            String[] place = SheetText.read(row.get("line")).split(":");
            Optional<Body> body = place.length == 3
                    ? Optional.ofNullable(changed.get(new PartId(place[0])))
                            .or(() -> show.part(new PartId(place[0])).map(Part::body))
                    : Optional.empty();
            Optional<Lined> lined = body.flatMap(Lined::of);
            int index = place.length == 3 && place[2].matches("\\d{1,4}") ? Integer.parseInt(place[2]) - 1 : -1;
            boolean send = place.length == 3 && place[1].equals("send");
            if (lined.isEmpty()
                    || index < 0
                    || index
                            >= (send
                                    ? lined.get().sends().size()
                                    : lined.get().listens().size())) {
                refuse(row, "There is no line “" + row.get("line") + "” in this show");
                return;
            }
            try {
                changed.put(
                        new PartId(place[0]),
                        body.get() instanceof Acting acting
                                ? withSend(acting, lined.get(), index, row)
                                : changed((Control) body.get(), send, index, row));
            } catch (Refused refused) {
                refuse(row, refused.getMessage());
            }
        }

        private Control changed(Control control, boolean send, int index, CSVRecord row) {
            Control before = text(row, "label")
                    .map(label -> control.label().isBlank() && label.equals(control.called())
                            ? control
                            : control.labelled(label))
                    .orElse(control);
            return send ? withSend(before, index, row) : withListen(before, index, row);
        }

        /** Of a cue or a song the target and the address may be changed here; the rest is changed where it is. */
        private Body withSend(Acting acting, Lined lined, int index, CSVRecord row) {
            if (text(row, "label")
                    .filter(label -> !label.equals(acting.called()))
                    .isPresent()) {
                throw new Refused("Cues and songs are renamed in their lists");
            } else if (text(row, "on")
                    .filter(word -> !word.equals(lined.on(index)))
                    .isPresent()) {
                throw new Refused("When a cue or a song says its lines is changed where it is: “on” stays “"
                        + lined.on(index) + "”");
            }
            Send send = lined.sends().get(index);
            return lined.with(
                    index,
                    send.to(target(row, send.target())).at(text(row, "address").orElse(send.address())));
        }

        private Control withSend(Control control, int index, CSVRecord row) {
            Send send = control.sends().get(index);
            Send.Phase on = text(row, "on").map(word -> phase(word)).orElse(send.on());
            Send next = new Send(
                    on,
                    target(row, send.target()),
                    text(row, "address").orElse(send.address()),
                    ranged(send.arguments(), row));
            List<Send> sends = new ArrayList<>(control.sends());
            sends.set(index, next);
            return control.withLines(sends, control.listens());
        }

        private static Send.Phase phase(String word) {
            try {
                return Send.Phase.valueOf(word.toUpperCase(Locale.ROOT));
            } catch (IllegalArgumentException e) {
                throw new Refused("“" + word + "” is no time to send: press, change, release, held or step");
            }
        }

        private List<ArgumentSource> ranged(List<ArgumentSource> sources, CSVRecord row) {
            List<ArgumentSource> ranged = new ArrayList<>(sources);
            for (int i = 0; i < ranged.size(); i++) {
                int place = i;
                if (ranged.get(i) instanceof ArgumentSource.Value value) {
                    Optional<List<ShapingStep>> steps = steps(value.shaping(), row);
                    if (steps.isPresent()) {
                        ranged.set(place, new ArgumentSource.Value(value.type(), steps.get(), value.axis()));
                    } else {
                        ends(value.chain(), row)
                                .ifPresent(ends -> ranged.set(place, value.within(ends.low(), ends.high())));
                    }
                    break;
                }
            }
            text(row, "types")
                    .filter(tags -> !tags.equals(TypeTags.of(
                            sources.stream().map(ArgumentSource::type).toList())))
                    .ifPresent(tags -> {
                        throw new Refused("The types of a line are changed at its control");
                    });
            return ranged;
        }

        private static Listen ranged(Control control, Listen listen, CSVRecord row) {
            if (text(row, "shaping").filter(TableLine.AS_SENT::equals).isPresent()
                    && listen.shaping().isPresent()) {
                return listen.shaped(Optional.empty());
            }
            Optional<List<ShapingStep>> steps =
                    text(row, "shaping").filter(TableLine.AS_SENT::equals).isPresent()
                            ? Optional.empty()
                            : steps(listen.shaping().orElse(List.of()), row);
            return steps.map(own -> listen.shaped(Optional.of(own)))
                    .or(() -> ends(listen.chain(control.sends()), row)
                            .map(ends -> listen.within(control.sends(), ends.low(), ends.high())))
                    .orElse(listen);
        }

        /** Where a row says other steps than there are. */
        private static Optional<List<ShapingStep>> steps(List<ShapingStep> before, CSVRecord row) {
            return text(row, "shaping")
                    .filter(written -> !written.equals(ShapingText.write(before)))
                    .map(written -> {
                        ShapingText.Read read = ShapingText.read(written);
                        read.problem().ifPresent(problem -> {
                            throw new Refused(problem);
                        });
                        return read.steps();
                    });
        }

        private record Ends(double low, double high) {}

        /** Where a row says other ends than there are. */
        private static Optional<Ends> ends(Chain chain, CSVRecord row) {
            Ends ends = new Ends(
                    number(row, "low").orElse(chain.low()), number(row, "high").orElse(chain.high()));
            return ends.equals(new Ends(chain.low(), chain.high())) ? Optional.empty() : Optional.of(ends);
        }

        private Control withListen(Control control, int index, CSVRecord row) {
            Listen listen = control.listens().get(index);
            Listen ranged = listen.role() == Listen.Role.VALUE ? ranged(control, listen, row) : listen;
            Listen next = ranged.to(target(row, listen.target()))
                    .on(text(row, "address").orElse(listen.address()));
            List<Listen> listens = new ArrayList<>(control.listens());
            listens.set(index, next);
            return control.withLines(control.sends(), listens);
        }

        private Optional<PartId> target(CSVRecord row, Optional<PartId> before) {
            Optional<String> name = text(row, "target");
            if (name.isEmpty()) {
                return before;
            }
            return Optional.of(show.all(Target.class).stream()
                    .filter(part -> part.body().called().equals(name.get()))
                    .findFirst()
                    .map(Part::id)
                    .orElseThrow(() -> new Refused("There is no target “" + name.get() + "” in the rig")));
        }

        private static Optional<Double> number(CSVRecord row, String column) {
            return text(row, column).map(written -> {
                try {
                    return Double.valueOf(written);
                } catch (NumberFormatException e) {
                    throw new Refused("“" + written + "” is not a number"
                            + (written.indexOf(',') >= 0 ? "; write a decimal with a dot" : ""));
                }
            });
        }

        private static Optional<String> text(CSVRecord row, String column) {
            return row.isSet(column)
                    ? Optional.of(SheetText.read(row.get(column))).filter(text -> !text.isEmpty())
                    : Optional.empty();
        }

        private void refuse(CSVRecord row, String reason) {
            refusals.add(new Refusal(row.getRecordNumber() + 1, reason));
        }
    }

    /** A row that cannot be; its message says why. */
    private static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1;

        private Refused(String message) {
            super(message, null, false, false);
        }
    }
}
