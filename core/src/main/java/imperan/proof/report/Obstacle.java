package imperan.proof.report;

/** Why a line is not proved by itself. */
public enum Obstacle {
    /** No target is chosen, or it is gone. */
    NO_TARGET,
    /** Its target is held, silent or in rehearsal. */
    HELD,
    /** This machine has no way to its target. */
    NO_WAY_OUT,
    /** What it says is typed by a person each time. */
    NOTHING_TO_SAY,
    /** Nobody said that the stage is clear. */
    NOT_CLEARED,
    /** Something happens each time that it is said. */
    EVENT,
    /** It toggles each time that it is said. */
    TOGGLE,
    /** What it does cannot be undone, or hurts. */
    DANGEROUS,
    /** No phrase says what kind of thing it does. */
    EFFECT_UNKNOWN,
    /** What stands at the target cannot be asked, so it cannot be put back. */
    CANNOT_BE_READ,
    /** It has no value near the present one: it is on or off, or one of a few. */
    NO_SMALL_STEP,
    /** It stands at zero, and nothing is raised from zero at the venue. */
    AT_ZERO,
    /** It silences or switches off something, and nothing is let out at the venue. */
    SILENCES,
    /** A hand, a cue or a rule moved it meanwhile, here or at the target. */
    MOVED_MEANWHILE,
    /** Somebody moved meanwhile what it stands in the way of. */
    MOVED_BESIDE,
    /** Somebody chose to leave it out. */
    LEFT_OUT,
    /** Its target answers nothing, so no more is said to it. */
    TARGET_SILENT,
    /** The proof was stopped before. */
    STOPPED
}
