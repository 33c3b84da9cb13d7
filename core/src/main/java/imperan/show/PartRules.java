package imperan.show;

import imperan.address.MessageLine;
import imperan.address.SlotAddress;
import imperan.dialect.Dialect;
import imperan.dialect.Osc;
import imperan.progress.Progress;
import imperan.rig.HostAddress;
import imperan.rig.Ports;
import imperan.shaping.Chain;
import imperan.shaping.ShapingStep;
import imperan.shaping.Span;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What must hold of every part in every version of a show. What holds of one kind of part stands in its class; here is what several have in common, and where
 * they tell what is wrong. An edit is judged by the parts it touches.
 */
public final class PartRules {

    public static final int MAX_LABEL = 80;
    private static final int MAX_NOTE = 2000;
    private static final int MAX_TITLE = 200;
    /** Parts that one edit may change. */
    static final int MOST_CHANGES = 20_000;
    /** Of a text argument. */
    static final int MOST_ARGUMENT = 8 << 10;

    public static final int MAX_OPTIONS = 64;
    /** A day. */
    static final double MOST_SECONDS = 86_400;
    /** Of a cue: an hour. */
    private static final double MOST_CUE_SECONDS = 3_600;

    private final Show show;
    private final Part part;
    private final List<Problem> problems;

    private PartRules(Show show, Part part, List<Problem> problems) {
        this.show = show;
        this.part = part;
        this.problems = problems;
    }

    /** What is wrong with the show that an edit leads to; empty where nothing is. */
    static List<Problem> problems(Show show, Edit edit, Progress progress) {
        if (edit.title().length() > MAX_TITLE) {
            return List.of(Problem.of("The title of an edit has at most " + MAX_TITLE + " characters"));
        } else if (edit.changes().size() > MOST_CHANGES) {
            return List.of(Problem.of("This would change " + edit.changes().size() + " parts at once; at most "
                    + MOST_CHANGES + " are taken. Do it in several steps"));
        }
        Set<PartId> touched = new LinkedHashSet<>();
        for (Edit.Change change : edit.changes()) {
            touched.add(change.id());
            // a page that shrinks or goes is judged by what lies on it
            show.children(change.id()).map(Part::id).forEach(touched::add);
        }
        List<Problem> problems = new ArrayList<>();
        int done = 0;
        for (PartId id : touched) {
            progress.at(Progress.Stage.CHECKING, done++, touched.size());
            show.part(id).ifPresent(part -> new PartRules(show, part, problems).check());
        }
        return problems;
    }

    private void check() {
        Body body = part.body();
        Optional<PartText.Fault> fault = PartText.fault(body);
        if (fault.isPresent()) {
            problem(fault.get().field(), fault.get().message());
            return;
        }
        List<Class<? extends Body>> liesIn = Kinds.of(body).liesIn();
        boolean fits = liesIn.isEmpty()
                ? part.parent().isEmpty()
                : parent().filter(parent -> liesIn.contains(parent.body().getClass()))
                        .isPresent();
        if (!fits) {
            problem("", "What it lay in is gone: “" + body.called() + "” cannot be kept without it");
        }
        body.check(this);
    }

    // ---- for the kinds

    public Show show() {
        return show;
    }

    PartId id() {
        return part.id();
    }

    Optional<Part> parent() {
        return part.parent().flatMap(show::part);
    }

    /** @param field the path of the field at fault, such as {@code sends/0/address}; empty where it is the whole part */
    public void problem(String field, String message) {
        problem(field, message, Optional.empty());
    }

    void problem(String field, String message, Optional<String> mend) {
        problems.add(new Problem(Optional.of(part.id()), field, message, mend));
    }

    void name(String name) {
        if (name.isBlank()) {
            problem("name", "A name is needed: it is how you tell this one from the others");
        } else if (name.length() > Person.MOST_NAME) {
            problem("name", "A name has at most " + Person.MOST_NAME + " characters");
        } else if (name.codePoints().anyMatch(Characters::isUnshowable)) {
            problem("name", "A name is one line of text");
        }
    }

    /** A wait, or how long something takes. */
    public void seconds(String field, double seconds) {
        if (!(seconds >= 0 && seconds <= MOST_CUE_SECONDS)) {
            problem(field, "It takes 0 to " + (int) MOST_CUE_SECONDS + " s");
        }
    }

    /** A number to reckon with. */
    public void number(String field, double number) {
        if (!Ranges.fits(number)) {
            problem(field, "A number between -1e15 and 1e15 is needed");
        }
    }

    public void note(String field, String text) {
        if (text.length() > MAX_NOTE) {
            problem(field, "A note has at most " + MAX_NOTE + " characters");
        }
    }

