package imperan.live;

import imperan.show.Send;
import imperan.show.form.Position;

/**
 * A message of a control on its way out, as it was when the hand moved.
 *
 * @param position that it says: that of the control then, and on the way there while its shaping takes time
 * @param cause    what led to it
 */
record Outgoing(LiveControl control, CompiledSend send, Position position, Line line, Cause cause) {

    String address() {
        return send.send().address();
    }

    /** Whether each one counts for itself: what a button, a choice or a line says, and all that is not sent on a change. */
    boolean isPress() {
        return send.send().on() != Send.Phase.CHANGE || control.control.form().eachCounts();
    }
}
