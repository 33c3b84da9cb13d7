package imperan.wire;

import imperan.live.Cause;
import imperan.live.Reason;
import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * One packet on the wire.
 *
 * @param number  counts from 1, in the order the show handled them
 * @param change  counts all that became of packets; the change that made this one what it is
 * @param at      when, in nanoseconds since 1970
 * @param out     true from us, false to us
 * @param target  to or from which target; empty for a packet that no target claims
 * @param dialect in which it is written, by its name
 * @param peer    the other end, {@code host:port}
 * @param ourPort the port at our end
 * @param bytes   the packet
 * @param says    what it says, or why it says nothing
 * @param cause   what led to it
 * @param reason  why nothing came of it, or not all yet; empty where there is nothing to say
 * @param repeats whether its like had come again and again for a while when it came
 * @param fate    what became of the answer it asks for; empty where it arrived, did not leave, or belongs to no line
 * @param answeredAfterNanos for an answer to something of ours: how long after it
 * @param pair    the number of the packet that answers it, or that it answers; empty where there is none
 * @param positions for each of its messages where its control stood on its first axis, 0 to 1, before that became an argument; empty where no control said them
 */
public record WireRecord(
        long number,
        long change,
        long at,
        boolean out,
        Optional<PartId> target,
        String dialect,
        String peer,
        int ourPort,
        byte[] bytes,
        Decoded says,
        Cause cause,
        Optional<Reason> reason,
        boolean repeats,
        Optional<Fate> fate,
        Optional<Long> answeredAfterNanos,
        Optional<Long> pair,
        List<Double> positions) {

    /** An object and its fields. */
    private static final int OWN_MEMORY = 160;

    public WireRecord {
        positions = List.copyOf(positions);
    }

    /** The messages in it, in order; none where it says nothing. */
    public List<OscMessage> messages() {
        return says.messages();
    }

    /** Who is at the other end: a target by its id, whichever port it speaks from; a stranger by its address and port. */
    public String source() {
        return target.map(PartId::value).orElse(peer);
    }

    /** About how many bytes of memory it takes. */
    int memory() {
        return OWN_MEMORY
                + bytes.length
                + (says instanceof Decoded.Whole whole ? whole.packet().memory() : 0);
    }

    WireRecord with(long changed, Optional<Fate> became, Optional<Long> paired) {
        return new WireRecord(
                number,
                changed,
                at,
                out,
                target,
                dialect,
                peer,
                ourPort,
                bytes,
                says,
                cause,
                reason,
                repeats,
                became,
                answeredAfterNanos,
                paired,
                positions);
    }

    WireRecord from(List<Double> stood) {
        return new WireRecord(
                number,
                change,
                at,
                out,
                target,
                dialect,
                peer,
                ourPort,
                bytes,
                says,
                cause,
                reason,
                repeats,
                fate,
                answeredAfterNanos,
                pair,
                stood);
    }
}
