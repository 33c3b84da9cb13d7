package imperan.live;

/**
 * What led to something that happened.
 *
 * @param number counts the inputs of the show: commands, packets, edits and what was due; all that one of them leads to has its number
 * @param origin what kind of input it was
 * @param actor  who is behind it
 * @param hops   how many arrivals lie between the actor and this; 0 for what the actor did itself
 */
public record Cause(long number, Origin origin, Actor actor, int hops) {

    /** Before anything happened. */
    static final Cause NONE = new Cause(0, Origin.TIME, Actor.IMPERAN, 0);

    /** Kinds of inputs. */
    public enum Origin {
        /** Somebody's hand on a control. */
        HAND,
        /** One send of a control, to try it. */
        TEST,
        /** Controls go to their rest values. */
        REST,
        /** A message that belongs to no control. */
        SAY,
        /** A start list. */
        START_LIST,
        /** What a target says is asked for. */
        REFRESH,
        /** A line of a proof. */
        PROOF,
        /** Another order of an actor. */
        ORDER,
        /** What keeps a link alive. */
        KEEP_ALIVE,
        /** What a target tells only when it is asked. */
        QUESTION,
        /** A packet of a target. */
        ARRIVAL,
        /** What another target said, by a forward. */
        FORWARD,
        /** An action of a cue. */
        CUE,
        /** The show was changed. */
        EDIT,
        /** A time limit has passed. */
        TIME
    }
}
