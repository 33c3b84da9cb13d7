package imperan.bench;

import imperan.live.Actor;
import imperan.live.Command.StepCues;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.server.net.UdpSockets;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.LongStream;

/**
 * When the lines of cues leave that follow each other by time: a thousand of them in a minute, alone and beside two hundred fades; in turn with a bare thread that sleeps until the next one is due and sends the
 * same datagrams. The error of one is how much later it arrives, counted from the earliest of its round; who looks for it never sleeps, so that it is not his waking that is measured.
 */
final class CueTiming {

    private static final int ROUNDS = 4;
    private static final int CUES = 250;
    private static final int WARM_UPS = 40;
    /** A thousand of them are a minute; it is no multiple of the steps of fades, so that both meet in all ways. */
    private static final long APART_NANOS = 61_000_000L;

    private static final long STEP_NANOS = 20_000_000L;
    private static final int FADES = 200;
    private static final double FADE_SECONDS = 16;
    private static final String CUE = "/bench/cue";
    private static final PartId LIST = new PartId("timed");
    private static final PartId FADING = new PartId("fading");
    private static final Person PERSON = new Person("bench", "Bench");

    private static final PartId TARGET = new PartId("timed-target");

    private final Stage stage;
    private final DatagramChannel farEnd;

    CueTiming(Stage stage) throws IOException {
        this.stage = stage;
        farEnd = DatagramChannel.open(StandardProtocolFamily.INET)
                .setOption(StandardSocketOptions.SO_RCVBUF, UdpSockets.RECEIVE_BUFFER_BYTES)
                .bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
        farEnd.configureBlocking(false);
    }

    private int port() {
        return farEnd.socket().getLocalPort();
    }

    private interface Round {
        void run() throws IOException;
    }

    void besideABareTimer() throws IOException {
        edit();
        warmUp();
        print("A cue every %.0f ms, %d of them".formatted(APART_NANOS / 1e6, ROUNDS * CUES), 0);
        print("The same beside %d fades".formatted(FADES), FADES);
        farEnd.close();
    }

