package imperan.server.run;

import imperan.check.NetworkFacts;
import imperan.live.LinkTurn;
import imperan.live.LinkView;
import imperan.live.Stray;
import imperan.server.net.ThisMachine;
import java.util.List;

/**
 * What the running show knows of its network.
 *
 * @param strays packets that no target claims
 * @param turns  the newest turns of its links, oldest first
 */
public record LiveFacts(List<LinkView> links, List<Stray> strays, List<LinkTurn> turns) {

    /** Of a show that does not run. */
    static final LiveFacts NONE = new LiveFacts(List.of(), List.of(), List.of());

    /** With what this machine shows of its own network. */
    public NetworkFacts network() {
        return new NetworkFacts(ThisMachine.adapters(), links, strays);
    }
}
