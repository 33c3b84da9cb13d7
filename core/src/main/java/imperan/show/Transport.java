package imperan.show;

/** How messages travel to a target and back. */
public enum Transport {
    /** One packet in one datagram. */
    UDP,
    /** A stream, in which the length stands before each packet (OSC 1.0, "OSC Packets"). */
    TCP_LENGTH,
    /** A stream, in which each packet stands between two marks (OSC 1.1; SLIP, RFC 1055, with END at both ends). */
    TCP_SLIP
}
