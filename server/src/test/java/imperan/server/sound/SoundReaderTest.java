package imperan.server.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sounds are decoded to their length; Debian's {@code flac} and {@code lame} make the files, {@code soxi} (package sox) tells how long they are. */
class SoundReaderTest {

    /** An MPEG-1 layer III frame, in samples (ISO/IEC 11172-3). */
    private static final int MP3_FRAME = 1_152;

    @TempDir
    Path folder;

    /** Silence, with a click of one millisecond at a second, and a tone behind it. */
    private Path wav(int rate, int channels, int bits, double seconds) throws IOException {
        int frames = (int) Math.round(rate * seconds);
        int size = bits / 8;
        ByteBuffer bytes = ByteBuffer.allocate(frames * channels * size).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < frames; i++) {
            double at = (double) i / rate;
            double value = at >= 1 && at < 1.001 ? 0.9 : at > 2 ? 0.25 * Math.sin(2 * Math.PI * 440 * at) : 0;
            for (int channel = 0; channel < channels; channel++) {
                long whole = Math.round(value * ((1L << bits - 1) - 1));
                for (int b = 0; b < size; b++) {
                    bytes.put((byte) (whole >> 8 * b));
                }
            }
        }
        Path file = folder.resolve("tone-" + rate + "-" + channels + "-" + bits + ".wav");
        AudioFormat format = new AudioFormat(rate, bits, channels, true, false);
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(bytes.array()), format, frames),
                AudioFileFormat.Type.WAVE,
                file.toFile());
        return file;
    }

    private static String run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said.strip();
    }

    /** In samples. */
    private static long soxi(Path file) throws IOException, InterruptedException {
        return Long.parseLong(run("soxi", "-s", file.toString()));
    }

    private record Decoded(Samples.Length length, List<Float> samples) {
        /** Where the click begins, in seconds. */
        double click() {
            for (int i = 0; i < samples.size(); i++) {
                if (samples.get(i) > 0.4) {
                    return (double) i / length.rate();
                }
            }
            return -1;
        }
    }

    /** In slices as short as they can be. */
    private static Samples.Length read(Path file, SoundFormat format, Samples samples) throws IOException {
        try (SoundReader reader =
                new SoundReader(file, format, progress -> assertThat(progress).isBetween(0.0, 1.0), System::nanoTime)) {
            while (reader.slice(1, samples)) {
                // on with it
            }
            return reader.length();
        }
    }

    private static Decoded decode(Path file, SoundFormat format) throws IOException {
        List<Float> samples = new ArrayList<>();
        Samples.Length length = read(file, format, samples::add);
        assertThat(samples).hasSize((int) length.frames());
        return new Decoded(length, samples);
    }

    @ParameterizedTest
    @CsvSource({"44100,2,16", "48000,1,16", "44100,2,24", "8000,1,16", "96000,2,16"})
    void flacIsAsLongAsSoxiSaysAndWhereTheClickIsItStays(int rate, int channels, int bits) throws Exception {
        Path wav = wav(rate, channels, bits, 3.217);
        Path flac = folder.resolve("tone.flac");
        run("flac", "--silent", "--force", "-o", flac.toString(), wav.toString());

        Decoded fromWav = decode(wav, SoundFormat.WAV);
        Decoded fromFlac = decode(flac, SoundFormat.FLAC);
        assertThat(fromWav.length().frames()).isEqualTo(soxi(wav));
        assertThat(fromFlac.length().frames()).isEqualTo(soxi(flac));
        assertThat(fromFlac.samples()).as("nothing is lost in FLAC").isEqualTo(fromWav.samples());
        assertThat(fromFlac.click()).isCloseTo(1, within(2.0 / rate));
    }

    @ParameterizedTest
    @CsvSource({"44100,2,-b 128", "44100,1,-V 4", "48000,2,-b 192", "22050,1,-b 64", "44100,2,-t -b 128"})
    void mp3IsAsLongAsSoxiSaysWithinAFrameAndTheClickLiesWhereItDid(int rate, int channels, String how)
            throws Exception {
        Path wav = wav(rate, channels, 16, 3.217);
        Path mp3 = folder.resolve("tone.mp3");
        List<String> command = new ArrayList<>(List.of("lame", "--quiet"));
        command.addAll(Arrays.asList(how.split(" ")));
        command.addAll(List.of(wav.toString(), mp3.toString()));
        run(command.toArray(String[]::new));

        Decoded decoded = decode(mp3, SoundFormat.MP3);
        assertThat(decoded.length().rate()).isEqualTo(rate);
        boolean plain = how.startsWith("-t");
        assertThat((double) decoded.length().frames())
                .isCloseTo(plain ? soxi(mp3) : soxi(wav), within((double) MP3_FRAME));
        // without what its encoder says of itself nobody can know what it put before the sound
        assertThat(decoded.click()).isCloseTo(1, within(plain ? 2.0 * MP3_FRAME / rate : 0.002));
    }

    @Test
    void whatIsBrokenIsRefusedWithASentence() throws Exception {
        Path wav = wav(44_100, 2, 16, 0.5);
        byte[] whole = Files.readAllBytes(wav);
        Random random = new Random(4);
        Path hurt = folder.resolve("hurt");
        for (SoundFormat format : SoundFormat.values()) {
            byte[] noise = new byte[20_000];
            random.nextBytes(noise);
            Files.write(hurt, noise);
            assertThatThrownBy(() -> decode(hurt, format)).as(format.name()).isInstanceOf(BrokenSound.class);
        }
        Files.write(hurt, Arrays.copyOf(whole, 40));
        assertThatThrownBy(() -> decode(hurt, SoundFormat.WAV))
                .isInstanceOf(BrokenSound.class)
                .hasMessage(
                        "This WAV file cannot be decoded: it is damaged, or of a kind that is not usual. Save it anew as WAV, FLAC or MP3");
        whole[20] = 2;
        Files.write(hurt, whole);
        assertThatThrownBy(() -> decode(hurt, SoundFormat.WAV)).isInstanceOf(BrokenSound.class);
    }

    @Test
    void formatsAreKnownByTheirFirstBytes() {
        assertThat(SoundFormat.of("RIFF....WAVE".getBytes(StandardCharsets.ISO_8859_1)))
                .hasValue(SoundFormat.WAV);
        assertThat(SoundFormat.of("fLaC".getBytes(StandardCharsets.ISO_8859_1))).hasValue(SoundFormat.FLAC);
        assertThat(SoundFormat.of("ID3\4".getBytes(StandardCharsets.ISO_8859_1)))
                .hasValue(SoundFormat.MP3);
        assertThat(SoundFormat.of(new byte[] {(byte) 0xFF, (byte) 0xFB})).hasValue(SoundFormat.MP3);
        assertThat(SoundFormat.of("RIFF".getBytes(StandardCharsets.ISO_8859_1))).isEmpty();
        assertThat(SoundFormat.of(new byte[0])).isEmpty();
    }

    @Test
    void aWaveIsDrawnFromAnHourDownToTenMilliseconds() throws Exception {
        WaveFile wave = new WaveFile(folder.resolve("wave"));
        Path wav = wav(44_100, 1, 16, 60);
        try (WaveFile.Writer writer = wave.new Writer()) {
            read(wav, SoundFormat.WAV, writer);
        }
        assertThat(wave.exists()).isTrue();
        WaveFile.Columns all = wave.columns(0, 60 * 44_100, 1_200);
        assertThat(all.high()[20]).as("the click lies at one of sixty seconds").isGreaterThan(110);
        assertThat(all.high()[10]).isZero();
        assertThat(all.high()[600]).isBetween(30, 34);
        assertThat(all.low()[600]).isBetween(-34, -30);
        WaveFile.Columns near = wave.columns(0.996 * 44_100, 1.006 * 44_100, 1_000);
        assertThat(near.high()[200]).isZero();
        assertThat(near.high()[450]).isGreaterThan(110);
        assertThat(near.high()[700]).isZero();
        assertThat(wave.columns(59.9 * 44_100, 70 * 44_100, 100).high()[99])
                .as("behind the end is silence")
                .isZero();
        wave.remove();
        assertThat(wave.exists()).isFalse();
    }
}
