package imperan.server.socket;

import imperan.live.WireRecord;
import imperan.server.run.Batch;
import imperan.server.run.Feed;
import imperan.server.run.Presence;
import imperan.server.run.Snapshot;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import tools.jackson.databind.json.JsonMapper;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.Executor;

/** One browser's end of the show: gathers what it has to hear and sends it on a thread that may wait for it. */
final class BrowserFeed implements Feed {

    private final WebSocketSession session;
    private final JsonMapper json;
    private final Executor senders;
    private PendingFrame pending;
    private boolean sending;
    private boolean wire;

    BrowserFeed(WebSocketSession session, JsonMapper json, Executor senders) {
        this.session = session;
        this.json = json;
        this.senders = senders;
    }

    @Override
    public synchronized void welcome(Snapshot snapshot) {
        pending().welcome(snapshot);
        start();
    }

    @Override
    public synchronized void offer(Batch batch) {
        pending().add(batch, wire);
        start();
    }

    @Override
    public synchronized void presences(List<Presence> presences) {
        pending().presences(presences);
        start();
    }

    @Override
    public synchronized void wireSoFar(List<WireRecord> records) {
        wire = true;
        pending().wire(records);
        start();
    }

    synchronized void wireOff() {
        wire = false;
    }

    private PendingFrame pending() {
        if (pending == null) {
            pending = new PendingFrame();
        }
        return pending;
    }

    private void start() {
        if (!sending) {
            sending = true;
            senders.execute(this::send);
        }
    }

    private synchronized PendingFrame next() {
        PendingFrame next = pending;
        pending = null;
        sending = next != null;
        return next;
    }

    private void send() {
        for (PendingFrame next = next(); next != null; next = next()) {
            try {
                for (ServerFrame frame : next.frame().inPieces()) {
                    session.sendMessage(new TextMessage(json.writeValueAsBytes(frame)));
                }
            } catch (IOException | IllegalStateException e) {
                // the browser is gone; its socket's end is told separately, so nobody waits for it here
                return;
            }
        }
    }
}
