package imperan.live;

import imperan.show.Behaviour;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.form.Finger;
import imperan.show.form.Form;
import imperan.show.form.Position;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;

/** From fingers, keys and tilts to movements: whether a control takes a hand now, and where it goes then. */
final class Hands {

    /** How long a guarded control has to be held still before the hand counts. */
    static final long HOLD_STILL_NANOS = 600_000_000L;
    /** How long the first of two touches leaves a guarded control open. */
    static final long OPEN_NANOS = 3_000_000_000L;
    /** How far apart two taps are that mean the rest value, and how long each is at most. */
    static final long DOUBLE_TAP_NANOS = 350_000_000L;

    private final LiveState state;
    private final Sending sending;
    private final Movement movement;
    private final Playing playing;
    /** When each browser was heard last; only of those that hold something, so there are no more of them than controls. */
    private final Map<String, Long> heartbeats = new HashMap<>();

    private final Set<PartId> held = new TreeSet<>();

    Hands(LiveState state, Sending sending, Movement movement, Playing playing) {
        this.state = state;
        this.sending = sending;
        this.movement = movement;
        this.playing = playing;
        movement.lettingGo(control -> lift(control, false, state.now()));
    }

    void heartbeat(String browser, long now) {
        heartbeats.computeIfPresent(browser, (b, before) -> now);
    }

    /** The browsers that hold something. */
    int hands() {
        return heartbeats.size();
    }

    /** The controls that hands hold, in the order of their ids: it does not hang on who was first. */
    private List<LiveControl> heldBy(Predicate<LiveControl> which) {
        return held.stream()
                .map(state.controls::get)
                .filter(control -> control != null && control.grip != null && which.test(control))
                .toList();
    }

    private void grip(LiveControl control, Touch touch, Actor actor, boolean counts, long now) {
        control.grip =
                new LiveControl.Grip(actor, new Finger(control.isKnown(), touch.x(), touch.y()), touch, now, counts);
        movement.hold(control, actor, Precedence.HAND, () -> lift(control, false, state.now()));
        held.add(control.id);
        heartbeats.put(actor.id(), now);
        state.due.noLaterThan(new Due.OfBrowser(actor.id()), now + LiveShow.HEARTBEAT_NANOS);
        state.changed(control);
    }

    /** Lifts the fingers of a browser that was not heard for too long. */
    void browserDue(String browser, long now) {
        Long heard = heartbeats.get(browser);
        if (heard != null && now - heard >= LiveShow.HEARTBEAT_NANOS) {
            heldBy(control -> control.grip.actor().id().equals(browser)).forEach(control -> {
                state.because(Cause.Origin.HAND, control.grip.actor(), now);
                lift(control, false, now);
            });
        } else if (heard != null) {
            state.due.noLaterThan(new Due.OfBrowser(browser), heard + LiveShow.HEARTBEAT_NANOS);
        }
    }

    /** Something that is held, guarded, repeated or answered is due. */
    void controlDue(LiveControl control, long now) {
        LiveControl.Grip grip = control.grip;
        if (grip != null) {
            state.because(Cause.Origin.HAND, grip.actor(), now);
        }
        if (grip != null && !grip.counts() && now - grip.since() >= HOLD_STILL_NANOS) {
            control.grip = grip.counting();
            press(control, now);
        } else if (grip != null && grip.counts() && now >= control.repeatDue) {
            control.repeatDue = now + repeatNanos(control);
            sending.sendAll(control, Send.Phase.HELD);
        }
        sending.goOn(control);
        if (control.openUntil != Long.MIN_VALUE && now >= control.openUntil && grip == null) {
            control.openUntil = Long.MIN_VALUE;
            state.changed(control);
        }
        if (control.isOverdue(now)) {
            control.disputed = true;
            state.changed(control);
        }
        state.due.noLaterThan(new Due.OfControl(control.id), control.nextDue());
    }

