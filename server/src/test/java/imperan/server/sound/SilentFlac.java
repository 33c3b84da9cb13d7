package imperan.server.sound;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.Arrays;

/**
 * FLAC files written bit by bit as RFC 9639 says, which no encoder would write: silence of any length in a few bytes, and heads that lie.
 * Checked against Debian's {@code flac --test} in {@link SoundLimitsTest}.
 */
final class SilentFlac {

    /** Samples of one frame, as many as one can have. */
    static final int FRAME = 65_535;

    private SilentFlac() {}

    /** @param between what stands between the stream information and the sound, metadata blocks as a whole */
    static byte[] of(int rate, int channels, int frames, byte[]... between) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[] {'f', 'L', 'a', 'C'});
        long packed = (long) rate << 44 | (long) (channels - 1) << 41 | 15L << 36;
        ByteBuffer info = ByteBuffer.allocate(34);
        info.putShort((short) FRAME).putShort((short) FRAME).put(new byte[6]).putLong(packed);
        out.writeBytes(block(0, between.length == 0, info.array()));
        for (int i = 0; i < between.length; i++) {
            out.writeBytes(between[i]);
        }
        for (int i = 0; i < frames; i++) {
            out.writeBytes(frame(i, channels));
        }
        return out.toByteArray();
    }

    /** A metadata block (section 8.1). */
    static byte[] block(int kind, boolean last, byte[] body) {
        return ByteBuffer.allocate(4 + body.length)
                .put((byte) (kind | (last ? 0x80 : 0)))
                .put((byte) (body.length >> 16))
                .putShort((short) body.length)
                .put(body)
                .array();
    }

    /** A frame of constant subframes (sections 9.1 and 9.2.3). */
    private static byte[] frame(int number, int channels) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        // fixed blocks; as many samples as two bytes behind the number say; rate and depth as the stream information
        // says
        out.writeBytes(new byte[] {(byte) 0xFF, (byte) 0xF8, 0x70, (byte) ((channels - 1) << 4)});
        if (number < 0x80) {
            out.write(number);
        } else if (number < 0x800) {
            out.write(0xC0 | number >> 6);
            out.write(0x80 | number & 0x3F);
        } else {
            out.write(0xE0 | number >> 12);
            out.write(0x80 | number >> 6 & 0x3F);
            out.write(0x80 | number & 0x3F);
        }
        out.write(FRAME - 1 >> 8);
        out.write(FRAME - 1);
        out.write(crc(out.toByteArray(), 8, 0x07));
        for (int channel = 0; channel < channels; channel++) {
            out.writeBytes(new byte[] {0, 0, 0});
        }
        int crc = crc(out.toByteArray(), 16, 0x8005);
        out.write(crc >> 8);
        out.write(crc);
        return out.toByteArray();
    }

    private static int crc(byte[] bytes, int bits, int polynomial) {
        int crc = 0;
        for (byte each : bytes) {
            crc ^= (each & 0xFF) << bits - 8;
            for (int bit = 0; bit < 8; bit++) {
                crc = (crc & 1 << bits - 1) != 0 ? crc << 1 ^ polynomial : crc << 1;
            }
            crc &= (1 << bits) - 1;
        }
        return crc;
    }

    /** A comment that claims to be so long (Vorbis comment, section 8.6). */
    static byte[] comment(int claimed) {
        byte[] body = new byte[64];
        Arrays.fill(body, (byte) 'x');
        ByteBuffer.wrap(body).putInt(Integer.reverseBytes(claimed));
        return block(4, true, body);
    }
}
