package imperan.server.sound;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.ByteBuffer;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.jflac.util.ByteData;

/**
 * FLAC. Of what is written before the sound (RFC 9639, section 8) the decoder is given the stream information alone: comments and pictures
 * are passed over, so that none of them can claim memory.
 */
final class FlacSource implements SoundSource {

    private static final int STREAM_INFO = 0;
    private static final int STREAM_INFO_BYTES = 34;
    private static final int LAST = 0x80;

    private final FLACDecoder decoder;
    private final int rate;
    private final int channels;
    private final int size;
    private ByteData data;

    FlacSource(InputStream in) throws IOException {
        in.skipNBytes(4);
        byte[] info = null;
        for (boolean last = false; !last; ) {
            int kind = in.read();
            if (kind < 0) {
                throw new EOFException();
            }
            last = (kind & LAST) != 0;
            int length = in.read() << 16 | in.read() << 8 | in.read();
            if ((kind & ~LAST) == STREAM_INFO && length == STREAM_INFO_BYTES && info == null) {
                info = in.readNBytes(STREAM_INFO_BYTES);
            } else {
                in.skipNBytes(length);
            }
        }
        if (info == null || info.length < STREAM_INFO_BYTES) {
            throw new BrokenSound("This FLAC file does not say how it is to be read: save it anew");
        }
        // RFC 9639, section 8.2: after two sizes of blocks and two of frames 20 bits of rate, 3 of channels less one, 5
        // of bits less one
        long packed = ByteBuffer.wrap(info).getLong(10);
        this.rate = (int) (packed >>> 44);
        this.channels = (int) (packed >>> 41 & 7) + 1;
        this.size = ((int) (packed >>> 36 & 31) + 1 + 7) / 8;
        SoundSource.check(rate, channels);
        ByteArrayOutputStream start = new ByteArrayOutputStream();
        start.writeBytes(new byte[] {'f', 'L', 'a', 'C', (byte) LAST, 0, 0, STREAM_INFO_BYTES});
        start.writeBytes(info);
        this.decoder = new FLACDecoder(new SequenceInputStream(new ByteArrayInputStream(start.toByteArray()), in));
        decoder.readMetadata();
    }

    @Override
    public int rate() {
        return rate;
    }

    @Override
    public int step(Samples samples) throws IOException {
        Frame frame = decoder.readNextFrame();
        if (frame == null) {
            return -1;
        }
        // what a frame says of itself counts for its samples
        SoundSource.check(rate, frame.header.channels);
        if (frame.header.channels != channels) {
            throw new BrokenSound("The number of channels changes within this sound: save it anew");
        }
        data = decoder.decodeFrame(frame, data);
        int whole = data.getLen() / (channels * size);
        for (int i = 0; i < whole; i++) {
            float sum = 0;
            for (int channel = 0; channel < channels; channel++) {
                // this decoder writes 8 bits without a sign, as WAV files have them
                sum += SoundSource.whole(data.getData(), (i * channels + channel) * size, size, size > 1);
            }
            samples.sample(sum / channels);
        }
        return whole;
    }
}
