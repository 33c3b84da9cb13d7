package imperan.wire;

import imperan.live.LiveEvent;
import imperan.live.Spelling;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.show.PartId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Everything that was said, by its address: what moves stands out, however much else is said. The addresses heard longest ago are forgotten first. */
public final class ByAddress {

    static final int MOST_ADDRESSES = 4_096;
    /** A longer address is data, and nothing that a list could show. */
    static final int LONGEST_ADDRESS = 1_000;

    /** What moves comes first, by when it last did; what never rests comes after all that does. */
    private static final Comparator<AddressRow> BY_MOVEMENT = Comparator.comparing(AddressRow::restless)
            .thenComparing(AddressRow::movedAt, Comparator.reverseOrder())
            .thenComparing(AddressRow::address);

    private record Key(boolean out, Optional<PartId> target, String peer, String address) {

        private boolean passes(WireFilter filter) {
            return filter.passes(out, target, target.map(PartId::value).orElse(peer), address);
        }
    }

    private final Map<Key, Said> said = new LinkedHashMap<>(16, 0.75f, true);

    /** Takes note of packets that left or came. What did not leave was not said. */
    public void happened(LiveEvent event) {
        if (event instanceof LiveEvent.PacketOut out && out.reason().isEmpty()) {
            packet(out.says()).ifPresent(packet -> take(packet, true, Optional.of(out.target()), out.peer(), out.at()));
        } else if (event instanceof LiveEvent.PacketIn in) {
            // a target is one, whichever port it speaks from
            packet(in.says())
                    .ifPresent(packet ->
                            take(packet, false, in.target(), in.target().isPresent() ? "" : in.peer(), in.at()));
        }
    }

    private static Optional<OscPacket> packet(Decoded says) {
        return says instanceof Decoded.Whole whole ? Optional.of(whole.packet()) : Optional.empty();
    }

    private void take(OscPacket packet, boolean out, Optional<PartId> target, String peer, long at) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> take(element, out, target, peer, at));
        } else if (packet instanceof OscMessage message && message.address().length() <= LONGEST_ADDRESS) {
            said.computeIfAbsent(new Key(out, target, out ? "" : peer, message.address()), key -> new Said())
                    .take(message, peer, at);
            if (said.size() > MOST_ADDRESSES) {
                said.remove(said.keySet().iterator().next());
            }
        }
    }

    /** Another show runs: nothing of this is of it. */
    public void forget() {
        said.clear();
    }

    /**
     * What was said, what moved last first.
     *
     * @param filter which of them; types, problems and repeats are no matter of an address
     * @param since  only what was said after it, in nanoseconds since 1970
     * @param most   rows
     */
    public Addresses rows(WireFilter filter, long since, int most, long now) {
        List<AddressRow> found = said.entrySet().stream()
                .filter(entry ->
                        entry.getValue().lastAt > since && entry.getKey().passes(filter))
                .map(entry -> entry.getValue()
                        .row(
                                entry.getKey().out(),
                                entry.getKey().target(),
                                entry.getKey().address(),
                                now))
                .sorted(BY_MOVEMENT)
                .toList();
        return new Addresses(
                List.copyOf(found.subList(0, Math.min(most, found.size()))), Math.max(0, found.size() - most));
    }

    /** What was said on one of them. */
    private static final class Said {

        private static final int SECONDS = 10;
        /** Moving in such a share of them is no hand any more, and in fewer than so many seconds it may be one. */
        private static final double RESTLESS = 0.8;

        private static final int LEAST_RESTLESS = 5;
        /** As long as a hand rests between two wiggles. */
        private static final long MOMENT = 2_000_000_000L;

        private static final int TRAIL = 48;
        private static final long SECOND = 1_000_000_000L;

        private final int[] inSecond = new int[SECONDS];
        private final boolean[] movedIn = new boolean[SECONDS];
        private final long[] second = new long[SECONDS];
        private final double[] trail = new double[TRAIL];
        private int trailed;
        private List<OscArgument> last = List.of();
        private String peer = "";
        private long count;
        private long firstAt;
        private long lastAt;
        private long movedAt;
        private double low = Double.POSITIVE_INFINITY;
        private double high = Double.NEGATIVE_INFINITY;

        private void take(OscMessage message, String from, long at) {
            boolean moved = count == 0 || !message.arguments().equals(last);
            int slot = (int) Math.floorMod(at / SECOND, (long) SECONDS);
            if (second[slot] != at / SECOND) {
                second[slot] = at / SECOND;
                inSecond[slot] = 0;
                movedIn[slot] = false;
            }
            inSecond[slot]++;
            movedIn[slot] |= moved;
            firstAt = count == 0 ? at : firstAt;
            count++;
            last = message.arguments();
            peer = from;
            lastAt = at;
            movedAt = moved ? at : movedAt;
            message.arguments().stream()
                    .flatMap(argument -> Spelling.number(argument).stream())
                    .findFirst()
                    .ifPresent(number -> {
                        low = Math.min(low, number);
                        high = Math.max(high, number);
                        trail[trailed % TRAIL] = number;
                        trailed++;
                    });
        }

        private AddressRow row(boolean out, Optional<PartId> target, String address, long now) {
            int messages = 0;
            int moving = 0;
            for (int slot = 0; slot < SECONDS; slot++) {
                if (now / SECOND - second[slot] < SECONDS) {
                    messages += inSecond[slot];
                    moving += movedIn[slot] ? 1 : 0;
                }
            }
            boolean restless =
                    moving >= Math.max(LEAST_RESTLESS, RESTLESS * Math.min(SECONDS, (now - firstAt) / SECOND));
            List<Double> numbers = IntStream.range(Math.max(0, trailed - TRAIL), trailed)
                    .mapToObj(i -> trail[i % TRAIL])
                    .toList();
            return new AddressRow(
                    out,
                    target,
                    peer,
                    address,
                    OscText.briefTags(last),
                    OscText.brief(last),
                    count,
                    (double) messages / SECONDS,
                    trailed == 0 ? Optional.empty() : Optional.of(low),
                    trailed == 0 ? Optional.empty() : Optional.of(high),
                    numbers,
                    lastAt,
                    movedAt,
                    !restless && now - movedAt < MOMENT,
                    restless);
        }
    }
}
