package imperan.live;

import imperan.show.PartId;

import java.util.Optional;

/**
 * One packet on the wire.
 *
 * @param number  counts from 1, in the order the show handled them
 * @param at      when, in nanoseconds since 1970
 * @param out     true from us, false to us
 * @param target  to or from which target; empty for a packet that no target claims
 * @param dialect in which it is written, by its name
 * @param peer    the other end, {@code host:port}
 * @param ourPort the port at our end
 * @param bytes   the packet
 * @param cause   what led to it
 * @param answeredAfterNanos for an answer to something of ours: how long after it; else empty
 * @param reason  why nothing came of it, or not all yet; empty where there is nothing to say
 */
public record WireRecord(long number, long at, boolean out, Optional<PartId> target, String dialect, String peer, int ourPort,
                         byte[] bytes, Cause cause, Optional<Long> answeredAfterNanos, Optional<Reason> reason) {

    /** The packet of which something that happened tells; empty where it tells of none. */
    public static Optional<WireRecord> of(LiveEvent event, long number) {
        if (event instanceof LiveEvent.PacketOut out) {
            return Optional.of(new WireRecord(number, out.at(), true, Optional.of(out.target()), out.dialect(), out.peer(), out.ourPort(), out.bytes(), out.cause(), Optional.empty(), out.reason()));
        } else if (event instanceof LiveEvent.PacketIn in) {
            return Optional.of(new WireRecord(number, in.at(), false, in.target(), in.dialect(), in.peer(), in.ourPort(), in.bytes(), in.cause(), in.answeredNanos(), in.reason()));
        }
        return Optional.empty();
    }
}
