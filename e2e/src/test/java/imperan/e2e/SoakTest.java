package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * All attacks at once against one server with half a GiB of memory: it answers, other targets play, nothing that was said to be kept is
 * lost, and what was refused was said. {@code -Dimperan.soak.seconds=600} for ten minutes.
 */
@Tag("alone")
class SoakTest {

    private static final long SECONDS = Long.getLong("imperan.soak.seconds", 15);

    private static Command command;
    private static int answerPort;

    @BeforeAll
    static void up() throws Exception {
        command = new Command();
        Command.Said up = command.run(
                Map.of("JAVA_TOOL_OPTIONS", "-XX:+ExitOnOutOfMemoryError", "IMPERAN_SERVER_MIB", "512"),
                Path.of(".."),
                "up");
        assertThat(up.exit()).as(up.text()).isZero();
        for (JsonNode link : command.get("/api/shows/salt-clock/rig").get("targets")) {
            assertThat(link.isObject()).isTrue();
        }
        answerPort = answerPort("Bellows");
    }

    @AfterAll
    static void stop() throws Exception {
        command.run("stop");
    }

    private static int answerPort(String target) throws Exception {
        for (JsonNode part : command.get("/api/shows/salt-clock/file").get("parts")) {
            if (part.at("/body/kind").asString("").equals("target")
                    && part.at("/body/name").asString("").equals(target)) {
                return part.at("/body/answerPort").intValue();
            }
        }
        throw new AssertionError("There is no " + target);
    }

    private interface Attack {
        void round(Random random) throws Exception;
    }

    /** Attacks until the time is over; how many rounds it made. */
    private static Callable<Long> until(Instant end, int seed, Attack attack) {
        return () -> {
            Random random = new Random(seed);
            long rounds = 0;
            while (Instant.now().isBefore(end)) {
                attack.round(random);
                rounds++;
            }
            return rounds;
        };
    }

