package imperan.bench;

import imperan.live.Actor;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.progress.Progress;
import imperan.proof.report.Verdict;
import imperan.proof.report.Which;
import imperan.proof.run.ProofRun;
import imperan.server.proof.Proofs;
import imperan.server.proof.Proofs.Wish;
import imperan.server.run.Readings;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Problem;
import imperan.show.Send;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A thousand lines proved at a target that answers at once, beside a bare loop that keeps as many messages under way over the same sockets. */
final class Proved {

    private static final int LINES = 1_000;
    private static final int COLUMNS = 50;
    private static final int ROWS = 10;
    private static final int TIMES = 3;
    private static final int ROUNDS = 9;
    /** As many as a proof has under way at a stand-in. */
    private static final int UNDER_WAY = 8;

    private static final int LONGEST_SECONDS = 120;
    private static final Person PERSON = new Person("bench", "Bench");

    private final Stage stage;

    Proved(Stage stage) {
        this.stage = stage;
    }

    void besideABareLoop() throws IOException, InterruptedException {
        try (DatagramSocket farEnd = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                BareLoop loop = new BareLoop(packets(), farEnd.getLocalPort(), Stage.freePort())) {
            Thread answering = new Thread(() -> answer(farEnd), "far end");
            answering.start();
            String show = stage.bean(Shows.class).create("Proof").show().orElseThrow();
            if (stage.bean(Keeper.class)
                            .edit(show, parts(farEnd.getLocalPort()), PERSON)
                            .join()
                    instanceof Outcome.Refused refused) {
                throw new IllegalStateException("The show to prove is refused: " + refused.problems());
            }
            stage.bean(Shows.class).goLive(show);
            while (!stage.bean(Readings.class).facts(show).join().links().stream()
                    .allMatch(link -> link.socket().works())) {
                Thread.sleep(10);
            }
            List<Double> ratios = new ArrayList<>();
            Main.print("Proof of %d lines, each %d times, at a target that answers at once", LINES, TIMES);
            for (int round = 0; round <= ROUNDS; round++) {
                Machine.Steal steal = new Machine.Steal();
                long planned = System.nanoTime();
                ProofRun run = begin(show, TIMES);
                long begun = System.nanoTime();
                waitFor(run);
                double ours = (System.nanoTime() - begun) / 1e9;
                double bare = loop.run(run.said(), UNDER_WAY);
                long confirmed = run.outcomes().stream()
                        .filter(outcome -> outcome.result().verdict() == Verdict.CONFIRMED)
                        .count();
                // the first round warms up
                if (round > 0) {
                    ratios.add(ours / bare);
                    Main.print(
                            "  round %d: %.2f s for %d messages, questions and what is put back included; %d of %d confirmed; planned in %.2f s; bare loop %.2f s; ratio %.2f (stolen %.1f %%)",
                            round,
                            ours,
                            run.said(),
                            confirmed,
                            LINES,
                            (begun - planned) / 1e9,
                            bare,
                            ours / bare,
                            steal.percent());
                }
            }
            ratios.sort(null);
            Main.print(
                    "  median ratio %.2f (%.2f to %.2f)",
                    ratios.get(ratios.size() / 2), ratios.get(0), ratios.get(ratios.size() - 1));
            stopped(show);
        }
    }

    /** From Stop to the last message that leaves, of which all put back or release. */
    private void stopped(String show) throws InterruptedException {
        Proofs proofs = stage.bean(Proofs.class);
        ProofRun run = begin(show, 299);
        while (run.said() < LINES * 2) {
            Thread.onSpinWait();
        }
        long at = System.nanoTime();
        proofs.order(show, Proofs.Order.STOP);
        long ordered = System.nanoTime();
        int said = run.said();
        waitFor(run);
        Main.print(
                "  stopped midway: the order took %.1f ms; %d messages left after it, to put back; ended %.1f ms after it",
                (ordered - at) / 1e6, run.said() - said, (System.nanoTime() - at) / 1e6);
    }