    /** A finger, a mouse or a key does something; why that cannot be, where it cannot. */
    Optional<String> touch(Touch touch, Actor actor, long now) {
        LiveControl control = state.controls.get(touch.control());
        if (control == null) {
            // a hand that was on it when it went has been told by the show
            return touch.phase() == Touch.Phase.PRESS
                    ? Optional.of("This control is no longer in the live show")
                    : Optional.empty();
        } else if (!control.control.form().takesHands()) {
            return Optional.of("A " + control.control.form().called() + " is only looked at");
        }
        takeHand(control, touch, actor, now);
        return Optional.empty();
    }

    private void takeHand(LiveControl control, Touch touch, Actor actor, long now) {
        heartbeat(actor.id(), now);
        boolean mine = control.grip != null && control.grip.isOf(actor, touch.finger());
        if (control.grip != null && !mine) {
            sending.stop(control, new Reason.HeldByAnother(control.grip.actor().name()));
            return;
        }
        Touch.Phase phase = touch.phase();
        if (phase == Touch.Phase.RELEASE || phase == Touch.Phase.CANCEL) {
            if (mine) {
                lift(control, phase == Touch.Phase.RELEASE, now);
            }
        } else if (mine || isLetIn(control, actor, now)) {
            act(control, touch, actor, mine, now);
        }
        sending.flush();
    }

    private void act(LiveControl control, Touch touch, Actor actor, boolean mine, long now) {
        Form form = control.control.form();
        switch (touch.phase()) {
            case PRESS -> land(control, touch, actor, now);
            case MOVE -> {
                if (mine && control.grip.counts()) {
                    control.grip.finger().moved(touch.x(), touch.y(), touch.fine());
                    goTo(control, form.move(control.position, control.grip.finger(), control.memory), actor);
                }
            }
            case STEP -> {
                holdByKey(control, touch, actor, now);
                double share = touch.fine() ? Finger.FINE : 1;
                goTo(control, form.step(control.position, touch.x() * share, touch.y() * share, control.memory), actor);
            }
            case SET -> {
                holdByKey(control, touch, actor, now);
                movement.moveTo(control, form.set(control.position, touch.y()), actor, Precedence.HAND);
            }
            case REST -> movement.moveTo(control, Position.rest(form), actor, Precedence.HAND);
            case PICK -> form.saved((int) touch.y())
                    .ifPresent(saved -> movement.moveTo(control, saved, actor, Precedence.HAND));
            case FLAT -> {
                control.memory.flat(touch.x(), touch.y());
                form.tilted(touch.x(), touch.y(), control.memory)
                        .ifPresent(level -> movement.moveTo(control, level, actor, Precedence.HAND));
            }
            case TILT -> form.tilted(touch.x(), touch.y(), control.memory)
                    .ifPresent(tilted -> movement.moveTo(control, tilted, actor, Precedence.HAND));
            case MOTION -> form.moved(touch.x(), touch.y(), touch.z())
                    .ifPresent(moved -> movement.moveTo(control, moved, actor, Precedence.HAND));
            case TYPE -> type(control, touch.words(), actor);
            case RELEASE, CANCEL -> throw new IllegalStateException("A finger that lifts lets nothing act");
        }
    }

    /** Whether a control takes a hand now; where not, the path says why. The first touch of a control that wants two opens it. */
    private boolean isLetIn(LiveControl control, Actor actor, long now) {
        if (!control.enabled) {
            Behaviour.Condition when = control.control.behaviour().enabledWhen().orElseThrow();
            sending.stop(control, new Reason.Disabled(when.address(), when.text()));
            return false;
        } else if (!movement.isFree(control, actor, Precedence.HAND)) {
            return false;
        } else if (!control.isOpen(now)) {
            control.openUntil = now + OPEN_NANOS;
            state.changed(control);
            sending.stop(control, new Reason.FirstOfTwoTouches(OPEN_NANOS));
            return false;
        }
        return true;
    }

