package imperan.server.sound;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import javazoom.jl.decoder.Bitstream;
import javazoom.jl.decoder.BitstreamException;
import javazoom.jl.decoder.Decoder;
import javazoom.jl.decoder.DecoderException;
import javazoom.jl.decoder.Header;
import javazoom.jl.decoder.SampleBuffer;

/** MP3. Tags before the sound are passed over, so that none of them can claim memory. */
final class Mp3Source implements SoundSource {

    /** Samples of one MPEG-1 layer III frame (ISO/IEC 11172-3); those of MPEG-2 have half as many. */
    private static final int FRAME = 1_152;
    /** What every decoder of that layer is late by. */
    private static final int DECODER_DELAY = 529;
    /** An ID3 tag, version 2: its name, its version, and how long it is in four bytes of seven bits each (ID3v2.4.0, section 3.1). */
    private static final int TAG = 10;
    /** Within so many bytes of a first frame an encoder says what it did. */
    private static final int SAID_WITHIN = 4_096;

    /**
     * What an encoder put before and behind the sound, as its own frame says (the Xing and Info frames and the LAME extension of them,
     * which all encoders and players follow).
     *
     * @param frame whether the first frame is no sound but tells this
     */
    private record Gap(boolean frame, int before, int behind) {}

    private final Bitstream stream;
    private final Decoder decoder = new Decoder();
    private final Gap gap;
    /** Samples are kept back for as long as they may be those behind the end. */
    private final float[] kept;

    private long decoded;
    private int rate;

    /** @param in can be marked */
    Mp3Source(InputStream in) throws IOException {
        passTags(in);
        in.mark(SAID_WITHIN);
        this.gap = gap(in.readNBytes(SAID_WITHIN));
        in.reset();
        this.kept = new float[gap.behind];
        this.stream = new Bitstream(in);
    }

    private static void passTags(InputStream in) throws IOException {
        while (true) {
            in.mark(TAG);
            byte[] tag = in.readNBytes(TAG);
            if (tag.length < TAG || !new String(tag, 0, 3, StandardCharsets.ISO_8859_1).equals("ID3")) {
                in.reset();
                return;
            }
            in.skipNBytes((tag[6] & 0x7F) << 21 | (tag[7] & 0x7F) << 14 | (tag[8] & 0x7F) << 7 | tag[9] & 0x7F);
        }
    }

    private static Gap gap(byte[] head) {
        String text = new String(head, StandardCharsets.ISO_8859_1);
        int at = Math.max(text.indexOf("Xing"), text.indexOf("Info"));
        if (at < 0 || at > 64 || at + 8 > head.length) {
            return new Gap(false, 0, 0);
        }
        int flags = head[at + 7];
        int lame = at + 8 + (flags & 1) * 4 + (flags >> 1 & 1) * 4 + (flags >> 2 & 1) * 100 + (flags >> 3 & 1) * 4;
        if (lame + 24 > head.length || !text.startsWith("LA", lame)) {
            return new Gap(true, 0, 0);
        }
        int gaps = (head[lame + 21] & 0xFF) << 16 | (head[lame + 22] & 0xFF) << 8 | head[lame + 23] & 0xFF;
        return new Gap(true, gaps >> 12, gaps & 0xFFF);
    }

    @Override
    public int rate() {
        return rate;
    }

    @Override
    public int step(Samples samples) throws IOException, BitstreamException, DecoderException {
        Header header = stream.readFrame();
        if (header == null) {
            return -1;
        }
        SampleBuffer frame = (SampleBuffer) decoder.decodeFrame(header, stream);
        stream.closeFrame();
        rate = frame.getSampleFrequency();
        SoundSource.check(rate, frame.getChannelCount());
        long before = (gap.frame ? (long) (rate < 32_000 ? FRAME / 2 : FRAME) : 0)
                + (gap.frame && gap.before > 0 ? gap.before + DECODER_DELAY : 0);
        int behind = gap.before > 0 ? Math.max(0, gap.behind - DECODER_DELAY) : 0;
        int given = 0;
        int count = frame.getBufferLength() / frame.getChannelCount();
        for (int i = 0; i < count; i++) {
            float sum = 0;
            for (int channel = 0; channel < frame.getChannelCount(); channel++) {
                sum += frame.getBuffer()[i * frame.getChannelCount() + channel] / 32_768f;
            }
            if (decoded++ < before) {
                continue;
            }
            float out = sum / frame.getChannelCount();
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
        return given;
    }
}
