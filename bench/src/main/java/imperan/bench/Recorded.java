package imperan.bench;

import com.microsoft.playwright.Page;
import imperan.server.capture.Captures;
import imperan.server.capture.Captures.RecordingState;
import imperan.server.net.UdpSockets;
import java.util.Map;
import java.util.Optional;

/** Ten thousand packets a second for a minute: whether the recorder has all of them, what the heap does, and whether a browser at the Wire keeps up. */
final class Recorded {

    private static final int PER_SECOND = 10_000;
    private static final int SECONDS = 60;
    private static final int WARM_UP_SECONDS = 5;
    private static final int EARLY = 10;

    /** Long animation frames, as the browser itself counts them (the Long Animation Frames API), and the longest. */
    private static final String WATCH =
            """
            () => { window.slow = []; new PerformanceObserver(list => list.getEntries().forEach(e => window.slow.push(e.duration))).observe({type: 'long-animation-frame'}); }""";

    private final Stage stage;

    Recorded(Stage stage) {
        this.stage = stage;
    }

    void minute() throws InterruptedException {
        Captures captures = stage.bean(Captures.class);
        Optional<Chromium> opened = Chromium.open("The Wire");
        Page page = opened.map(Chromium::page).orElse(null);
        if (page != null) {
            page.navigate(stage.socket("/#/wire").toString().replaceFirst("^ws", "http"));
            page.locator("[role=tab]").first().waitFor();
        }
        come(WARM_UP_SECONDS, i -> {});
        // only now has the show of this bench surely taken the place of the demo
        String show = stage.loop().liveShowId();
        if (page != null) {
            page.evaluate(WATCH);
        }
        captures.start(show, "Bench").ifPresent(problem -> {
            throw new IllegalStateException(problem.message());
        });
        long dropsBefore = Machine.drops(stage.answerPort);
        long[] heaps = new long[2];
        Machine.Steal steal = new Machine.Steal();
        come(SECONDS, i -> {
            if (i == EARLY * PER_SECOND) {
                heaps[0] = Machine.heap();
            } else if (i == SECONDS * PER_SECOND - 1) {
                heaps[1] = Machine.heap();
            }
        });
        captures.stop(show);
        RecordingState recorded = captures.recording(show).orElseThrow();
        Main.print(
                "10 000 packets a second for %d s, recorded, with a browser at the Wire (stolen processor time %.1f %%)",
                SECONDS, steal.percent());
        Main.print(
                "  recorded: %d of %d that came (lost by the recorder %d, dropped by the kernel %d, receive buffer %d bytes); its file has %.1f MB%s",
                recorded.packets(),
                SECONDS * PER_SECOND,
                recorded.lost(),
                Machine.drops(stage.answerPort) - dropsBefore,
                Machine.grantedReceiveBuffer(UdpSockets.RECEIVE_BUFFER_BYTES),
                recorded.bytes() / 1e6,
                recorded.problem().isEmpty() ? "" : "; " + recorded.problem());
        Main.print(
                "  heap after collection: %.1f MB at second %d, %.1f MB at second %d (%+.1f %%)",
                heaps[0] / 1e6, EARLY, heaps[1] / 1e6, SECONDS, 100.0 * (heaps[1] - heaps[0]) / heaps[0]);
        if (page != null) {
            Map<?, ?> slow = (Map<?, ?>)
                    page.evaluate("() => ({count: window.slow.length, longest: Math.max(0, ...window.slow)})");
            Main.print(
                    "  long animation frames at the Wire: %s, the longest %.0f ms",
                    slow.get("count"), ((Number) slow.get("longest")).doubleValue());
        }
        captures.remove(show, recorded.capture());
        opened.ifPresent(Chromium::close);
    }

    private void come(int seconds, Load.Step each) throws InterruptedException {
        Thread incoming = new Thread(
                () -> Load.paced(PER_SECOND * seconds, PER_SECOND / 200, 200, i -> {
                    Latency.send(stage.farEnd, Latency.answer(i), 24, stage.answerPort);
                    each.take(i);
                }),
                "flood");
        incoming.start();
        incoming.join();
    }
}
