package imperan.proof.report;

/** What a proof says of one line. */
public enum Verdict {
    /** Every probe was answered in time and within the tolerance, and for each value that was sent there is evidence that no echo gives. */
    CONFIRMED(Standing.GOOD),
    /** It cannot be answered, and a person saw what it does. */
    WITNESSED(Standing.GOOD),
    /** A line that only listens: something came on its address. */
    HEARD(Standing.GOOD),
    /** Answered, and without effect now: something else in the target stands in the way. */
    MASKED(Standing.OPEN),
    /** Every probe came back as it was sent: perhaps an echo. */
    RETURNED(Standing.OPEN),
    /** Something came for every probe, and says nothing of what was sent. */
    ACKNOWLEDGED(Standing.OPEN),
    /** In a report of before it was written down how strongly a line is known. */
    STRENGTH_UNKNOWN(Standing.OPEN),
    /** It cannot be answered, and nobody looked. */
    ONE_WAY(Standing.OPEN),
    /** A line that only listens: nothing came on its address, and perhaps nothing had to. */
    NOT_HEARD(Standing.OPEN),
    /** It was not sent; the obstacle says why. */
    SKIPPED(Standing.OPEN),
    /** What came proves nothing: the target said the same before by itself, or this machine lost packets meanwhile. */
    NOT_JUDGED(Standing.OPEN),
    /** Some probes were answered and taken and some were not. */
    INTERMITTENT(Standing.SHORT),
    /** Asked afterwards, its target goes on saying the value of before, for each probe. */
    IGNORED(Standing.SHORT),
    /** Answered as it should be, and later than its limit. */
    LATE(Standing.SHORT),
    WRONG_VALUE(Standing.SHORT),
    WRONG_TYPE(Standing.SHORT),
    /** The value came under another address. */
    OTHER_ADDRESS(Standing.SHORT),
    NO_ANSWER(Standing.SHORT),
    PORT_CLOSED(Standing.SHORT),
    /** It cannot be answered, and a person looked and saw nothing. */
    NOT_SEEN(Standing.SHORT);

    /** What a verdict means for the evening. */
    public enum Standing {
        GOOD,
        /** Neither proved nor disproved. */
        OPEN,
        /** It fell short. */
        SHORT
    }

    private final Standing standing;

    Verdict(Standing standing) {
        this.standing = standing;
    }

    public Standing standing() {
        return standing;
    }

    public boolean fallsShort() {
        return standing == Standing.SHORT;
    }
}
