package imperan.live;

import imperan.show.PartId;
import imperan.show.Target;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which target a packet comes from. */
final class Claims {

    private Claims() {}

    /**
     * The target whose host and port the packet came from; else the only target of that host whose answers arrive on that
     * port of ours; else nobody.
     */
    static Optional<Link> claim(Map<PartId, Link> links, int ourPort, String peerHost, int peerPort) {
        List<Link> ofHost = links.values().stream()
                .filter(link -> {
                    Target target = link.target();
                    return target.host().equals(peerHost) && target.answerPort() == ourPort;
                })
                .toList();
        Optional<Link> exact =
                ofHost.stream().filter(link -> link.target().port() == peerPort).findFirst();
        return exact.or(() -> ofHost.size() == 1 ? Optional.of(ofHost.get(0)) : Optional.empty());
    }
}
