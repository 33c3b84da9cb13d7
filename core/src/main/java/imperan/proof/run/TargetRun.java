package imperan.proof.run;

import imperan.live.LiveShow;
import imperan.proof.run.Flight.For;
import imperan.proof.run.GroupRun.Mouth;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Target;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** What is to be proved of one target: how much of it at once, and no faster than the target takes. */
final class TargetRun {

    private static final long SECOND_NANOS = 1_000_000_000L;

    private final PartId target;
    private final Silence silence;
    private final int most;
    private final long paceNanos;
    private final Map<String, Set<GroupRun>> byAddress = new HashMap<>();
    private final Deque<GroupRun> waiting = new ArrayDeque<>();
    private final List<GroupRun> active = new ArrayList<>();
    /** Of phrases that are spaced: until when. */
    private final Map<Phrase, Long> spaced = new HashMap<>();

    private long nextAt = Long.MIN_VALUE;
    /** Whether its pace is all that something may wait for. */
    private boolean paced;

    /** @param most groups at once */
    TargetRun(PartId target, Target described, Silence silence, int most) {
        this.target = target;
        this.silence = silence;
        this.most = most;
        this.paceNanos =
                described.messagesPerSecond().map(pace -> SECOND_NANOS / pace).orElse(0L);
    }

    PartId target() {
        return target;
    }

    /** @param group after those that were added before */
    void add(GroupRun group) {
        waiting.addLast(group);
        group.places().forEach(place -> {
            index(place.address(), group);
            place.toldOn().ifPresent(address -> index(address, group));
            place.question().ifPresent(question -> index(question.answeredOn(), group));
        });
    }

    private void index(String address, GroupRun group) {
        byAddress.computeIfAbsent(address, of -> new LinkedHashSet<>()).add(group);
    }

    /** Those that are not done and say something on an address, or are told of it there. */
    List<GroupRun> on(String address) {
        return byAddress.getOrDefault(address, Set.of()).stream()
                .filter(group -> !group.isDone())
                .toList();
    }

    /** Whether something that has begun says something on an address, or is told of it there. */
    boolean isUnderWay(String address) {
        return on(address).stream().anyMatch(active::contains);
    }

    boolean isDone() {
        return waiting.isEmpty() && active.isEmpty();
    }

    /**
     * Says the next thing to this target, where one may be said now.
     *
     * @param taken is told of an address that somebody moves at the target
     * @param ended is told of a group that is done
     */
    boolean act(LiveShow live, long now, Mouth mouth, Consumer<String> taken, Consumer<GroupRun> ended) {
        boolean gaveUp = silence.isGivenUp() && giveUp(ended);
        paced = now < nextAt;
        if (paced) {
            return gaveUp;
        }
        startMore();
        Optional<Saying> question = silence.question();
        question.ifPresent(known -> {
            silence.asks();
            nextAt = Math.max(nextAt, now) + paceNanos;
            mouth.say(known, For.READING, 0);
        });
        boolean any = gaveUp || question.isPresent();
        for (Iterator<GroupRun> all = active.iterator(); all.hasNext() && now >= nextAt; ) {
            GroupRun group = all.next();
            any |= group.act(live, now, (saying, why, limit) -> {
                // what is asked for afterwards is a second message
                nextAt = Math.max(nextAt, now) + paceNanos * (saying.asks() ? 1 : 2);
                return mouth.say(saying, why, limit);
            });
            group.taken().forEach(taken);
            group.plan().spaced().forEach(phrase -> spaced.put(phrase, group.spacedUntil()));
            if (group.isDone()) {
                all.remove();
                ended.accept(group);
            }
        }
        paced = now < nextAt;
        return any;
    }

    /** What has not begun is not tried, and what has is put back, once. */
    private boolean giveUp(Consumer<GroupRun> ended) {
        active.forEach(GroupRun::giveUp);
        List<GroupRun> left = takeWaiting();
        left.forEach(group -> {
            group.giveUp();
            ended.accept(group);
        });
        return !left.isEmpty();
    }

    private void startMore() {
        while (!waiting.isEmpty()
                && active.size() < most
                && active.stream().noneMatch(group -> group.plan().isAlone())
                && (active.isEmpty() || !waiting.peekFirst().plan().isAlone())) {
            GroupRun next = waiting.pollFirst();
            next.plan().spaced().stream()
                    .map(phrase -> spaced.getOrDefault(phrase, Long.MIN_VALUE))
                    .forEach(next::waitUntil);
            active.add(next);
        }
    }

    /** When something is to be said though nothing comes; empty where it waits for answers only. */
    Optional<Long> due() {
        Optional<Long> release =
                active.stream().flatMap(group -> group.due().stream()).min(Long::compare);
        return paced && !isDone() ? Optional.of(nextAt) : release.map(due -> Math.max(due, nextAt));
    }

    /** All of them, those that wait, too. */
    List<GroupRun> all() {
        List<GroupRun> all = new ArrayList<>(active);
        all.addAll(waiting);
        return all;
    }

    /** Those that have not begun. */
    List<GroupRun> takeWaiting() {
        List<GroupRun> taken = List.copyOf(waiting);
        waiting.clear();
        return taken;
    }

    List<GroupRun> active() {
        return List.copyOf(active);
    }
}
