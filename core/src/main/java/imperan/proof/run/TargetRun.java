package imperan.proof.run;

import imperan.live.LiveShow;
import imperan.proof.run.Flight.For;
import imperan.proof.run.GroupRun.Mouth;
import imperan.show.PartId;
import imperan.show.Phrase;
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

    private final PartId target;
    private final Silence silence;
    private final int most;
    private final Map<String, Set<GroupRun>> byAddress = new HashMap<>();
    private final Deque<GroupRun> waiting = new ArrayDeque<>();
    private final List<GroupRun> active = new ArrayList<>();
    /** Of phrases that are spaced: until when. */
    private final Map<Phrase, Long> spaced = new HashMap<>();

    /** When the target's pace has room for something that waits for it; {@code Long.MAX_VALUE} where nothing does. */
    private long roomAt = Long.MAX_VALUE;

    /** @param most groups at once */
    TargetRun(PartId target, Silence silence, int most) {
        this.target = target;
        this.silence = silence;
        this.most = most;
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
        if (!isRoom(live, now)) {
            return gaveUp;
        }
        startMore();
        Optional<Saying> question = silence.question();
        question.ifPresent(known -> {
            silence.asks();
            mouth.say(known, For.READING, 0);
        });
        boolean any = gaveUp || question.isPresent();
        for (Iterator<GroupRun> all = active.iterator(); isRoom(live, now) && all.hasNext(); ) {
            GroupRun group = all.next();
            any |= group.act(live, now, mouth);
            group.taken().forEach(taken);
            group.plan().spaced().forEach(phrase -> spaced.put(phrase, group.spacedUntil()));
            if (group.isDone()) {
                all.remove();
                ended.accept(group);
            }
        }
        return any;
    }

    /** Whether something may be said now: hands come first, and the target sets the pace. */
    private boolean isRoom(LiveShow live, long now) {
        long at = isDone() ? now : live.roomAt(target, now);
        roomAt = at > now ? at : Long.MAX_VALUE;
        return at <= now;
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
        return isDone() ? Optional.empty() : roomAt < Long.MAX_VALUE ? Optional.of(roomAt) : release;
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
