package imperan.server.sound;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.function.DoubleConsumer;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import javazoom.jl.decoder.Bitstream;
import javazoom.jl.decoder.BitstreamException;
import javazoom.jl.decoder.Decoder;
import javazoom.jl.decoder.DecoderException;
import javazoom.jl.decoder.Header;
import javazoom.jl.decoder.SampleBuffer;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.jflac.metadata.StreamInfo;
import org.jflac.util.ByteData;

/** Decodes sound files whole, by the libraries that are there for it. */
final class SoundReader {

    private static final int BUFFER = 1 << 16;
    /** Samples of one MPEG-1 layer III frame (ISO/IEC 11172-3); those of MPEG-2 have half as many. */
    private static final int MP3_FRAME = 1_152;
    /** What every decoder of that layer is late by. */
    private static final int MP3_DECODER_DELAY = 529;

    /** A file that is none of these sounds, or is broken. */
    static final class BrokenSound extends IOException {
        private static final long serialVersionUID = 1;

        BrokenSound(String message) {
            super(message);
        }
    }

    /** How far a file has been read. */
    private static final class Counted extends FilterInputStream {
        private final long of;
        private final DoubleConsumer progress;
        private long read;
        private int told;

        private Counted(InputStream in, long of, DoubleConsumer progress) {
            super(in);
            this.of = of;
            this.progress = progress;
        }

        @Override
        public int read() throws IOException {
            int next = super.read();
            tell(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            int count = super.read(bytes, from, length);
            tell(Math.max(0, count));
            return count;
        }

        private void tell(int count) {
            read += count;
            int hundredths = (int) (100 * read / Math.max(1, of));
            if (hundredths > told) {
                told = hundredths;
                progress.accept(hundredths / 100.0);
            }
        }
    }

    private SoundReader() {}

    /**
     * @param progress is told how much of the file has been read, 0 to 1
     * @throws BrokenSound where it cannot be decoded, with a sentence
     */
    static Samples.Length read(Path file, SoundFormat format, Samples samples, DoubleConsumer progress)
            throws IOException {
        try (InputStream in =
                new BufferedInputStream(new Counted(Files.newInputStream(file), Files.size(file), progress), BUFFER)) {
            Samples.Length length =
                    switch (format) {
                        case WAV -> wav(in, samples);
                        case FLAC -> flac(in, samples);
                        case MP3 -> mp3(in, samples, gap(file));
                    };
            if (length.frames() == 0) {
                throw new BrokenSound("There is no sound in this file");
            }
            return length;
        } catch (UnsupportedAudioFileException
                | EOFException
                | BitstreamException
                | DecoderException
                | RuntimeException e) {
            // decoders of damaged files throw all sorts
            throw new BrokenSound(
                    "This " + format
                            + " file cannot be decoded: it is damaged, or of a kind that is not usual. Save it anew as WAV, FLAC or MP3");
        }
    }

    // ---- WAV

