package imperan.show;

import imperan.osc.StreamFraming;
import java.util.Optional;

/** How the bytes of messages get to a target and back. What differs between them is asked of them; nobody asks which one it is. */
public enum Reach {
    /** One packet in one datagram, from our answer port. A host address that is a broadcast address reaches all on its network. */
    UDP("UDP", "", Optional.empty()),
    /** A stream, in which the length stands before each packet (OSC 1.0, "OSC Packets"). */
    TCP_LENGTH("TCP, length first", "TCP (length first, OSC 1.0)", Optional.of(StreamFraming.LENGTH)),
    /** A stream, in which each packet stands between two marks (OSC 1.1; SLIP, RFC 1055, with END at both ends). */
    TCP_SLIP("TCP, SLIP", "TCP (SLIP, OSC 1.1)", Optional.of(StreamFraming.SLIP));

    private final String words;
    private final String atOtherEnd;
    private final Optional<StreamFraming> framing;

    Reach(String words, String atOtherEnd, Optional<StreamFraming> framing) {
        this.words = words;
        this.atOtherEnd = atOtherEnd;
        this.framing = framing;
    }

    /** For tables. */
    public String words() {
        return words;
    }

    /** What has to be chosen at the other end; empty where there is nothing to choose. */
    public String atOtherEnd() {
        return atOtherEnd;
    }

    /** How packets stand in the stream; empty where each travels by itself. */
    public Optional<StreamFraming> framing() {
        return framing;
    }

    /** Whether it is a connection of its own, along which answers come back; else they come to a port of ours, which the other end has to know. */
    public boolean isConnection() {
        return framing.isPresent();
    }
}
