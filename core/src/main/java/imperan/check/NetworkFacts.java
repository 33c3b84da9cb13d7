package imperan.check;

import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.SocketState;
import imperan.live.Stray;
import imperan.rig.Adapter;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * What is known of the network at one moment.
 *
 * @param adapters of this machine
 * @param links    of the running show; none of a show that does not run
 * @param strays   packets that no target claims
 */
public record NetworkFacts(List<Adapter> adapters, List<LinkView> links, List<Stray> strays) {

    /** Before anything is known. */
    public static final NetworkFacts NONE = new NetworkFacts(List.of(), List.of(), List.of());

    public NetworkFacts {
        adapters = List.copyOf(adapters);
        links = List.copyOf(links);
        strays = List.copyOf(strays);
    }

    Optional<LinkView> link(PartId target) {
        return links.stream().filter(link -> link.target().equals(target)).findFirst();
    }

    /** Why our port to a target cannot be had, where another program has it. */
    Optional<String> portTaken(PartId target) {
        return link(target)
                .map(LinkView::socket)
                .filter(socket -> socket.kind() == SocketState.Kind.PORT_TAKEN)
                .map(SocketState::trouble);
    }

    /** Whether its host says that nobody has a target's port open. */
    boolean isPortClosed(PartId target) {
        return link(target)
                .filter(link -> link.state() == LinkState.PORT_CLOSED)
                .isPresent();
    }

    /** Our own address on the way to a target; empty while there is none. */
    Optional<String> ourHost(PartId target) {
        return link(target).map(link -> link.socket().ourHost()).filter(host -> !host.isEmpty());
    }

    boolean isHeardFrom(String host, int port) {
        return strays.stream().anyMatch(stray -> stray.host().equals(host) && stray.port() == port);
    }
}
