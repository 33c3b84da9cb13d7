package imperan.capture;

import imperan.show.Reach;

/**
 * One packet that was recorded.
 *
 * @param at       when, in nanoseconds since 1970
 * @param out      true from us, false to us
 * @param ourHost  our address, dotted; {@code 0.0.0.0} where it is not known
 * @param peerHost the address of the other end, dotted
 * @param reach    how it travelled
 * @param bytes    the packet, without what frames it in a stream
 * @param note     who was behind it, or why nothing came of it; may be empty
 */
public record Captured(
        long at,
        boolean out,
        String ourHost,
        int ourPort,
        String peerHost,
        int peerPort,
        Reach reach,
        byte[] bytes,
        String note) {}
