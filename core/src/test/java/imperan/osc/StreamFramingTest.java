package imperan.osc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.osc.StreamFraming.BrokenStreamException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class StreamFramingTest {

    private static byte[] bytes(String hex) {
        return HexFormat.of().parseHex(hex.replace(" ", ""));
    }

    /** Source: OSC 1.0, "OSC Packets": an int32 that gives the length, and then the packet. */
    @Test
    void theLengthStandsBeforeThePacket() {
        assertThat(StreamFraming.LENGTH.frame(bytes("2f 61 00 00"))).isEqualTo(bytes("00 00 00 04 2f 61 00 00"));
    }

    /** Source: RFC 1055, "A slip of the protocol": END is C0, ESC is DB, and they travel as DB DC and DB DD. */
    @Test
    void slipMarksBothEndsAndReplacesItsMarks() {
        assertThat(StreamFraming.SLIP.frame(bytes("01 c0 02 db 03"))).isEqualTo(bytes("c0 01 db dc 02 db dd 03 c0"));
    }

    @ParameterizedTest
    @EnumSource
    void packetsAreFoundAgainHoweverTheStreamIsCut(StreamFraming framing) throws BrokenStreamException {
        Random random = new Random(7);
        for (int round = 0; round < 300; round++) {
            List<byte[]> packets = new ArrayList<>();
            List<Byte> stream = new ArrayList<>();
            for (int i = random.nextInt(8); i >= 0; i--) {
                byte[] packet = new byte[1 + random.nextInt(40)];
                for (int b = 0; b < packet.length; b++) {
                    // the marks of SLIP more often than by chance
                    packet[b] = (byte) (random.nextInt(3) == 0 ? 0xC0 + random.nextInt(32) : random.nextInt(256));
                }
                packets.add(packet);
                for (byte b : framing.frame(packet)) {
                    stream.add(b);
                }
            }
            StreamFraming.Reader reader = framing.reader();
            List<byte[]> found = new ArrayList<>();
            for (int at = 0; at < stream.size(); ) {
                byte[] piece = new byte[Math.min(stream.size() - at, 1 + random.nextInt(30))];
                for (int i = 0; i < piece.length; i++) {
                    piece[i] = stream.get(at++);
                }
                found.addAll(reader.read(piece));
            }
            assertThat(found).usingElementComparator(Arrays::compare).containsExactlyElementsOf(packets);
        }
    }

    @Test
    void aStreamThatIsFramedOtherwiseIsNamedAndNotFollowed() {
        assertThatThrownBy(() ->
                        StreamFraming.LENGTH.reader().read(StreamFraming.SLIP.frame(bytes("2f 61 00 00 2c 00 00 00"))))
                .isInstanceOf(BrokenStreamException.class)
                .hasMessageContaining("framed otherwise");
        assertThatThrownBy(() -> StreamFraming.SLIP.reader().read(new byte[StreamFraming.MAX_PACKET + 1]))
                .isInstanceOf(BrokenStreamException.class)
                .hasMessageContaining("framed otherwise");
    }
}
