package imperan.server.run;

import imperan.live.SocketState;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Target;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What was opened since the start, and what could not be: ports, addresses, shows. For people who want to know where they stand before the doors open. */
@Component
public class StartLog {

    /** The oldest make room. */
    static final int MOST = 300;

    private final Deque<StartEntry> entries = new ArrayDeque<>();
    /** Of the live show, the last of each target. */
    private final Map<PartId, SocketState> sockets = new HashMap<>();

    /**
     * @param atMillis in milliseconds since 1970
     * @param failed   whether it is something that could not be done
     * @param what     one sentence without its full stop
     */
    public record StartEntry(long atMillis, boolean failed, String what) {}

    /** Something was opened, or shut. */
    public void done(String what) {
        add(false, what);
    }

    /** Something could not be opened. */
    public void failed(String what) {
        add(true, what);
    }

    private synchronized void add(boolean failed, String what) {
        entries.addFirst(new StartEntry(System.currentTimeMillis(), failed, what));
        if (entries.size() > MOST) {
            entries.removeLast();
        }
    }

    /** A show took the sockets. */
    synchronized void live(String name) {
        sockets.clear();
        done("“" + name + "” is live");
    }

    /** What became of the socket of a target of the live show; the same again is not said again. */
    synchronized void socket(Show show, PartId id, SocketState state) {
        Optional<Target> target =
                show.part(id).map(Part::body).filter(Target.class::isInstance).map(Target.class::cast);
        if (target.isEmpty() || state.equals(sockets.put(id, state)) || state.kind() == SocketState.Kind.OPENING) {
            return;
        }
        Target end = target.get().asReached();
        if (state.works()) {
            done(end.name() + ": sending to " + end.host() + " port " + end.port() + ", receiving on " + state.ourHost()
                    + " port " + end.answerPort());
        } else {
            failed(end.name() + ": " + state.trouble());
        }
    }

    /** The newest first. */
    public synchronized List<StartEntry> entries() {
        return List.copyOf(entries);
    }

    @EventListener
    void pages(WebServerInitializedEvent event) {
        done("Imperan's pages are served to this machine on port "
                + event.getWebServer().getPort());
    }
}
