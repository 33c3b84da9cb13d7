package imperan.wire;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a list of packets shows, and how to ask for what comes next.
 *
 * @param packets   that pass, oldest first: those that are new or otherwise since the list was last asked for
 * @param leftOut   how many more passed that are older than these
 * @param change    to ask with the next time
 * @param repeating what comes again and again, one for each address, in the order in which each was first seen
 */
public record Found(List<WireRecord> packets, long leftOut, long change, List<Repeating> repeating) {

    private static final long SECOND = 1_000_000_000L;
    private static final long WINDOW = 5 * SECOND;

    /**
     * Packets that are folded into one.
     *
     * @param last      the newest of them
     * @param count     how many are kept
     * @param perSecond of the last five seconds
     */
    public record Repeating(WireRecord last, long count, double perSecond) {}

    /**
     * Looks through what is kept.
     *
     * @param packets oldest first
     * @param since   the change up to which they are known; 0 for none
     * @param before  only packets older than this one; empty for all
     * @param most    packets in the answer; the newest are
     */
    public static Found in(
            List<WireRecord> packets,
            long change,
            WireFilter filter,
            long since,
            Optional<Long> before,
            int most,
            long now) {
        List<WireRecord> newest = new ArrayList<>();
        long passed = 0;
        for (int i = packets.size() - 1; i >= 0; i--) {
            WireRecord record = packets.get(i);
            if (record.change() > since
                    && before.filter(number -> record.number() >= number).isEmpty()
                    && filter.passes(record)) {
                passed++;
                if (newest.size() < most) {
                    newest.add(0, record);
                }
            }
        }
        return new Found(
                newest, passed - newest.size(), change, filter.repeats() ? List.of() : repeating(packets, filter, now));
    }

    private static List<Repeating> repeating(List<WireRecord> packets, WireFilter filter, long now) {
        Map<String, List<WireRecord>> folded = new LinkedHashMap<>();
        for (WireRecord record : packets) {
            if (record.repeats() && filter.passesUnfolded(record)) {
                folded.computeIfAbsent(
                                record.out() + " " + record.source() + " "
                                        + record.messages().stream()
                                                .findFirst()
                                                .map(message -> message.address())
                                                .orElse(""),
                                key -> new ArrayList<>())
                        .add(record);
            }
        }
        return folded.values().stream()
                .map(all -> new Repeating(
                        all.get(all.size() - 1),
                        all.size(),
                        all.stream()
                                        .filter(record -> now - record.at() < WINDOW)
                                        .count()
                                / (double) (WINDOW / SECOND)))
                .sorted(Comparator.comparing(
                                (Repeating repeating) -> repeating.last().out())
                        .thenComparing(repeating -> repeating.last().source()))
                .toList();
    }
}
