package imperan.proof.report;

import imperan.live.Strength;
import imperan.proof.Rank;
import imperan.proof.Suspect;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * What a proof says of one line.
 *
 * @param line     names the line, as in the line table
 * @param print    tells whether the line, the end it was said to, or its phrase are still the same
 * @param page     where its control lies, and {@code label} what it is called, as people read them
 * @param standIn  whether it was said to a stand-in: then it says nothing of the venue
 * @param strength how strongly the value is known that is known least; empty where the verdict does not hang on it
 * @param because  why it was not proved by itself; empty where it was
 * @param probes   how many of what was said were judged, {@code answered} of them in time and rightly
 * @param median   how long answers took, in nanoseconds, and {@code worst} the longest; empty where none came
 * @param sent     arguments of the first that fell short, else of the last, as text; {@code said} what was answered
 * @param suspects what may be the cause where it fell short, the surest first; those that cannot be told apart
 * @param rank     how sure that is
 * @param extent   how far the verdict goes; empty where no number or choice was judged, and in reports of before
 */
public record LineResult(
        String line,
        String print,
        PartId control,
        String page,
        String label,
        Optional<PartId> target,
        String targetName,
        boolean standIn,
        String address,
        Verdict verdict,
        Optional<Strength> strength,
        Optional<Obstacle> because,
        int probes,
        int answered,
        Optional<Long> median,
        Optional<Long> worst,
        String sent,
        String said,
        Optional<Rank> rank,
        List<Suspect> suspects,
        Restored restored,
        Optional<Extent> extent) {

    /** Nothing is confirmed without evidence: a report that tells of none, as those of before, confirms nothing. */
    public LineResult {
        suspects = List.copyOf(suspects);
        if (verdict == Verdict.CONFIRMED && strength.filter(Strength::confirms).isEmpty()) {
            verdict = Verdict.STRENGTH_UNKNOWN;
        }
    }

    /** The same with what a person saw. */
    public LineResult seen(boolean yes) {
        return new LineResult(
                line,
                print,
                control,
                page,
                label,
                target,
                targetName,
                standIn,
                address,
                yes ? Verdict.WITNESSED : Verdict.NOT_SEEN,
                Optional.empty(),
                Optional.empty(),
                probes,
                answered,
                median,
                worst,
                sent,
                said,
                rank,
                suspects,
                restored,
                extent);
    }

    /** The same with what may be the cause. */
    public LineResult causedBy(Rank surely, List<Suspect> those) {
        return new LineResult(
                line,
                print,
                control,
                page,
                label,
                target,
                targetName,
                standIn,
                address,
                verdict,
                strength,
                because,
                probes,
                answered,
                median,
                worst,
                sent,
                said,
                Optional.of(surely),
                those,
                restored,
                extent);
    }
}
