package imperan.server.socket;

import imperan.live.Actor;
import imperan.server.access.KeyChanged;
import imperan.server.access.NetworkDoor;
import imperan.server.run.Presence;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.UnknownShowException;
import imperan.show.Person;
import imperan.show.ShowJson;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PongMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.adapter.standard.StandardWebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * The WebSocket of every browser: its frames become inputs of the loop. Both ends hear from each other every second, and either notices within
 * three that the other is gone.
 */
@Component
public class ShowSocket extends TextWebSocketHandler implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ShowSocket.class);

    /** Characters of a frame; a selection of a whole page needs a fifth of it. */
    static final int MAX_FRAME = 1 << 20;
    /** How often each browser hears from us. */
    private static final long BEAT_MS = 1_000;
    /** A browser that was not heard for longer is gone. */
    private static final long GONE_NANOS = TimeUnit.SECONDS.toNanos(3);
    /** A browser that takes nothing for longer is gone, too. */
    private static final long SEND_TIMEOUT_MS = 10_000;

    /** A show that is not there: asking again helps nobody. */
    private static final CloseStatus NO_SUCH_SHOW = new CloseStatus(4404, "There is no such show");

    private static final CloseStatus KEY_CHANGED = new CloseStatus(4401, "The show key was changed");

    /** One connection, from its first frame on. */
    private final class Browser {
        private final WebSocketSession session;
        private final BrowserFeed feed;
        private final StringBuilder frame = new StringBuilder();
        private boolean tooLarge;
        private boolean warned;
        private volatile long heardAt = System.nanoTime();
        private volatile Optional<Actor> actor = Optional.empty();
        private volatile String showId = "";

        private Browser(WebSocketSession session) {
            this.session = session;
            this.feed = new BrowserFeed(session, json, senders, () -> join(this));
        }
    }

    private final ShowLoop loop;
    private final Keeper keeper;
    private final JsonMapper json = ShowJson.mapper();
    private final Map<String, Browser> browsers = new ConcurrentHashMap<>();
    private final ExecutorService senders = Executors.newCachedThreadPool(r -> new Thread(r, "browser-sender"));
    private final ScheduledExecutorService beats =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "browser-beats"));

    ShowSocket(ShowLoop loop, Keeper keeper) {
        this.loop = loop;
        this.keeper = keeper;
        beats.scheduleAtFixedRate(this::beat, BEAT_MS, BEAT_MS, TimeUnit.MILLISECONDS);
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) {
        if (session instanceof StandardWebSocketSession standard) {
            standard.getNativeSession()
                    .getUserProperties()
                    .put("org.apache.tomcat.websocket.BLOCKING_SEND_TIMEOUT", SEND_TIMEOUT_MS);
        }
        browsers.put(session.getId(), new Browser(session));
    }

    /** Frames come in pieces, so that one that is too large can be refused in words instead of ending the connection. */
    @Override
    public boolean supportsPartialMessages() {
        return true;
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) throws IOException {
        Browser browser = browsers.get(session.getId());
        if (browser == null) {
            return;
        }
        browser.heardAt = System.nanoTime();
        browser.tooLarge |= browser.frame.length() + message.getPayloadLength() > MAX_FRAME;
        if (browser.tooLarge) {
            browser.frame.setLength(0);
        } else {
            browser.frame.append(message.getPayload());
        }
        if (!message.isLast()) {
            return;
        }
        String text = browser.frame.toString();
        browser.frame.setLength(0);
        browser.frame.trimToSize();
        if (browser.tooLarge) {
            browser.tooLarge = false;
            browser.feed.refuse("This is too much at once: a request has at most " + (MAX_FRAME >> 10)
                    + " KiB. Do it in several steps");
            return;
        }
        read(browser, text);
    }

    private void read(Browser browser, String text) throws IOException {
        ClientFrame frame;
        try {
            frame = json.readValue(text, ClientFrame.class);
        } catch (JacksonException | IllegalArgumentException e) {
            if (!browser.warned) {
                // once for each connection: it may go on like this for hours
                browser.warned = true;
                LOG.warn(
                        "A browser sent a frame that cannot be read: {}",
                        e instanceof JacksonException j ? ShowJson.reason(j) : e.getMessage());
            }
            browser.feed.refuse("This request cannot be read, and was not done");
            return;
        }
        if (frame == null) {
            browser.feed.refuse("This request cannot be read, and was not done");
        } else if (frame instanceof ClientFrame.Hello hello) {
            hello(browser, hello);
        } else if (browser.actor.isEmpty()) {
            browser.session.close(CloseStatus.POLICY_VIOLATION.withReason("The first frame says who you are"));
        } else if (frame instanceof ClientFrame.Called called) {
            named(browser, browser.actor.get().id(), called.name());
        } else {
            handle(browser, browser.actor.get(), frame);
        }
    }

    private void hello(Browser browser, ClientFrame.Hello hello) throws IOException {
        String showId = hello.show().isEmpty() ? loop.liveShowId() : hello.show();
        if (showId.isEmpty()) {
            browser.session.close(
                    CloseStatus.SERVICE_RESTARTED.withReason("No show is live yet: the server is starting"));
        } else if (named(browser, hello.browser(), hello.name())) {
            browser.showId = showId;
            join(browser);
        }
    }

    /** Who is connected from a browser; whoever is not is known by the browser alone. No database is asked, for the show goes on without one. */
    public Actor actor(String browserId) {
        return browsers.values().stream()
                .flatMap(browser -> browser.actor.stream())
                .filter(actor -> actor.id().equals(browserId))
                .findFirst()
                .orElseGet(() -> Actor.of(new Person(browserId, "A browser without a name")));
    }

    private static boolean named(Browser browser, String id, String name) {
        Person person = new Person(id, name);
        Optional<String> problem = person.problem();
        problem.ifPresent(browser.feed::refuse);
        if (problem.isEmpty()) {
            browser.actor = Optional.of(Actor.of(person));
        }
        return problem.isEmpty();
    }

    /** The live show as it runs; another one as the keeper has it. */
    private void join(Browser browser) {
        if (browser.showId.equals(loop.liveShowId())) {
            loop.joinLive(browser.feed, browser.showId, () -> joinKept(browser));
        } else {
            joinKept(browser);
        }
    }

    /** Joins where edits are told, too: so no edit falls between the show that is read here and the edits that follow it. */
    private void joinKept(Browser browser) {
        String showId = browser.showId;
        keeper.withShow(showId, (name, show) -> loop.join(browser.feed, showId, name, show))
                .exceptionally(e -> {
                    end(
                            browser,
                            e.getCause() instanceof UnknownShowException || e instanceof UnknownShowException
                                    ? NO_SUCH_SHOW
                                    : CloseStatus.SERVER_ERROR);
                    return null;
                });
    }

    private void handle(Browser browser, Actor actor, ClientFrame frame) {
        BrowserFeed feed = browser.feed;
        String showId = browser.showId;
        if (frame instanceof ClientFrame.Do wanted) {
            loop.command(feed, showId, wanted.command(), actor);
        } else if (frame instanceof ClientFrame.Beat) {
            loop.beat(actor.id());
        } else if (frame instanceof ClientFrame.Selecting selecting) {
            loop.selecting(feed, new Presence(actor.id(), actor.name(), selecting.controls()));
        } else if (frame instanceof ClientFrame.Watch watch) {
            loop.watch(feed, watch.traces());
        }
    }

    // ---- whether they are there

    @Override
    protected void handlePongMessage(WebSocketSession session, PongMessage message) {
        Browser browser = browsers.get(session.getId());
        if (browser != null) {
            browser.heardAt = System.nanoTime();
        }
    }

    private void beat() {
        try {
            long now = System.nanoTime();
            for (Browser browser : browsers.values()) {
                if (now - browser.heardAt > GONE_NANOS) {
                    forget(browser);
                    // its network may be gone without a word, and then ending the connection takes as long as sending
                    // does
                    senders.execute(() -> end(browser, CloseStatus.SESSION_NOT_RELIABLE));
                } else {
                    browser.feed.beat();
                }
            }
        } catch (RuntimeException e) {
            LOG.error("The browsers could not be asked whether they are there", e);
        }
    }

    /** Whoever came in with the key that counts no more has to show the new one. */
    @EventListener
    void keyChanged(KeyChanged changed) {
        browsers.values().stream()
                .filter(browser -> !isThisMachine(browser.session))
                .forEach(browser -> senders.execute(() -> end(browser, KEY_CHANGED)));
    }

    private static boolean isThisMachine(WebSocketSession session) {
        return session.getRemoteAddress() != null
                && NetworkDoor.isThisMachine(
                        session.getRemoteAddress().getAddress().getHostAddress());
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        Browser browser = browsers.get(session.getId());
        if (browser != null) {
            forget(browser);
        }
    }

    private void forget(Browser browser) {
        browser.feed.gone();
        browsers.remove(browser.session.getId());
        loop.leave(browser.feed, browser.actor.map(Actor::id));
    }

    private void end(Browser browser, CloseStatus why) {
        try {
            browser.session.close(why);
        } catch (IOException | IllegalStateException e) {
            LOG.debug("A browser was gone before its connection could be ended");
        }
    }

    @Override
    public void close() {
        beats.shutdownNow();
        senders.shutdownNow();
    }
}
