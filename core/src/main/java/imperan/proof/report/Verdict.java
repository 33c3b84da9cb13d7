package imperan.proof.report;

/** What a proof says of one line. */
public enum Verdict {
    /** Every probe was answered in time and within the tolerance, and for each value that was sent there is evidence that no echo gives. */
    CONFIRMED(Standing.GOOD, "confirmed"),
    /** It cannot be answered, and a person saw what it does. */
    WITNESSED(Standing.GOOD, "witnessed"),
    /** A line that only listens: something came on its address. */
    HEARD(Standing.GOOD, "received"),
    /** Answered, and without effect now: something else in the target stands in the way. */
    MASKED(Standing.UNDECIDED, "masked"),
    /** Every probe came back as it was sent: perhaps an echo. */
    RETURNED(Standing.UNDECIDED, "returned"),
    /** Something came for every probe, and says nothing of what was sent. */
    ACKNOWLEDGED(Standing.UNDECIDED, "acknowledged"),
    /** What came differs from what was sent by less than one regular step, which is coarser than the phrase allows. */
    COARSER(Standing.UNDECIDED, "coarser"),
    /** What came has another number of arguments than what was sent, and no phrase says which of them is which. */
    DIFFERENT_ARGUMENTS(Standing.UNDECIDED, "different arguments"),
    /** At a venue nothing stays pressed for long: it was released before its answer came, so that what came may answer the release. */
    RELEASED_EARLY(Standing.UNDECIDED, "released early"),
    /** Its target says one value after the other there though nobody moves it, so that no answer could be told from those. */
    UNPROMPTED(Standing.UNDECIDED, "changes unprompted"),
    /** In a report of before it was written down how strongly a line is known. */
    STRENGTH_UNKNOWN(Standing.UNDECIDED, "strength unknown"),
    /** It cannot be answered, and nobody looked. */
    ONE_WAY(Standing.NOT_TRIED, "one-way"),
    /** A line that only listens: nothing came on its address, and perhaps nothing had to. */
    NOT_HEARD(Standing.NOT_TRIED, "not received"),
    /** It was not sent; the obstacle says why. */
    SKIPPED(Standing.NOT_TRIED, "skipped"),
    /** What came proves nothing: the target said the same before by itself, or this machine lost packets meanwhile. */
    NOT_JUDGED(Standing.UNDECIDED, "not judged"),
    /** Some probes were answered, and nothing came for others: they, or their answers, were lost. */
    LOST(Standing.SHORT, "lost"),
    /** Everything was answered, and not everything was taken. */
    INTERMITTENT(Standing.SHORT, "intermittent"),
    /** Asked afterwards, its target goes on saying the value of before, for each probe. */
    IGNORED(Standing.SHORT, "ignored"),
    /** Answered as it should be, and later than its limit. */
    LATE(Standing.SHORT, "late"),
    WRONG_VALUE(Standing.SHORT, "wrong value"),
    WRONG_TYPE(Standing.SHORT, "wrong type"),
    /** The value came under another address. */
    OTHER_ADDRESS(Standing.SHORT, "other address"),
    NO_ANSWER(Standing.SHORT, "no answer"),
    PORT_CLOSED(Standing.SHORT, "port closed"),
    /** It cannot be answered, and a person looked and saw nothing. */
    NOT_SEEN(Standing.SHORT, "not seen");

    /** What a verdict means for the evening. */
    public enum Standing {
        GOOD,
        /** It was not sent, or nobody could know what came of it. */
        NOT_TRIED,
        /** What came neither proves nor disproves it. */
        UNDECIDED,
        /** It failed. */
        SHORT
    }

    private final Standing standing;
    private final String word;

    Verdict(Standing standing, String word) {
        this.standing = standing;
        this.word = word;
    }

    /** One or two words, for people. */
    public String word() {
        return word;
    }

    public Standing standing() {
        return standing;
    }

    public boolean fallsShort() {
        return standing == Standing.SHORT;
    }
}
