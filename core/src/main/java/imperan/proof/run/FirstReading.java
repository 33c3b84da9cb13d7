package imperan.proof.run;

import imperan.live.Line;
import imperan.live.LiveShow;
import imperan.osc.OscArgument;
import imperan.show.PartId;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What stands at the targets before anything is moved: it is asked for where it can be, and what changes by itself is told from what
 * does not.
 */
final class FirstReading {

    /** Of one target, so many are asked at once. */
    private static final int MOST_AT_ONCE = ProofRun.MOST_AT_ONCE;
    /** So long it is watched at most whether what changed just now changes again. */
    private static final long WATCHED_NANOS = 2_000_000_000L;

    /** Asks a target something. */
    interface Mouth {
        Flight ask(Saying question, long limitNanos);
    }

    private record Reading(GroupRun group, Place place, Flight flight) {}

    private record Unread(GroupRun group, Place place) {}

    private final Predicate<PartId> answersQuestions;
    private final Predicate<PartId> mayBeAsked;
    private final Map<PartId, Deque<Unread>> unread = new LinkedHashMap<>();
    private final Map<PartId, Deque<Line>> questions = new LinkedHashMap<>();
    private final List<Reading> reading = new ArrayList<>();
    private final List<Flight> asked = new ArrayList<>();
    /** When something may be asked that waits for its turn only; {@code Long.MAX_VALUE} where nothing does. */
    private long roomAt = Long.MAX_VALUE;

    private long watchedUntil = Long.MAX_VALUE;

    /**
     * @param answersQuestions whether a target answers questions at all
     * @param mayBeAsked       whether it makes sense to ask it now
     */
    FirstReading(Predicate<PartId> answersQuestions, Predicate<PartId> mayBeAsked) {
        this.answersQuestions = answersQuestions;
        this.mayBeAsked = mayBeAsked;
    }

    void add(GroupRun group) {
        Deque<Unread> of = unread.computeIfAbsent(group.plan().target(), target -> new ArrayDeque<>());
        group.places().forEach(place -> of.add(new Unread(group, place)));
    }

    /** These are asked, too, for what is only listened to. */
    void add(List<Line> others) {
        others.forEach(line -> questions
                .computeIfAbsent(line.target().orElseThrow(), target -> new ArrayDeque<>())
                .add(line));
    }

    /** When it wants a turn though nothing comes; {@code Long.MAX_VALUE} where it waits for answers only. */
    long nextDue() {
        return Math.min(roomAt, watchedUntil);
    }

    /** @return whether something was asked or came, so that there may be more to do at once */
    boolean act(LiveShow live, long now, Mouth mouth) {
        boolean any = asked.removeIf(flight -> flight.result().isPresent());
        for (Reading one : List.copyOf(reading)) {
            if (one.flight.result().isPresent()) {
                reading.remove(one);
                known(one.group, one.place, one.flight.result().get().said(), live);
                any = true;
            }
        }
        roomAt = Long.MAX_VALUE;
        for (Map.Entry<PartId, Deque<Line>> of : questions.entrySet()) {
            any |= isRoom(of.getKey(), of.getValue(), asked.size(), live, now)
                    && ask(of.getKey(), of.getValue(), mouth);
        }
        for (Map.Entry<PartId, Deque<Unread>> of : unread.entrySet()) {
            any |= isRoom(of.getKey(), of.getValue(), reading.size(), live, now)
                    && read(of.getKey(), of.getValue(), live, mouth);
        }
        return any;
    }

    /** Whether a target may be asked the next thing now: hands come first, and the target sets the pace. */
    private boolean isRoom(PartId target, Deque<?> waiting, int underWay, LiveShow live, long now) {
        if (waiting.isEmpty() || underWay >= MOST_AT_ONCE) {
            return false;
        }
        long at = live.roomAt(target, now);
        roomAt = at > now ? Math.min(roomAt, at) : roomAt;
        return at <= now;
    }

    private boolean ask(PartId target, Deque<Line> waiting, Mouth mouth) {
        Line question = waiting.pollFirst();
        if (mayBeAsked.test(target)) {
            // what is answered is heard like everything that comes
            asked.add(mouth.ask(Saying.of(question), 0));
        }
        return true;
    }

    private boolean read(PartId target, Deque<Unread> waiting, LiveShow live, Mouth mouth) {
        Unread next = waiting.pollFirst();
        Optional<Saying> question = next.place.reading();
        if (question.isPresent() && answersQuestions.test(target) && mayBeAsked.test(target)) {
            reading.add(new Reading(next.group, next.place, mouth.ask(question.get(), next.place.limitNanos())));
        } else {
            known(next.group, next.place, List.of(), live);
        }
        return true;
    }

    /** @param said empty where nothing was answered: then what the target said last by itself has to do */
    private static void known(GroupRun group, Place place, List<OscArgument> said, LiveShow live) {
        if (said.isEmpty()) {
            place.toldOn()
                    .flatMap(address -> live.said(group.plan().target(), address))
                    .filter(arguments -> !arguments.isEmpty())
                    .ifPresent(place::tells);
        } else {
            place.answers(said);
        }
    }

    /** Whether everything is answered, or will not be. */
    boolean isRead() {
        return reading.isEmpty()
                && asked.isEmpty()
                && unread.values().stream().allMatch(Deque::isEmpty)
                && questions.values().stream().allMatch(Deque::isEmpty);
    }

    /**
     * What changes by itself is told from what does not; where something changed just now, it is watched whether it does again.
     *
     * @return whether that is known
     */
    boolean isWatched(List<GroupRun> groups, LiveShow live, long now) {
        watchedUntil = Math.min(watchedUntil, now + WATCHED_NANOS);
        boolean changedOnce = false;
        for (GroupRun group : groups) {
            for (Place place : group.places()) {
                int changes = place.watchedOn()
                        .map(address -> live.changes(group.plan().target(), address, now))
                        .orElse(0);
                changedOnce |= changes == 1;
                if (changes > 1) {
                    place.isStreaming();
                }
            }
        }
        return !changedOnce || now >= watchedUntil;
    }
}
