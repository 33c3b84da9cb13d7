package imperan.live;

import imperan.show.PartId;

import java.util.Optional;

/**
 * The path of the last touch or test of a control, cell by cell. Cells after the one where it stopped are empty.
 *
 * @param position the control's position, 0 to 1
 * @param message  what was made of it
 * @param wire     how it left
 * @param answer   what came back
 * @param stopped  why it ended before its answer
 */
public record Trace(PartId control, double position, Optional<Message> message, Optional<Wire> wire,
                    Optional<Answer> answer, Optional<Reason> stopped) {

    /** The same path with a reason why it goes no further. */
    Trace stopped(Reason reason) {
        return new Trace(control, position, message, wire, answer, Optional.of(reason));
    }

    public record Message(String target, String address, String typeTags, String arguments) {
    }

    /** @param at when, in nanoseconds since 1970; {@code route} as "our port to host:port" */
    public record Wire(long at, int bytes, String route) {
    }

    /** @param agrees whether the answer says what was sent, within the tolerance */
    public record Answer(String address, String arguments, long afterNanos, boolean agrees) {
    }

    public enum Cell { TOUCH, MESSAGE, WIRE, ANSWER }
}
