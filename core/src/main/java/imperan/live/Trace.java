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
 * @param stopped  where and why it ended before its answer
 */
public record Trace(PartId control, double position, Optional<Message> message, Optional<Wire> wire,
                    Optional<Answer> answer, Optional<Stop> stopped) {

    /** The same path with a reason why it goes no further. */
    Trace stoppedAt(Cell cell, String why) {
        return stopped(Stop.at(cell, why));
    }

    Trace stopped(Stop stop) {
        return new Trace(control, position, message, wire, answer, Optional.of(stop));
    }

    public record Message(String target, String address, String typeTags, String arguments) {
    }

    /** @param at when, in nanoseconds since 1970; {@code route} as "our port to host:port" */
    public record Wire(long at, int bytes, String route) {
    }

    /** @param agrees whether the answer says what was sent, within the tolerance */
    public record Answer(String address, String arguments, long afterNanos, boolean agrees) {
    }

    /**
     * @param cell      the cell of the path
     * @param why       one sentence
     * @param arrivedAs the address under which the same value came instead of the one that is listened to; empty where none did
     */
    public record Stop(Cell cell, String why, Optional<String> arrivedAs) {

        static Stop at(Cell cell, String why) {
            return new Stop(cell, why, Optional.empty());
        }
    }

    public enum Cell { TOUCH, MESSAGE, WIRE, ANSWER }
}
