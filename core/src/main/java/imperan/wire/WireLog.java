package imperan.wire;

import imperan.live.Cause;
import imperan.live.LiveEvent;
import imperan.live.MessageResult;
import imperan.live.Reason;
import imperan.osc.Decoded;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The newest packets in both directions, each with the answer that belongs to it. Bounded in number and in memory: the oldest make room. What was read off it
 * stays as it was. Not safe for several threads.
 */
public final class WireLog {

    /** The last packet to a target, and the input that led to it. */
    private record Left(long packet, long input) {}

    private final WireRecord[] ring;
    private final long mostMemory;
    private final Repeats repeats = new Repeats();
    private final Map<PartId, Left> left = new HashMap<>();
    /** For an exchange that is open: the packet that opened it. */
    private final Map<Long, Long> packets = new HashMap<>();
    /** Exchanges whose lines wait to leave in one packet. */
    private final Map<PartId, List<Long>> unpacked = new HashMap<>();
    /** Where the controls stood whose lines wait likewise. */
    private final Map<PartId, List<Double>> unpackedPositions = new HashMap<>();
    /** The packets that were answered by what the input in hand brought. */
    private final List<Long> answered = new ArrayList<>();

    private long answeredBy;
    private long first = 1;
    private long next = 1;
    private long memory;
    private long change;

    /**
     * @param mostPackets that are kept
     * @param mostMemory  about how many bytes they take; the newest is kept however large it is
     */
    public WireLog(int mostPackets, long mostMemory) {
        this.ring = new WireRecord[mostPackets];
        this.mostMemory = mostMemory;
    }

    /**
     * Takes note of packets, and of what became of them.
     *
     * @return the packet, where it is one
     */
    public Optional<WireRecord> happened(LiveEvent event) {
        if (event instanceof LiveEvent.PacketOut out) {
            return Optional.of(out(out));
        } else if (event instanceof LiveEvent.PacketIn in) {
            return Optional.of(in(in));
        } else if (event instanceof LiveEvent.Opened opened) {
            packetOf(opened.target(), opened.cause())
                    .ifPresentOrElse(packet -> opened(opened.exchange(), packet), () -> unpacked.computeIfAbsent(
                                    opened.target(), target -> new ArrayList<>())
                            .add(opened.exchange()));
        } else if (event instanceof LiveEvent.Ended ended) {
            ended(ended);
        } else if (event instanceof LiveEvent.LineLeft line
                && line.line().control().isPresent()) {
            line.line()
                    .target()
                    .ifPresent(target -> stood(target, line.cause(), line.line().position()));
        }
        return Optional.empty();
    }

    private WireRecord out(LiveEvent.PacketOut out) {
        boolean folds = repeats.isRepeated(out);
        WireRecord record = add(
                out.at(),
                true,
                Optional.of(out.target()),
                out.dialect(),
                out.peer(),
                out.ourPort(),
                out.bytes(),
                out.says(),
                out.cause(),
                out.reason(),
                folds,
                Optional.empty(),
                Optional.empty());
        // what did not leave takes its positions with it
        List<Double> stood = unpackedPositions.remove(out.target());
        if (out.reason().isEmpty()) {
            if (stood != null && stood.size() == record.messages().size()) {
                set(record.from(stood));
            }
            List<Long> inIt = unpacked.remove(out.target());
            if (inIt == null) {
                left.put(out.target(), new Left(record.number(), out.cause().number()));
            } else {
                inIt.forEach(exchange -> opened(exchange, record.number()));
            }
        }
        return record;
    }

    private WireRecord in(LiveEvent.PacketIn in) {
        boolean answers = answeredBy == in.cause().number() && !answered.isEmpty();
        boolean folds = repeats.isRepeated(in, answers || in.answeredNanos().isPresent());
        WireRecord record = add(
                in.at(),
                false,
                in.target(),
                in.dialect(),
                in.peer(),
                in.ourPort(),
                in.bytes(),
                in.says(),
                in.cause(),
                in.reason(),
                folds,
                in.answeredNanos(),
                answers ? Optional.of(answered.get(answered.size() - 1)) : Optional.empty());
        if (answers) {
            answered.forEach(packet -> packet(packet)
                    .ifPresent(asked -> set(asked.with(++change, asked.fate(), Optional.of(record.number())))));
            answered.clear();
        }
        return record;
    }

