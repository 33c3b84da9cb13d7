package imperan.server.run;

import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/** What was opened since the start, and what could not be: ports, addresses, shows. For people who want to know where they stand before the doors open. */
@Component
public class StartLog {

    /** The oldest make room. */
    static final int MOST = 300;

    private final Deque<StartEntry> entries = new ArrayDeque<>();

    /**
     * @param atMillis in milliseconds since 1970
     * @param failed   whether it is something that could not be done
     * @param what     one sentence without its full stop
     */
    public record StartEntry(long atMillis, boolean failed, String what) {
    }

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

    /** The newest first. */
    public synchronized List<StartEntry> entries() {
        return List.copyOf(entries);
    }

    @EventListener
    void pages(WebServerInitializedEvent event) {
        done("Imperan's pages are served to this machine on port " + event.getWebServer().getPort());
    }
}
