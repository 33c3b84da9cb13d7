package imperan.proof.report;

import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * How many of what was said were lost, and what that says of all that will be said: the exact interval of Clopper and Pearson ("The use of confidence or fiducial
 * limits illustrated in the case of the binomial", Biometrika 26, 1934).
 *
 * @param low  the least share, 0 to 1, and {@code high} the greatest, that go with what was counted
 */
public record Loss(int lost, int of, double low, double high) {

    /** How sure the interval is: that the true share lies below it, or above it, happens this seldom. */
    private static final double EACH_SIDE = 0.025;

    public static Loss of(int lost, int of) {
        double low = lost == 0 ? 0 : BetaDistribution.of(lost, of - lost + 1.0).inverseCumulativeProbability(EACH_SIDE);
        double high =
                lost == of ? 1 : BetaDistribution.of(lost + 1.0, of - lost).inverseSurvivalProbability(EACH_SIDE);
        return new Loss(lost, of, low, high);
    }

    /** With which confidence, 0 to 1, so many without a loss exclude that this share or more gets lost. */
    public static double excludes(int without, double share) {
        return 1 - Math.pow(1 - share, without);
    }
}
