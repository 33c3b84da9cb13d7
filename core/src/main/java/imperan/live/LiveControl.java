package imperan.live;

import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Person;

import java.util.List;
import java.util.Optional;

/** One control while the show runs: where it stands, what is believed of it, and whose finger is on it. */
final class LiveControl {

    /** A finger on a control. */
    record Grip(Touch.Pointer pointer, Person person, Gesture gesture) {
    }

    final PartId id;
    final Control control;
    final List<CompiledSend> sends;

    double position;
    double echo = Double.NaN;
    /** What the target said last, where that was a text. */
    Optional<String> echoWords = Optional.empty();
    long echoAt = Long.MIN_VALUE;
    long sentAt = Long.MIN_VALUE;
    Belief belief = Belief.UNSET;
    boolean disputed;
    String movedBy = "";
    long presses;
    Grip grip;
    Trace trace;

    private final Scale scale;
    private final boolean whole;

    LiveControl(PartId id, Control control) {
        this.id = id;
        this.control = control;
        this.sends = control.sends().stream().map(CompiledSend::new).toList();
        this.position = control.form().rest();
        Optional<ArgumentSource.Value> sent = control.sends().stream().flatMap(s -> s.arguments().stream())
                .filter(ArgumentSource.Value.class::isInstance).map(ArgumentSource.Value.class::cast).findFirst();
        Optional<Listen> heard = control.listens().stream().findFirst();
        this.scale = sent.map(v -> new Scale(v.low(), v.high()))
                .or(() -> heard.map(l -> new Scale(l.low(), l.high()))).orElse(Scale.UNIT);
        this.whole = sent.map(v -> v.type() == ArgumentSource.ArgumentType.INT32
                || v.type() == ArgumentSource.ArgumentType.INT64).orElse(false);
        this.trace = new Trace(id, position, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** The same control after an edit: everything a hand or a target did to it stays. */
    LiveControl(LiveControl before, Control control) {
        this(before.id, control);
        position = before.belief == Belief.UNSET ? control.form().rest() : before.position;
        echo = before.echo;
        echoWords = before.echoWords;
        echoAt = before.echoAt;
        sentAt = before.sentAt;
        belief = before.belief;
        disputed = before.disputed;
        movedBy = before.movedBy;
        presses = before.presses;
        // a finger on a form that is no longer there has nothing to move
        grip = before.control.form().equals(control.form()) ? before.grip : null;
        trace = before.trace;
    }

    boolean isKnown() {
        return belief == Belief.KNOWN || belief == Belief.ASSUMED;
    }

    ControlValue value() {
        boolean heard = !Double.isNaN(echo);
        return new ControlValue(id, position, heard ? Optional.of(echo) : Optional.empty(), belief, disputed,
                scale.text(position, whole), echoWords.orElse(heard ? scale.text(echo, whole) : ""),
                grip == null ? "" : grip.person().id(), grip == null ? "" : grip.person().name(), movedBy, presses);
    }

    SavedValue saved() {
        return new SavedValue(id, position, Double.isNaN(echo) ? Optional.empty() : Optional.of(echo), belief, movedBy);
    }

    /** What remains after a restart: nothing is known any more, only remembered. */
    void restore(SavedValue saved) {
        position = Gesture.clamp(saved.position());
        echo = saved.echo().orElse(Double.NaN);
        belief = saved.belief() == Belief.KNOWN ? Belief.STALE : saved.belief();
        movedBy = saved.movedBy();
    }
}
