package imperan.bench;

import imperan.live.Actor;
import imperan.live.Command.StepCues;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;

/**
 * What a cue that something fires again and again does to hands: a fade of ten seconds, two lines and one that waits three seconds, fired
 * 100 and 1 000 times a second; in turn with a go at the same rate, of cues that do nothing. A touch is seen when its datagram arrives.
 */
final class Firing {

    private static final int ROUNDS = 9;
    private static final int[] RATES = {100, 1_000};
    private static final int TOUCHES = 40;
    private static final int TOUCHES_A_SECOND = 20;
    private static final int PLAIN = 3_000;
    private static final PartId TARGET = new PartId("fired-target");
    private static final PartId LIST = new PartId("fired");
    private static final PartId FIRED = new PartId("fired-1");
    private static final PartId STEPPED = new PartId("stepped");
    private static final Person PERSON = new Person("bench", "Bench");

    private final Stage stage;
    private volatile boolean over;

    Firing(Stage stage) {
        this.stage = stage;
    }

    void besideGo() throws IOException {
        try (DatagramSocket far = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                Browser hand = new Browser(stage.socket("/api/live"), frame -> {}).hello("bench")) {
            edit(far.getLocalPort());
            for (int rate : RATES) {
                round(hand, rate, this::fire);
                round(hand, rate, this::go);
                List<long[]> fired = new ArrayList<>();
                List<long[]> gone = new ArrayList<>();
                for (int i = 0; i < ROUNDS; i++) {
                    fired.add(round(hand, rate, this::fire));
                    gone.add(round(hand, rate, this::go));
                }
                double[] ratios = new double[ROUNDS];
                for (int i = 0; i < ROUNDS; i++) {
                    ratios[i] = (double) Machine.percentile(fired.get(i), 0.5) / Machine.percentile(gone.get(i), 0.5);
                }
                Arrays.sort(ratios);
                Main.print(
                        "A touch beside a cue that is fired %d times a second, and beside as many go: median ratio of %d rounds"
                                + " %.2f (%.2f to %.2f)",
                        rate, ROUNDS, ratios[ROUNDS / 2], ratios[0], ratios[ROUNDS - 1]);
                tell("  fired", fired);
                tell("  go", gone);
            }
        }
    }

    private static void tell(String what, List<long[]> rounds) {
        long[] all = rounds.stream().flatMapToLong(Arrays::stream).toArray();
        Main.print(
                "%s: median %.2f ms, p99 %.2f ms, worst %.2f ms of %d touches",
                what,
                Machine.percentile(all, 0.5) / 1e6,
                Machine.percentile(all, 0.99) / 1e6,
                Machine.percentile(all, 1) / 1e6,
                all.length);
    }

    private interface Order {
        void give(int number);
    }

    private long[] round(Browser hand, int rate, Order order) throws IOException {
        order(LIST, StepCues.Deed.STOP, null);
        order(STEPPED, StepCues.Deed.RESET, null);
        over = false;
        Thread orders = new Thread(() -> {
            long next = System.nanoTime();
            for (int i = 0; !over; i++) {
                order.give(i);
                next += 1_000_000_000L / rate;
                LockSupport.parkNanos(Math.max(0, next - System.nanoTime()));
            }
        });
        orders.start();
        Times times = new Times(TOUCHES);
        Thread reader = Latency.reader(stage.farEnd, packet -> times.arrived());
        times.run(TOUCHES_A_SECOND, i -> hand.touch(Stage.FADER.value(), i % 2 == 0 ? 0.25 : 0.75));
        over = true;
        reader.interrupt();
        Latency.join(reader);
        Latency.join(orders);
        return times.ways();
    }

    private void fire(int number) {
        order(LIST, StepCues.Deed.FIRE, FIRED);
    }

    private void go(int number) {
        order(STEPPED, StepCues.Deed.GO, null);
    }

    /** What is refused is refused: that too many run is what is measured here. */
    private void order(PartId list, StepCues.Deed deed, PartId cue) {
        stage.loop()
                .command(stage.show, new StepCues(list, deed, Optional.ofNullable(cue)), Actor.of(PERSON))
                .join();
    }

    private void edit(int port) throws IOException {
        List<CueAction> doing = List.of(
                fade("/bench/fired/fade"),
                say(0, "/bench/fired/now"),
                say(0, "/bench/fired/too"),
                say(3, "/bench/fired/later"));
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                Stage.put(
                        TARGET,
                        null,
                        Target.plain("Fired", "127.0.0.1", port, Stage.freePort(), Target.Answering.REPORTS)),
                Stage.put(LIST, null, CueList.plain("Fired")),
                Stage.put(FIRED, LIST, Cue.plain("1", "").doing(doing)),
                Stage.put(
                        STEPPED,
                        null,
                        new CueList("Stepped", 0, Optional.empty(), Optional.empty(), Optional.empty(), ""))));
        for (int i = 1; i <= PLAIN; i++) {
            steps.add(new EditRequest.Put(
                    new Part(new PartId("stepped-" + i), Optional.of(STEPPED), i, Cue.plain(String.valueOf(i), "")),
                    0));
        }
        Outcome outcome = stage.bean(Keeper.class)
                .edit(stage.show, new EditRequest("Cues to fire", steps), PERSON)
                .join();
        if (outcome instanceof Outcome.Refused refused) {
            throw new IllegalStateException("The cues to fire are refused: " + refused.problems());
        }
    }

    private static CueAction say(double delay, String address) {
        return new CueAction.SayLine(
                delay, Optional.of(TARGET), address, List.of(new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5")));
    }

    private static CueAction fade(String address) {
        return new CueAction.FadeLine(
                0,
                Optional.of(TARGET),
                address,
                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                Optional.of(0.0),
                1,
                10,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP);
    }
}
