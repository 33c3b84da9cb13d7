package imperan.server.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.LongSupplier;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sounds that are made to do harm: small files of days, heads that claim memory, rates that there are not. */
class SoundLimitsTest {

    @TempDir
    Path folder;

    private Path file(byte[] bytes) throws IOException {
        return Files.write(folder.resolve("sound"), bytes);
    }

    private static Samples.Length read(Path file, SoundFormat format, LongSupplier processor) throws IOException {
        try (SoundReader reader = new SoundReader(file, format, progress -> {}, processor)) {
            while (reader.slice(1, sample -> {})) {
                // on with it
            }
            return reader.length();
        }
    }

    private static Samples.Length read(Path file, SoundFormat format) throws IOException {
        return read(file, format, System::nanoTime);
    }

    @Test
    void theMakerOfSilenceWritesWhatDebiansFlacReads() throws Exception {
        Path flac = file(SilentFlac.of(8_000, 2, 3, SilentFlac.block(1, true, new byte[100])));
        Process process = new ProcessBuilder("flac", "--test", "--silent", flac.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(read(flac, SoundFormat.FLAC).frames()).isEqualTo(3L * SilentFlac.FRAME);
    }

    @Test
    void fourHoursAreCountedByWhatComesOutAndNotByWhatTheFileSays() throws IOException {
        int frames = (int) (SoundLimits.MOST_SECONDS * SoundLimits.LEAST_RATE / SilentFlac.FRAME);
        assertThat(read(file(SilentFlac.of(SoundLimits.LEAST_RATE, 1, frames)), SoundFormat.FLAC)
                        .seconds())
                .isBetween(14_390.0, 14_400.0);
        byte[] longer = SilentFlac.of(SoundLimits.LEAST_RATE, 1, frames + 1);
        assertThat(longer).as("bytes of it").hasSizeLessThan(30_000);
        assertThatThrownBy(() -> read(file(longer), SoundFormat.FLAC))
                .isInstanceOf(BrokenSound.class)
                .hasMessage("This sound is longer than 4 hours: cut it into parts");
    }

    @Test
    void fiveMinutesOfAProcessorAreTheMostForOne() throws IOException {
        Path flac = file(SilentFlac.of(48_000, 1, 700));
        AtomicLong clock = new AtomicLong();
        // half a second for each look: 600 of them are 5 minutes
        assertThatThrownBy(
                        () -> read(flac, SoundFormat.FLAC, () -> clock.addAndGet(TimeUnit.MILLISECONDS.toNanos(500))))
                .isInstanceOf(BrokenSound.class)
                .hasMessageStartingWith("It takes more than 5 minutes to read this sound");
        assertThat(read(flac, SoundFormat.FLAC, () -> clock.addAndGet(TimeUnit.MILLISECONDS.toNanos(100)))
                        .frames())
                .isEqualTo(700L * SilentFlac.FRAME);
    }

    @ParameterizedTest
    @ValueSource(ints = {Integer.MAX_VALUE, -1, 1 << 30, 60})
    void aCommentClaimsNoMemory(int claimed) throws IOException {
        Path flac = file(SilentFlac.of(48_000, 2, 2, SilentFlac.comment(claimed)));
        assertThat(read(flac, SoundFormat.FLAC).frames()).isEqualTo(2L * SilentFlac.FRAME);
    }

    @Test
    void aTagClaimsNoMemory() throws IOException {
        byte[] tag = {'I', 'D', '3', 4, 0, 0, 0x7F, 0x7F, 0x7F, 0x7F, 1, 2, 3};
        assertThatThrownBy(() -> read(file(tag), SoundFormat.MP3)).isInstanceOf(BrokenSound.class);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 7_999, 192_001, 655_350})
    void aRateThatCannotBeIsCalledThat(int rate) {
        assertThatThrownBy(() -> read(file(SilentFlac.of(rate, 1, 2)), SoundFormat.FLAC))
                .isInstanceOf(BrokenSound.class)
                .hasMessage("This sound is said to have " + rate
                        + " samples a second; from 8000 to 192000 can be. Save it anew, with 48000");
    }

