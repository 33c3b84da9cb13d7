package imperan.cue;

import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.Look;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * How many messages a cue says to each target, at least: of a fade the last one counts, for a target that is slow gets no more of it.
 *
 * @param controls as they are now, likewise the {@code looks} and {@code targets}; what is gone says nothing
 */
public record CueLoad(
        Function<PartId, Optional<Control>> controls,
        Function<PartId, Optional<Look>> looks,
        Function<PartId, Optional<Target>> targets) {

    /** Of the cues of a show. */
    public static CueLoad in(Show show) {
        return new CueLoad(
                id -> body(show, id, Control.class),
                id -> body(show, id, Look.class),
                id -> body(show, id, Target.class));
    }

    private static <B> Optional<B> body(Show show, PartId id, Class<B> kind) {
        return show.part(id).map(part -> part.body()).filter(kind::isInstance).map(kind::cast);
    }

    /** What takes longest of a cue on the target that takes longest for it. */
    public record Slowest(PartId target, int messages, double seconds) {}

    /** Messages by target. */
    public Map<PartId, Integer> messages(Cue cue) {
        Map<PartId, Integer> messages = new LinkedHashMap<>();
        for (CueAction action : cue.actions()) {
            if (action instanceof CueAction.SayLine say) {
                add(messages, say.target(), 1);
            } else if (action instanceof CueAction.FadeLine fade) {
                add(messages, fade.target(), 1);
            } else if (action instanceof CueAction.SayStartList start) {
                add(
                        messages,
                        start.target(),
                        start.target()
                                .flatMap(targets)
                                .map(target -> target.startList().size())
                                .orElse(0));
            } else if (action instanceof CueAction.BringControl bring) {
                bring.control().ifPresent(control -> add(messages, control));
            } else if (action instanceof CueAction.RecallLook recall) {
                recall.look()
                        .flatMap(looks)
                        .map(Look::stands)
                        .orElse(List.of())
                        .forEach(stand -> add(messages, stand.control()));
            }
        }
        return messages;
    }

    private void add(Map<PartId, Integer> messages, PartId control) {
        controls.apply(control).map(Control::sends).orElse(List.of()).stream()
                .filter(send -> send.on() == Send.Phase.CHANGE || send.on() == Send.Phase.PRESS)
                .forEach(send -> add(messages, send.target(), 1));
    }

    private static void add(Map<PartId, Integer> messages, Optional<PartId> target, int count) {
        target.filter(to -> count > 0).ifPresent(to -> messages.merge(to, count, Integer::sum));
    }

    /** The target that needs longest for what is said to it at once; empty where none sets a pace that is felt. */
    public Optional<Slowest> slowest(Cue cue) {
        Optional<Slowest> slowest = Optional.empty();
        for (Map.Entry<PartId, Integer> each : messages(cue).entrySet()) {
            Optional<Integer> pace = targets.apply(each.getKey()).flatMap(Target::messagesPerSecond);
            // the first one leaves at once
            double seconds =
                    pace.map(most -> (each.getValue() - 1) / (double) most).orElse(0.0);
            if (seconds > 0
                    && slowest.filter(other -> other.seconds() >= seconds).isEmpty()) {
                slowest = Optional.of(new Slowest(each.getKey(), each.getValue(), seconds));
            }
        }
        return slowest;
    }
}
