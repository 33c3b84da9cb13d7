package imperan.server.sound;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;

/** WAV, by the JDK. */
final class WavSource implements SoundSource {

    private static final int FRAMES = 4_096;

    private final AudioInputStream stream;
    private final AudioFormat format;
    private final int size;
    private final boolean isFloat;
    private final byte[] block;

    WavSource(InputStream in) throws IOException, UnsupportedAudioFileException {
        this.stream = AudioSystem.getAudioInputStream(in);
        this.format = stream.getFormat();
        SoundSource.check(Math.round((double) format.getSampleRate()), format.getChannels());
        this.size = format.getSampleSizeInBits() / 8;
        this.isFloat = format.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT);
        boolean isPcm = format.getEncoding().equals(AudioFormat.Encoding.PCM_SIGNED)
                || format.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED);
        if (format.getFrameSize() != format.getChannels() * size
                || !(isFloat && (size == 4 || size == 8) || isPcm && size >= 1 && size <= 4)) {
            throw new BrokenSound("This WAV file holds " + format.getEncoding() + ": save it as plain PCM");
        }
        this.block = new byte[format.getFrameSize() * FRAMES];
    }

    @Override
    public int rate() {
        return Math.round(format.getSampleRate());
    }

    @Override
    public int step(Samples samples) throws IOException {
        int whole = stream.readNBytes(block, 0, block.length) / format.getFrameSize();
        boolean signed = !format.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED);
        ByteBuffer buffer =
                ByteBuffer.wrap(block).order(format.isBigEndian() ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        for (int frame = 0; frame < whole; frame++) {
            float sum = 0;
            for (int channel = 0; channel < format.getChannels(); channel++) {
                int at = frame * format.getFrameSize() + channel * size;
                sum += isFloat
                        ? (size == 4 ? buffer.getFloat(at) : (float) buffer.getDouble(at))
                        : SoundSource.whole(block, at, size, signed);
            }
            samples.sample(Float.isFinite(sum) ? sum / format.getChannels() : 0);
        }
        return whole == 0 ? -1 : whole;
    }
}
