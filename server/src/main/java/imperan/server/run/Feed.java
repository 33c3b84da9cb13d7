package imperan.server.run;

import java.util.List;

/** One browser that follows the show. Called from the loop, so nothing here waits. */
public interface Feed {

    /** Whether its browser is still there. */
    boolean isOpen();

    /** Everything as it is now; what came before it is void. */
    void welcome(Snapshot snapshot);

    /** What changed since the last batch. */
    void offer(Batch batch);

    /** Who is building this show, and what they have selected. */
    void presences(List<Presence> presences);

    /** The findings of its show are others now; this is their number. */
    void findings(long number);

    /** Something that this browser asked for cannot be; why, in one sentence. */
    void refuse(String why);
}
