package imperan.wire;

import imperan.live.Cause;
import imperan.live.LiveEvent;
import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * Which messages come again and again by themselves, such as meters, pulses and keep-alives. A list may fold them, so that what somebody does stands out. What a
 * hand led to is never one of them, nor is an answer to it.
 */
final class Repeats {

    static final int MOST_ADDRESSES = 4_096;

    private static final long SECOND = 1_000_000_000L;
    /** Coming in nine of ten seconds is no hand any more. */
    private static final int SECONDS = 10;

    private static final int LEAST_SECONDS = 9;
    /** Coming at even distances is no hand either: so many times in a row, no two distances a third apart, none longer than ten seconds. */
    private static final int LEAST_EVEN = 5;

    private static final long SHORTEST_EVEN = SECOND / 2;
    private static final long LONGEST_EVEN = 10 * SECOND;
    private static final int SPREAD = 3;
    /** What repeats may be late, on a busy machine, by two of its distances before it counts as having stopped. */
    private static final int PATIENCE = 3;

    /** What Imperan does by itself. */
    private static final Set<Cause.Origin> BY_ITSELF =
            EnumSet.of(Cause.Origin.KEEP_ALIVE, Cause.Origin.QUESTION, Cause.Origin.ARRIVAL, Cause.Origin.TIME);

    private static final class Seen {
        private long lastAt;
        private long lastSecond;
        /** One bit for each of the last seconds in which it came; the lowest for the last one. */
        private int seconds;

        private long shortest;
        private long longest;
        private int even;
        /** How long after another one it is still a repeat; 0 while it is none. */
        private long patience;

        private boolean take(long at) {
            long second = at / SECOND;
            long passed = second - lastSecond;
            seconds = passed >= SECONDS || lastAt == 0 ? 1 : seconds << Math.max(0, passed) | 1;
            lastSecond = Math.max(second, lastSecond);
            long distance = at - lastAt;
            shortest = even == 0 ? distance : Math.min(shortest, distance);
            longest = even == 0 ? distance : Math.max(longest, distance);
            boolean isEven = lastAt != 0
                    && shortest >= SHORTEST_EVEN
                    && longest <= LONGEST_EVEN
                    && longest - shortest <= shortest / SPREAD;
            even = isEven ? even + 1 : 0;
            lastAt = at;
            if (even >= LEAST_EVEN) {
                patience = PATIENCE * longest;
            } else if (Integer.bitCount(seconds & (1 << SECONDS) - 1) >= LEAST_SECONDS) {
                patience = PATIENCE * SECOND;
            } else if (distance > patience) {
                patience = 0;
            }
            return patience > 0;
        }
    }

    /** By direction, other end and address; those that came longest ago are forgotten first. */
    private final Map<String, Seen> seen = new LinkedHashMap<>(16, 0.75f, true);

    boolean isRepeated(LiveEvent.PacketOut out) {
        return BY_ITSELF.contains(out.cause().origin())
                && (isRepeated("> " + out.target().value(), out.says(), out.at())
                        || out.cause().origin() == Cause.Origin.KEEP_ALIVE);
    }

    /** @param answers whether it answers something of ours */
    boolean isRepeated(LiveEvent.PacketIn in, boolean answers) {
        return isRepeated("< " + in.target().map(target -> target.value()).orElse(in.peer()), in.says(), in.at())
                && !answers;
    }

    private boolean isRepeated(String where, Decoded says, long at) {
        String address = says instanceof Decoded.Whole whole ? firstAddress(whole.packet()) : "";
        if (address.length() > ByAddress.LONGEST_ADDRESS) {
            return false;
        }
        boolean repeated =
                seen.computeIfAbsent(where + " " + address, key -> new Seen()).take(at);
        if (seen.size() > MOST_ADDRESSES) {
            seen.remove(seen.keySet().iterator().next());
        }
        return repeated;
    }

    private static String firstAddress(OscPacket packet) {
        return packet instanceof OscMessage message
                ? message.address()
                : packet instanceof OscBundle bundle && !bundle.elements().isEmpty()
                        ? firstAddress(bundle.elements().get(0))
                        : "";
    }

    void forget() {
        seen.clear();
    }
}
