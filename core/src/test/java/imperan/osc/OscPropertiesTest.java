package imperan.osc;

import static org.assertj.core.api.Assertions.assertThat;

import com.illposed.osc.BufferBytesReceiver;
import com.illposed.osc.OSCBundle;
import com.illposed.osc.OSCMessage;
import com.illposed.osc.OSCPacket;
import com.illposed.osc.OSCSerializerAndParserBuilder;
import com.illposed.osc.argument.OSCTimeTag64;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class OscPropertiesTest {

    private static final OscDecoder DECODER = new OscDecoder();

    @Test
    void whatIsEncodedIsDecodedTheSame() {
        RandomPackets packets = new RandomPackets(1, true);
        for (int i = 0; i < 20_000; i++) {
            OscPacket packet = packets.packet(4);
            byte[] bytes = OscEncoder.encode(packet);
            assertThat(bytes.length).isEqualTo(OscEncoder.sizeOf(packet)).matches(size -> size % 4 == 0);
            assertThat(DECODER.decode(bytes)).isEqualTo(new Decoded.Whole(packet));
        }
    }

    @Test
    void anArrayThatWasUsedBeforeLeavesNoTrace() {
        RandomPackets packets = new RandomPackets(2, true);
        byte[] reused = new byte[1 << 16];
        for (int i = 0; i < 2_000; i++) {
            Arrays.fill(reused, (byte) 0x55);
            OscPacket packet = packets.packet(3);
            int end = OscEncoder.encode(packet, reused, 3);
            assertThat(Arrays.copyOfRange(reused, 3, end)).isEqualTo(OscEncoder.encode(packet));
            assertThat(reused[end]).isEqualTo((byte) 0x55);
        }
    }

    /** Source: the library javaosc-core, an independent implementation of OSC 1.0. */
    @Test
    void anotherImplementationWritesTheSameBytesAndReadsOurs() throws Exception {
        RandomPackets packets = new RandomPackets(3, false);
        OSCSerializerAndParserBuilder builder = new OSCSerializerAndParserBuilder();
        for (int i = 0; i < 5_000; i++) {
            OscPacket packet = packets.packet(3);
            byte[] ours = OscEncoder.encode(packet);

            byte[] theirs = serialized(builder, theirs(packet));
            assertThat(ours).as("%s", packet).isEqualTo(theirs);

            OSCPacket readByThem =
                    builder.buildParser().convert(ByteBuffer.wrap(ours).asReadOnlyBuffer());
            assertThat(serialized(builder, readByThem)).as("%s", packet).isEqualTo(ours);
            assertThat(DECODER.decode(theirs)).isEqualTo(new Decoded.Whole(packet));
        }
    }

    private static byte[] serialized(OSCSerializerAndParserBuilder builder, OSCPacket packet) throws Exception {
        ByteBuffer buffer = ByteBuffer.allocate(1 << 16);
        builder.buildSerializer(new BufferBytesReceiver(buffer)).write(packet);
        return Arrays.copyOf(buffer.array(), buffer.position());
    }

    private static OSCPacket theirs(OscPacket packet) {
        if (packet instanceof OscMessage message) {
            return new OSCMessage(
                    message.address(),
                    message.arguments().stream().map(OscPropertiesTest::theirs).collect(Collectors.toList()));
        }
        OscBundle bundle = (OscBundle) packet;
        List<OSCPacket> elements =
                bundle.elements().stream().map(OscPropertiesTest::theirs).toList();
        return new OSCBundle(elements, OSCTimeTag64.valueOf(bundle.time().bits()));
    }

    private static Object theirs(OscArgument argument) {
        if (argument instanceof OscArgument.Int32 a) {
            return a.value();
        } else if (argument instanceof OscArgument.Float32 a) {
            return a.value();
        } else if (argument instanceof OscArgument.Text a) {
            return a.value();
        } else if (argument instanceof OscArgument.Blob a) {
            return ByteBuffer.wrap(a.value()).asReadOnlyBuffer();
        } else if (argument instanceof OscArgument.Int64 a) {
            return a.value();
        } else if (argument instanceof OscArgument.Float64 a) {
            return a.value();
        }
        return argument == OscArgument.Bare.TRUE
                ? Boolean.TRUE
                : argument == OscArgument.Bare.FALSE ? Boolean.FALSE : null;
    }

    /** Whatever arrives: an answer, and memory in proportion to the packet. Allocation is counted by the JVM per thread. */
    @Test
    void hostileBytesGetAnAnswerAndLittleMemory() {
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        RandomPackets packets = new RandomPackets(4, true);
        Random random = new Random(5);
        int malformed = 0;
        for (int i = 0; i < 60_000; i++) {
            byte[] bytes = i % 3 == 0 ? randomBytes(random) : mutated(OscEncoder.encode(packets.packet(4)), random);
            long before = threads.getCurrentThreadAllocatedBytes();
            Decoded decoded = DECODER.decode(bytes);
            long used = threads.getCurrentThreadAllocatedBytes() - before;
            // the first decodings also pay for what the JVM loads once
            if (i > 3_000) {
                assertThat(used).as("%d bytes", bytes.length).isLessThanOrEqualTo(64L * bytes.length + 1024);
            }
            if (decoded instanceof Decoded.Malformed m) {
                malformed++;
                assertThat(m.offset()).isBetween(0, bytes.length);
            }
        }
        assertThat(malformed).isBetween(20_000, 59_000);
    }

    /** The one that also takes addresses without a slash: an answer, whatever the first byte. */
    @Test
    void hostileBytesGetAnAnswerWithoutASlashToo() {
        Random random = new Random(6);
        OscDecoder bare = OscDecoder.takingBareAddresses();
        assertThat(bare.decode(new byte[] {0, 0, 0, 0, ',', 0, 0, 0})).isInstanceOf(Decoded.Malformed.class);
        for (int i = 0; i < 60_000; i++) {
            byte[] bytes = new byte[4 * random.nextInt(12)];
            for (int k = 0; k < bytes.length; k++) {
                bytes[k] =
                        (byte) (random.nextInt(3) == 0 ? 0 : random.nextInt(3) == 0 ? ',' : 'a' + random.nextInt(26));
            }
            if (bare.decode(bytes) instanceof Decoded.Malformed m) {
                assertThat(m.offset()).isBetween(0, bytes.length);
            }
        }
    }

    /** The shapes that cost most for their size: nothing but tags, nothing but arrays, nothing but bundles. */
    @Test
    void denseBytesStayInProportionToo() {
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        StringBuilder arrays = new StringBuilder(",");
        StringBuilder nested = new StringBuilder(",");
        for (int i = 0; i < 8_000; i++) {
            arrays.append("[]");
            nested.append("[[[[T]]]]");
        }
        byte[] bundles = new byte[16 + 20 * 3_000];
        byte[] empty = OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, List.of()));
        System.arraycopy(empty, 0, bundles, 0, 16);
        for (int at = 16; at < bundles.length; at += 20) {
            bundles[at + 3] = 16;
            System.arraycopy(empty, 0, bundles, at + 4, 16);
        }
        OscDecoder wide = new OscDecoder(1 << 20, 16, 16);
        for (byte[] bytes : List.of(
                message("," + "T".repeat(40_000)), message(arrays.toString()), message(nested.toString()), bundles)) {
            wide.decode(bytes);
            long before = threads.getCurrentThreadAllocatedBytes();
            assertThat(wide.decode(bytes)).isInstanceOf(Decoded.Whole.class);
            assertThat(threads.getCurrentThreadAllocatedBytes() - before)
                    .isLessThanOrEqualTo(64L * bytes.length + 1024);
        }
    }

    private static byte[] message(String tags) {
        byte[] bytes = new byte[4 + ((tags.length() + 4) & ~3)];
        bytes[0] = '/';
        System.arraycopy(tags.getBytes(), 0, bytes, 4, tags.length());
        return bytes;
    }

    private static byte[] randomBytes(Random random) {
        byte[] bytes = new byte[random.nextInt(80)];
        random.nextBytes(bytes);
        if (bytes.length > 0) {
            bytes[0] = (byte) (random.nextBoolean() ? '/' : '#');
        }
        return bytes;
    }

    private static byte[] mutated(byte[] bytes, Random random) {
        for (int i = random.nextInt(4); i >= 0; i--) {
            bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
        return random.nextInt(4) == 0 ? Arrays.copyOf(bytes, random.nextInt(bytes.length + 8)) : bytes;
    }
}
