package imperan.plan;

import imperan.address.SlotAddress;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.show.AnswerRule;
import imperan.show.KeepAlive;
import imperan.show.LinkStep;
import imperan.show.Part;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.Tick;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The way from nothing to a proven link, for one target: what is to be done, and what of it is done. */
public final class ProvenLink {

    /**
     * One step.
     *
     * @param words  what is to be done
     * @param hints  what the link sheet says has to be done for it; for the first message, one that changes nothing and is answered
     * @param byHand whether only a person can tell; else Imperan sees it
     * @param done   whether it is done
     * @param tick   who said so, where somebody did
     */
    public record StepState(
            LinkStep step, String words, List<String> hints, boolean byHand, boolean done, Optional<Tick> tick) {}

    private final Target target;
    private final Optional<Phrasebook.LinkSheet> sheet;
    private final Optional<LinkView> link;
    private final Optional<String> trial;

    /** @param link as it is now; empty for a show that does not run */
    public ProvenLink(Show show, Target target, Optional<LinkView> link) {
        this.target = target;
        this.sheet = Phrasebook.of(show, target).map(Phrasebook::sheet);
        this.link = link;
        this.trial = trial(show, target);
    }

    /** The steps in their order; those that make no sense for this target are left out. */
    public List<StepState> steps() {
        return Arrays.stream(LinkStep.values())
                .filter(this::makesSense)
                .map(step -> {
                    Optional<Tick> tick = target.ticks().stream()
                            .filter(t -> t.step() == step)
                            .findFirst();
                    Optional<Boolean> seen = seen(step);
                    List<String> hints = step == LinkStep.OTHER_END_SWITCHED_ON
                            ? sheet.map(Phrasebook.LinkSheet::steps).orElse(List.of())
                            : step == LinkStep.SENT ? trial.stream().toList() : List.of();
                    return new StepState(
                            step, words(step), hints, seen.isEmpty(), tick.isPresent() || seen.orElse(false), tick);
                })
                .toList();
    }

    private boolean makesSense(LinkStep step) {
        boolean answers = target.answering() != Target.Answering.NONE;
        return switch (step) {
            case RECEIVED -> answers;
            case ANSWER_PORT_TOLD -> answers && !target.transport().isConnection();
            default -> true;
        };
    }

    /** Whether Imperan sees it done; empty where it cannot. */
    private Optional<Boolean> seen(LinkStep step) {
        return switch (step) {
                // whatever answers has its input on
            case OTHER_END_SWITCHED_ON -> Optional.of(true).filter(on -> is(LinkState.ANSWERING));
            case ANSWER_PORT_TOLD -> Optional.of(true).filter(told -> is(LinkState.ANSWERING) || is(LinkState.HEARD));
                // the address that a new target comes with is nobody's
            case ADDRESS_ENTERED -> Optional.of(
                    link.filter(l -> l.socket().works()).isPresent() && !RigPlanner.isUntouched(target));
            case SENT -> Optional.of(link.filter(l -> l.sent() > 0).isPresent());
            case RECEIVED -> Optional.of(is(LinkState.ANSWERING) || is(LinkState.HEARD));
            default -> Optional.empty();
        };
    }

    private boolean is(LinkState state) {
        return link.filter(l -> l.state() == state).isPresent();
    }

    /** What keeps it alive, else a question that one of its phrases answers. */
    private static Optional<String> trial(Show show, Target target) {
        return target.keepAlive().map(KeepAlive::address).or(() -> target.phrasebook().stream()
                .flatMap(show::children)
                .map(Part::body)
                .filter(Phrase.class::isInstance)
                .map(Phrase.class::cast)
                .filter(phrase -> phrase.answer().kind() == AnswerRule.Kind.QUERY
                        || target.answering() == Target.Answering.QUERIES
                                && phrase.direction() != Phrase.Direction.IN
                                && phrase.answer().kind() == AnswerRule.Kind.SAME)
                .map(phrase -> SlotAddress.parseFreely(phrase.address()).first())
                .findFirst());
    }

    private String words(LinkStep step) {
        Target reached = target.asReached();
        return switch (step) {
            case OTHER_END_SWITCHED_ON -> "At " + target.name() + ": its OSC input is switched on, applied and saved";
            case ADDRESS_ENTERED -> "Address and port entered: " + reached.host() + ", " + reached.port();
            case ANSWER_PORT_TOLD -> "Far end set to reply to "
                    + link.map(l -> l.socket().ourHost())
                            .filter(host -> !host.isEmpty())
                            .orElse("this machine") + ", port " + target.answerPort();
            case SENT -> "First message sent";
            case RECEIVED -> "Reply received";
            case SEEN_TO_WORK -> "Effect seen at the far end";
            case VERSION_NOTED -> "Version noted";
        };
    }
}
