package imperan.live;

import imperan.show.PartId;

/**
 * Where the running show puts what comes of its inputs. Values, links and traces are only named here: the reader asks for
 * them when it wants to draw, so a hundred changes between two drawings cost one.
 */
public interface LiveSink {

    /**
     * A packet is to leave, from the target's answer port to its receiving port.
     *
     * @return false where the system did not take it: then it is not sent, and nothing counts it as if it were
     */
    boolean datagram(PartId target, byte[] packet);

    void valueChanged(PartId control);

    void linkChanged(PartId target);

    void traceChanged(PartId control);

    void wire(WireRecord record);

    /** A target says that this page is to be shown. */
    void pageWanted(PartId page);

    /** A link turned from one state to another. */
    void turned(LinkTurn turn);
}
