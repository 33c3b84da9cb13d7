package imperan.server.socket;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.server.run.Batch;
import imperan.server.run.Snapshot;
import imperan.show.Edit;
import imperan.show.Layout;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.ShowJson;
import java.io.IOException;
import java.lang.reflect.Proxy;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PingMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;

/** Whatever goes wrong between us and a browser: its feed goes on or ends, and is never frozen. */
class BrowserFeedTest {

    private static final Snapshot SNAPSHOT = new Snapshot(
            "show",
            "Show",
            true,
            Show.empty(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            3);

    private final List<String> sent = new ArrayList<>();
    private final List<CloseStatus> closed = new ArrayList<>();
    private final Deque<Throwable> failures = new ArrayDeque<>();
    private final Deque<Runnable> later = new ArrayDeque<>();
    private int anew;
    private final BrowserFeed feed = new BrowserFeed(session(), ShowJson.mapper(), later::add, () -> anew++);

    private WebSocketSession session() {
        return (WebSocketSession) Proxy.newProxyInstance(
                getClass().getClassLoader(), new Class<?>[] {WebSocketSession.class}, (proxy, method, arguments) -> {
                    if (method.getName().equals("sendMessage")) {
                        if (!failures.isEmpty()) {
                            throw failures.poll();
                        }
                        sent.add(
                                arguments[0] instanceof PingMessage
                                        ? "ping"
                                        : ((WebSocketMessage<?>) arguments[0])
                                                .getPayload()
                                                .toString());
                    } else if (method.getName().equals("close")) {
                        closed.add((CloseStatus) arguments[0]);
                    }
                    return null;
                });
    }

    private void run() {
        while (!later.isEmpty()) {
            later.poll().run();
        }
    }

    private static Batch edit(long number, long bytes) {
        Part part = new Part(new PartId("p" + number), Optional.empty(), 0, Layout.plain("L"));
        Edit edit = new Edit(
                number,
                new Person("b", "Ada"),
                "Edit",
                List.of(new Edit.Change(part.id(), Optional.empty(), Optional.of(part))),
                Edit.Role.FRESH);
        return new Batch(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                List.of(edit),
                bytes,
                Optional.empty(),
                0,
                List.of());
    }

    @Test
    void anExpectedEndAnUnexpectedOneAndAnErrorAllEndTheConnection() {
        for (Throwable failure : List.of(
                new IOException("gone"), new IllegalArgumentException("unexpected"), new StackOverflowError())) {
            BrowserFeed broken = new BrowserFeed(session(), ShowJson.mapper(), later::add, () -> anew++);
            failures.add(failure);
            broken.welcome(SNAPSHOT);
            run();
            assertThat(broken.isOpen()).as(failure.toString()).isFalse();
            broken.offer(edit(1, 10));
            assertThat(later).as("nothing is gathered for it any more").isEmpty();
        }
        assertThat(closed).hasSize(3);
    }

    @Test
    void aBeatIsAFrameAndAPing() {
        feed.beat();
        run();
        assertThat(sent).hasSize(2).first().isEqualTo("ping");
        feed.beat();
        feed.beat();
        run();
        assertThat(sent).hasSize(4);
    }

    @Test
    void aSlowBrowserBeginsAnewWhenTooManyEditsWaitForIt() {
        feed.welcome(SNAPSHOT);
        run();
        feed.offer(edit(1, 5L << 20));
        assertThat(anew).as("a single large edit is waited for").isZero();
        feed.offer(edit(2, 10));
        assertThat(anew).isEqualTo(1);
        feed.welcome(SNAPSHOT);
        run();
        assertThat(sent)
                .as("the edits that waited are part of its new welcome")
                .noneMatch(frame -> frame.contains("\"number\":1"));
        for (int i = 3; i < 100; i++) {
            feed.offer(edit(i, 1_000));
        }
        run();
        assertThat(anew).isEqualTo(1);
    }

    @Test
    void whoHasGoneIsNotWelcomedAndHearsNothing() {
        feed.gone();
        feed.welcome(SNAPSHOT);
        feed.refuse("no");
        run();
        assertThat(sent).isEmpty();
        assertThat(feed.isOpen()).isFalse();
    }

    @Test
    void aFloodOfRefusalsIsNoFloodOfSentences() {
        for (int i = 0; i < 10_000; i++) {
            feed.refuse("No " + i);
        }
        run();
        assertThat(sent).singleElement().asString().hasSizeLessThan(2_000);
    }
}
