package imperan.layout.placing;

import imperan.layout.Arrangement.TakeLearned;
import imperan.phrasebook.Vocabulary;
import imperan.shaping.Chain;
import imperan.shaping.ShapingStep;
import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Gives controls the lines that were learned for them by what their targets said. */
public final class Teaching {

    private final Show show;

    private Teaching(Show show) {
        this.show = show;
    }

    /** As one edit of all controls that are still there. */
    public static Outcome of(Show show, TakeLearned learned, Person author) {
        Teaching teaching = new Teaching(show);
        List<EditRequest.Step> steps = new ArrayList<>();
        for (TakeLearned.Pairing pair : learned.pairs()) {
            show.held(pair.control())
                    .filter(held -> held.part().body() instanceof Control)
                    .ifPresent(held -> {
                        Control taught = teaching.taught((Control) held.part().body(), pair);
                        if (!taught.equals(held.part().body())) {
                            steps.add(new EditRequest.Put(
                                    new Part(
                                            held.part().id(),
                                            held.part().parent(),
                                            held.part().order(),
                                            taught),
                                    held.version()));
                        }
                    });
        }
        String title = learned.pairs().size() == 1
                ? "Learn " + learned.pairs().get(0).address()
                : "Learn " + learned.pairs().size() + " addresses";
        return steps.isEmpty()
                ? Outcome.Refused.because("No changes")
                : show.apply(new EditRequest(title, steps), author);
    }

    /** As the phrasebook has it where that knows the address, else as it was seen. */
    private Control taught(Control control, TakeLearned.Pairing pair) {
        Vocabulary known = Vocabulary.of(show, pair.target());
        Optional<Control> phrased = known.said(pair.address())
                .or(() -> known.heard(pair.address()))
                .map(phrase -> new PhraseControl(phrase.phrase())
                        .lines(control, pair.address(), phrase.numbers(), pair.target()));
        return shapedAs(control, phrased.orElseGet(() -> {
            // what stays within 0 and 1 mostly means all of it
            boolean unit = pair.low() >= 0 && pair.high() <= 1 || pair.low() == pair.high();
            double low = unit ? 0 : pair.low();
            double high = unit ? 1 : pair.high();
            List<Send> sends = control.form().takesHands()
                    ? List.of(new Send(
                            Send.Phase.CHANGE,
                            Optional.of(pair.target()),
                            pair.address(),
                            List.of(new ArgumentSource.Value(pair.type(), low, high))))
                    : List.of();
            return control.withLines(
                    sends,
                    List.of(Listen.value(Optional.of(pair.target()), pair.address(), pair.argument(), low, high)));
        }));
    }

    /** What somebody put between the hand and the argument stays there, over the range that was learned. */
    private static Control shapedAs(Control before, Control taught) {
        Optional<List<ShapingStep>> steps = before.sends().stream()
                .flatMap(send -> send.arguments().stream())
                .filter(ArgumentSource.Value.class::isInstance)
                .map(ArgumentSource.Value.class::cast)
                .map(ArgumentSource.Value::shaping)
                .findFirst()
                .filter(shaping -> shaping.size() > 1);
        if (steps.isEmpty()) {
            return taught;
        }
        List<Send> sends = taught.sends().stream()
                .map(send -> send.saying(send.arguments().stream()
                        .map(argument -> argument instanceof ArgumentSource.Value value
                                ? (ArgumentSource) new ArgumentSource.Value(
                                        value.type(),
                                        Chain.withEnds(
                                                steps.get(),
                                                value.chain().low(),
                                                value.chain().high()),
                                        value.axis())
                                : argument)
                        .toList()))
                .toList();
        return taught.withLines(sends, taught.listens());
    }
}