    private WireRecord add(
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
            boolean folds,
            Optional<Long> answeredAfter,
            Optional<Long> pair) {
        WireRecord record = new WireRecord(
                next,
                ++change,
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
                folds,
                Optional.empty(),
                answeredAfter,
                pair,
                List.of());
        if (next - first == ring.length) {
            dropOldest();
        }
        next++;
        ring[place(record.number())] = record;
        memory += record.memory();
        while (memory > mostMemory && next - first > 1) {
            dropOldest();
        }
        return record;
    }

    private void dropOldest() {
        memory -= ring[place(first)].memory();
        ring[place(first)] = null;
        first++;
    }

    private int place(long number) {
        return (int) (number % ring.length);
    }

    private void set(WireRecord record) {
        ring[place(record.number())] = record;
    }

    /** The packet in which the line of this moment left; empty where it waits for the others of the moment. */
    private Optional<Long> packetOf(PartId target, Cause cause) {
        return Optional.ofNullable(left.get(target))
                .filter(last -> last.input() == cause.number())
                .map(Left::packet);
    }

    /** Where a control stood whose line left just now, or leaves with the others of this moment. */
    private void stood(PartId target, Cause cause, double position) {
        Optional<WireRecord> alone = packetOf(target, cause)
                .flatMap(this::packet)
                .filter(record ->
                        record.positions().isEmpty() && record.messages().size() == 1);
        alone.ifPresentOrElse(record -> set(record.from(List.of(position))), () -> unpackedPositions
                .computeIfAbsent(target, of -> new ArrayList<>())
                .add(position));
    }

    private void opened(long exchange, long packet) {
        packets.put(exchange, packet);
        became(packet, Fate.WAITING);
    }

    private void ended(LiveEvent.Ended ended) {
        Fate fate = Fate.of(ended.result());
        if (ended.exchange() == 0) {
            packetOf(ended.target(), ended.cause()).ifPresent(packet -> became(packet, fate));
            return;
        }
        unpacked.getOrDefault(ended.target(), new ArrayList<>()).remove(ended.exchange());
        Long packet = packets.remove(ended.exchange());
        if (packet != null) {
            became(packet, fate);
            if (ended.result() instanceof MessageResult.Agreed) {
                if (answeredBy != ended.cause().number()) {
                    answered.clear();
                }
                answeredBy = ended.cause().number();
                answered.add(packet);
            }
        }
    }

    private void became(long number, Fate fate) {
        packet(number)
                .ifPresent(record -> set(record.with(
                        ++change,
                        Optional.of(record.fate().map(before -> before.or(fate)).orElse(fate)),
                        record.pair())));
    }

    /** A packet, as long as it is kept. */
    public Optional<WireRecord> packet(long number) {
        return number < first || number >= next ? Optional.empty() : Optional.of(ring[place(number)]);
    }

    /** All that is kept, oldest first. */
    public List<WireRecord> packets() {
        WireRecord[] all = new WireRecord[(int) (next - first)];
        int from = place(first);
        int straight = Math.min(all.length, ring.length - from);
        System.arraycopy(ring, from, all, 0, straight);
        System.arraycopy(ring, 0, all, straight, all.length - straight);
        return Arrays.asList(all);
    }

    /** How often something became of a packet so far. */
    public long changes() {
        return change;
    }

    /** Another show runs: what was said before is none of its. Numbers go on. */
    public void forget() {
        Arrays.fill(ring, null);
        first = next;
        memory = 0;
        change++;
        left.clear();
        packets.clear();
        unpacked.clear();
        unpackedPositions.clear();
        answered.clear();
        repeats.forget();
    }
}
