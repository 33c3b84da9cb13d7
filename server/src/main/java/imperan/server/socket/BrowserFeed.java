package imperan.server.socket;

import imperan.server.run.Batch;
import imperan.server.run.Feed;
import imperan.server.run.Presence;
import imperan.server.run.Snapshot;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Executor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PingMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import tools.jackson.databind.json.JsonMapper;

/**
 * One browser's end of the show: gathers what it has to hear and sends it on a thread that may wait for it. Whatever goes wrong on the way, it goes on
 * or its connection ends; a browser that shows old values as if they were new is the one thing that must not be.
 */
final class BrowserFeed implements Feed {

    private static final Logger LOG = LoggerFactory.getLogger(BrowserFeed.class);

    private final WebSocketSession session;
    private final JsonMapper json;
    private final Executor senders;
    private final Runnable anew;
    private PendingFrame pending;
    private boolean sending;
    private boolean ping;
    private volatile boolean gone;

    /** @param anew asks for a new welcome, where so much waits for the browser that it had better begin anew */
    BrowserFeed(WebSocketSession session, JsonMapper json, Executor senders, Runnable anew) {
        this.session = session;
        this.json = json;
        this.senders = senders;
        this.anew = anew;
    }

    @Override
    public boolean isOpen() {
        return !gone;
    }

    /** Its browser has gone: nothing is gathered for it any more. */
    synchronized void gone() {
        gone = true;
        pending = null;
    }

    @Override
    public synchronized void welcome(Snapshot snapshot) {
        pending().welcome(snapshot);
        start();
    }

    @Override
    public synchronized void offer(Batch batch) {
        if (!pending().add(batch)) {
            pending = null;
            anew.run();
        }
        start();
    }

    @Override
    public synchronized void presences(List<Presence> presences) {
        pending().presences(presences);
        start();
    }

    @Override
    public synchronized void findings(long number) {
        pending().findings(number);
        start();
    }

    @Override
    public synchronized void refuse(String why) {
        pending().notice(why);
        start();
    }

    /** Lets the browser hear that we are here, and asks whether it is. */
    synchronized void beat() {
        ping = true;
        pending();
        start();
    }

    private PendingFrame pending() {
        if (pending == null) {
            pending = new PendingFrame();
        }
        return pending;
    }

    private void start() {
        if (!sending && !gone && pending != null) {
            sending = true;
            senders.execute(this::send);
        }
    }

    private synchronized PendingFrame next() {
        PendingFrame next = gone ? null : pending;
        pending = null;
        sending = next != null;
        return next;
    }

    private synchronized boolean takePing() {
        boolean taken = ping;
        ping = false;
        return taken;
    }

    private void send() {
        try {
            for (PendingFrame next = next(); next != null; next = next()) {
                if (takePing()) {
                    session.sendMessage(new PingMessage());
                }
                for (ServerFrame frame : next.frame().inPieces()) {
                    session.sendMessage(new TextMessage(json.writeValueAsBytes(frame)));
                }
            }
        } catch (IOException | IllegalStateException e) {
            // the browser is gone; its socket's end is told separately, so nobody waits for it here
            end(CloseStatus.SESSION_NOT_RELIABLE);
        } catch (Throwable e) {
            LOG.error("A frame could not be made for a browser; it is asked to begin anew", e);
            end(CloseStatus.SERVER_ERROR);
        }
    }

    private void end(CloseStatus why) {
        gone();
        try {
            session.close(why);
        } catch (IOException | IllegalStateException e) {
            LOG.debug("A browser was gone before its connection could be ended");
        }
    }
}
