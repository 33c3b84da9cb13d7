package imperan.proof.run;

import imperan.live.Strength;
import imperan.osc.OscArgument;
import imperan.proof.report.Verdict;
import java.util.List;
import java.util.Optional;

/**
 * What came of saying a line once.
 *
 * @param verdict  of this one alone
 * @param strength how strongly what came speaks for it; empty where it does not
 * @param after    how long the answer took, in nanoseconds; empty where none came
 * @param sent     the arguments, and {@code said} those of the answer; empty where none came
 * @param asked    whether {@code said} answers a question that was asked afterwards
 */
record Sample(
        Verdict verdict,
        Optional<Strength> strength,
        Optional<Long> after,
        List<OscArgument> sent,
        List<OscArgument> said,
        boolean asked) {

    /** Whether it tells anything of the line. */
    boolean isJudged() {
        return verdict != Verdict.NOT_JUDGED && verdict != Verdict.ONE_WAY && verdict != Verdict.SKIPPED;
    }

    boolean isGood() {
        return verdict == Verdict.CONFIRMED;
    }

    /** The same, asked afterwards and found to be so. */
    Sample readBack(List<OscArgument> told) {
        return new Sample(verdict, Optional.of(Strength.READ_BACK), after, sent, told, true);
    }

    /** The same, told first otherwise, and then so. */
    Sample settled(Verdict how, long afterNanos, List<OscArgument> told) {
        return new Sample(
                how,
                how == Verdict.CONFIRMED ? Optional.of(Strength.READ_BACK) : Optional.empty(),
                Optional.of(afterNanos),
                sent,
                told,
                true);
    }

    /** The same, asked afterwards and found to be otherwise. */
    Sample contradicted(Verdict how, List<OscArgument> instead) {
        return new Sample(how, Optional.empty(), after, sent, instead, true);
    }
}
