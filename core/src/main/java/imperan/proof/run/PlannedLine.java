package imperan.proof.run;

import imperan.live.Expectation;
import imperan.live.Line;
import imperan.proof.report.Obstacle;
import imperan.show.ArgumentSource;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.ProofRule;
import imperan.show.Send;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;

/**
 * A line, and what a proof does with it.
 *
 * @param id       as in the line table
 * @param print    of line, end and phrase as they are planned
 * @param standIn  whether its stand-in is spoken to
 * @param control  whose it is, or the cue
 * @param form     of its control; a cue is like a button
 * @param releases what the control says on release, where the line is said on a press
 * @param phrase   of its address; empty where no phrasebook has it
 * @param expected what is to come back
 * @param way      whether it is said by itself
 * @param because  why it is not; empty where it is
 * @param says     what is said, one after the other; at a venue that depends on the present value, and this is empty unless its phrase may be said in full
 * @param silences what its target says while it stands in the way of something else
 */
public record PlannedLine(
        String id,
        String print,
        PartId control,
        String page,
        String label,
        Optional<PartId> target,
        String targetName,
        boolean standIn,
        Send send,
        Form form,
        List<Line> releases,
        Optional<Phrase> phrase,
        Expectation expected,
        Way way,
        Optional<Obstacle> because,
        List<Line> says,
        List<String> silences) {

    private static final double NANOS_OF_SECOND = 1e9;
    /** At a venue nothing stays pressed for longer, unless its phrase says so. */
    static final double PRESSED_SECONDS = 0.2;

    /** Whether a line is said. */
    public enum Way {
        /** By itself. */
        RUNS,
        /** Only while somebody attends, each on its own. */
        ATTENDED,
        /** Not at all. */
        SKIPPED,
        /** It says nothing: what comes is waited for. */
        LISTENS
    }

    public PlannedLine {
        releases = List.copyOf(releases);
        says = List.copyOf(says);
        silences = List.copyOf(silences);
    }

    /** What a proof may do with it. */
    ProofRule rule() {
        return phrase.map(Phrase::proof).orElse(ProofRule.USUAL);
    }

    /** Whether it is said to a venue end by itself. */
    boolean runsAtVenue() {
        return !standIn && way == Way.RUNS;
    }

    /** From one that is said to the next, at least; 0 where that does not matter. */
    long spacingNanos() {
        return rule().spacing()
                .map(seconds -> (long) (seconds * NANOS_OF_SECOND))
                .orElse(0L);
    }

    /** What it presses at a venue is released by then, answered or not. */
    long pressedNanos() {
        return (long) (rule().pressed().orElse(PRESSED_SECONDS) * NANOS_OF_SECOND);
    }

    /** Whether the same said again changes nothing, as far as anybody wrote down. */
    boolean setsValue() {
        return phrase.map(known -> known.effect() == Phrase.Effect.VALUE).orElse(false);
    }

    /** Whether something happens each time that it is said. */
    boolean happensEachTime() {
        return phrase.map(Phrase::effect)
                .filter(effect -> effect != Phrase.Effect.VALUE && effect != Phrase.Effect.UNKNOWN)
                .isPresent();
    }

    /** Whether it says one of several choices. */
    boolean isChosen() {
        return send.arguments().stream().anyMatch(ArgumentSource.Chosen.class::isInstance);
    }

    /** How long an answer in time takes at most: the final one, where values come on the way. */
    long limitNanos() {
        return expected.limitNanos()
                + expected.rule()
                        .finalSeconds()
                        .map(seconds -> (long) (seconds * NANOS_OF_SECOND))
                        .orElse(0L);
    }

    /** How many of its values are said, however few are wished: at a venue no more than the ends and the middle of what is continuous. */
    int least() {
        return standIn || isChosen() ? says.size() : Math.min(Probes.ENDS_AND_MIDDLE, says.size());
    }

    /** Whether something is to come back. */
    boolean isAnswered() {
        return expected.isComing() || expected.isToldToOthersOnly();
    }
}
