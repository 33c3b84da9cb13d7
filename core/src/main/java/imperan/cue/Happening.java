package imperan.cue;

/** Something that is to be done now for a cue that runs. */
public sealed interface Happening {

    Running running();

    /** An action begins. */
    record Begins(Running running, int action) implements Happening {}

    /**
     * A fade goes on.
     *
     * @param share how much of its way is gone, 0 to 1
     * @param last  whether this is its end
     */
    record Steps(Running running, int action, double share, boolean last) implements Happening {}
}