    /** A finger lands. A control that wants to be held still waits for that. */
    private void land(LiveControl control, Touch touch, Actor actor, long now) {
        boolean waits = control.control.behaviour().guard() == Behaviour.Guard.HOLD;
        grip(control, touch, actor, !waits, now);
        if (waits) {
            sending.stop(control, new Reason.NotHeldYet());
        } else {
            press(control, now);
        }
    }

    /** What springs back is held by a key that moves it, until the key is let go. */
    private void holdByKey(LiveControl control, Touch touch, Actor actor, long now) {
        Form form = control.control.form();
        if (form.springs() && control.grip == null) {
            grip(control, touch, actor, true, now);
            control.presses++;
            control.repeatDue = now + repeatNanos(control);
            state.changed(control);
            sending.sendAll(control, Send.Phase.PRESS);
        }
    }

    private void press(LiveControl control, long now) {
        LiveControl.Grip grip = control.grip;
        Form form = control.control.form();
        control.presses++;
        control.repeatDue = now + repeatNanos(control);
        control.openUntil = control.openUntil == Long.MIN_VALUE ? Long.MIN_VALUE : now + OPEN_NANOS;
        state.changed(control);
        boolean twice = now - control.tappedAt <= DOUBLE_TAP_NANOS
                && control.tappedAt != Long.MIN_VALUE
                && form.restsOnDoubleTap();
        Position position =
                twice ? Position.rest(form) : form.press(control.position, grip.finger(), control.memory, now);
        boolean moves = !position.equals(control.position);
        movement.place(control, position, grip.actor());
        sending.sendAll(control, Send.Phase.PRESS);
        playing.press(control, grip);
        if (moves || form.triggers()) {
            movement.moved(control, grip.actor());
        }
        if (form.triggers()) {
            // a trigger sends the same at each press and nothing at its release
            control.position = Position.rest(form);
        }
    }

    /** What it was turned leaves before where it stands then. */
    private void goTo(LiveControl control, Position position, Actor actor) {
        movement.turned(control, control.memory.takeSteps(), actor);
        movement.moveTo(control, position, actor, Precedence.HAND);
    }

    private void type(LiveControl control, String words, Actor actor) {
        if (!control.control.form().givesText()) {
            return;
        }
        Optional<String> refusal = control.sends.stream()
                .flatMap(send -> send.refusal(words).stream())
                .findFirst();
        if (refusal.isPresent()) {
            sending.stop(control, new Reason.NotTyped(refusal.get()));
            return;
        }
        control.typed = words;
        movement.moved(control, actor);
    }

    /** The hands on these controls are lost, and let go. */
    void letGo(Predicate<LiveControl> which, long now) {
        // letting go of one may let go of others of its group
        heldBy(which).forEach(control -> lift(control, false, now));
    }

    private static long repeatNanos(LiveControl control) {
        return (long) (control.control.behaviour().repeatSeconds() * 1e9);
    }

    /** @param meant false where the finger was lost and did not let go */
    private void lift(LiveControl control, boolean meant, long now) {
        LiveControl.Grip grip = control.grip;
        if (grip == null) {
            return;
        }
        control.grip = null;
        held.remove(control.id);
        if (heldBy(other -> other.grip.actor().id().equals(grip.actor().id())).isEmpty()) {
            heartbeats.remove(grip.actor().id());
        }
        if (grip.counts()) {
            boolean tap = meant && grip.finger().isTap() && now - grip.since() <= DOUBLE_TAP_NANOS;
            control.tappedAt = tap ? now : Long.MIN_VALUE;
            movement.moveTo(control, control.control.form().release(control.position), grip.actor(), Precedence.HAND);
            sending.sendAll(control, Send.Phase.RELEASE);
            movement.settle(control);
        }
        movement.release(control);
        state.changed(control);
    }
}
