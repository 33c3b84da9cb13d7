package imperan.proof.run;

import imperan.osc.OscArgument;
import imperan.proof.report.Verdict;
import java.util.List;
import java.util.Optional;

/**
 * What came of saying a line once.
 *
 * @param verdict of this one alone
 * @param after   how long the answer took, in nanoseconds; empty where none came
 * @param sent    the arguments, and {@code said} those of the answer; empty where none came
 */
record Sample(Verdict verdict, Optional<Long> after, List<OscArgument> sent, List<OscArgument> said) {

    /** Whether it tells anything of the line. */
    boolean isJudged() {
        return verdict != Verdict.NOT_JUDGED && verdict != Verdict.ONE_WAY && verdict != Verdict.SKIPPED;
    }

    boolean isGood() {
        return verdict == Verdict.CONFIRMED;
    }
}