    private static void datagrams(byte[] packet, int times) throws IOException {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            for (int i = 0; i < times; i++) {
                socket.send(new DatagramPacket(packet, packet.length, InetAddress.getLoopbackAddress(), answerPort));
            }
        }
    }

    private static void packets(Random random) throws IOException, InterruptedException {
        byte[] junk = new byte[random.nextInt(1_400)];
        random.nextBytes(junk);
        datagrams(junk, 20);
        OscPacket[] small =
                IntStream.range(0, 5_000).mapToObj(i -> OscMessage.of("/a")).toArray(OscPacket[]::new);
        switch (random.nextInt(5)) {
            case 0 -> datagrams(
                    OscEncoder.encode(new OscBundle(TimeTag.at(Instant.now().plusSeconds(1_000_000)), List.of(small))),
                    30);
            case 1 -> datagrams(
                    OscEncoder.encode(OscMessage.of(
                            "/junk/" + random.nextInt(),
                            Collections.nCopies(60_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new))),
                    30);
            case 2 -> datagrams(
                    OscEncoder.encode(
                            OscMessage.of("/bellows/in/1/level", new OscArgument.Text("\u0001".repeat(60_000)))),
                    30);
            case 3 -> datagrams(
                    OscEncoder.encode(OscMessage.of("//" + "*a".repeat(400), new OscArgument.Float32(Float.NaN))), 30);
            default -> datagrams(
                    OscEncoder.encode(
                            OscMessage.of("/bellows/in/*/level", new OscArgument.Float64(random.nextDouble()))),
                    2_000);
        }
        Thread.sleep(5);
    }

    private static void frames(Random random) {
        try (RawBrowser browser = RawBrowser.open(command.uri("/api/live"), "soak-" + random.nextInt(1000))) {
            browser.say("{\"kind\":\"watch\",\"traces\":[]}");
            for (int i = 0; i < 300; i++) {
                browser.touch(
                        "level-" + (1 + random.nextInt(12)),
                        random.nextBoolean() ? "PRESS" : "MOVE",
                        "0.5",
                        random.nextInt(10) == 0 ? "1e999" : "0." + i);
            }
            browser.say("{\"kind\":\"called\",\"name\":\"" + "x".repeat(2 << 20) + "\"}");
            browser.say("[".repeat(random.nextInt(10_000)));
            assertThat(browser.isOpen()).isTrue();
        }
    }

    private static void requests(Random random) throws IOException {
        command.post("/api/files/preview", "text/plain", "[".repeat(random.nextInt(5_000)));
        command.post(
                "/api/files/preview",
                "text/plain",
                "{\"format\":\"imperan-show\",\"version\":7,\"name\":\"x\",\"parts\":[" + "1,".repeat(1_000_000)
                        + "1]}");
        command.post("/api/shows/salt-clock/arrange", "application/json", "{\"what\":\"fill\",\"controls\":[null]}");
        List<Socket> trickling = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            Socket socket = new Socket(InetAddress.getLoopbackAddress(), command.port);
            socket.getOutputStream()
                    .write(("POST /api/shows HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 900\r\n\r\n{")
                            .getBytes(StandardCharsets.US_ASCII));
            trickling.add(socket);
        }
        for (Socket socket : trickling) {
            socket.close();
        }
    }

    private static boolean add(String name) {
        return command.post(
                        "/api/shows/salt-clock/edits",
                        "application/json",
                        """
                {"title": "Add %1$s", "steps": [{"step": "put", "basedOn": 0, "part": {"id": "%1$s", "parent": null,
                 "order": 1, "body": {"kind": "layout", "name": "%1$s", "draft": null}}}]}"""
                                .formatted(name))
                == 200;
    }

    @Test
    void everythingAtOnce() throws Exception {
        Instant end = Instant.now().plus(Duration.ofSeconds(SECONDS));
        List<String> kept = Collections.synchronizedList(new ArrayList<>());
        AtomicLong name = new AtomicLong();
        AtomicLong played = new AtomicLong();
        ExecutorService threads = Executors.newCachedThreadPool();
        try (RawBrowser hand = RawBrowser.openApart(command.uri("/api/live"), "operator")) {
            List<Future<Long>> attacks = List.of(
                    threads.submit(until(end, 1, SoakTest::packets)),
                    threads.submit(until(end, 2, SoakTest::packets)),
                    threads.submit(until(end, 3, SoakTest::frames)),
                    threads.submit(until(end, 4, SoakTest::requests)),
                    threads.submit(until(end, 5, random -> {
                        String added = "soak-" + name.incrementAndGet();
                        if (add(added)) {
                            kept.add(added);
                        }
                        Thread.sleep(20);
                    })),
                    // another target is played all the while: of a touch or an answer that is lost in the flood, the
                    // next one is made, as a hand would; how
                    // many that makes in the time is the machine's affair, and is printed below
                    threads.submit(until(end, 6, random -> {
                        Desk.waitUntil("the lantern stands where it was put", () -> {
                            double to = random.nextInt(256) / 255.0;
                            hand.set("lanterns-17", to);
                            return Desk.comes(
                                    Duration.ofSeconds(3), () -> Math.abs(hand.echo("lanterns-17") - to) < 0.05);
                        });
                        played.incrementAndGet();
                        Thread.sleep(20);
                    })));
            for (Future<Long> attack : attacks) {
                assertThat(attack.get()).isPositive();
            }
            assertThat(hand.isOpen())
                    .as(
                            "the operator was never cut off: %s",
                            hand.isOpen() ? "" : hand.closed().getNow(""))
                    .isTrue();
            assertThat(hand.missed())
                    .as("what was dropped is counted and shown")
                    .isPositive();
        } finally {
            threads.shutdownNow();
        }
        assertThat(command.isHealthy()).isTrue();
        List<String> there = new ArrayList<>();
        JsonNode file = new JsonMapper()
                .readTree(command.get("/api/shows/salt-clock/file").toString());
        file.get("parts").forEach(part -> there.add(part.at("/body/name").asString("")));
        assertThat(there).containsAll(kept);
        assertThat(kept).isNotEmpty();
        String log = Files.readString(command.var.resolve("server.log"));
        assertThat(log).doesNotContain("OutOfMemoryError").doesNotContain("StackOverflowError");
        System.out.printf(
                "Soak of %d s: %d touches of others arrived, %d edits kept, log %d KiB%n",
                SECONDS, played.get(), kept.size(), log.length() / 1024);
    }
}
