package imperan.live;

import imperan.osc.OscMessage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What became of what was said to one target, as far as its answers tell: by the address on which they are to come, and of all together. */
final class AnswerLog {

    static final int MOST_ADDRESSES = 4_096;
    private static final int FEW = 4;
    /** Enough to see a pattern in. */
    static final int OUTCOMES = 24;
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
            return new AnswerTally(
                    judged,
                    answered,
                    latest,
                    Integer.bitCount(bits),
                    lastAnsweredAt == Long.MIN_VALUE ? Optional.empty() : Optional.of(lastAnsweredAt));
        }
    }

    /** @param renewals how often the target had been asked to go on telling us, when the message left */
    private record Outcome(String address, boolean came, long renewals) {}

    private static final class OfAddress {
        private final Count count = new Count();
        private long youngest;
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

    private final Deque<Outcome> latest = new ArrayDeque<>();
    private long renewals;

    /**
     * An answer is awaited.
     *
     * @param withOthers whether its message leaves with the others of this moment
     */
    void opened(Exchange exchange, boolean withOthers) {
        if (withOthers) {
            leaving.add(exchange);
        }
        OfAddress of = addresses.get(exchange.address);
        if (of == null && addresses.size() < MOST_ADDRESSES) {
            of = new OfAddress();
            addresses.put(exchange.address, of);
        }
        if (of != null) {
            of.youngest = exchange.number;
        }
    }

    /** The packet of this moment left, or was to. */
    void left(int messages) {
        if (!leaving.isEmpty()) {
            leaving.forEach(exchange -> exchange.bundled = messages > 1);
            leaving.clear();
        }
    }

    /** The target was asked to go on telling us what changes. */
    void renewed() {
        renewals++;
    }

    /** An exchange ended. */
    void ended(Exchange exchange, MessageResult result, long now) {
        boolean came = result instanceof MessageResult.Agreed || result instanceof MessageResult.Differed;
        OfAddress of = addresses.get(exchange.address);
        // what was said later on the same address stands for what was said before
        boolean counts =
                came || result instanceof MessageResult.NoAnswer && (of == null || of.youngest == exchange.number);
        if (!counts) {
            return;
        }
        all.add(came, now);
        // a question that is answered with the old value says that the message before it came to nothing
        boolean agreed = result instanceof MessageResult.Agreed;
        (exchange.bundled ? bundled : alone).add(agreed, now);
        (exchange.rate > SLOW ? fast : slow).add(agreed, now);
        latest.addLast(new Outcome(exchange.address, came, exchange.renewals));
        if (latest.size() > OUTCOMES) {
            latest.removeFirst();
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
        if (of != null
                && of.late.isEmpty()
                && of.missed.isPresent()
                && now - of.missedAt <= LATEST_NANOS
                && of.missed.get().wanted.agrees(message.arguments())) {
            of.late = Optional.of(now - of.missed.get().since);
        }
    }

    AnswerTally of(String address) {
        return Optional.ofNullable(addresses.get(address))
                .map(of -> of.count.tally())
                .orElse(AnswerTally.NONE);
    }

    /** What is known of answers on an address, beside those of the others. */
    Observed.Answers seen(String address) {
        OfAddress here = addresses.get(address);
        int others = (int) addresses.entrySet().stream()
                .filter(entry -> !entry.getKey().equals(address) && entry.getValue().count.answered > 0)
                .count();
        return new Observed.Answers(
                of(address),
                all.tally(),
                others,
                bundled.tally(),
                alone.tally(),
                fast.tally(),
                slow.tally(),
                recoveries(),
                here == null
                        ? Optional.empty()
                        : here.missed.map(missed -> new Missed(
                                missed.address,
                                missed.limitNanos,
                                missed.bundled,
                                missed.arrivedAs,
                                missed.cameFrom,
                                here.late)));
    }

    /** After some were not answered, one was: did the target have to be asked to go on telling us? */
    private Observed.Recoveries recoveries() {
        int renewed = 0;
        int otherwise = 0;
        Map<String, Outcome> last = new HashMap<>();
        for (Outcome outcome : latest) {
            Outcome before = last.put(outcome.address, outcome);
            if (before != null && !before.came && outcome.came) {
                renewed += outcome.renewals > before.renewals ? 1 : 0;
                otherwise += outcome.renewals > before.renewals ? 0 : 1;
            }
        }
        List<Outcome> few =
                latest.stream().skip(Math.max(0, latest.size() - FEW)).toList();
        return new Observed.Recoveries(
                renewed,
                otherwise,
                few.stream().anyMatch(Outcome::came) && !few.stream().allMatch(Outcome::came));
    }

    /** How often it was renewed so far. */
    long renewals() {
        return renewals;
    }

    /** Whether an answer on this address was missed and did not come since. */
    boolean isMissing(String address) {
        return Optional.ofNullable(addresses.get(address))
                .filter(of -> of.missed.isPresent())
                .isPresent();
    }
}
