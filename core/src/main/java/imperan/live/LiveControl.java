package imperan.live;

import imperan.phrasebook.Vocabulary;
import imperan.shaping.Chain;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Send;
import imperan.show.form.Finger;
import imperan.show.form.HandMemory;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** One control while the show runs: where it stands, what is believed of it, and whose finger is on it. */
final class LiveControl {

    /**
     * A finger on a control.
     *
     * @param since when it landed
     * @param counts false while it has to hold still before it counts
     */
    record Grip(Actor actor, Finger finger, Touch landed, long since, boolean counts) {
        boolean isOf(Actor other, String otherFinger) {
            return actor.id().equals(other.id()) && landed.finger().equals(otherFinger);
        }

        Grip counting() {
            return new Grip(actor, finger, landed, since, true);
        }
    }

    final PartId id;
    final Control control;
    final List<CompiledSend> sends;
    /** What it moves. */
    final Set<MovedLine> lines;

    Position position;
    Position echo;
    /** What the target said last, where that was a text. */
    Optional<String> echoWords = Optional.empty();
    /** What the target calls it. */
    String label = "";
    /** How the target says in its own words where it stands. */
    String words = "";

    boolean enabled = true;
    /** Until when a control that wants two touches takes the second one. */
    long openUntil = Long.MIN_VALUE;

    long echoAt = Long.MIN_VALUE;
    long sentAt = Long.MIN_VALUE;
    long tappedAt = Long.MIN_VALUE;
    long repeatDue = Long.MIN_VALUE;
    Belief belief = Belief.UNSET;
    boolean disputed;
    /** Whether what it said last was not answered, or not as it should be. */
    boolean unanswered;

    String movedBy = "";
    long presses;
    /** By how many steps a wheel has just been turned. */
    int steps;

    String typed = "";
    Grip grip;

    /** Of its numbers; empty where no phrasebook tells. */
    private String unit = "";
    /** Whether any of its sends is said again and again while it is held. */
    private final boolean repeats;
    /** How far an answer may be from what was sent, as a share of the range. */
    private final double[] tolerances;
    /** How long the answer to what was sent may take. */
    private long answerWindow = Expectation.UNTOLD.limitNanos();

    private final List<Chain> chains = new ArrayList<>();
    /** Whether its numbers are whole ones: as they are sent, else as its phrasebook says that they are reported. */
    private boolean whole;
    /** What it remembers of hands. */
    final HandMemory memory;

    LiveControl(PartId id, Control control) {
        this(
                id,
                control,
                HandMemory.fresh(),
                control.sends().stream()
                        .map(send -> new CompiledSend(send, control.form()))
                        .toList());
    }

    private LiveControl(PartId id, Control control, HandMemory memory, List<CompiledSend> sends) {
        this.id = id;
        this.control = control;
        this.memory = memory;
        this.sends = sends;
        this.lines = control.sends().stream()
                .flatMap(send -> MovedLine.of(send).stream())
                .collect(Collectors.toUnmodifiableSet());
        this.repeats = control.sends().stream().anyMatch(send -> send.on() == Send.Phase.HELD);
        this.tolerances = new double[control.form().axes()];
        this.position = Position.rest(control.form());
        this.echo = Position.unknown(control.form());
        for (int axis = 0; axis < control.form().axes(); axis++) {
            chains.add(chain(axis));
        }
        this.whole = sent(0).map(value -> isWhole(value.type())).orElse(false);
    }

    /** The same control after an edit: everything a hand or a target did to it stays. */
    LiveControl(LiveControl before, Control control) {
        this(
                before.id,
                control,
                before.memory.kept(),
                IntStream.range(0, control.sends().size())
                        .mapToObj(i -> new CompiledSend(
                                control.sends().get(i),
                                control.form(),
                                before.control.form().equals(control.form()) && i < before.sends.size()
                                        ? Optional.of(before.sends.get(i))
                                        : Optional.empty()))
                        .toList());
        boolean sameForm = before.control.form().equals(control.form());
        position =
                before.belief == Belief.UNSET ? Position.rest(control.form()) : before.position.snapped(control.form());
        if (before.echo.axes() == control.form().axes()) {
            echo = before.echo;
            echoWords = before.echoWords;
            echoAt = before.echoAt;
        }
        label = before.label;
        words = control.listens().stream().anyMatch(listen -> listen.role() == Listen.Role.WORDS) ? before.words : "";
        enabled = before.enabled || control.behaviour().enabledWhen().isEmpty();
        openUntil = before.openUntil;
        sentAt = before.sentAt;
        belief = before.belief;
        disputed = before.disputed;
        unanswered = before.unanswered && control.sends().equals(before.control.sends());
        movedBy = before.movedBy;
        presses = before.presses;
        tappedAt = before.tappedAt;
        steps = before.steps;
        typed = before.typed;
        // a finger on a form that is no longer there has nothing to move
        grip = sameForm ? before.grip : null;
        repeatDue = before.repeatDue;
    }

