package imperan.line;

import imperan.address.Run;
import imperan.check.Lined;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Changes the lines and names of many parts at once, as one edit: a run of texts, a text for another, a target for another. */
public final class LineEdit {

    /** What of a control a text is for. */
    public enum Field {
        /** The addresses that all lines of a control have in common: of its sends and of its listens. */
        ADDRESS,
        LABEL,
        /** The first fixed argument of each send. */
        VALUE
    }

    private final Show show;
    private final Person author;
    private final List<EditRequest.Step> steps = new ArrayList<>();

    public LineEdit(Show show, Person author) {
        this.show = show;
        this.author = author;
    }

    /**
     * One text of a run for each control.
     *
     * @param row  controls, in the order of the run
     * @param text see {@link Run}; one without a run is meant for all of them
     */
    public Outcome fill(List<Held> row, Field field, String text) {
        Run run = Run.parse(text);
        if (run.problem().isPresent()) {
            return Outcome.Refused.because(run.problem().get());
        } else if (row.isEmpty()) {
            return Outcome.Refused.because("What you selected is no longer there");
        }
        for (int i = 0; i < row.size(); i++) {
            if (!run.runs() || i < run.texts().size()) {
                change(
                        row.get(i),
                        filled(
                                (Control) row.get(i).part().body(),
                                field,
                                run.texts().get(run.runs() ? i : 0)));
            }
        }
        return outcome("Fill " + text);
    }

    private static Control filled(Control control, Field field, String text) {
        return switch (field) {
            case LABEL -> control.labelled(text);
            case ADDRESS -> Rewriting.readdressed(control, text);
            case VALUE -> Rewriting.valued(control, text);
        };
    }

    /** @param where parts that have lines */
    public Outcome replace(List<Held> where, String find, String put, boolean inAddresses, boolean inNames) {
        if (find.isEmpty()) {
            return Outcome.Refused.because("Write what to look for");
        }
        UnaryOperator<String> replaced = text -> text.replace(find, put);
        for (Held held : where) {
            Body changed = inAddresses
                    ? Rewriting.readdressed(held.part().body(), replaced)
                    : held.part().body();
            change(held, inNames ? Lined.of(changed).orElseThrow().named(replaced) : changed);
        }
        return steps.isEmpty()
                ? Outcome.Refused.because("“" + find + "” stands nowhere there")
                : outcome("Replace " + find + " by " + put);
    }

    /**
     * @param where parts that have lines
     * @param from  empty for any target
     */
    public Outcome swap(List<Held> where, Optional<PartId> from, PartId to) {
        Optional<Part> target = show.part(to).filter(part -> part.body() instanceof Target);
        if (target.isEmpty()) {
            return Outcome.Refused.because("That target is no longer in the rig");
        }
        where.forEach(held -> change(held, Rewriting.retargeted(held.part().body(), from, to)));
        return steps.isEmpty()
                ? Outcome.Refused.because(
                        "All of these lines go to " + target.get().body().called() + " already")
                : outcome("Swap the target to " + target.get().body().called());
    }

    private void change(Held held, Body to) {
        if (!to.equals(held.part().body())) {
            steps.add(new EditRequest.Put(
                    new Part(held.part().id(), held.part().parent(), held.part().order(), to), held.version()));
        }
    }

    private Outcome outcome(String title) {
        return steps.isEmpty()
                ? Outcome.Refused.because("No changes")
                : show.apply(new EditRequest(title, steps), author);
    }
}
