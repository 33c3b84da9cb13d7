package imperan.osc;

/** What came of reading bytes as a packet: the packet, or where and why it is none. */
public sealed interface Decoded {

    /** The bytes are a packet, whole and exactly. */
    record Whole(OscPacket packet) implements Decoded {
    }

    /** The bytes are the beginning of something that is said in several packets, in a dialect that does so. */
    record Begun() implements Decoded {
    }

    /**
     * The bytes are no packet.
     *
     * @param offset in bytes from the start of the packet, where reading failed
     * @param reason one sentence for the person at the wire
     */
    record Malformed(int offset, String reason) implements Decoded {
    }
}