    private Optional<ArgumentSource.Value> sent(int axis) {
        return control.sends().stream()
                .flatMap(s -> s.arguments().stream())
                .filter(ArgumentSource.Value.class::isInstance)
                .map(ArgumentSource.Value.class::cast)
                .filter(value -> value.axis() == axis)
                .findFirst();
    }

    /** An axis in the terms of the target: as it is sent, else as it is heard. */
    private Chain chain(int axis) {
        return sent(axis)
                .map(ArgumentSource.Value::chain)
                .or(() -> control.listens().stream()
                        .filter(l -> l.role() == Listen.Role.VALUE && l.axis() == axis)
                        .findFirst()
                        .map(listen -> listen.chain(control.sends())))
                .orElse(Chain.UNIT);
    }

    /**
     * The unit of its first axis.
     *
     * @param vocabularies what the targets of its lines say and understand
     */
    private String unit(Function<Optional<PartId>, Vocabulary> vocabularies) {
        return numbers(vocabularies)
                .map(PhraseArgument::unit)
                .filter(unit -> !unit.isBlank())
                .findFirst()
                .orElse("");
    }

    /** Whether the numbers of its first axis are whole, as they are sent, else as its phrasebook says that they are reported. */
    private boolean isWhole(Function<Optional<PartId>, Vocabulary> vocabularies) {
        return sent(0).map(value -> isWhole(value.type())).orElseGet(() -> numbers(vocabularies)
                .findFirst()
                .filter(argument -> isWhole(argument.type()))
                .isPresent());
    }

    private static boolean isWhole(ArgumentType type) {
        return type == ArgumentType.INT32 || type == ArgumentType.INT64;
    }

    private Stream<PhraseArgument> numbers(Function<Optional<PartId>, Vocabulary> vocabularies) {
        Stream<PhraseArgument> sent = control.sends().stream()
                .flatMap(send -> IntStream.range(0, send.arguments().size())
                        .filter(i -> send.arguments().get(i) instanceof ArgumentSource.Value value && value.axis() == 0)
                        .boxed()
                        .flatMap(i -> argument(vocabularies.apply(send.target()).said(send.address()), i)));
        Stream<PhraseArgument> heard = control.listens().stream()
                .filter(listen -> listen.role() == Listen.Role.VALUE && listen.axis() == 0)
                .flatMap(listen ->
                        argument(vocabularies.apply(listen.target()).heard(listen.address()), listen.argument()));
        return Stream.concat(sent, heard);
    }

    private static Stream<PhraseArgument> argument(Optional<Vocabulary.Known> known, int index) {
        return known.stream()
                .map(k -> k.phrase().arguments())
                .filter(arguments -> index < arguments.size())
                .map(arguments -> arguments.get(index));
    }

    /** Whether what was heard is what the control stands at, as far as its target can tell them apart. */
    boolean agrees(Position heard) {
        for (int axis = 0; axis < tolerances.length; axis++) {
            double at = heard.get(axis);
            if (!Double.isNaN(at)
                    && leadsBack(axis)
                    && !chains.get(axis).isNear(at, position.get(axis), tolerances[axis])) {
                return false;
            }
        }
        return true;
    }

    private boolean leadsBack(int axis) {
        for (CompiledSend send : sends) {
            if (!send.leadsBack(axis)) {
                return false;
            }
        }
        return true;
    }

    /** Whether anything is said in a phase of a touch. */
    boolean says(Send.Phase phase) {
        return sends.stream().anyMatch(send -> send.send().on() == phase);
    }

    /** Whether its shaping gives something by itself. */
    boolean isUnderWay() {
        for (CompiledSend send : sends) {
            if (send.isUnderWay()) {
                return true;
            }
        }
        return false;
    }

    /** When something about it is due, as it stands now; {@link DueQueue#NEVER} where nothing is. */
    long nextDue() {
        long next = DueQueue.NEVER;
        for (CompiledSend send : sends) {
            next = Math.min(next, send.due());
        }
        if (grip != null && !grip.counts()) {
            next = Math.min(next, grip.since() + Hands.HOLD_STILL_NANOS);
        } else if (grip != null && repeats) {
            next = Math.min(next, repeatDue);
        } else if (grip == null && openUntil != Long.MIN_VALUE) {
            next = Math.min(next, openUntil);
        }
        return disagrees() ? Math.min(next, sentAt + answerWindow) : next;
    }