    private static Samples.Length wav(InputStream in, Samples samples)
            throws IOException, UnsupportedAudioFileException {
        AudioInputStream stream = AudioSystem.getAudioInputStream(in);
        AudioFormat format = stream.getFormat();
        int channels = format.getChannels();
        int size = format.getSampleSizeInBits() / 8;
        boolean isFloat = format.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT);
        boolean isPcm = format.getEncoding().equals(AudioFormat.Encoding.PCM_SIGNED)
                || format.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED);
        if (channels < 1
                || format.getFrameSize() != channels * size
                || !(isFloat && (size == 4 || size == 8) || isPcm && size >= 1 && size <= 4)) {
            throw new BrokenSound("This WAV file holds " + format.getEncoding() + ": save it as plain PCM");
        }
        boolean signed = !format.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED);
        byte[] block = new byte[format.getFrameSize() * 4_096];
        ByteBuffer buffer =
                ByteBuffer.wrap(block).order(format.isBigEndian() ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        long frames = 0;
        for (int count = stream.readNBytes(block, 0, block.length);
                count >= format.getFrameSize();
                count = stream.readNBytes(block, 0, block.length)) {
            int whole = count / format.getFrameSize();
            for (int frame = 0; frame < whole; frame++) {
                float sum = 0;
                for (int channel = 0; channel < channels; channel++) {
                    int at = frame * format.getFrameSize() + channel * size;
                    sum += isFloat
                            ? (size == 4 ? buffer.getFloat(at) : (float) buffer.getDouble(at))
                            : whole(block, at, size, signed);
                }
                samples.sample(Float.isFinite(sum) ? sum / channels : 0);
            }
            frames += whole;
        }
        return new Samples.Length(frames, Math.round(format.getSampleRate()));
    }

    /** A number of 1 to 4 bytes, the smallest first, as -1 to 1. */
    private static float whole(byte[] block, int at, int size, boolean signed) {
        int value = 0;
        for (int i = 0; i < size; i++) {
            value |= (block[at + i] & 0xFF) << 8 * (4 - size + i);
        }
        return (signed ? value : value ^ Integer.MIN_VALUE) / 2_147_483_648f;
    }

    // ---- FLAC

    private static Samples.Length flac(InputStream in, Samples samples) throws IOException {
        FLACDecoder decoder = new FLACDecoder(in);
        decoded(decoder::readMetadata);
        StreamInfo info = decoder.getStreamInfo();
        int channels = info.getChannels();
        int size = (info.getBitsPerSample() + 7) / 8;
        long frames = 0;
        ByteData data = null;
        for (Frame frame = decoded(decoder::readNextFrame); frame != null; frame = decoded(decoder::readNextFrame)) {
            data = decoder.decodeFrame(frame, data);
            int whole = data.getLen() / (channels * size);
            for (int i = 0; i < whole; i++) {
                float sum = 0;
                for (int channel = 0; channel < channels; channel++) {
                    // this decoder writes 8 bits without a sign, as WAV files have them
                    sum += whole(data.getData(), (i * channels + channel) * size, size, size > 1);
                }
                samples.sample(sum / channels);
            }
            frames += whole;
        }
        return new Samples.Length(frames, info.getSampleRate());
    }

    /** What fails in there is the file, and not where its samples go. */
    private static <T> T decoded(Callable<T> work) throws BrokenSound {
        try {
            return work.call();
        } catch (Exception e) {
            throw new BrokenSound("This FLAC file cannot be decoded: it is damaged. Save it anew");
        }
    }

    // ---- MP3

    /**
     * What an encoder put before and behind the sound, as its own frame says (the Xing and Info frames and the LAME extension of them, which all encoders and players follow).
     *
     * @param frame whether the first frame is no sound but tells this
     */
    private record Gap(boolean frame, int before, int behind) {}

    private static Gap gap(Path file) throws IOException {
        byte[] head = new byte[BUFFER];
        int length;
        try (InputStream in = Files.newInputStream(file)) {
            byte[] tag = in.readNBytes(10);
            boolean tagged = tag.length == 10 && new String(tag, 0, 3, StandardCharsets.ISO_8859_1).equals("ID3");
            if (tagged) {
                in.skipNBytes((tag[6] & 0x7F) << 21 | (tag[7] & 0x7F) << 14 | (tag[8] & 0x7F) << 7 | tag[9] & 0x7F);
            } else {
                System.arraycopy(tag, 0, head, 0, tag.length);
            }
            int from = tagged ? 0 : tag.length;
            length = from + in.readNBytes(head, from, 4_096);
        }
        String text = new String(head, 0, length, StandardCharsets.ISO_8859_1);
        int at = Math.max(text.indexOf("Xing"), text.indexOf("Info"));
        if (at < 0 || at > 64 || at + 8 > length) {
            return new Gap(false, 0, 0);
        }
        int flags = head[at + 7];
        int lame = at + 8 + (flags & 1) * 4 + (flags >> 1 & 1) * 4 + (flags >> 2 & 1) * 100 + (flags >> 3 & 1) * 4;
        if (lame + 24 > length || !text.startsWith("LA", lame)) {
            return new Gap(true, 0, 0);
        }
        int gaps = (head[lame + 21] & 0xFF) << 16 | (head[lame + 22] & 0xFF) << 8 | head[lame + 23] & 0xFF;
        return new Gap(true, gaps >> 12, gaps & 0xFFF);
    }

    private static Samples.Length mp3(InputStream in, Samples samples, Gap gap)
            throws IOException, BitstreamException, DecoderException {
        Bitstream stream = new Bitstream(in);
        Decoder decoder = new Decoder();
        int rate = 0;
        // samples are kept back for as long as they may be those behind the end
        float[] kept = new float[gap.behind];
        long decoded = 0;
        long given = 0;
        for (Header header = stream.readFrame(); header != null; header = stream.readFrame()) {
            SampleBuffer frame = (SampleBuffer) decoder.decodeFrame(header, stream);
            stream.closeFrame();
            int channels = frame.getChannelCount();
            int count = frame.getBufferLength() / channels;
            rate = frame.getSampleFrequency();
            long before = (gap.frame ? (long) (rate < 32_000 ? MP3_FRAME / 2 : MP3_FRAME) : 0)
                    + (gap.frame && gap.before > 0 ? gap.before + MP3_DECODER_DELAY : 0);
            int behind = gap.before > 0 ? Math.max(0, gap.behind - MP3_DECODER_DELAY) : 0;
            for (int i = 0; i < count; i++) {
                float sum = 0;
                for (int channel = 0; channel < channels; channel++) {
                    sum += frame.getBuffer()[i * channels + channel] / 32_768f;
                }
                if (decoded++ < before) {
                    continue;
                }
                float out = sum / channels;
                if (behind > 0) {
                    int slot = (int) ((decoded - before) % behind);
                    float older = kept[slot];
                    kept[slot] = out;
                    if (decoded - before <= behind) {
                        continue;
                    }
                    out = older;
                }
                samples.sample(out);
                given++;
            }
        }
        return new Samples.Length(given, Math.max(1, rate));
    }
}
