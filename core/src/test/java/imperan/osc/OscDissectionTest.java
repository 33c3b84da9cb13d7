package imperan.osc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class OscDissectionTest {

    private static List<String> told(byte[] packet) {
        return OscDissection.of(packet).stream()
                .map(piece -> piece.offset() + "+" + piece.length() + " " + piece.kind()
                        + (piece.meaning().isEmpty() ? "" : " " + piece.meaning()))
                .toList();
    }

    /** OSC 1.0, "Examples of OSC messages": the first worked example. */
    @Test
    void theWorkedExampleOfTheSpecification() {
        byte[] bytes = HexFormat.of().parseHex("2f6f7363696c6c61746f722f342f6672657175656e6379002c66000043dc0000");
        assertThat(told(bytes))
                .containsExactly(
                        "0+23 ADDRESS /oscillator/4/frequency",
                        "23+1 PADDING",
                        "24+2 TYPE_TAGS ,f",
                        "26+2 PADDING",
                        "28+4 FLOAT32 440.0");
    }

    @Test
    void aBundleIsATree() {
        byte[] bytes = OscEncoder.encode(new OscBundle(
                TimeTag.IMMEDIATELY,
                List.of(
                        OscMessage.of("/a", new OscArgument.Int32(1)),
                        new OscBundle(TimeTag.IMMEDIATELY, List.of(OscMessage.of("/b"))))));
        List<OscPiece> pieces = OscDissection.of(bytes);
        assertThat(pieces)
                .extracting(OscPiece::kind)
                .startsWith(
                        OscPiece.Kind.BUNDLE_MARK,
                        OscPiece.Kind.TIME_TAG,
                        OscPiece.Kind.ELEMENT_SIZE,
                        OscPiece.Kind.ADDRESS);
        assertThat(pieces.get(1).meaning()).isEqualTo("immediately");
        assertThat(pieces.stream()
                        .filter(piece -> piece.meaning().equals("/a"))
                        .findFirst()
                        .orElseThrow()
                        .depth())
                .isEqualTo(1);
        assertThat(pieces.stream()
                        .filter(piece -> piece.meaning().equals("/b"))
                        .findFirst()
                        .orElseThrow()
                        .depth())
                .isEqualTo(2);
    }

    /** Whatever a packet holds, its pieces lie side by side from its first byte to its last, and nothing is unread. */
    @Test
    void thePiecesOfAnyPacketLieSideBySide() {
        RandomPackets packets = new RandomPackets(42, true);
        for (int i = 0; i < 5_000; i++) {
            byte[] bytes = OscEncoder.encode(packets.packet(4));
            List<OscPiece> pieces = OscDissection.of(bytes);
            assertSideBySide(pieces, bytes.length);
            assertThat(pieces).noneMatch(piece -> piece.kind() == OscPiece.Kind.NOT_READ);
        }
    }

    /** Of a packet that is refused the pieces lie side by side, too, whatever is wrong with it. */
    @Test
    void brokenPacketsAreTakenApartAsFarAsTheyCanBeRead() {
        Random random = new Random(7);
        RandomPackets packets = new RandomPackets(8, true);
        int unread = 0;
        for (int i = 0; i < 20_000; i++) {
            byte[] bytes = OscEncoder.encode(packets.packet(4));
            for (int k = random.nextInt(4); k >= 0; k--) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            byte[] broken = random.nextInt(4) == 0 ? Arrays.copyOf(bytes, random.nextInt(bytes.length + 8)) : bytes;
            List<OscPiece> pieces = OscDissection.of(broken);
            assertSideBySide(pieces, broken.length);
            unread += pieces.stream().anyMatch(piece -> piece.kind() == OscPiece.Kind.NOT_READ) ? 1 : 0;
        }
        assertThat(unread).isBetween(2_000, 18_000);
    }

    private static void assertSideBySide(List<OscPiece> pieces, int length) {
        int at = 0;
        for (OscPiece piece : pieces) {
            assertThat(piece.offset()).isEqualTo(at);
            assertThat(piece.length()).isPositive();
            at += piece.length();
        }
        assertThat(at).isEqualTo(length);
    }

    @Test
    void whereItBreaksTheRestIsUnread() {
        byte[] bytes =
                OscEncoder.encode(OscMessage.of("/level", new OscArgument.Float32(0.5f), new OscArgument.Int32(7)));
        assertThat(told(Arrays.copyOf(bytes, bytes.length - 4)))
                .endsWith("12+4 FLOAT32 0.5")
                .doesNotContain("16+4 INT32 7");
        bytes[9] = 'x';
        assertThat(told(bytes)).endsWith("12+8 NOT_READ 8 bytes");
        assertThat(told(new byte[] {1, 2, 3})).containsExactly("0+3 NOT_READ 3 bytes");
        assertThat(told(new byte[0])).isEmpty();
    }
}