    void host(String field, String text) {
        HostAddress.parse(text).problem().ifPresent(p -> problem(field, p.message(), p.mend()));
    }

    void port(String field, int port) {
        Ports.problem(port).ifPresent(p -> problem(field, p));
    }

    /** What an address is hangs on what is spoken with its target. */
    public void address(String field, String address, Optional<PartId> target) {
        address(
                field,
                address,
                target.map(id -> Phrasebook.spokenWith(show, id)).orElse(Osc.STRICT));
    }

    void address(String field, String address, Dialect spoken) {
        if (!tooLong(field, address)) {
            spoken.fault(address).ifPresent(p -> problem(field, p.message(), p.mend()));
        }
    }

    void slotAddress(String field, String address, Dialect spoken) {
        if (!tooLong(field, address)) {
            SlotAddress.parse(address, spoken::fault).problem().ifPresent(p -> problem(field, p));
        }
    }

    private boolean tooLong(String field, String address) {
        if (address.length() > SlotAddress.MOST_CHARACTERS) {
            problem(field, "An address has at most " + SlotAddress.MOST_CHARACTERS + " characters");
        }
        return address.length() > SlotAddress.MOST_CHARACTERS;
    }

    /** Messages as lines of text. */
    void lines(String field, List<String> lines, Dialect spoken) {
        for (int i = 0; i < lines.size(); i++) {
            message(field + "/" + i, lines.get(i), spoken);
        }
    }

    /** A message as a line of text. */
    void message(String field, String line, Dialect spoken) {
        MessageLine.parse(line, spoken::fault).problem().ifPresent(p -> problem(field, p.message(), p.mend()));
    }

    public void marks(String field, List<ScaleMark> marks) {
        if (marks.size() > MAX_OPTIONS) {
            problem(field, "A scale has at most " + MAX_OPTIONS + " marks");
        }
        marks.stream()
                .filter(mark -> !Ranges.fits(mark.value())
                        || mark.text().isBlank()
                        || mark.text().contains(";")
                        || mark.text().length() > MAX_LABEL)
                .findFirst()
                .ifPresent(mark -> problem(
                        field,
                        "A mark is a number and at most " + MAX_LABEL
                                + " characters for it without a semicolon, such as 0.562 0 dB"));
    }

    /** The steps from a position to an argument of a type. */
    void shaping(String field, List<ShapingStep> steps, ArgumentType type) {
        if (isGone(field, steps)) {
            Span out = new Chain(steps).out();
            if (out.texts() && type != ArgumentType.TEXT) {
                problem(field, "Texts come out of the table: send them as a text, or write numbers into it");
            } else {
                Ranges.problem(type, out.low(), out.high()).ifPresent(p -> problem(field, p));
            }
        }
    }

    /** The steps of which the way back is gone. */
    void wayBack(String field, List<ShapingStep> steps) {
        if (isGone(field, steps)) {
            new Chain(steps)
                    .noWayBack()
                    .ifPresent(about -> problem(
                            field + "/" + about.step(),
                            "What is heard cannot go back through this step: " + about.words()));
        }
    }

    /** Steps of which nobody knows what comes in. */
    void shapingOfAnything(String field, List<ShapingStep> steps) {
        isGone(field, Span.ANY, steps);
    }

    private boolean isGone(String field, List<ShapingStep> steps) {
        return isGone(field, Span.UNIT, steps);
    }

    private boolean isGone(String field, Span in, List<ShapingStep> steps) {
        Optional<Chain.About> wrong = Chain.problem(in, steps);
        wrong.ifPresent(about -> problem(field + "/" + about.step(), about.words()));
        return wrong.isEmpty();
    }

    void axis(String field, int axis, Form form) {
        if (axis < 0 || axis >= form.axes()) {
            problem(field, "A " + form.called() + " has " + (form.axes() == 1 ? "one axis" : form.axes() + " axes"));
        }
    }

    /** What lies on cells fits there, and lies on nothing else unless it lies above. */
    void place(Laid laid) {
        Optional<Grid> grid = parent().flatMap(parent -> Grid.of(parent.body()));
        if (grid.isPresent() && !grid.get().holds(laid.cells())) {
            problem(
                    "cells",
                    "“" + laid.called() + "” does not fit on the " + grid.get().columns() + " × "
                            + grid.get().rows() + " cells there are");
        }
        if (laid.liesAbove()) {
            return;
        }
        part.parent().stream()
                .flatMap(show::children)
                .filter(other -> !other.id().equals(part.id())
                        && other.body() instanceof Laid there
                        && !there.liesAbove()
                        && there.cells().overlaps(laid.cells()))
                .findFirst()
                .ifPresent(other -> problem(
                        "cells",
                        "“" + laid.called() + "” would lie on “" + other.body().called() + "”"));
    }
}