    /** Whether what was answered is not what was sent, and nobody was told of it: it may still change within the window. */
    private boolean disagrees() {
        return sentAt != Long.MIN_VALUE
                && !disputed
                && !control.listens().isEmpty()
                && !echo.isUnknown()
                && !agrees(echo);
    }

    /** Whether the answer to what was sent has differed for longer than it may. */
    boolean isOverdue(long now) {
        return disagrees() && now - sentAt >= answerWindow;
    }

    /** What its lines mean to their targets, as the phrasebooks tell now; true where it is shown in another way because of that. */
    boolean expect(Function<Optional<PartId>, Vocabulary> vocabularies) {
        sends.forEach(send -> send.expect(Expectation.of(
                send.send().address(), vocabularies.apply(send.send().target()))));
        for (int axis = 0; axis < tolerances.length; axis++) {
            int of = axis;
            tolerances[axis] = sends.stream()
                    .filter(send -> send.carries(of))
                    .mapToDouble(send -> send.tolerance(of))
                    .max()
                    .orElse(Expectation.USUAL_SHARE);
        }
        answerWindow = sends.stream()
                .mapToLong(send ->
                        send.expectation().limitNanos() + (send.expectation().isAsked() ? Lane.SETTLE_NANOS : 0))
                .max()
                .orElse(Expectation.UNTOLD.limitNanos());
        String unitBefore = unit;
        boolean wholeBefore = whole;
        unit = unit(vocabularies);
        whole = isWhole(vocabularies);
        return !unit.equals(unitBefore) || whole != wholeBefore;
    }

    /** Whether any of its sends goes to one of these targets. */
    boolean speaksTo(Set<PartId> targets) {
        return sends.stream()
                .anyMatch(send -> send.send().target().filter(targets::contains).isPresent());
    }

    /** Whether any of its lines belongs to one of these targets. */
    boolean mentions(Set<PartId> targets) {
        return speaksTo(targets)
                || control.listens().stream()
                        .anyMatch(listen ->
                                listen.target().filter(targets::contains).isPresent());
    }

    boolean isKnown() {
        return belief == Belief.KNOWN || belief == Belief.ASSUMED;
    }

    boolean isOpen(long now) {
        return control.behaviour().guard() != Behaviour.Guard.TWO_STEPS || now < openUntil;
    }

    ControlValue value() {
        boolean heard = !echo.isUnknown();
        return new ControlValue(
                id,
                axes(),
                belief,
                disputed,
                unanswered,
                text(position),
                echoWords.orElse(heard ? text(echo) : ""),
                words,
                unit,
                label,
                enabled,
                openUntil != Long.MIN_VALUE,
                grip == null ? "" : grip.actor().id(),
                grip == null ? "" : grip.actor().name(),
                movedBy,
                presses);
    }

    private List<ControlValue.Axis> axes() {
        List<ControlValue.Axis> axes = new ArrayList<>();
        for (int axis = 0; axis < position.axes(); axis++) {
            double known = echo.get(axis);
            axes.add(new ControlValue.Axis(
                    position.get(axis), Double.isNaN(known) ? Optional.empty() : Optional.of(known)));
        }
        return axes;
    }

    private String text(Position at) {
        return control.form().text(at, typed).orElseGet(() -> IntStream.range(0, at.axes())
                .filter(axis -> !Double.isNaN(at.get(axis)))
                .mapToObj(axis -> chains.get(axis).text(at.get(axis), whole))
                .collect(Collectors.joining(" ")));
    }

    /** What came out of its shaping last. */
    List<Trace.Stages> stages() {
        return IntStream.range(0, sends.size())
                .boxed()
                .flatMap(i -> sends.get(i).stages(i))
                .toList();
    }

    SavedValue saved() {
        return new SavedValue(id, axes(), belief, movedBy);
    }

    /** What remains after a restart: nothing is known any more, only remembered. */
    void restore(SavedValue saved) {
        if (saved.axes().size() != control.form().axes()) {
            return;
        }
        position = Position.of(saved.axes().stream()
                .map(axis -> Position.clamp(axis.position()))
                .toList());
        echo = Position.of(saved.axes().stream()
                .map(axis -> axis.echo().orElse(Double.NaN))
                .toList());
        belief = saved.belief() == Belief.KNOWN ? Belief.STALE : saved.belief();
        movedBy = saved.movedBy();
    }
}
