package imperan.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Times as people and files write them. */
class TimeTest {

    private static double read(String text, FrameRate rate) {
        return ((Time.Read.Good<Double>) Time.seconds(text, rate)).value();
    }

    private static String refused(String text, FrameRate rate) {
        return ((Time.Read.Bad<Double>) Time.seconds(text, rate)).reason();
    }

    /** SMPTE ST 12-1: 108 numbers are left out of an hour of 108 000, so 107 892 frames have one. */
    @Test
    void dropFrameCountsAnHourInThe107892FramesOfTheStandard() {
        FrameRate rate = FrameRate.FPS_29_97_DROP;

        assertThat(Timecode.frame("01:00:00;00", rate)).isEqualTo(new Time.Read.Good<>(107_892L));
        assertThat(Timecode.frame("00:10:00;00", rate)).isEqualTo(new Time.Read.Good<>(17_982L));
        assertThat(Timecode.frame("00:01:00;02", rate)).isEqualTo(new Time.Read.Good<>(1_800L));
        // counted one by one, as a counter at the machine would
        int minutes = 0;
        int seconds = 0;
        int frames = 0;
        for (long frame = 0; frame < 2 * 107_892; frame++) {
            assertThat(Timecode.text(frame, rate))
                    .isEqualTo(String.format("%02d:%02d:%02d;%02d", minutes / 60, minutes % 60, seconds, frames));
            if (++frames == 30) {
                frames = 0;
                if (++seconds == 60) {
                    seconds = 0;
                    frames = ++minutes % 10 == 0 ? 0 : 2;
                }
            }
        }
    }

    @ParameterizedTest
    @EnumSource(FrameRate.class)
    void everyFrameOfADayIsReadBackFromItsNumber(FrameRate rate) {
        Random random = new Random(12);
        for (int i = 0; i < 20_000; i++) {
            long frame = random.nextInt(24 * 3_600 * 24);
            assertThat(Timecode.frame(Timecode.text(frame, rate), rate)).isEqualTo(new Time.Read.Good<>(frame));
            assertThat(rate.frame(rate.seconds(frame))).isEqualTo(frame);
        }
    }

    @Test
    void anHourOfDropFrameKeepsUpWithTheClockAndOneWithoutDoesNot() {
        assertThat(read("01:00:00;00", FrameRate.FPS_29_97_DROP)).isCloseTo(3600, within(0.004));
        assertThat(read("01:00:00:00", FrameRate.FPS_29_97)).isCloseTo(3603.6, within(1e-9));
        assertThat(read("01:00:00:00", FrameRate.FPS_25)).isEqualTo(3600);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12.5|12.5",
                "12,5|12.5",
                "7|7",
                "1:02.250|62.25",
                "01:02,25|62.25",
                "1:00:02.5|3602.5",
                "00:01:02:12|62.48",
                "90:00|5400"
            })
    void isReadAsItIsWritten(String text, double seconds) {
        assertThat(read(text, FrameRate.FPS_25)).isCloseTo(seconds, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "00:01:00;00|drop-frame counting leaves this number out; the next one is 00:01:00:02",
                "00:01:00;30|at 29.97 drop-frame frames are counted 00 to 29",
                "00:61:00;10|minutes and seconds are counted 00 to 59",
                "24:00:00;00|time code counts 24 hours, 00 to 23",
                "1:75|minutes and seconds are counted 00 to 59",
                "soon|is no time",
                "-4|is no time",
                "1e9|is no time",
                "90000|is more than a day"
            })
    void whatIsNoTimeIsRefusedInWords(String text, String reason) {
        assertThat(refused(text, FrameRate.FPS_29_97_DROP)).contains("“" + text + "”", reason);
    }

    @Test
    void numbersThatDropFrameLeavesOutAreThereInEachTenthMinuteAndWithoutIt() {
        assertThat(Timecode.frame("00:10:00;00", FrameRate.FPS_29_97_DROP)).isInstanceOf(Time.Read.Good.class);
        assertThat(Timecode.frame("00:01:00:00", FrameRate.FPS_29_97)).isEqualTo(new Time.Read.Good<>(1_800L));
        assertThat(refused("00:00:01:24", FrameRate.FPS_24)).contains("at 24 frames are counted 00 to 23");
    }

    @Test
    void isWrittenInMinutesAndReadBack() {
        assertThat(Time.text(62.25)).isEqualTo("1:02.250");
        assertThat(Time.text(3602.5)).isEqualTo("1:00:02.500");
        assertThat(Time.text(59.9996)).isEqualTo("1:00.000");
        Random random = new Random(3);
        for (int i = 0; i < 1_000; i++) {
            double seconds = random.nextInt(86_400_000) / 1e3;
            assertThat(read(Time.text(seconds), FrameRate.FPS_25)).isCloseTo(seconds, within(1e-9));
        }
    }

    @Test
    void beatsAreTappedAndSnappedTo() {
        BeatGrid grid =
                BeatGrid.tapped(List.of(0.2, 10.51, 11.0, 11.49, 12.01, 12.5)).orElseThrow();

        assertThat(grid.beatsPerMinute()).isCloseTo(120, within(0.5));
        assertThat(grid.firstBeat()).isBetween(0.0, 0.05);
        assertThat(new BeatGrid(120, 0.25).nearest(3.6)).isEqualTo(3.75);
        assertThat(new BeatGrid(120, 0.25).nearest(0.1)).isEqualTo(0.25);
        assertThat(BeatGrid.tapped(List.of(4.0))).isEmpty();
        assertThat(BeatGrid.tapped(List.of(4.0, 4.01))).isEmpty();
    }

    /** The straight line through all taps that belong together, number by number. */
    @Test
    void tapsAreCountedFromTheLastPauseOn() {
        tempo(List.of(4.1, 4.7), 100, 0.5);
        tempo(List.of(1.3, 1.8, 2.3), 120, 0.3);
        tempo(List.of(1.0, 4.0), 20, 1.0);
        tempo(List.of(0.0, 0.15), 400, 0.0);
        tempo(List.of(1.0, 4.1, 4.6, 5.1), 120, 0.1);
        tempo(List.of(2.0, 2.0, 2.5), 120, 0.0);
        // off by 0.03 in the middle moves the line and not its slope
        tempo(List.of(1.0, 1.53, 2.0), 120, 0.01);
        assertThat(BeatGrid.tapped(List.of(1.0, 4.1))).isEmpty();
        assertThat(BeatGrid.tapped(List.of(0.0, 0.14))).isEmpty();
    }

    private static void tempo(List<Double> taps, double tempo, double first) {
        BeatGrid grid = BeatGrid.tapped(taps).orElseThrow();
        assertThat(grid.beatsPerMinute()).isCloseTo(tempo, within(1e-6));
        assertThat(grid.firstBeat()).isCloseTo(first, within(1e-6));
    }
}
