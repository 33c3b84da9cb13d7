package imperan.live;

/** Who may move a line that somebody else moves: whoever stands before them here. */
enum Precedence {

    /** A hand on a control. Of two hands the first has it. */
    HAND,
    /** What is to stop, or go to rest. */
    STOP,
    /** A cue, a rule or a remote program. Of two of them the latest has it. */
    AUTOMATIC,
    /** A proof. Of two of them the first has it. */
    PROOF;

    /** Whether one of this kind takes a line from one of that kind. */
    boolean takesFrom(Precedence other) {
        return ordinal() < other.ordinal() || this == other && (this == AUTOMATIC || this == STOP);
    }

    /** What an actor moves by, when it moves something. */
    static Precedence of(Actor actor) {
        return switch (actor.kind()) {
            case PERSON -> HAND;
            case CUE, RULE, REMOTE, IMPERAN -> AUTOMATIC;
            case PROOF -> PROOF;
        };
    }
}
