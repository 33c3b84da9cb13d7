package imperan.osc;

/** What one datagram or one bundle element holds (OSC 1.0, "OSC Packets"). */
public sealed interface OscPacket permits OscMessage, OscBundle {

    /**
     * About how many bytes of memory it takes, for those who limit what waits: an object is taken for 32 bytes, a place in a list for 8. A datagram
     * of small messages takes many times its own size.
     */
    int memory();
}
