package imperan.live;

/** How strongly what came speaks for what was sent; the weaker first. */
public enum Strength {
    /** Something came, and says nothing of the value. */
    ACKNOWLEDGED,
    /** The same came back on the same address: perhaps an echo. */
    RETURNED,
    /** The value came in a form in which it was not sent: on another address, or with other arguments. */
    REPORTED,
    /** Asked afterwards, by a question that does not carry it, its target said the value. */
    READ_BACK;

    /** Whether no echo can be taken for it. */
    public boolean confirms() {
        return this == REPORTED || this == READ_BACK;
    }
}
