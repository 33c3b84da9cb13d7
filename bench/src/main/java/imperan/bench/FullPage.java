package imperan.bench;

import com.microsoft.playwright.Page;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;

/**
 * A page of five hundred controls that its target keeps moving, beside a blank page that is only animated, while the server does the same
 * work and while it does nothing: the share of long frames of each, in turn.
 */
final class FullPage {

    private static final int UPDATES_A_SECOND = 2_000;
    private static final int SECONDS = 6;
    private static final int OPENED_MILLIS = 1_500;
    private static final int LATER_MILLIS = 8_000;
    private static final int ROUNDS = 5;
    private static final double LONG_MILLIS = 25;
    /** Where other guests of the machine take more of its processor time, frames are late for their sake. */
    private static final double QUIET_PERCENT = 1;

    private static final long TICK_NANOS = 5_000_000L;

    /** Counts frames by the clock, for what the callback is told snaps to the rate of the display. */
    private static final String COUNT =
            """
            (seconds) => new Promise((done) => {
              const gaps = []; let last = performance.now(); const end = last + seconds * 1000;
              const frame = () => {
                const now = performance.now(); gaps.push(now - last); last = now;
                if (now < end) requestAnimationFrame(frame); else done(gaps);
              };
              requestAnimationFrame(frame);
            })""";

    private static final String BLANK =
            """
            data:text/html,<style>@keyframes t{to{transform:translateX(600px)}}div{width:99px;height:99px;background:teal;animation:t 2s infinite alternate}
            </style><div></div>""";

    private final Stage stage;

    FullPage(Stage stage) {
        this.stage = stage;
    }

    void draw() {
        Optional<Chromium> opened = Chromium.open("A page of " + Stage.MANY + " controls");
        if (opened.isEmpty()) {
            return;
        }
        try (Chromium chromium = opened.get()) {
            // not counted: until then the server spends its time on compiling itself
            count(chromium, full(), true);
            Machine.Steal steal = new Machine.Steal();
            Watch ours = Watch.NONE;
            Watch beside = Watch.NONE;
            Watch alone = Watch.NONE;
            for (int round = 0; round < ROUNDS; round++) {
                ours = ours.and(count(chromium, full(), true));
                beside = beside.and(count(chromium, BLANK, true));
                alone = alone.and(count(chromium, BLANK, false));
            }
            Main.print(
                    "A page of %d controls with %d updates a second (stolen processor time %.1f %%)",
                    Stage.MANY, UPDATES_A_SECOND, steal.percent());
            Main.print(
                    "  frames over %.0f ms, in %d rounds of %d s: ours, a blank animated page while the same updates come in, and with nothing else",
                    LONG_MILLIS, ROUNDS, SECONDS);
            Main.print(
                    "  just opened:  %s, %s, %s",
                    ours.opened().all(), beside.opened().all(), alone.opened().all());
            Main.print(
                    "  a while later: %s, %s, %s",
                    ours.later().all(), beside.later().all(), alone.later().all());
            Main.print("  of these, while others took less than %.0f %% of the machine", QUIET_PERCENT);
            Main.print(
                    "  just opened:  %s, %s, %s",
                    ours.opened().quiet(),
                    beside.opened().quiet(),
                    alone.opened().quiet());
            Main.print(
                    "  a while later: %s, %s, %s",
                    ours.later().quiet(), beside.later().quiet(), alone.later().quiet());
        }
    }

    private String full() {
        return http("/#/run/" + Stage.FULL.value());
    }

    private String http(String path) {
        return stage.socket(path).toString().replaceFirst("^ws", "http");
    }

    private record Frames(long all, long slow) {

        static final Frames NONE = new Frames(0, 0);

        Frames and(Frames other) {
            return new Frames(all + other.all, slow + other.slow);
        }

        @Override
        public String toString() {
            return all == 0 ? "none" : String.format(Locale.ROOT, "%.2f %% (%d of %d)", 100.0 * slow / all, slow, all);
        }
    }

    /** @param quiet those of {@code all} that were counted on a quiet machine */
    private record Counted(Frames all, Frames quiet) {

        static final Counted NONE = new Counted(Frames.NONE, Frames.NONE);

        Counted and(Counted other) {
            return new Counted(all.and(other.all), quiet.and(other.quiet));
        }
    }

    /** @param opened while the browser still compiles the page, {@code later} when it has */
    private record Watch(Counted opened, Counted later) {

        static final Watch NONE = new Watch(Counted.NONE, Counted.NONE);

        Watch and(Watch other) {
            return new Watch(opened.and(other.opened), later.and(other.later));
        }
    }

    private Watch count(Chromium chromium, String address, boolean moved) {
        Page page = chromium.page();
        Thread mover = new Thread(this::move, "mover");
        if (moved) {
            mover.start();
        }
        page.navigate(address);
        page.waitForTimeout(OPENED_MILLIS);
        Counted opened = frames(page);
        page.waitForTimeout(LATER_MILLIS);
        Counted later = frames(page);
        mover.interrupt();
        page.context().close();
        return new Watch(opened, later);
    }

    @SuppressWarnings("unchecked")
    private static Counted frames(Page page) {
        Machine.Steal steal = new Machine.Steal();
        List<Number> gaps = (List<Number>) page.evaluate(COUNT, SECONDS);
        Frames all = new Frames(
                gaps.size(),
                gaps.stream().filter(gap -> gap.doubleValue() > LONG_MILLIS).count());
        return new Counted(all, steal.percent() < QUIET_PERCENT ? all : Frames.NONE);
    }

    /** Each control in turn, so many in all each second. */
    private void move() {
        int next = 0;
        long due = System.nanoTime();
        while (!Thread.currentThread().isInterrupted()) {
            for (int i = 0; i < UPDATES_A_SECOND * TICK_NANOS / 1_000_000_000L; i++) {
                byte[] packet = OscEncoder.encode(OscMessage.of(
                        Stage.IN + "/" + next % Stage.MANY, new OscArgument.Float32((next * 37 % 1000) / 1000f)));
                Latency.send(stage.farEnd, packet, packet.length, stage.answerPort);
                next++;
            }
            due += TICK_NANOS;
            LockSupport.parkNanos(due - System.nanoTime());
        }
    }
}
