package imperan.capture;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.RandomPackets;
import imperan.show.Reach;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.function.IntUnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CaptureFileTest {

    private static final long NOW = 1_780_000_000_123_456_789L;

    private static List<Captured> random(long seed, int count) {
        Random random = new Random(seed);
        RandomPackets packets = new RandomPackets(seed, true);
        List<Captured> captured = new ArrayList<>();
        long at = NOW;
        for (int i = 0; i < count; i++) {
            at += random.nextInt(2_000_000_000);
            Reach reach = Reach.values()[random.nextInt(3)];
            byte[] bytes = random.nextInt(10) == 0
                    ? new byte[1 + random.nextInt(40_000)]
                    : OscEncoder.encode(packets.message());
            random.nextBytes(random.nextInt(4) == 0 ? bytes : new byte[0]);
            // a stream goes one way for each of its ports, so that both of its ends are tried
            captured.add(new Captured(
                    at,
                    random.nextBoolean(),
                    "192.0.2.10",
                    9201 + reach.ordinal(),
                    "192.0.2." + (20 + random.nextInt(3)),
                    7101 + reach.ordinal(),
                    reach,
                    bytes,
                    random.nextBoolean() ? "" : "Ada – “Voice”"));
        }
        return captured;
    }

    private static byte[] pcapng(List<Captured> packets) {
        PcapNg writer = new PcapNg();
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(writer.head());
        packets.forEach(packet -> file.writeBytes(writer.packet(packet)));
        return file.toByteArray();
    }

    private static byte[] jsonLines(List<Captured> packets) {
        return packets.stream()
                .map(JsonLines::line)
                .collect(Collectors.joining())
                .getBytes(StandardCharsets.UTF_8);
    }

    private static List<Captured> read(byte[] file) {
        assertThat(CaptureFile.read(file)).isInstanceOf(CaptureFile.Read.Good.class);
        return ((CaptureFile.Read.Good) CaptureFile.read(file)).packets();
    }

    private static void assertSame(List<Captured> read, List<Captured> written) {
        assertThat(read).hasSameSizeAs(written);
        for (int i = 0; i < read.size(); i++) {
            // byte by byte it would be compared field by field, which takes a minute
            assertThat(read.get(i).bytes()).isEqualTo(written.get(i).bytes());
            assertThat(read.get(i))
                    .usingRecursiveComparison()
                    .ignoringFields("bytes")
                    .isEqualTo(written.get(i));
        }
    }

    @Test
    void whatIsWrittenReadsAsItWas() {
        List<Captured> packets = random(5, 800);
        assertSame(read(pcapng(packets)), packets);
        assertSame(read(jsonLines(packets)), packets);
    }

    /** RFC 1071, section 3: a sum over all that it covers, itself among it, is all ones. */
    @Test
    void theSumsOfHeadersAreRight() {
        InternetPacket.End from = new InternetPacket.End("192.0.2.10", 9201);
        InternetPacket.End to = new InternetPacket.End("198.51.100.7", 7101);
        for (int length : new int[] {0, 1, 2, 7, 36, 1_001}) {
            byte[] payload = new byte[length];
            new Random(length).nextBytes(payload);
            for (byte[] packet : List.of(
                    InternetPacket.udp(from, to, 7, payload),
                    InternetPacket.tcp(from, to, 7, 1, 2, 16, payload, 0, length))) {
                assertThat(sum(Arrays.copyOf(packet, 20))).as("IP").isEqualTo(0xFFFF);
                ByteBuffer covered = ByteBuffer.allocate(12 + packet.length - 20 + 1);
                covered.put(packet, 12, 8)
                        .put((byte) 0)
                        .put(packet[9])
                        .putShort((short) (packet.length - 20))
                        .put(packet, 20, packet.length - 20);
                assertThat(sum(Arrays.copyOf(covered.array(), covered.capacity() / 2 * 2)))
                        .as("what IP carries")
                        .isEqualTo(0xFFFF);
            }
        }
    }

    private static int sum(byte[] bytes) {
        int sum = 0;
        for (int i = 0; i < bytes.length; i += 2) {
            sum += (bytes[i] & 255) << 8 | bytes[i + 1] & 255;
            sum = (sum & 0xFFFF) + (sum >>> 16);
        }
        return sum;
    }

    /** A pcap by hand: its header, then one packet on Ethernet (draft-ietf-opsawg-pcap; times in microseconds), in either byte order. */
    @ParameterizedTest
    @CsvSource({"true", "false"})
    void thePcapOfAnAnalyserIsRead(boolean bigEndian) {
        byte[] ip = InternetPacket.udp(
                new InternetPacket.End("192.0.2.20", 7101),
                new InternetPacket.End("192.0.2.10", 9201),
                1,
                OscEncoder.encode(OscMessage.of("/a")));
        ByteBuffer file = ByteBuffer.allocate(24 + 16 + 14 + ip.length)
                .order(bigEndian ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        file.putInt(0xA1B2C3D4)
                .putShort((short) 2)
                .putShort((short) 4)
                .putInt(0)
                .putInt(0)
                .putInt(65_535)
                .putInt(1);
        file.putInt(1_780_000_000).putInt(250_001).putInt(14 + ip.length).putInt(14 + ip.length);
        file.put(new byte[12]).put((byte) 8).put((byte) 0).put(ip);
        assertThat(read(file.array())).singleElement().satisfies(packet -> {
            assertThat(packet.at()).isEqualTo(1_780_000_000_250_001_000L);
            assertThat(packet.out()).as("the file does not say which way").isFalse();
            assertThat(packet.peerHost() + ":" + packet.peerPort() + " > " + packet.ourHost() + ":" + packet.ourPort())
                    .isEqualTo("192.0.2.20:7101 > 192.0.2.10:9201");
            assertThat(packet.bytes()).isEqualTo(OscEncoder.encode(OscMessage.of("/a")));
        });
    }

    @Test
    void whatIsNeitherUdpNorTcpIsPassedOverAndCounted() {
        byte[] arp = HexFormat.of()
                .parseHex("ffffffffffff0200000000010806000108000604000102000000000100000000000000000000000000000000");
        ByteBuffer file = ByteBuffer.allocate(24 + 16 + arp.length).order(ByteOrder.LITTLE_ENDIAN);
        file.putInt(0xA1B23C4D)
                .putShort((short) 2)
                .putShort((short) 4)
                .putInt(0)
                .putInt(0)
                .putInt(65_535)
                .putInt(1)
                .putInt(1)
                .putInt(2)
                .putInt(arp.length)
                .putInt(arp.length)
                .put(arp);
        assertThat(CaptureFile.read(file.array())).isEqualTo(new CaptureFile.Read.Good(List.of(), 1));
    }

    @Test
    void aBrokenFileIsRefusedWithItsPlace() {
        byte[] good = pcapng(random(9, 3));
        assertBad(new byte[0], "byte 0", "empty");
        assertBad("hello world".getBytes(StandardCharsets.UTF_8), "byte 0", "neither");
        assertBad(Arrays.copyOf(good, good.length - 5), "byte", "are left");
        byte[] torn = good.clone();
        torn[torn.length - 1] ^= 1;
        assertBad(torn, "byte " + (torn.length - 4), "does not end with its length");
        String line = JsonLines.line(random(3, 1).get(0));
        assertBad((line + "{\"at\": 1}\n").getBytes(StandardCharsets.UTF_8), "line 2", "no text for “at”");
        assertBad((line + "\n{,").getBytes(StandardCharsets.UTF_8), "line 3", "no JSON");
        assertBad(
                line.replace("\"bytes\":\"", "\"bytes\":\"x").getBytes(StandardCharsets.UTF_8),
                "line 1",
                "hexadecimal");
        assertBad(
                line.replaceFirst("\"direction\":\"(out|in)\"", "\"direction\":\"up\"")
                        .getBytes(StandardCharsets.UTF_8),
                "line 1",
                "neither out nor in");
        assertBad(
                line.replaceFirst("\"peer\":\"[^\"]*\"", "\"peer\":\"nobody\"").getBytes(StandardCharsets.UTF_8),
                "line 1",
                "no address with a port");
    }

    private static void assertBad(byte[] file, String place, String why) {
        assertThat(CaptureFile.read(file)).isInstanceOfSatisfying(CaptureFile.Read.Bad.class, bad -> {
            assertThat(bad.place()).startsWith(place);
            assertThat(bad.reason()).contains(why);
        });
    }

    /** Whatever is loaded is a capture or is refused in words, in each of the formats. */
    @Test
    void hostileFilesAreRefusedInWords() {
        Random random = new Random(17);
        List<Captured> packets = random(21, 12).stream()
                .filter(packet -> packet.bytes().length < 500)
                .toList();
        for (byte[] good : List.of(pcapng(packets), jsonLines(packets), pcap(101, 40, i -> i))) {
            int bad = 0;
            for (int i = 0; i < 20_000; i++) {
                byte[] file = Arrays.copyOf(good, random.nextInt(3) == 0 ? random.nextInt(good.length) : good.length);
                for (int k = random.nextInt(6); k > 0 && file.length > 0; k--) {
                    file[random.nextInt(file.length)] = (byte) random.nextInt(256);
                }
                if (CaptureFile.read(file) instanceof CaptureFile.Read.Bad refused) {
                    assertThat(refused.place()).isNotEmpty();
                    assertThat(refused.reason()).isNotBlank();
                    bad++;
                }
            }
            assertThat(bad).isBetween(2_000, 19_500);
        }
    }

    /** A pcap of empty UDP packets from one address after the other, each with its time in seconds. */
    private static byte[] pcap(int link, int count, IntUnaryOperator seconds) {
        ByteBuffer file = ByteBuffer.allocate(24 + count * 44).order(ByteOrder.LITTLE_ENDIAN);
        file.putInt(0xA1B2C3D4).putInt(0x00040002).putLong(0).putInt(65_535).putInt(link);
        byte[] packet =
                HexFormat.of().parseHex("4500001c0000000040110000" + "0a000001" + "0a000002" + "1bbd1bbe00080000");
        for (int i = 0; i < count; i++) {
            file.putInt(seconds.applyAsInt(i)).putInt(0).putInt(28).putInt(28).put(packet);
            file.order(ByteOrder.BIG_ENDIAN)
                    .putInt(file.position() - 16, 0x0A000000 + i)
                    .order(ByteOrder.LITTLE_ENDIAN);
        }
        return file.array();
    }

    /** 100 MB of nothing but headers are two million packets, which took more memory than a small machine gives its server. */
    @Test
    void whatIsTakenInIsCountedByItsPacketsToo() {
        byte[] most = pcap(101, CaptureFile.MOST_PACKETS, i -> 1);
        assertThat(read(most)).hasSize(CaptureFile.MOST_PACKETS);
        assertBad(pcap(101, CaptureFile.MOST_PACKETS + 1, i -> 1), "", "more than 1000000 packets");
        String line = JsonLines.line(random(3, 1).get(0));
        assertThat(((CaptureFile.Read.Bad) catchRead(line, 3, 2)).reason()).contains("more than 2 packets");
        assertThat(catchRead(line, 2, 2)).isInstanceOf(CaptureFile.Read.Good.class);
    }

    private static CaptureFile.Read catchRead(String line, int times, int most) {
        try {
            return JsonLines.read(line.repeat(times).getBytes(StandardCharsets.UTF_8), most);
        } catch (CaptureFile.BadException bad) {
            return new CaptureFile.Read.Bad("", bad.getMessage());
        }
    }

    /** As pcapng a packet has more around it than as pcap: what was taken in is read again, however long that is. */
    @Test
    void whatWasTakenInIsReadAgainThoughItIsLongerByThen() {
        byte[] brought = pcap(101, 1_000, i -> 1);
        byte[] kept = pcapng(read(brought));
        assertThat(kept.length).isGreaterThan(brought.length * 3 / 2);
        // filled up with a block that nobody knows
        int left = CaptureFile.MOST_BYTES;
        ByteBuffer longer = ByteBuffer.allocate(kept.length + left)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(kept);
        longer.putInt(0x0BAD).putInt(left).putInt(kept.length + left - 4, left);
        assertThat(CaptureFile.read(longer.array())).isInstanceOf(CaptureFile.Read.Bad.class);
        assertThat(CaptureFile.readKept(longer.array()))
                .isInstanceOfSatisfying(CaptureFile.Read.Good.class, good -> assertThat(good.packets())
                        .hasSize(1_000));
    }

    @Test
    void connectionsWithoutEndArePassedOverBeyondALimit() {
        byte[] file = pcap(101, 10_050, i -> 1);
        ByteBuffer packets = ByteBuffer.wrap(file);
        // TCP with a header of five words is more than these eight bytes hold: as such they are passed over
        for (int i = 0; i < 10_050; i++) {
            packets.put(24 + i * 44 + 16 + 9, (byte) 6);
        }
        assertThat(CaptureFile.read(file)).isEqualTo(new CaptureFile.Read.Good(List.of(), 10_050));
        ByteArrayOutputStream opened = new ByteArrayOutputStream();
        PcapNg first = new PcapNg();
        opened.writeBytes(first.head());
        byte[] said = OscEncoder.encode(OscMessage.of("/a"));
        for (int i = 0; i < 10_050; i++) {
            opened.writeBytes(first.packet(new Captured(
                    NOW,
                    true,
                    "192.0.2.10",
                    40_000,
                    "10.0." + i / 250 + "." + i % 250,
                    7101,
                    Reach.TCP_LENGTH,
                    said,
                    "")));
        }
        assertThat(CaptureFile.read(opened.toByteArray())).isInstanceOfSatisfying(CaptureFile.Read.Good.class, good -> {
            // each connection has two directions
            assertThat(good.packets()).hasSize(5_000);
            assertThat(good.passedOver()).isPositive();
        });
    }

    @Test
    void timesOfAnotherAgeAreRefused() {
        String line = JsonLines.line(random(3, 1).get(0));
        for (String at : List.of(
                "-1000000000-01-01T00:00:00Z",
                "1969-12-31T23:59:59Z",
                "2262-01-01T00:00:00Z",
                "+999999999-12-31T23:59:59Z")) {
            assertBad(
                    line.replaceFirst("\"at\":\"[^\"]*\"", "\"at\":\"" + at + "\"")
                            .getBytes(StandardCharsets.UTF_8),
                    "line 1",
                    "before 1970 or after");
        }
        byte[] file = pcapng(read(pcap(101, 1, i -> 1)));
        int at = new PcapNg().head().length + 12;
        Arrays.fill(file, at, at + 8, (byte) 0xFF);
        assertBad(file, "byte " + at, "after the year 2200");
    }

    @Test
    void aStreamWithAGapGoesOnWhereItIsOpenedAnew() {
        List<Captured> packets = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            packets.add(new Captured(
                    NOW + i,
                    true,
                    "192.0.2.10",
                    40_000,
                    "192.0.2.20",
                    7101,
                    Reach.TCP_LENGTH,
                    OscEncoder.encode(OscMessage.of("/a/" + i)),
                    ""));
        }
        PcapNg first = new PcapNg();
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(first.head());
        file.writeBytes(first.packet(packets.get(0)));
        first.packet(packets.get(1));
        file.writeBytes(first.packet(packets.get(2)));
        file.writeBytes(new PcapNg().packet(packets.get(1)));
        assertThat(CaptureFile.read(file.toByteArray())).isInstanceOfSatisfying(CaptureFile.Read.Good.class, good -> {
            assertThat(good.packets()).hasSize(2);
            assertThat(good.passedOver()).as("what came after the gap").isEqualTo(1);
        });
    }
}
