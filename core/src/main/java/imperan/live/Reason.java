package imperan.live;

import imperan.cue.Refusal;
import imperan.shaping.ShapingStep;
import java.util.Optional;

/**
 * Why a touch, a message or a packet went no further, or nothing came of it: what kind of reason it is, and what is known of it. Words for
 * people are made of it in {@code imperan.words} alone.
 */
public sealed interface Reason {

    /** Where on the path of a touch it ended. */
    default Trace.Cell cell() {
        return Trace.Cell.WIRE;
    }

    /** Reasons of hands. */
    sealed interface OfTouch extends Reason {
        @Override
        default Trace.Cell cell() {
            return Trace.Cell.TOUCH;
        }
    }

    /** Somebody else holds the control. */
    record HeldByAnother(String name) implements OfTouch {}

    /** Somebody moves the same line with another control, and stands before who wants to move it now. */
    record MovedByAnother(String name, String control) implements OfTouch {}

    /** It is possible only while its target says so. */
    record Disabled(String address, String text) implements OfTouch {}

    /** It is guarded by two touches, and this was the first. */
    record FirstOfTwoTouches(long openNanos) implements OfTouch {}

    /** It is guarded by holding still. */
    record NotHeldYet() implements OfTouch {}

    /** Reasons why no message could be made. */
    sealed interface OfMessage extends Reason {
        @Override
        default Trace.Cell cell() {
            return Trace.Cell.MESSAGE;
        }
    }

    record NoSend() implements OfMessage {}

    /** A step of its shaping lets nothing through now. */
    record KeptByStep(Optional<ShapingStep> step) implements Reason {
        @Override
        public Trace.Cell cell() {
            return Trace.Cell.SHAPING;
        }
    }

    record NoTarget() implements OfMessage {}

    record TargetGone() implements OfMessage {}

    /** What was typed is no argument of its type; {@code fault} says in which way. */
    record NotTyped(String fault) implements OfMessage {}

    /** Where an argument would be looked up there is nothing any more, or nothing was chosen yet; arguments are counted from 0. */
    record NothingToLookUp(int argument) implements OfMessage {}

    /** What an argument would be looked up from was not said yet; it has been asked for where its target answers questions. */
    record NotSaidYet(String target, String address, boolean asked) implements OfMessage {}

    /** What was looked up is no argument of the type that is wanted; {@code fault} says in which way. */
    record LookedUpUnfit(int argument, String fault) implements OfMessage {}

    /** Our socket to the target does not work; {@code trouble} is what it says of itself. */
    record SocketBroken(String trouble) implements Reason {}

    /** @param gate not {@link Gate#OPEN} */
    record Gated(String target, Gate gate) implements Reason {}

    /** The same value was sent last. */
    record SameValue() implements Reason {}

    /** What a forward heard has no number and no text at the argument that counts, from 0. */
    record NoSuchArgument(int argument) implements Reason {}

    /** What a forward heard is a text where a number is needed. */
    record NotANumber(String text) implements Reason {}

    /** What came in came of this very forward: it would go round and round. */
    record ForwardLoop(String name) implements Reason {}

    /** A target said back what we said on an address that steps a list. */
    record EchoNotCounted(String list) implements Reason {}

    /** Everything was just stopped: for a moment targets step no list. */
    record JustStopped(String list) implements Reason {}

    /** A list stepped itself, and hears no target until somebody arms it. */
    record ListDeaf(String list) implements Reason {}

    /** Somebody's hand moves the same line; it stands before what comes by itself. */
    record LineHeldByHand() implements Reason {}

    /** More lines wait for the pace of their target than there is room for. */
    record NoRoom() implements Reason {}

    /** The system did not take the packet. */
    record NotTaken() implements Reason {}

    /** What an action of a cue needs was not chosen, or is gone: a target, a look, a page, a control, a list. */
    record NothingChosen(String what) implements OfMessage {}

    /** A control that a cue moves is gone, or is of another form. */
    record ControlGone() implements OfMessage {}

    /** Who armed the cue may not do this. */
    record NotAllowed() implements OfMessage {}

    /** The list that a cue steers does not do that now. */
    record ListRefused(Refusal refusal) implements OfMessage {}

    /** The track or the set list does not do that now. */
    record PlayRefused(PlayRefusal refusal) implements OfMessage {}

    /** Nobody knows where a fade would begin: its target has not said it. */
    record StartUnknown() implements OfMessage {}

    /** Somebody who stands before a cue took what it moved. */
    record TakenByAnother() implements OfTouch {}

    /** Reasons of packets that arrive. */
    record WaitsForItsTime() implements Reason {}

    record TooManyWait() implements Reason {}

    /** No target of the rig sends from there. */
    record Unclaimed() implements Reason {}

    /** An address without a slash at its start, which the phrasebook of the target does not have. */
    record BareAddress(String address, String target) implements Reason {}

    /** A proof moves or asks it now, so that it means nothing to anybody else. */
    record ProofMovesIt() implements Reason {}

    /** Its address patterns take too many steps to match. */
    record PatternsTooLong() implements Reason {}

    /** Reasons why nothing can be said of an answer. */
    sealed interface OfAnswer extends Reason {
        @Override
        default Trace.Cell cell() {
            return Trace.Cell.ANSWER;
        }
    }

    record NeverAnswers() implements OfAnswer {}

    /** Nothing came within the limit, and the target had said the same before by itself. */
    record NoNews(long limitNanos) implements OfAnswer {}

    /** The phrase says that all but the one who makes a change are told of it. */
    record OnlyOthersTold() implements OfAnswer {}

    /** What came until the limit says something else than what was sent. */
    record WrongValue() implements OfAnswer {}

    /** The phrase says that nothing comes back. */
    record NothingComesBack() implements OfAnswer {}

    record NoListen() implements OfAnswer {}

    /** The answer comes on this address, where the control does not listen. */
    record ListensElsewhere(String address) implements OfAnswer {}

    /**
     * @param limitNanos how long it might have taken
     * @param arrivedAs  the address under which the same value came instead of the one that is listened to; empty where none did
     */
    record NoAnswer(long limitNanos, Optional<String> arrivedAs) implements OfAnswer {}
}
