package imperan.plan;

import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.show.LinkStep;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.Tick;
import imperan.show.Transport;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The way from nothing to a proven link, for one target: what is to be done, and what of it is done. */
public final class ProvenLink {

    /**
     * One step.
     *
     * @param words  what is to be done
     * @param hints  what the link sheet says has to be done for it
     * @param byHand whether only a person can tell; else Imperan sees it
     * @param done   whether it is done
     * @param tick   who said so, where somebody did
     */
    public record StepState(LinkStep step, String words, List<String> hints, boolean byHand, boolean done, Optional<Tick> tick) {
    }

    private final Target target;
    private final Optional<Phrasebook.LinkSheet> sheet;
    private final Optional<LinkView> link;

    /** @param link as it is now; empty for a show that does not run */
    public ProvenLink(Show show, Target target, Optional<LinkView> link) {
        this.target = target;
        this.sheet = Phrasebook.of(show, target).map(Phrasebook::sheet);
        this.link = link;
    }

    /** The steps in their order; those that make no sense for this target are left out. */
    public List<StepState> steps() {
        return Arrays.stream(LinkStep.values()).filter(this::makesSense).map(step -> {
            Optional<Tick> tick = target.ticks().stream().filter(t -> t.step() == step).findFirst();
            Optional<Boolean> seen = seen(step);
            List<String> hints = step == LinkStep.OTHER_END_SWITCHED_ON ? sheet.map(Phrasebook.LinkSheet::steps).orElse(List.of()) : List.of();
            return new StepState(step, words(step), hints, seen.isEmpty(), tick.isPresent() || seen.orElse(false), tick);
        }).toList();
    }

    private boolean makesSense(LinkStep step) {
        boolean answers = target.answering() != Target.Answering.NONE;
        return switch (step) {
            case RECEIVED -> answers;
            case ANSWER_PORT_TOLD -> answers && target.transport() == Transport.UDP;
            default -> true;
        };
    }

    /** Whether Imperan sees it done; empty where it cannot. */
    private Optional<Boolean> seen(LinkStep step) {
        return switch (step) {
            case ADDRESS_ENTERED -> Optional.of(link.filter(l -> l.socket().works()).isPresent());
            case SENT -> Optional.of(link.filter(l -> l.sent() > 0).isPresent());
            case RECEIVED -> Optional.of(link.filter(l -> l.state() == LinkState.ANSWERING || l.state() == LinkState.HEARD).isPresent());
            default -> Optional.empty();
        };
    }

    private String words(LinkStep step) {
        Target reached = target.asReached();
        return switch (step) {
            case OTHER_END_SWITCHED_ON -> "At " + target.name() + ": its OSC input is switched on, applied and saved";
            case ADDRESS_ENTERED -> "Its address and port stand here: " + reached.host() + ", " + reached.port();
            case ANSWER_PORT_TOLD -> "It was told to answer to "
                    + link.map(l -> l.socket().ourHost()).filter(host -> !host.isEmpty()).orElse("this machine") + ", port " + target.answerPort();
            case SENT -> "A first message has left";
            case RECEIVED -> "Something of its own came back";
            case SEEN_TO_WORK -> "Somebody saw the effect at the other end";
            case VERSION_NOTED -> "Its version is noted";
        };
    }
}