    /** The fields of a WAV file that the JDK wrote, overwritten: channels at 22, rate at 24 (RIFF, "fmt "). */
    private byte[] wav(int channels, int rate) throws IOException {
        Path file = folder.resolve("made.wav");
        AudioFormat format = new AudioFormat(48_000, 16, channels, true, false);
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(new byte[channels * 2 * 1_000]), format, 1_000),
                AudioFileFormat.Type.WAVE,
                file.toFile());
        byte[] bytes = Files.readAllBytes(file);
        ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putInt(24, rate);
        return bytes;
    }

    @ParameterizedTest
    @CsvSource({"1, 0", "2, 7999", "2, 2000000000", "1, -5"})
    void aRateOfAWavFileThatCannotBeIsCalledThat(int channels, int rate) {
        assertThatThrownBy(() -> read(file(wav(channels, rate)), SoundFormat.WAV))
                .isInstanceOf(BrokenSound.class)
                .hasMessageContaining("samples a second; from 8000 to 192000 can be");
    }

    @Test
    void channelsAreCounted() throws IOException {
        assertThat(read(file(wav(8, 48_000)), SoundFormat.WAV).frames()).isEqualTo(1_000);
        assertThatThrownBy(() -> read(file(wav(9, 48_000)), SoundFormat.WAV))
                .isInstanceOf(BrokenSound.class)
                .hasMessage("This sound is said to have 9 channels; from 1 to 8 can be. Save a mix of it, with two");
    }

    @ParameterizedTest
    @CsvSource({"FLAC", "MP3"})
    void aLongPartThatIsNoSoundEndsIt(SoundFormat format) throws IOException {
        Path flac =
                file(format == SoundFormat.FLAC ? SilentFlac.of(48_000, 1, 1) : new byte[] {(byte) 0xFF, (byte) 0xFB});
        try (RandomAccessFile more = new RandomAccessFile(flac.toFile(), "rw")) {
            more.setLength(40L << 20);
        }
        assertThatThrownBy(() -> read(flac, format)).isInstanceOf(BrokenSound.class);
    }

    @Test
    void aWaveOfHoursIsDrawnCoarser() throws IOException {
        WaveFile wave = new WaveFile(folder.resolve("wave"));
        try (WaveFile.Writer writer = wave.new Writer(100_000)) {
            for (int i = 0; i < 1_000_000; i++) {
                writer.sample(i == 500_000 ? 1 : 0);
            }
        }
        assertThat(wave.exists()).isTrue();
        assertThat(folder.resolve("wave.16")).doesNotExist();
        WaveFile.Columns near = wave.columns(499_990, 500_010, 20);
        assertThat(near.high()[10]).isEqualTo(127);
        assertThat(wave.columns(0, 1_000_000, 10).high()).containsExactly(0, 0, 0, 0, 0, 127, 0, 0, 0, 0);
        wave.remove();
        try (var left = Files.list(folder)) {
            assertThat(left.filter(file -> file.getFileName().toString().startsWith("wave")))
                    .isEmpty();
        }
    }

    @Test
    void theLargestWaveIs64MebibytesAtMost() {
        long finest = WaveFile.MOST_FINE / 16 * 2;
        long most = SoundLimits.MOST_SECONDS * SoundLimits.MOST_RATE;
        // what is drawn finest is of a sound that is short enough, else of one that is as long as can be
        assertThat(finest + WaveFile.MOST_FINE / 512 * 2 + WaveFile.MOST_FINE / 16_384 * 2)
                .isLessThan(64L << 20);
        assertThat(most / 512 * 2 + most / 16_384 * 2).isLessThan(64L << 20);
    }
}
