package imperan.words;

import imperan.cue.ListRun;
import imperan.cue.Refusal;
import imperan.live.PlayRefusal;
import imperan.live.Reason;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * What a reason says to people.
 *
 * @param why   what is so, one sentence
 * @param mend  what to do about it, one sentence
 * @param brief the same as {@code why} for a row of the Wire
 */
public record ReasonWords(String why, String mend, String brief) {

    /** Characters of a text that is quoted. */
    private static final int MOST_QUOTED = 60;

    private static final Map<Class<?>, Function<Reason, ReasonWords>> ALL = new HashMap<>();

    static {
        say(
                Reason.HeldByAnother.class,
                r -> words(r.name() + " holds this control", "Wait until " + r.name() + " lets go of it"));
        say(
                Reason.MovedByAnother.class,
                r -> words(
                        r.name() + " moves the same with “" + r.control() + "”",
                        "Wait until " + r.name() + " lets go of it"));
        say(
                Reason.Disabled.class,
                r -> words(
                        "Disabled until its target sends " + r.address() + " " + r.text(),
                        "Bring the target into that state, or change under Behaviour what enables the control"));
        say(
                Reason.FirstOfTwoTouches.class,
                r -> words(
                        "First touch: touch again within " + seconds(r.openNanos()) + " s",
                        "Touch it once more; its guard is set under Behaviour"));
        say(
                Reason.NotHeldYet.class,
                r -> words(
                        "Hold for a moment to confirm",
                        "Keep the finger where it is; its guard is set under Behaviour"));
        say(
                Reason.NoSend.class,
                r -> words("This control has no send yet", "Add a send, and choose its target and address"));
        say(Reason.KeptByStep.class, r -> r.step()
                .map(StepWords::kept)
                .map(kept -> words(kept.why(), kept.mend()))
                .orElseGet(() -> words("Its shaping gave nothing yet", "Move it once")));
        say(Reason.NoTarget.class, r -> words("No target is set", "Choose the target of this send"));
        say(
                Reason.TargetGone.class,
                r -> words(
                        "Its target is no longer in the rig",
                        "Choose another target for this send, or undo the removal"));
        say(Reason.NotTyped.class, r -> words(r.fault(), "Type it anew"));
        say(
                Reason.NothingToLookUp.class,
                r -> words(
                        "Where argument " + (r.argument() + 1) + " would be looked up, there is nothing",
                        "Choose where argument " + (r.argument() + 1) + " comes from"));
        say(
                Reason.NotSaidYet.class,
                r -> words(
                        r.target() + " has not said " + r.address() + " yet, so there is nothing to send",
                        r.asked()
                                ? "It has been asked just now: try again"
                                : "Let it say that once, or give a fixed argument"));
        say(
                Reason.LookedUpUnfit.class,
                r -> words(
                        "Argument " + (r.argument() + 1) + " was looked up and does not fit: " + r.fault(),
                        "Choose another type, or steps that make it fit"));
        say(
                Reason.SocketBroken.class,
                r -> new ReasonWords(r.trouble(), "See the target in Rig", "not sent: " + r.trouble()));
        say(Reason.Gated.class, ReasonWords::gated);
        say(
                Reason.SameValue.class,
                r -> words("The same value is not sent again", "Move it to another value, or press Send once"));
        say(
                Reason.NoSuchArgument.class,
                r -> words(
                        "It heard no number and no text at argument " + (r.argument() + 1),
                        "Choose another argument for this forward"));
        say(
                Reason.NotANumber.class,
                r -> words(
                        "It heard “" + shortened(r.text()) + "”, which is not a number",
                        "Send it as a text, or begin its steps with a table that makes a number of it"));
        say(
                Reason.ForwardLoop.class,
                r -> words(
                        "It came back round to the forward “" + r.name() + "”, which sends nothing twice round",
                        "See the forwards under Lines: they lead in a ring"));
        say(
                Reason.EchoNotCounted.class,
                r -> new ReasonWords(
                        "It is what we sent there, and comes back: “" + r.list() + "” takes it for no press",
                        "Let another message step the list, or another address be sent",
                        "echo, not counted"));
        say(
                Reason.JustStopped.class,
                r -> new ReasonWords(
                        "Everything was stopped less than 1 s ago: “" + r.list() + "” is not stepped",
                        "Press it again",
                        "just stopped, not counted"));
        say(
                Reason.ListDeaf.class,
                r -> new ReasonWords(
                        "“" + r.list() + "” stepped itself and was broken off: it hears no target",
                        "Arm it in Cues",
                        "list not armed, not counted"));
        say(
                Reason.LineHeldByHand.class,
                r -> words("Somebody’s hand moves the same line", "It goes on when the hand lets go"));
        say(
                Reason.NoRoom.class,
                r -> words(
                        "Too many messages wait for the pace of this target",
                        "Give it a faster pace in Rig, or let the cue say less at once"));
        say(
                Reason.NothingChosen.class,
                r -> words(
                        "No " + r.what() + " is chosen, or it is gone", "Choose the " + r.what() + " of this action"));
        say(
                Reason.ControlGone.class,
                r -> words(
                        "A control that it moves is gone, or is of another form",
                        "Choose the control again, or record the look anew"));
        say(
                Reason.NotAllowed.class,
                r -> words("Who gave the go may not do this", "Let somebody with more rights say go"));
        say(Reason.ListRefused.class, r -> words(refused(r.refusal()), "See the list in Cues"));
        say(Reason.PlayRefused.class, r -> words(refused(r.refusal()), "See the track or the set list in Cues"));
        say(
                Reason.StartUnknown.class,
                r -> words(
                        "Nobody knows where the fade begins: its target has not said it",
                        "State where it begins, or let it jump to its end"));
        say(
                Reason.TakenByAnother.class,
                r -> words("Somebody’s hand took what it moved", "Fire the cue again once the hand has let go"));
        say(
                Reason.NotTaken.class,
                r -> new ReasonWords(
                        "This computer's network did not take it",
                        "Look at this computer's network: cable, adapter and address",
                        "not sent: this computer's network did not take it"));
        say(
                Reason.WaitsForItsTime.class,
                r -> new ReasonWords(
                        "It waits for its time", "Its sender wants it so; it takes effect then", "waits for its time"));
        say(
                Reason.TooManyWait.class,
                r -> new ReasonWords(
                        "Dropped: too many bundles of this target wait",
                        "Let it send fewer bundles ahead of their time",
                        "dropped: too many bundles of this target wait"));
        say(
                Reason.Unclaimed.class,
                r -> new ReasonWords(
                        "No target of the rig sends from here",
                        "Add it as a target in Rig if it belongs to the show",
                        "no target of the rig sends from here"));
        say(
                Reason.BareAddress.class,
                r -> words(
                        "“" + r.address() + "” has no slash at its start, and no phrase of " + r.target()
                                + " is written so",
                        "Add it to the phrasebook of " + r.target() + ", or correct it at the other end"));
        say(
                Reason.ProofMovesIt.class,
                r -> new ReasonWords(
                        "A proof moves this now, so it triggers nothing",
                        "Wait until the proof has moved on, or stop it",
                        "a proof moves this now: it triggers nothing"));
        say(
                Reason.PatternsTooLong.class,
                r -> new ReasonWords(
                        "Its address patterns take too long to match: not all was looked at",
                        "Let its sender use simpler patterns",
                        "its address patterns take too long to match: not all was looked at"));
        say(
                Reason.NeverAnswers.class,
                r -> words("This target never answers", "Look at the device itself; if it does answer, say so in Rig"));
        say(
                Reason.NothingComesBack.class,
                r -> words(
                        "Nothing comes back for this, says its phrasebook",
                        "Look at the device itself; if something does, change the phrase"));
        say(
                Reason.OnlyOthersTold.class,
                r -> words(
                        "This target tells all but who made the change, says its phrasebook",
                        "Look at the device itself, or let the phrase ask for the value"));
        say(
                Reason.NoNews.class,
                r -> words(
                        "It stood there already, and nothing came within " + r.limitNanos() / 1_000_000 + " ms",
                        "Send another value to see whether it answers"));
        say(
                Reason.WrongValue.class,
                r -> words(
                        "What came back is not what was sent",
                        "Compare the ranges at both ends; if the target rounds, give the phrase a tolerance"));
        say(
                Reason.NoListen.class,
                r -> words(
                        "No listen is set, so no answer can be compared",
                        "Add a listen, with the address on which the target says it"));
        say(
                Reason.ListensElsewhere.class,
                r -> words(
                        "Its answer comes on " + r.address() + ", where this control does not listen",
                        "Listen on " + r.address()));
        say(Reason.NoAnswer.class, ReasonWords::noAnswer);
    }

