package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;

/** What plays by itself on the loop, such as a proof. It gets a turn after everything else, and is told of all that happens. All of it is called on the loop. */
interface LoopActor {

    void happened(LiveEvent event);

    /** Does what is to be done now. */
    void act(LiveShow live, long now);

    /** When there is something to be done if nothing happens; {@link Long#MAX_VALUE} where there is not. */
    long nextDue();

    /** Another show gets the sockets. */
    void abandon();
}