    private ProofRun begin(String show, int times) throws InterruptedException {
        Proofs proofs = stage.bean(Proofs.class);
        Wish wish = new Wish(Optional.empty(), Optional.empty(), Set.of(), Which.ALL, times, false, List.of());
        String token = proofs.plan(show, wish, Progress.NONE).token();
        Optional<Problem> problem = proofs.begin(show, wish, token, Actor.of(PERSON));
        if (problem.isPresent()) {
            throw new IllegalStateException(problem.get().message());
        }
        return proofs.running(show).orElseThrow().run();
    }

    private static void waitFor(ProofRun run) throws InterruptedException {
        long latest = System.nanoTime() + LONGEST_SECONDS * 1_000_000_000L;
        while (run.phase() != ProofRun.Phase.ENDED) {
            if (System.nanoTime() > latest) {
                throw new IllegalStateException("The proof does not end");
            }
            Thread.sleep(1);
        }
    }

    private static byte[][] packets() {
        byte[][] packets = new byte[LINES][];
        for (int i = 0; i < LINES; i++) {
            packets[i] = OscEncoder.encode(OscMessage.of(address(i), new OscArgument.Float32(0.5f)));
        }
        return packets;
    }

    /** Keeps what it is told, tells it back, and tells it who asks. */
    private static void answer(DatagramSocket socket) {
        Map<String, List<OscArgument>> stands = new HashMap<>();
        OscDecoder decoder = new OscDecoder();
        DatagramPacket heard = new DatagramPacket(new byte[2_048], 2_048);
        while (!socket.isClosed()) {
            try {
                socket.receive(heard);
                if (decoder.decode(Arrays.copyOf(heard.getData(), heard.getLength())) instanceof Decoded.Whole whole
                        && whole.packet() instanceof OscMessage message) {
                    if (!message.arguments().isEmpty()) {
                        stands.put(message.address(), message.arguments());
                    }
                    byte[] says = OscEncoder.encode(new OscMessage(
                            message.address(),
                            stands.getOrDefault(message.address(), List.of(new OscArgument.Float32(0.25f)))));
                    socket.send(new DatagramPacket(says, says.length, heard.getSocketAddress()));
                }
            } catch (SocketException e) {
                return;
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private static String address(int line) {
        return "/proof/" + (line + 1);
    }

    private static EditRequest parts(int port) throws IOException {
        PartId target = new PartId("target");
        PartId book = new PartId("book");
        PartId layout = new PartId("layout");
        Phrase level = Phrase.plain(
                        "/proof/<n:1.." + LINES + ">",
                        Phrase.Direction.BOTH,
                        List.of(Phrase.PhraseArgument.plain(
                                ArgumentType.FLOAT32,
                                Optional.of(0.0),
                                Optional.of(1.0),
                                "",
                                List.of(),
                                Optional.empty())),
                        AnswerRule.usual(AnswerRule.Kind.SAME),
                        "",
                        "")
                .doing(Phrase.Effect.VALUE);
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                put(book, null, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), book, level),
                put(
                        target,
                        null,
                        Target.plain("Far end", "127.0.0.1", port, Stage.freePort(), Target.Answering.QUERIES)
                                .speaking(book)
                                .simulatedAt(new StandInEnd("127.0.0.1", port, true))),
                put(layout, null, Layout.plain("Layout"))));
        for (int i = 0; i < LINES; i++) {
            PartId page = new PartId("page-" + i / (COLUMNS * ROWS));
            int place = i % (COLUMNS * ROWS);
            if (place == 0) {
                steps.add(put(page, layout, Page.plain("Page", COLUMNS, ROWS)));
            }
            steps.add(put(
                    new PartId("line-" + i),
                    page,
                    Control.plain(
                            "",
                            new Cells(place % COLUMNS, place / COLUMNS, 1, 1),
                            Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0),
                            List.of(new Send(
                                    Send.Phase.CHANGE,
                                    Optional.of(target),
                                    address(i),
                                    List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                            List.of())));
        }
        return new EditRequest("Set up", steps);
    }

    private static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 0, body), 0);
    }
}
