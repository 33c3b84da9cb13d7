package imperan.server.run;

import imperan.live.SavedValue;
import imperan.live.Touch;
import imperan.osc.Decoded;
import imperan.server.net.SocketState;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;

import java.util.Collection;
import java.util.List;
import java.util.Map;

/** Everything that can happen to the live show. The loop handles them one after the other. */
sealed interface Input {

    /** This show owns the sockets from now on. */
    record GoLive(String showId, String name, Show show, List<SavedValue> values) implements Input {
    }

    record Committed(String showId, Edit edit, Show show) implements Input {
    }

    /** @param showId the show that the browser looks at: a copy has the same controls, and must not move the live ones */
    record Touched(String showId, Touch touch, Person person) implements Input {
    }

    record Beat(String browser) implements Input {
    }

    record Fire(String showId, PartId control, int send) implements Input {
    }

    record Packet(int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded) implements Input {
    }

    record PortClosed(Collection<PartId> targets) implements Input {
    }

    record Sockets(Map<PartId, SocketState> states) implements Input {
    }

    /** A browser looks at a show; the live one if it is that, else as committed. */
    record Join(Feed feed, String showId, String name, Show show) implements Input {
    }

    record Leave(Feed feed) implements Input {
    }

    /** What a browser looks at besides values and links. */
    record Watch(Feed feed, boolean wire, List<PartId> traces) implements Input {
    }
}
