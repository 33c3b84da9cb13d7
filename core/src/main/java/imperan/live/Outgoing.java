package imperan.live;

import imperan.show.Form;
import imperan.show.Send;

/**
 * A message of a control on its way out, as it was when the hand moved.
 *
 * @param position of the control then
 * @param message  for the path
 */
record Outgoing(LiveControl control, Send send, double position, byte[] packet, Trace.Message message) {

    String address() {
        return send.address();
    }

    /** Whether each one counts for itself: what a button says, and what is sent on a press or a release. */
    boolean isPress() {
        return send.on() != Send.Phase.CHANGE || control.control.form() instanceof Form.Button;
    }
}
