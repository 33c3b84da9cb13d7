package imperan.live;

import imperan.osc.AddressPattern;
import imperan.osc.OscArgument;
import imperan.show.PartId;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.stream.Stream;

/**
 * The exchanges that are open, by the address on which their answer comes. An answer belongs to the youngest whose value agrees; older ones are overtaken then.
 * What agrees with none ends nothing: it may be said all the while, or come of a hand at the far end.
 */
final class Exchanges {

    /** Open ones on one address; the oldest makes room for another one. */
    static final int MOST_OF_ADDRESS = 256;
    /** Open ones of one target. */
    static final int MOST_OF_TARGET = 8_192;

    /** When an exchange ends, as long as nothing changed that. */
    private record Limit(Exchange exchange, long due) {}

    private static final class OfTarget {
        private final Map<String, Deque<Exchange>> byAddress = new HashMap<>();
        /** Oldest first, with some that ended. */
        private final Deque<Exchange> inOrder = new ArrayDeque<>();

        private int open;
    }

    private final Map<PartId, OfTarget> targets = new HashMap<>();
    /** One queue for each length: in each they stand in the order in which they end. */
    private final Map<Long, Deque<Limit>> limits = new LinkedHashMap<>();

    private final BiConsumer<Exchange, MessageResult> ended;
    private long number;

    /** @param ended is told how each one ends */
    Exchanges(BiConsumer<Exchange, MessageResult> ended) {
        this.ended = ended;
    }

    long nextNumber() {
        return ++number;
    }

    /** From now on an answer is awaited. */
    void open(Exchange exchange, long now) {
        OfTarget of = targets.computeIfAbsent(exchange.target, target -> new OfTarget());
        Deque<Exchange> there = of.byAddress.computeIfAbsent(exchange.address, address -> new ArrayDeque<>());
        if (there.size() >= MOST_OF_ADDRESS) {
            end(there.peekFirst(), new MessageResult.NotJudged());
            // the last one may have taken its queue with it
            there = of.byAddress.computeIfAbsent(exchange.address, address -> new ArrayDeque<>());
        } else if (of.open >= MOST_OF_TARGET) {
            oldest(of).ifPresent(oldest -> end(oldest, new MessageResult.NotJudged()));
            there = of.byAddress.computeIfAbsent(exchange.address, address -> new ArrayDeque<>());
        }
        there.addLast(exchange);
        of.inOrder.addLast(exchange);
        of.open++;
        endsAt(exchange, exchange.due, exchange.due - now);
    }

    private static Optional<Exchange> oldest(OfTarget of) {
        while (!of.inOrder.isEmpty() && of.inOrder.peekFirst().ended) {
            of.inOrder.removeFirst();
        }
        return Optional.ofNullable(of.inOrder.peekFirst());
    }

    private void endsAt(Exchange exchange, long due, long length) {
        exchange.due = due;
        limits.computeIfAbsent(length, l -> new ArrayDeque<>()).addLast(new Limit(exchange, due));
    }

    /** When the next one ends if nothing comes; {@link DueQueue#NEVER} where none is open. */
    long nextDue() {
        long next = DueQueue.NEVER;
        for (Iterator<Deque<Limit>> all = limits.values().iterator(); all.hasNext(); ) {
            Deque<Limit> queue = all.next();
            while (!queue.isEmpty() && isVoid(queue.peekFirst())) {
                queue.removeFirst();
            }
            if (queue.isEmpty()) {
                all.remove();
            } else {
                next = Math.min(next, queue.peekFirst().due);
            }
        }
        return next;
    }

    private static boolean isVoid(Limit limit) {
        return limit.exchange.ended || limit.exchange.due != limit.due;
    }

    /** Those whose limit has passed end. */
    void expire(long now) {
        for (Deque<Limit> queue : List.copyOf(limits.values())) {
            while (!queue.isEmpty() && (isVoid(queue.peekFirst()) || queue.peekFirst().due <= now)) {
                Limit limit = queue.removeFirst();
                if (!isVoid(limit)) {
                    end(limit.exchange, limit.exchange.atLimit());
                }
            }
        }
    }

    /** What is awaited on an address was asked for just now. */
    void asked(PartId target, String address, long now) {
        for (Exchange exchange : on(target, address)) {
            exchange.since = now;
            endsAt(exchange, now + exchange.waitNanos, exchange.waitNanos);
        }
    }

