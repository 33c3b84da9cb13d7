package imperan.server.socket;

import imperan.live.Touch;
import imperan.server.run.Presence;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.UnknownShowException;
import imperan.show.Person;
import imperan.show.ShowJson;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** The WebSocket of every browser: its frames become inputs of the loop. */
@Component
public class ShowSocket extends TextWebSocketHandler implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ShowSocket.class);

    /** A show that is not there: asking again helps nobody. */
    private static final CloseStatus NO_SUCH_SHOW = new CloseStatus(4404, "There is no such show");

    private record Browser(BrowserFeed feed, Person person, String showId) {
    }

    private final ShowLoop loop;
    private final Keeper keeper;
    private final JsonMapper json = ShowJson.mapper();
    private final Map<String, Browser> browsers = new ConcurrentHashMap<>();
    private final ExecutorService senders = Executors.newCachedThreadPool(r -> new Thread(r, "browser-sender"));

    ShowSocket(ShowLoop loop, Keeper keeper) {
        this.loop = loop;
        this.keeper = keeper;
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) throws IOException {
        ClientFrame frame;
        try {
            frame = json.readValue(message.asBytes(), ClientFrame.class);
        } catch (JacksonException e) {
            LOG.warn("A browser sent a frame that cannot be read: {}", e.getOriginalMessage());
            session.close(CloseStatus.BAD_DATA.withReason("This frame cannot be read"));
            return;
        }
        if (frame instanceof ClientFrame.Hello hello) {
            BrowserFeed feed = new BrowserFeed(session, json, senders);
            String showId = hello.show().isEmpty() ? loop.liveShowId() : hello.show();
            if (showId.isEmpty()) {
                session.close(CloseStatus.SERVICE_RESTARTED.withReason("No show is live yet: the server is starting"));
                return;
            }
            Browser before = browsers.put(session.getId(),
                    new Browser(feed, new Person(hello.browser(), hello.name()), showId));
            if (before != null) {
                loop.leave(before.feed());
            }
            join(session, feed, showId);
            return;
        }
        Browser browser = browsers.get(session.getId());
        if (browser == null) {
            session.close(CloseStatus.POLICY_VIOLATION.withReason("The first frame says who you are"));
            return;
        }
        if (frame instanceof ClientFrame.Called called) {
            browsers.put(session.getId(),
                    new Browser(browser.feed(), new Person(browser.person().id(), called.name()), browser.showId()));
            return;
        }
        handle(browser, frame);
    }

    /**
     * Joins on the keeper's thread, on which edits are told too: so no edit falls between the show that is read here and the
     * edits that follow it.
     */
    private void join(WebSocketSession session, BrowserFeed feed, String showId) {
        keeper.withShow(showId, (name, show) -> loop.join(feed, showId, name, show)).exceptionally(e -> {
            try {
                session.close(e.getCause() instanceof UnknownShowException ? NO_SUCH_SHOW : CloseStatus.SERVER_ERROR);
            } catch (IOException gone) {
                LOG.debug("A browser left before it could be told that its show is not there");
            }
            return null;
        });
    }

    private void handle(Browser browser, ClientFrame frame) {
        Person person = browser.person();
        if (frame instanceof ClientFrame.Touched t) {
            loop.touch(browser.showId(), new Touch(t.control(), new Touch.Pointer(person.id(), t.finger()), t.phase(), t.x(), t.y(),
                    t.fine(), t.words()), person);
        } else if (frame instanceof ClientFrame.Beat) {
            loop.beat(person.id());
        } else if (frame instanceof ClientFrame.Fire fire) {
            loop.testFire(browser.showId(), fire.control(), fire.send());
        } else if (frame instanceof ClientFrame.Gated gated) {
            loop.gate(browser.showId(), gated.target(), gated.gate());
        } else if (frame instanceof ClientFrame.StartList start) {
            loop.start(browser.showId(), start.target());
        } else if (frame instanceof ClientFrame.LeaveAsItIs leave) {
            loop.leaveAsItIs(browser.showId(), leave.target());
        } else if (frame instanceof ClientFrame.Refresh refresh) {
            loop.refresh(browser.showId(), refresh.target());
        } else if (frame instanceof ClientFrame.Rest rest) {
            loop.rest(browser.showId(), rest.controls(), person);
        } else if (frame instanceof ClientFrame.Selecting selecting) {
            loop.selecting(browser.feed(), new Presence(person.id(), person.name(), selecting.controls()));
        } else if (frame instanceof ClientFrame.Watch watch) {
            if (!watch.wire()) {
                browser.feed().wireOff();
            }
            loop.watch(browser.feed(), watch.wire(), watch.traces());
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        Browser browser = browsers.remove(session.getId());
        if (browser != null) {
            loop.leave(browser.feed());
        }
    }

    @Override
    public void close() {
        senders.shutdownNow();
    }
}
