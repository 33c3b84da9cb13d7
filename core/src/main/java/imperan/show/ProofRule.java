package imperan.show;

import java.util.Optional;

/**
 * What a proof may do with a phrase, where that is more or less than usual.
 *
 * @param low     at a venue its numbers stay between these two, {@code high} the greater; empty where they stay near the present value
 * @param sweep   whether at a venue all that its lines can say may be said
 * @param spacing seconds from one of its messages to the next, for what strikes, moves or starts; empty for none
 * @param pressed    how many seconds at a venue something is pressed before it is released; empty for 0.2 s
 * @param most    how often each of its lines is said in one proof at most; empty where that does not matter
 */
public record ProofRule(
        Optional<Double> low,
        Optional<Double> high,
        boolean sweep,
        Optional<Double> spacing,
        Optional<Double> pressed,
        Optional<Integer> most) {

    /** Nothing out of the usual. */
    public static final ProofRule USUAL = new ProofRule(
            Optional.empty(), Optional.empty(), false, Optional.empty(), Optional.empty(), Optional.empty());

    /** Longer, a proof is asked for line by line. */
    public static final double MOST_SPACING = 600;
    /** Shorter, a target may miss it; longer, something stays pressed that nobody presses. */
    public static final double LEAST_PRESSED = 0.02;

    public static final double MOST_PRESSED = 10;
    /** More than a line is ever said in one proof. */
    public static final int MOST_TIMES = 1_000;

    public ProofRule within(double least, double greatest) {
        return new ProofRule(Optional.of(least), Optional.of(greatest), sweep, spacing, pressed, most);
    }

    public ProofRule sweeping() {
        return new ProofRule(low, high, true, spacing, pressed, most);
    }

    public ProofRule spaced(double seconds) {
        return new ProofRule(low, high, sweep, Optional.of(seconds), pressed, most);
    }

    public ProofRule pressed(double seconds) {
        return new ProofRule(low, high, sweep, spacing, Optional.of(seconds), most);
    }

    public ProofRule atMost(int times) {
        return new ProofRule(low, high, sweep, spacing, pressed, Optional.of(times));
    }

    void check(PartRules rules) {
        if (low.isPresent() != high.isPresent()
                || low.isPresent() && !(low.get() < high.get() && Ranges.fits(low.get()) && Ranges.fits(high.get()))) {
            rules.problem("proof/high", "The values of a proof have a lower and a higher number");
        }
        if (spacing.filter(seconds -> !(seconds > 0 && seconds <= MOST_SPACING)).isPresent()) {
            rules.problem("proof/spacing", "From one message to the next: more than 0 and at most 600 seconds");
        }
        if (pressed.filter(seconds -> !(seconds >= LEAST_PRESSED && seconds <= MOST_PRESSED))
                .isPresent()) {
            rules.problem("proof/pressed", "What is pressed is released after 0.02 to 10 seconds");
        }
        if (most.filter(times -> times < 1 || times > MOST_TIMES).isPresent()) {
            rules.problem("proof/most", "In one proof 1 to " + MOST_TIMES + " times");
        }
    }
}
