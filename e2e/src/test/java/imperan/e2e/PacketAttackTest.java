package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.LinkView;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.server.run.ShowLoop;
import java.io.IOException;
import java.lang.reflect.Method;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Packets and patterns without end. */
class PacketAttackTest extends Attacked {

    private static void throwAt(int port, byte[] packet, int times) throws IOException {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            for (int i = 0; i < times; i++) {
                socket.send(new DatagramPacket(packet, packet.length, InetAddress.getLoopbackAddress(), port));
            }
        }
    }

    private static OscPacket due(Instant when, OscPacket... elements) {
        return new OscBundle(TimeTag.at(when), List.of(elements));
    }

    @Test
    void bundlesOfOneTargetForNextYearTakeNoRoomOfOthers() {
        Instant year = Instant.now().plusSeconds(365L * 24 * 3600);
        for (int i = 0; i < 1_500; i++) {
            victim.say(due(year, OscMessage.of("/victim/" + i)));
        }
        probe.say(due(Instant.now().plusMillis(200), OscMessage.of("/far/level", new OscArgument.Float32(0.3125f))));
        try (RawBrowser eye = browser("eye")) {
            Desk.waitUntil("the bundle of the other took effect", () -> eye.echo(LEVEL.value()) == 0.3125);
        }
        goesOn();
    }

    @Test
    void memoryIsHeldWhateverComesIn() throws Exception {
        byte[] manyTrue = OscEncoder.encode(OscMessage.of(
                "/junk", Collections.nCopies(60_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new)));
        byte[] manyMessages = OscEncoder.encode(new OscBundle(
                TimeTag.IMMEDIATELY,
                List.of(IntStream.range(0, 5_000)
                        .mapToObj(i -> OscMessage.of("/a"))
                        .toArray(OscPacket[]::new))));
        byte[] longText = OscEncoder.encode(OscMessage.of("/far/level", new OscArgument.Text("\u0001".repeat(60_000))));
        long before = used();
        try (RawBrowser watching = browser("watching")) {
            watching.say("{\"kind\":\"watch\",\"traces\":[\"attack-level\"]}");
            for (int round = 0; round < 10; round++) {
                throwAt(victimAnswers, manyTrue, 50);
                throwAt(victimAnswers, manyMessages, 50);
                for (int i = 0; i < 50; i++) {
                    victim.send(longText);
                    victim.send(OscEncoder.encode(
                            OscMessage.of("/junk/" + round + "/" + i, new OscArgument.Text("x".repeat(50_000)))));
                }
            }
            goesOn();
            assertThat(watching.longest()).as("the longest frame").isLessThan(16 << 20);
            assertThat(watching.isOpen()).isTrue();
        }
        assertThat(used() - before).as("bytes that stay").isLessThan(96L << 20);
    }

    private static long used() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }

    @Test
    void hostilePatternsHoldNobodyUp() throws Exception {
        OscPacket[] patterns = IntStream.range(0, 60)
                .mapToObj(i -> OscMessage.of("//" + "*".repeat(1_000), new OscArgument.Float32(1)))
                .toArray(OscPacket[]::new);
        byte[] stars = OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, List.of(patterns)));
        byte[] nested = OscEncoder.encode(new OscBundle(
                TimeTag.IMMEDIATELY,
                IntStream.range(0, 60)
                        .mapToObj(i -> (OscPacket) OscMessage.of("/" + "*a".repeat(500), new OscArgument.Float32(1)))
                        .toList()));
        try (RawBrowser watching = browser("watching")) {
            watching.say("{\"kind\":\"watch\",\"traces\":[]}");
            for (int i = 0; i < 10; i++) {
                victim.send(stars);
                victim.send(nested);
            }
            goesOn();
        }
    }

    /** Packets that the system dropped are counted, and a browser that joins hears of them at once. */
    @Test
    void whatTheSystemDropsIsCountedAndInTheWelcome() throws Exception {
        ShowLoop loop = imperan.bean(ShowLoop.class);
        Method drop = ShowLoop.class.getDeclaredMethod("droppedBySystem", long.class);
        drop.setAccessible(true);
        try (RawBrowser eye = browser("eye")) {
            drop.invoke(loop, 77L);
            Desk.waitUntil("it is told without anything else to tell", () -> eye.missed() >= 77);
        }
        try (RawBrowser joining = browser("joining")) {
            assertThat(joining.missed()).isGreaterThanOrEqualTo(77);
        }
    }

    /** What was sent is what was heard, what we dropped and what the system did (Linux, proc(5), {@code /proc/net/udp}). */
    @Test
    void everyPacketOfAFloodIsCounted() {
        // where other tests leave it, so that what is played afterwards is no repeat
        OscMessage level = OscMessage.of("/far/level", new OscArgument.Float32(0.75f));
        Desk.waitUntil("its socket is open", () -> far().socket().works());
        long heard = heard();
        long missed = loop().missed();
        int sent = 150_000;

        for (int i = 0; i < sent; i++) {
            probe.say(level);
        }
        Desk.comes(Duration.ofSeconds(10), () -> heard() - heard + loop().missed() - missed == sent);
        assertThat(heard() - heard + loop().missed() - missed)
                .as("%d heard, %d missed", heard() - heard, loop().missed() - missed)
                .isEqualTo(sent);
        assertThat(loop().missed()).as("it was a flood").isGreaterThan(missed);
        goesOn();
    }

    private static ShowLoop loop() {
        return imperan.bean(ShowLoop.class);
    }

    private static LinkView far() {
        return loop().askLive(imperan.show(), (running, now) -> running.links()).join().stream()
                .filter(link -> link.target().equals(TARGET))
                .findFirst()
                .orElseThrow();
    }

    private static long heard() {
        return far().heard();
    }
}
