package imperan.live;

import imperan.osc.OscMessage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What became of what was said to one target, as far as its answers tell: by the address on which they are to come, and of all together. */
final class AnswerLog {

    static final int MOST_ADDRESSES = 4_096;
    /** What comes later than this is hardly an answer any more. */
    static final long LATEST_NANOS = 10_000_000_000L;

    /** Messages a second that no target has trouble with. */
    static final int SLOW = 25;

    private static final class Count {
        private int judged;
        private int answered;
        private int latest;
        /** The newest of them in the lowest bit: whether it was answered. */
        private int bits;
        private long lastAnsweredAt = Long.MIN_VALUE;

        private void add(boolean came, long now) {
            judged++;
            answered += came ? 1 : 0;
            latest = Math.min(AnswerTally.LATEST, latest + 1);
            bits = (bits << 1 | (came ? 1 : 0)) & (1 << AnswerTally.LATEST) - 1;
            lastAnsweredAt = came ? now : lastAnsweredAt;
        }

        private AnswerTally tally() {
            return new AnswerTally(judged, answered, latest, Integer.bitCount(bits), lastAnsweredAt == Long.MIN_VALUE ? Optional.empty() : Optional.of(lastAnsweredAt));
        }
    }

    private static final class OfAddress {
        private final Count count = new Count();
        private Optional<Exchange> missed = Optional.empty();
        private long missedAt;
        private Optional<Long> late = Optional.empty();
    }

    private final Map<String, OfAddress> addresses = new HashMap<>();
    private final Count all = new Count();
    private final Count bundled = new Count();
    private final Count alone = new Count();
    private final Count slow = new Count();
    private final Count fast = new Count();
    /** Those whose message has not left yet. */
    private final List<Exchange> leaving = new ArrayList<>();
    private long renewedAt = Long.MIN_VALUE;
    private Optional<Long> answeredWithin = Optional.empty();
    private Optional<Long> missedAfter = Optional.empty();

    /** An answer is awaited whose message leaves with the others of this moment. */
    void leavesWithOthers(Exchange exchange) {
        leaving.add(exchange);
    }

    /** A packet left. */
    void left(int messages) {
        if (!leaving.isEmpty()) {
            leaving.forEach(exchange -> exchange.bundled = messages > 1);
            leaving.clear();
        }
    }

    /** The target was asked to go on telling us what changes. */
    void renewed(long now) {
        renewedAt = now;
    }

    /** An exchange ended. */
    void ended(Exchange exchange, Ending ending, long now) {
        boolean came = ending instanceof Ending.Answered || ending instanceof Ending.WrongValue;
        if (!came && !(ending instanceof Ending.NoAnswer)) {
            return;
        }
        all.add(came, now);
        (exchange.bundled ? bundled : alone).add(came, now);
        (exchange.rate > SLOW ? fast : slow).add(came, now);
        if (renewedAt != Long.MIN_VALUE && renewedAt <= exchange.since) {
            long after = exchange.since - renewedAt;
            if (came) {
                answeredWithin = Optional.of(Math.max(after, answeredWithin.orElse(after)));
            } else {
                missedAfter = Optional.of(Math.min(after, missedAfter.orElse(after)));
            }
        }
        OfAddress of = addresses.get(exchange.address);
        if (of == null && addresses.size() < MOST_ADDRESSES) {
            of = new OfAddress();
            addresses.put(exchange.address, of);
        }
        if (of != null) {
            of.count.add(came, now);
            of.missed = came ? Optional.empty() : Optional.of(exchange);
            of.missedAt = now;
            of.late = Optional.empty();
        }
    }

    /** Something came on an address on which nothing is awaited any more: it may be an answer that is late. */
    void heard(OscMessage message, long now) {
        OfAddress of = addresses.get(message.address());
        if (of != null && of.late.isEmpty() && of.missed.isPresent() && now - of.missedAt <= LATEST_NANOS && of.missed.get().wanted.agrees(message.arguments())) {
            of.late = Optional.of(now - of.missed.get().since);
        }
    }

    AnswerTally of(String address) {
        return Optional.ofNullable(addresses.get(address)).map(of -> of.count.tally()).orElse(AnswerTally.NONE);
    }

    /** What is known of answers on an address, beside those of the others. */
    Observed.Answers seen(String address) {
        OfAddress here = addresses.get(address);
        int others = (int) addresses.entrySet().stream().filter(entry -> !entry.getKey().equals(address) && entry.getValue().count.answered > 0).count();
        return new Observed.Answers(of(address), all.tally(), others, bundled.tally(), alone.tally(), fast.tally(), slow.tally(), answeredWithin, missedAfter,
                here == null ? Optional.empty() : here.missed.map(missed -> new Missed(missed.address, missed.limitNanos, missed.bundled, missed.arrivedAs, missed.cameFrom, here.late)));
    }

    /** Whether an answer on this address was missed and did not come since. */
    boolean isMissing(String address) {
        return Optional.ofNullable(addresses.get(address)).filter(of -> of.missed.isPresent()).isPresent();
    }
}
