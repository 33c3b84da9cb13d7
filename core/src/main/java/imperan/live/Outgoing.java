package imperan.live;

import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.form.Position;
import java.util.Optional;

/**
 * A message on its way out, as it was when it was made.
 *
 * @param moved   of a control; empty for one that belongs to none
 * @param key     of what waits under the same one the latest leaves
 * @param isPress whether each one counts for itself
 * @param awaits  whether its answer is awaited; that of a step on the way to another value is not
 * @param cause   what led to it
 */
record Outgoing(Optional<Moved> moved, Object key, boolean isPress, Awaits awaits, Line line, Cause cause) {

    /**
     * Whose message it is.
     *
     * @param position that it says: that of the control then, and on the way there while its shaping takes time
     */
    record Moved(LiveControl control, CompiledSend send, Position position) {}

    /** Whether an answer is awaited. */
    enum Awaits {
        /** No: another value follows. */
        NOTHING,
        /** Where its target tells it. */
        WHAT_IS_TOLD,
        /** It is asked for, too, where its target tells only when it is asked. */
        EVEN_IF_ASKED
    }

    /** What a button, a choice or a line says counts each time, and all that is not sent on a change. */
    static Outgoing of(
            LiveControl control, CompiledSend send, Position position, Line line, Awaits awaits, Cause cause) {
        return new Outgoing(
                Optional.of(new Moved(control, send, position)),
                send.key(),
                send.send().on() != Send.Phase.CHANGE || control.control.form().eachCounts(),
                awaits,
                line,
                cause);
    }

    boolean isOf(PartId control) {
        return moved.filter(of -> of.control().id.equals(control)).isPresent();
    }
}
