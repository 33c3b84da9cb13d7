package imperan.server.run;

import imperan.live.LiveShow;
import imperan.live.SocketState;
import imperan.live.WallTime;
import imperan.osc.Decoded;
import imperan.server.store.Remembered;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Everything that can happen to the live show. The loop handles them one after the other. */
sealed interface Input {

    /** This show owns the sockets from now on. */
    record GoLive(String showId, String name, Show show, Remembered remembered) implements Input {}

    record Committed(String showId, Edit edit, Show show, long bytes) implements Input {}

    /**
     * Something to do with the running show, or to read off it.
     *
     * @param showId    the show that is meant
     * @param otherwise what happens instead where another show runs
     */
    record Order(String showId, Doing doing, Runnable otherwise) implements Input {}

    /** What is done with the running show, on the loop. */
    interface Doing {

        void with(LiveShow running, long now);
    }

    /** The findings of a show are others now. */
    record Found(String showId, long number) implements Input {}

    record Beat(String browser) implements Input {}

    record Packet(int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded) implements Input {}

    record Streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded) implements Input {}

    /** What somebody has selected while building. */
    record Selecting(Feed feed, Presence presence) implements Input {}

    /** The hosts on our wires that do not answer for their address. */
    record Silent(Set<String> hosts) implements Input {}

    record PortClosed(Collection<PartId> targets) implements Input {}

    record Sockets(Map<PartId, SocketState> states) implements Input {}

    /** A browser looks at a show; the live one if it is that, else as committed. */
    record Join(Feed feed, String showId, String name, Show show) implements Input {}

    /** A browser looks at the live show; otherwise where another one is live by then. */
    record JoinLive(Feed feed, String showId, Runnable otherwise) implements Input {}

    record Renamed(String showId, String name) implements Input {}

    /** A packet that was handed to the system did not leave. */
    record NotSent(PartId target, byte[] packet) implements Input {}

    /** @param browser whose feed it is, where it has said so */
    record Leave(Feed feed, Optional<String> browser) implements Input {}

    /** What the clock on the wall says. */
    record Wall(WallTime wall) implements Input {}

    /** What a browser looks at besides values and links. */
    record Watch(Feed feed, List<PartId> traces) implements Input {}
}