    private static <R extends Reason> void say(Class<R> kind, Function<R, ReasonWords> words) {
        ALL.put(kind, reason -> words.apply(kind.cast(reason)));
    }

    /** The words for a reason. */
    public static ReasonWords of(Reason reason) {
        return ALL.get(reason.getClass()).apply(reason);
    }

    private static String shortened(String text) {
        return text.length() > MOST_QUOTED ? text.substring(0, MOST_QUOTED) + "…" : text;
    }

    private static ReasonWords words(String why, String mend) {
        return new ReasonWords(why, mend, why);
    }

    private static ReasonWords gated(Reason.Gated gated) {
        String mend = "Release " + gated.target();
        return switch (gated.gate()) {
            case HELD -> new ReasonWords(
                    gated.target() + " is held: nothing is sent by hand until it is released", mend, "held, not sent");
            case SILENT -> new ReasonWords(
                    gated.target() + " is silent: nothing is sent until it is released", mend, "silent, not sent");
            case REHEARSING, OPEN -> new ReasonWords(
                    "Rehearsal: nothing leaves", "End the rehearsal of " + gated.target(), "rehearsal, not sent");
        };
    }

    private static ReasonWords noAnswer(Reason.NoAnswer none) {
        String limit = "No answer within " + none.limitNanos() / 1_000_000 + " ms";
        return none.arrivedAs()
                .map(address -> words(limit + "; the same value arrived as " + address, "Listen on " + address))
                .orElseGet(() -> words(
                        limit,
                        "See in Rig whether the target answers at all, then compare the address letter by letter"));
    }

    private static long seconds(long nanos) {
        return nanos / 1_000_000_000L;
    }

    private static String refused(PlayRefusal refusal) {
        return switch (refusal) {
            case ANOTHER_CLOCK -> "The time of that track comes from elsewhere";
            case NO_SECTION -> "That is no section of the track";
            case MARK_GONE -> "That mark is no longer on the track";
            case NOTHING_READY -> "No song is ready";
            case AT_END -> "There is no song after this one";
            case AT_START -> "There is no song before this one";
            case SONG_GONE -> "That song is no longer in the set list";
        };
    }

    private static String refused(Refusal refusal) {
        return switch (refusal) {
            case MOVED_SINCE, NO_SUCH_CUE -> "The cue is not the next one of that list";
            case TOO_SOON -> "The last go of that list was just now";
            case AT_END -> "That list is at its end";
            case AT_START -> "That list is at its start";
            case PAUSED -> "That list is paused";
            case NOTHING_RUNS -> "Nothing runs in that list";
            case TOO_MANY -> ListRun.MOST_RUNNING + " cues of that list run already";
        };
    }
}
