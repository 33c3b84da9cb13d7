package imperan.show.cue;

import imperan.show.PartRules;

/**
 * How the cue after this one begins.
 *
 * @param seconds for {@link How#AFTER} after the beginning of this one; for {@link How#ANSWERED} how long the answers may take; else not looked at
 * @param goesOn  for {@link How#ANSWERED} whether the next one begins though not all was answered; else somebody has to say go
 */
public record CueFollow(How how, double seconds, boolean goesOn) {

    /** When somebody says go. */
    public static final CueFollow BY_HAND = new CueFollow(How.HAND, 0, false);

    /** When the next cue begins. */
    public enum How {
        /** When somebody says go. */
        HAND,
        /** So long after this one began. */
        AFTER,
        /** Together with this one. */
        TOGETHER,
        /** When all that this one said was answered. */
        ANSWERED
    }

    public static CueFollow after(double seconds) {
        return new CueFollow(How.AFTER, seconds, false);
    }

    public static CueFollow together() {
        return new CueFollow(How.TOGETHER, 0, false);
    }

    public static CueFollow answered(double limit, boolean goesOn) {
        return new CueFollow(How.ANSWERED, limit, goesOn);
    }

    public void check(PartRules rules, String field) {
        rules.seconds(field + "/seconds", seconds);
    }
}