    private void edit() throws IOException {
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                Stage.put(
                        TARGET,
                        null,
                        Target.plain("Timed", "127.0.0.1", port(), Stage.freePort(), Target.Answering.REPORTS)),
                Stage.put(LIST, null, CueList.plain("Timed")),
                Stage.put(FADING, null, CueList.plain("Fading"))));
        for (int i = 0; i < CUES; i++) {
            CueAction say = new CueAction.SayLine(
                    0,
                    Optional.of(TARGET),
                    CUE,
                    List.of(new ArgumentSource.Fixed(ArgumentType.INT32, String.valueOf(i))));
            steps.add(Stage.put(
                    new PartId("timed-" + i),
                    LIST,
                    Cue.plain(String.valueOf(i), "", say)
                            .followed(i == CUES - 1 ? CueFollow.BY_HAND : CueFollow.after(APART_NANOS / 1e9))));
        }
        List<CueAction> fades = new ArrayList<>();
        for (int i = 0; i < FADES; i++) {
            fades.add(new CueAction.FadeLine(
                    0,
                    Optional.of(TARGET),
                    "/bench/fade/" + i,
                    List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                    Optional.of(0.0),
                    1,
                    FADE_SECONDS,
                    FadeCurve.EVEN,
                    CueAction.FadeLine.Unknown.SKIP));
        }
        steps.add(Stage.put(new PartId("fades"), FADING, Cue.plain("1", "").doing(fades)));
        Outcome outcome = stage.bean(Keeper.class)
                .edit(stage.show, new EditRequest("Cues to measure with", steps), PERSON)
                .join();
        if (outcome instanceof Outcome.Refused refused) {
            throw new IllegalStateException("The cues to measure with are refused: " + refused.problems());
        }
    }

    /** As often as the compiler of the virtual machine needs to come to rest; a thousand times as fast. */
    private void warmUp() {
        speed(1000);
        for (int i = 0; i < WARM_UPS; i++) {
            order(LIST, StepCues.Deed.JUMP, Optional.of(new PartId("timed-0")));
            order(LIST, StepCues.Deed.GO, Optional.empty());
            LockSupport.parkNanos(400_000_000L);
        }
        speed(1);
    }

    private void speed(double times) {
        stage.loop()
                .askLive(stage.show, (live, now) -> {
                    live.cueSpeed(LIST, times);
                    return true;
                })
                .join();
    }

    private void print(String what, int fades) throws IOException {
        Machine.Steal steal = new Machine.Steal();
        long[][] ours = new long[ROUNDS][];
        long[][] bare = new long[ROUNDS][];
        try (DatagramSocket socket = new DatagramSocket()) {
            for (int i = 0; i < ROUNDS; i++) {
                ours[i] = errors(() -> play(fades));
                bare[i] = errors(() -> timer(socket, fades));
            }
        }
        Main.print("%s (stolen processor time %.1f %%)", what, steal.percent());
        for (double share : new double[] {0.5, 0.99}) {
            double mine = over(ours, share);
            double theirs = over(bare, share);
            Main.print(
                    "  %s of the error of departure: ours %.0f µs, bare timer thread %.0f µs, ratio %.2f",
                    share == 0.5 ? "median" : "p99", mine, theirs, mine / theirs);
        }
    }

    private static double over(long[][] rounds, double share) {
        return Machine.percentile(
                        Arrays.stream(rounds).flatMapToLong(Arrays::stream).toArray(), share)
                / 1000.0;
    }

    /** How much later each cue of a round arrived than the earliest of them. */
    private long[] errors(Round round) throws IOException {
        long[] arrived = new long[CUES];
        byte[] wanted = CUE.getBytes(StandardCharsets.US_ASCII);
        AtomicBoolean over = new AtomicBoolean();
        Thread reader = new Thread(
                () -> {
                    ByteBuffer packet = ByteBuffer.allocate(1500);
                    while (!over.get()) {
                        note(packet.clear(), wanted, arrived);
                    }
                },
                "far end");
        reader.start();
        round.run();
        over.set(true);
        try {
            reader.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (LongStream.of(arrived).anyMatch(at -> at == 0)) {
            throw new IllegalStateException("Not every cue arrived");
        }
        long[] errors = new long[CUES];
        for (int i = 0; i < CUES; i++) {
            errors[i] = arrived[i] - i * APART_NANOS;
        }
        long least = LongStream.of(errors).min().orElseThrow();
        return LongStream.of(errors).map(error -> error - least).toArray();
    }

    private void note(ByteBuffer packet, byte[] wanted, long[] arrived) {
        try {
            if (farEnd.receive(packet) == null) {
                Thread.onSpinWait();
                return;
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        long now = System.nanoTime();
        if (Arrays.equals(packet.array(), 0, wanted.length, wanted, 0, wanted.length)) {
            arrived[packet.getInt(packet.position() - Integer.BYTES)] = now;
        }
    }

    // ---- ours

    private void play(int fades) {
        if (fades > 0) {
            order(FADING, StepCues.Deed.FIRE, Optional.of(new PartId("fades")));
        }
        order(LIST, StepCues.Deed.JUMP, Optional.of(new PartId("timed-0")));
        order(LIST, StepCues.Deed.GO, Optional.empty());
        LockSupport.parkNanos(CUES * APART_NANOS + 200_000_000L);
        order(FADING, StepCues.Deed.STOP, Optional.empty());
    }

    private void order(PartId list, StepCues.Deed deed, Optional<PartId> cue) {
        stage.loop()
                .command(stage.show, new StepCues(list, deed, cue), Actor.of(PERSON))
                .join()
                .ifPresent(problem -> {
                    throw new IllegalStateException(problem.message());
                });
    }

    // ---- bare

    private void timer(DatagramSocket socket, int fades) {
        byte[][] fading = new byte[fades][];
        for (int i = 0; i < fades; i++) {
            fading[i] = OscEncoder.encode(OscMessage.of("/bench/fade/" + i, new OscArgument.Float32(0)));
        }
        long begun = System.nanoTime();
        long step = begun;
        for (int cue = 0; cue < CUES; ) {
            long due = begun + cue * APART_NANOS;
            long next = fades > 0 ? Math.min(due, step) : due;
            for (long left = next - System.nanoTime(); left > 0; left = next - System.nanoTime()) {
                LockSupport.parkNanos(left);
            }
            if (next == due) {
                byte[] packet = OscEncoder.encode(OscMessage.of(CUE, new OscArgument.Int32(cue++)));
                Latency.send(socket, packet, packet.length, port());
            } else {
                float value = (float) ((step - begun) / 1e9 / FADE_SECONDS);
                for (byte[] packet : fading) {
                    ByteBuffer.wrap(packet).putFloat(packet.length - Float.BYTES, value);
                    Latency.send(socket, packet, packet.length, port());
                }
                step += STEP_NANOS;
            }
        }
        LockSupport.parkNanos(200_000_000L);
    }
}