    /**
     * Something was said on an address.
     *
     * @return how long after what it answers it came; empty where it answers nothing
     */
    Optional<Long> heard(
            PartId target,
            String address,
            List<OscArgument> said,
            long now,
            BiConsumer<Exchange, MessageResult.Differed> differs) {
        List<Exchange> there = List.copyOf(on(target, address));
        int youngest = there.size() - 1;
        while (youngest >= 0
                && (there.get(youngest).question || !there.get(youngest).wanted.agrees(said))) {
            youngest--;
        }
        Optional<Long> after = Optional.empty();
        boolean agreed = youngest >= 0;
        for (int i = 0; i < there.size(); i++) {
            Exchange exchange = there.get(i);
            if (i == youngest || exchange.question && exchange.wanted.agrees(said)) {
                MessageResult.Agreed answered = exchange.answeredBy(address, said, now);
                after = i == youngest || after.isEmpty() ? Optional.of(answered.afterNanos()) : after;
                end(exchange, answered);
            } else if (i < youngest) {
                end(exchange, new MessageResult.Overtaken());
            }
        }
        return agreed || there.isEmpty() || after.isPresent()
                ? after
                : differs(there, new Said(address, said, now), differs);
    }

    private record Said(String address, List<OscArgument> arguments, long now) {}

    /** It may be the answer to the oldest of which nothing was heard: that one may still be answered otherwise. */
    private Optional<Long> differs(List<Exchange> there, Said said, BiConsumer<Exchange, MessageResult.Differed> told) {
        Exchange exchange = there.stream()
                .filter(open -> open.differed.isEmpty())
                .findFirst()
                .orElse(there.get(there.size() - 1));
        boolean first = exchange.differed.isEmpty();
        MessageResult.Differed wrong = exchange.differsFrom(said.address, said.arguments, said.now);
        exchange.differed = Optional.of(wrong);
        if (first && exchange.finalNanos.isPresent()) {
            endsAt(exchange, said.now + exchange.finalNanos.get(), exchange.finalNanos.get());
        }
        told.accept(exchange, wrong);
        return first ? wrong.after() : Optional.empty();
    }

    private Deque<Exchange> on(PartId target, String address) {
        OfTarget of = targets.get(target);
        Deque<Exchange> there = of == null ? null : of.byAddress.get(address);
        return there == null ? new ArrayDeque<>() : there;
    }

    /** The addresses on which answers are awaited that an incoming one means; it may be a pattern. */
    List<String> awaitedOn(Link link, String address, AddressPattern.Budget budget) {
        OfTarget of = targets.get(link.id());
        if (of == null) {
            return List.of();
        } else if (!link.spoken().hasPatterns() || !AddressPattern.isPattern(address)) {
            return of.byAddress.containsKey(address) ? List.of(address) : List.of();
        }
        return !budget.isSpent() && AddressPattern.compile(address) instanceof AddressPattern.Compiled.Pattern compiled
                ? of.byAddress.keySet().stream()
                        .filter(awaited -> compiled.pattern().matches(awaited, budget))
                        .sorted()
                        .toList()
                : List.of();
    }

    /** The open ones on an address, of whichever target. */
    List<Exchange> on(String address) {
        return targets.values().stream()
                .flatMap(of -> Stream.ofNullable(of.byAddress.get(address)))
                .flatMap(Deque::stream)
                .toList();
    }

    /** The open ones of a target, on whichever address. */
    List<Exchange> of(PartId target) {
        OfTarget of = targets.get(target);
        List<Exchange> open = new ArrayList<>();
        if (of != null) {
            of.byAddress.values().forEach(open::addAll);
        }
        return open;
    }

    /** Is the answer to something of this control still awaited there, with nothing heard that differs? */
    boolean isAwaited(PartId control, PartId target, String address) {
        return on(target, address).stream()
                .anyMatch(open -> open.differed.isEmpty()
                        && open.control.filter(control::equals).isPresent());
    }

    private void end(Exchange exchange, MessageResult result) {
        OfTarget of = targets.get(exchange.target);
        Deque<Exchange> there = of.byAddress.get(exchange.address);
        there.remove(exchange);
        if (there.isEmpty()) {
            of.byAddress.remove(exchange.address);
        }
        exchange.ended = true;
        of.open--;
        // those that ended in between are left until they come to its front, or are too many
        if (of.open == 0) {
            of.inOrder.clear();
            targets.remove(exchange.target);
        } else if (of.inOrder.size() > 2 * of.open + MOST_OF_ADDRESS) {
            of.inOrder.removeIf(old -> old.ended);
        }
        ended.accept(exchange, result);
    }
}
