package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.shaping.Chain;
import imperan.shaping.Shaper;
import imperan.shaping.Signal;
import imperan.shaping.Span;
import imperan.show.ArgumentSource;
import imperan.show.FixedArgument;
import imperan.show.Forward;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** One forward at work: what its steps remember, what left last, and what waits until it may. */
final class Forwarding {

    final PartId id;
    final Forward forward;
    private final Shaper shaper;
    private Optional<List<OscArgument>> waiting = Optional.empty();
    private Optional<List<OscArgument>> last = Optional.empty();
    private long mayLeaveAt = Long.MIN_VALUE;
    /** The forwards that led to what came in last. */
    private Set<PartId> passed = Set.of();

    private long asksAt = Long.MIN_VALUE;
    private long heard;
    private long sent;
    private long merged;
    private Optional<Long> heardAt = Optional.empty();
    private Optional<Reason> stopped = Optional.empty();

    Forwarding(PartId id, Forward forward) {
        this.id = id;
        this.forward = forward;
        this.shaper = new Shaper(new Chain(Span.ANY, forward.shaping()));
    }

    /** The same after an edit: what its steps remember, and what was counted, stays; and what waits to leave, where the edit left that as it was. */
    Forwarding(Forwarding before, Forward forward) {
        this.id = before.id;
        this.forward = forward;
        this.shaper = new Shaper(new Chain(Span.ANY, forward.shaping()), before.shaper);
        this.mayLeaveAt = before.mayLeaveAt;
        this.heard = before.heard;
        this.sent = before.sent;
        this.merged = before.merged;
        this.heardAt = before.heardAt;
        if (forward.on()
                && before.forward.arguments().equals(forward.arguments())
                && before.forward.to().equals(forward.to())
                && before.forward.address().equals(forward.address())) {
            this.waiting = before.waiting;
            this.last = before.last;
            this.passed = before.passed;
        }
    }

    /** Something comes in that these forwards led to. */
    void heard(OscMessage message, Set<PartId> by, long now) {
        heard++;
        heardAt = Optional.of(now);
        stopped = Optional.empty();
        passed = by;
        Optional<Signal> in = forward.argument() < message.arguments().size()
                ? Spelling.signal(message.arguments().get(forward.argument()))
                // what has no arguments comes as a press
                : message.arguments().isEmpty() ? Optional.of(Signal.of(1)) : Optional.empty();
        if (in.isEmpty()) {
            stopped = Optional.of(new Reason.NoSuchArgument(forward.argument()));
        } else if (!in.get().isNumber() && !takesTexts()) {
            stopped = Optional.of(new Reason.NotANumber(in.get().text()));
        } else {
            shaper.feed(in.get(), now, false)
                    .ifPresentOrElse(
                            this::comesOut, () -> stopped = Optional.of(new Reason.KeptByStep(shaper.keptBy())));
        }
    }

    /** A table makes something of a text, and without steps it may be sent as it is; other steps reckon. */
    private boolean takesTexts() {
        return forward.shaping().isEmpty()
                ? forward.arguments().stream()
                        .allMatch(source -> source instanceof ArgumentSource.Fixed
                                || source.type() == ArgumentSource.ArgumentType.TEXT)
                : shaper.chain().takesTexts();
    }

    /** Whether it is time to ask for what it hears. */
    boolean asks(long now) {
        if (forward.askEvery().isEmpty() || now < asksAt) {
            return false;
        }
        asksAt = now + (long) (forward.askEvery().get() * 1e9);
        return true;
    }

    /** What its steps give by themselves. */
    void goOn(long now) {
        if (shaper.due() <= now) {
            shaper.at(now).ifPresent(this::comesOut);
        }
    }

    private void comesOut(Signal signal) {
        // a table may give a text
        boolean numbers = forward.arguments().stream()
                .anyMatch(source ->
                        source instanceof ArgumentSource.Value && source.type() != ArgumentSource.ArgumentType.TEXT);
        if (numbers && !signal.isNumber()) {
            stopped = Optional.of(new Reason.NotANumber(signal.text()));
            return;
        }
        List<OscArgument> says = new ArrayList<>();
        for (ArgumentSource source : forward.arguments()) {
            says.add(
                    source instanceof ArgumentSource.Fixed fixed
                            ? FixedArgument.parse(fixed).argument().orElseThrow()
                            : CompiledSend.argument(source.type(), shaper.chain(), signal));
        }
        boolean moves = forward.arguments().stream().anyMatch(ArgumentSource.Value.class::isInstance);
        if (moves && last.filter(says::equals).isPresent() && waiting.isEmpty()) {
            stopped = Optional.of(new Reason.SameValue());
        } else {
            merged += waiting.isPresent() ? 1 : 0;
            waiting = Optional.of(says);
        }
    }

    /** What leaves now; empty where nothing waits, or its pace does not allow it yet. */
    Optional<List<OscArgument>> leaves(Optional<Integer> paceOfTarget, long now) {
        if (waiting.isEmpty() || now < mayLeaveAt) {
            return Optional.empty();
        }
        int perSecond = Math.min(forward.perSecond(), paceOfTarget.orElse(Integer.MAX_VALUE));
        mayLeaveAt = now + 1_000_000_000L / perSecond;
        Optional<List<OscArgument>> leaving = waiting;
        last = leaving;
        waiting = Optional.empty();
        sent++;
        return leaving;
    }

    void stopped(Reason reason) {
        waiting = Optional.empty();
        stopped = Optional.of(reason);
    }

    /** When something is to be done if nothing comes. */
    long due() {
        long goesOn = Math.min(
                shaper.due() == Shaper.NEVER ? DueQueue.NEVER : shaper.due(),
                waiting.isPresent() ? mayLeaveAt : DueQueue.NEVER);
        return forward.askEvery().isPresent() ? Math.min(goesOn, asksAt) : goesOn;
    }

    /** The forwards that led to what leaves, this one among them. */
    Set<PartId> passing() {
        Set<PartId> all = new HashSet<>(passed);
        all.add(id);
        return Set.copyOf(all);
    }

    ForwardView view() {
        return new ForwardView(id, heard, sent, merged, heardAt, last.orElse(List.of()), stopped);
    }
}
