package imperan.live;

import imperan.dialect.Codec;
import imperan.osc.OscMessage;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The way out to one target: what waits for its turn, what leaves together, and what is asked once a value has settled. */
final class Lane {

    /** How long nothing more is sent before a target that answers only when asked is asked what it made of it. */
    static final long SETTLE_NANOS = 60_000_000L;

    /** A bundle is no larger, so that it travels in one piece over Ethernet (1500 bytes less the headers of IPv4 and UDP). */
    static final int MAX_BUNDLE_BYTES = 1472;

    /** To be told where something may be due sooner than it was. */
    private final Runnable planned;
    /** Empty where the target sets no pace: what is sent leaves at once. */
    private Optional<Pacer<Outgoing>> pacer = Optional.empty();
    /** What is to be asked once its value has settled, and when. */
    private final Map<OscMessage, Waiting> questions = new LinkedHashMap<>();

    private record Waiting(Question question, long at) {}

    private final List<byte[]> together = new ArrayList<>();
    private int togetherBytes;

    Lane(Runnable planned) {
        this.planned = planned;
    }

    /** A new pace lets go what waited for the old one; values that count are sent again with the next touch. */
    void pace(Optional<Integer> perSecond) {
        pacer = perSecond.map(most -> new Pacer<Outgoing>(most));
    }

    /** When something that waits may leave; {@link DueQueue#NEVER} where nothing waits. */
    long nextAt() {
        return pacer.map(Pacer::nextAt).orElse(DueQueue.NEVER);
    }

    /** When something is to be asked; {@link DueQueue#NEVER} where nothing is. */
    long nextQuestionAt() {
        if (questions.isEmpty()) {
            return DueQueue.NEVER;
        }
        long settled = questions.values().stream().mapToLong(Waiting::at).min().orElseThrow();
        return pacer.map(p -> Math.max(settled, p.spareAt())).orElse(settled);
    }

    /** What became of what is to be sent. */
    enum Taken {
        /** It leaves at once: the target sets no pace. */
        LEAVES,
        /** It waits for its turn. */
        WAITS,
        /** It waits in place of a change of the same address that waited. */
        MERGES,
        /** It is a press, and too many wait. */
        NO_ROOM
    }

    /** Takes what is to be sent. */
    Taken take(Outgoing outgoing) {
        if (pacer.isEmpty()) {
            return Taken.LEAVES;
        } else if (outgoing.isPress()) {
            return pacer.get().press(outgoing) ? Taken.WAITS : Taken.NO_ROOM;
        }
        return pacer.get().change(outgoing.key(), outgoing) ? Taken.MERGES : Taken.WAITS;
    }

    /** What waited and may leave now. */
    Optional<Outgoing> next(long now) {
        Optional<Outgoing> next = pacer.flatMap(p -> p.next(now));
        if (next.isEmpty()) {
            planned.run();
        }
        return next;
    }

    /** The presses and releases that waited; they no longer do, and neither do changes. */
    List<Outgoing> takePresses() {
        return pacer.map(Pacer::takePresses).orElse(List.of());
    }

    /** Does something that a hand did to this control still wait for its turn? */
    boolean holds(PartId control) {
        return pacer.filter(p -> p.holdsAny(outgoing -> outgoing.isOf(control))).isPresent();
    }

    // ---- what is asked

    /** Asks when nothing more was sent that it is asked for, for a while. */
    void askOnceSettled(Question question, long now) {
        questions.put(question.message(), new Waiting(question, now + SETTLE_NANOS));
        planned.run();
    }

    /** What to ask now, as far as the target's pace allows. */
    List<Question> questions(long now) {
        List<Question> due = new ArrayList<>();
        for (Iterator<Waiting> all = questions.values().iterator(); all.hasNext(); ) {
            Waiting question = all.next();
            if (question.at <= now && (pacer.isEmpty() || pacer.get().spare(now))) {
                due.add(question.question);
                all.remove();
            }
        }
        return due;
    }

    /** When there is room for something that does not wait here; while something does, when the next of it leaves. */
    long roomAt(long now) {
        return pacer.map(p -> p.roomAt(now)).orElse(now);
    }

    /** Something left that did not wait here. */
    void takesRoom(long now) {
        pacer.ifPresent(p -> p.spare(now));
    }

    /** What was to be asked is of no use any more. */
    void forgetQuestions() {
        questions.clear();
    }

    // ---- what leaves together

    /** A packet that is ready to leave, and how many messages it holds. */
    record Departing(byte[] packet, int messages) {}

    /** Takes a message that leaves with others; the bundle that is full without it leaves first. */
    Optional<Departing> together(byte[] message, Codec codec) {
        Optional<Departing> full =
                codec.bundleBytes(together.size() + 1) + togetherBytes + message.length > MAX_BUNDLE_BYTES
                        ? bundle(codec)
                        : Optional.empty();
        togetherBytes += message.length;
        together.add(message);
        return full;
    }

    /** What leaves together: a bundle, or the one message that is alone; empty where nothing waits. */
    Optional<Departing> bundle(Codec codec) {
        if (together.isEmpty()) {
            return Optional.empty();
        }
        Departing departing =
                new Departing(together.size() == 1 ? together.get(0) : codec.bundle(together), together.size());
        together.clear();
        togetherBytes = 0;
        return Optional.of(departing);
    }
}
