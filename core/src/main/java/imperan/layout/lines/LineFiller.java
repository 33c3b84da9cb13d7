package imperan.layout.lines;

import imperan.address.Run;
import imperan.layout.Arrangement.FillAcross;
import imperan.layout.Arrangement.FindAndReplace;
import imperan.layout.Arrangement.SwapTarget;
import imperan.layout.Arrangement.TakeLearned;
import imperan.layout.Grids;
import imperan.layout.placing.PhraseControl;
import imperan.line.Rewriting;
import imperan.phrasebook.Vocabulary;
import imperan.shaping.Chain;
import imperan.shaping.ShapingStep;
import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Changes the lines and labels of many controls at once: runs, a text for another, a target for another. */
public final class LineFiller {

    private final Show show;
    private final Person author;
    private final Grids grids;

    public LineFiller(Show show, Person author) {
        this.show = show;
        this.author = author;
        grids = new Grids(show);
    }

    public Outcome fill(FillAcross fill) {
        Run run = Run.parse(fill.text());
        if (run.problem().isPresent()) {
            return Outcome.Refused.because(run.problem().get());
        }
        List<Held> row = grids.inReadingOrder(grids.controls(fill.controls()));
        if (row.isEmpty()) {
            return Outcome.Refused.because("What you selected is no longer there");
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < row.size(); i++) {
            // a text without a run is meant for all of them
            if (!run.runs() || i < run.texts().size()) {
                change(row.get(i), filled((Control) row.get(i).part().body(), fill.field(), run.texts().get(run.runs() ? i : 0)), steps);
            }
        }
        return outcome("Fill " + fill.text(), steps);
    }

    private static Control filled(Control control, FillAcross.Field field, String text) {
        return switch (field) {
            case LABEL -> control.labelled(text);
            case ADDRESS -> Rewriting.readdressed(control, text);
            case VALUE -> Rewriting.valued(control, text);
        };
    }

    public Outcome replace(FindAndReplace replace) {
        if (replace.find().isEmpty()) {
            return Outcome.Refused.because("Write what to look for");
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        UnaryOperator<String> replaced = text -> text.replace(replace.find(), replace.put());
        List<PartId> where = replace.controls().isEmpty() ? Stream.concat(show.all(Control.class).stream(), show.all(Cue.class).stream()).map(Part::id).toList() : replace.controls();
        for (Held held : lined(where)) {
            Body changed = replace.inAddresses() ? Rewriting.readdressed(held.part().body(), replaced) : held.part().body();
            change(held, !replace.inLabels() ? changed : changed instanceof Cue cue ? cue.named(replaced.apply(cue.name())) : ((Control) changed).labelled(replaced.apply(((Control) changed).label())), steps);
        }
        return steps.isEmpty() ? Outcome.Refused.because("“" + replace.find() + "” stands nowhere there")
                : outcome("Replace " + replace.find() + " by " + replace.put(), steps);
    }

    public Outcome swap(SwapTarget swap) {
        Optional<Part> target = show.part(swap.to()).filter(part -> part.body() instanceof Target);
        if (target.isEmpty()) {
            return Outcome.Refused.because("That target is no longer in the rig");
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        for (Held held : lined(swap.controls())) {
            change(held, Rewriting.retargeted(held.part().body(), swap.from(), swap.to()), steps);
        }
        return steps.isEmpty() ? Outcome.Refused.because("All of these lines go to " + target.get().body().called() + " already")
                : outcome("Swap the target to " + target.get().body().called(), steps);
    }

    /** The controls and cues among these. */
    private List<Held> lined(List<PartId> ids) {
        return Stream.concat(grids.controls(ids).stream(), ids.stream().flatMap(id -> show.held(id).stream()).filter(held -> held.part().body() instanceof Cue)).toList();
    }

    // ---- learned

    public Outcome learned(TakeLearned learned) {
        List<EditRequest.Step> steps = new ArrayList<>();
        for (TakeLearned.Pairing pair : learned.pairs()) {
            show.held(pair.control()).filter(held -> held.part().body() instanceof Control)
                    .ifPresent(held -> change(held, taught((Control) held.part().body(), pair), steps));
        }
        return outcome(learned.pairs().size() == 1 ? "Learn " + learned.pairs().get(0).address() : "Learn " + learned.pairs().size() + " addresses",
                steps);
    }

    /** As the phrasebook has it where that knows the address, else as it was seen. */
    private Control taught(Control control, TakeLearned.Pairing pair) {
        Vocabulary known = Vocabulary.of(show, pair.target());
        Optional<Control> phrased = known.said(pair.address()).or(() -> known.heard(pair.address()))
                .map(phrase -> new PhraseControl(phrase.phrase()).lines(control, pair.address(), phrase.numbers(), pair.target()));
        return shapedAs(control, phrased.orElseGet(() -> {
            // what stays within 0 and 1 mostly means all of it
            boolean unit = pair.low() >= 0 && pair.high() <= 1 || pair.low() == pair.high();
            double low = unit ? 0 : pair.low();
            double high = unit ? 1 : pair.high();
            List<Send> sends = control.form().takesHands() ? List.of(new Send(Send.Phase.CHANGE, Optional.of(pair.target()), pair.address(),
                    List.of(new ArgumentSource.Value(pair.type(), low, high)))) : List.of();
            return control.withLines(sends, List.of(Listen.value(Optional.of(pair.target()), pair.address(), pair.argument(), low, high)));
        }));
    }

    /** What somebody put between the hand and the argument stays there, over the range that was learned. */
    private static Control shapedAs(Control before, Control taught) {
        Optional<List<ShapingStep>> steps = before.sends().stream().flatMap(send -> send.arguments().stream()).filter(ArgumentSource.Value.class::isInstance)
                .map(ArgumentSource.Value.class::cast).map(ArgumentSource.Value::shaping).findFirst().filter(shaping -> shaping.size() > 1);
        if (steps.isEmpty()) {
            return taught;
        }
        List<Send> sends = taught.sends().stream().map(send -> send.saying(send.arguments().stream().map(argument -> argument instanceof ArgumentSource.Value value
                ? (ArgumentSource) new ArgumentSource.Value(value.type(), Chain.withEnds(steps.get(), value.chain().low(), value.chain().high()), value.axis()) : argument).toList())).toList();
        return taught.withLines(sends, taught.listens());
    }

    // ---- controls

    private static void change(Held held, Body to, List<EditRequest.Step> steps) {
        if (!to.equals(held.part().body())) {
            steps.add(new EditRequest.Put(new Part(held.part().id(), held.part().parent(), held.part().order(), to), held.version()));
        }
    }

    private Outcome outcome(String title, List<EditRequest.Step> steps) {
        return steps.isEmpty() ? Outcome.Refused.because("No changes") : show.apply(new EditRequest(title, steps), author);
    }
}
