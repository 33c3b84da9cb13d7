package imperan.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Somebody else's position, followed through jitter, gaps and jumps. */
class OutsideClockTest {

    private static final double TOLERANCE = 0.1;
    private static final double FREEWHEEL = 2;

    private final Transport<Integer> track = new Transport<>();
    private final OutsideClock clock = new OutsideClock(track);
    private final List<Integer> fired = new ArrayList<>();

    private static long at(double seconds) {
        return Math.round(seconds * 1e9);
    }

    private void lies(boolean passesJumps, double... seconds) {
        List<Transport.Point<Integer>> points = new ArrayList<>();
        for (int i = 0; i < seconds.length; i++) {
            points.add(new Transport.Point<>(i, seconds[i]));
        }
        track.follow(points, 7_200, passesJumps, 0);
        clock.follow(TOLERANCE, FREEWHEEL);
    }

    private void untilNow(long now) {
        for (long due = Math.min(track.due(), clock.due()); due <= now; due = Math.min(track.due(), clock.due())) {
            clock.proceed(due);
            take(due);
        }
        take(now);
    }

    private void take(long now) {
        for (Optional<Transport.Point<Integer>> next = track.next(now); next.isPresent(); next = track.next(now)) {
            fired.add(next.get().what());
        }
    }

    private void reports(double seconds, double now) {
        untilNow(at(now));
        clock.reported(seconds, at(now));
        take(at(now));
    }

    private void rolls(double from, double now, double seconds) {
        for (double gone = 0; gone < seconds; gone += 0.04) {
            reports(from + gone, now + gone);
        }
    }

    @Test
    void oneReportThatDoesNotFitChangesNothing() {
        lies(false, 12.5);
        rolls(10, 0, 3);
        assertThat(fired).containsExactly(0);

        reports(12.0, 3.0);
        rolls(13.04, 3.04, 1);
        assertThat(fired).containsExactly(0);
        assertThat(track.position(at(4))).isCloseTo(14, within(0.05));
    }

    @Test
    void whoStandsIsNotFollowedOnAndWhatWasPassedMeanwhileIsNotPassedAgain() {
        lies(false, 13.02);
        rolls(10, 0, 3);
        for (int i = 0; i < 50; i++) {
            reports(13, 3 + 0.04 * i);
        }
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(5))).isEqualTo(13);
        rolls(13, 5, 1);
        assertThat(fired).containsExactly(0);
    }

    @Test
    void whereReportsEndItGoesOnForItsTimeAndComesBackWithoutPassingTwice() {
        lies(false, 14, 16);
        rolls(10, 0, 3);
        untilNow(at(10));
        assertThat(track.position(at(10))).isCloseTo(15, within(0.1));
        assertThat(clock.isHeard(at(10))).isFalse();
        assertThat(fired).containsExactly(0);

        // it had stood since
        rolls(13, 10, 4);
        assertThat(fired).containsExactly(0, 1);
    }

    @Test
    void aJumpBackArmsAgainAndWhoJumpsAndStandsIsPlaced() {
        lies(false, 11, 12);
        rolls(10, 0, 2.5);
        rolls(10.5, 2.5, 1);
        assertThat(fired).containsExactly(0, 1, 0);

        for (int i = 0; i < 10; i++) {
            reports(0, 3.5 + 0.04 * i);
        }
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(5))).isZero();
        // a single report while nobody plays is a place
        reports(11.9, 6);
        assertThat(track.position(at(6))).isEqualTo(11.9);
        assertThat(fired).hasSize(3);
    }

    @Test
    void whatIsHeardFirstPassesNothing() {
        lies(true, 5, 8);
        rolls(7, 0, 2);
        assertThat(fired).containsExactly(1);
    }

    // ---- its law, number by number; it began a hundred seconds ago, as clocks do not begin at zero

    /** Rolls from 10 to 11 in the second before 101. */
    private void rollsToEleven() {
        rolls(10, 100, 1);
        assertThat(track.isRolling()).isTrue();
        assertThat(track.position(at(101))).isCloseTo(11, within(1e-6));
    }

    @Test
    void itIsHeardUntilItsTimeIsOver() {
        lies(false);
        reports(10, 100);
        assertThat(clock.isHeard(at(102) - 1)).isTrue();
        assertThat(clock.isHeard(at(102))).isFalse();
    }

    @Test
    void twoReportsOfOneMomentSayNothingOfWhetherItGoes() {
        lies(false);
        reports(10, 100);
        reports(10, 100);
        assertThat(track.isRolling()).isFalse();
    }

    @Test
    void itPlaysWhereTwoReportsFollowEachOther() {
        lies(false);
        reports(11, 100);
        reports(12, 101);
        assertThat(track.isRolling()).isTrue();
        assertThat(track.position(at(101))).isEqualTo(12);
    }

    @Test
    void twoReportsThatDoNotFitDoNotMakeItPlay() {
        lies(false);
        reports(11, 100);
        reports(11.5, 100.04);
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(100.04))).isEqualTo(11.5);
        reports(11.3, 100.08);
        assertThat(track.isRolling()).isFalse();
    }

    /** Less than a quarter of the time that went by is standing, a quarter is not. */
    @ParameterizedTest
    @CsvSource({"11.24, false", "11.25, true"})
    void whoHardlyMovesStands(double second, boolean goes) {
        lies(false);
        clock.follow(1, FREEWHEEL);
        reports(11, 100);
        reports(second, 101);
        assertThat(track.isRolling()).isEqualTo(goes);
    }

    @Test
    void ofWhatAReportIsOffASmallShareIsTakenOver() {
        lies(false);
        rollsToEleven();
        reports(11.08, 101);
        assertThat(track.position(at(101))).isCloseTo(11.012, within(1e-6));
        reports(11.012, 101.04);
        assertThat(track.position(at(101.04))).isCloseTo(11.052 - 0.15 * 0.04, within(1e-6));
    }

    /** Half the tolerance of one place is standing. */
    @Test
    void whoStaysForHalfTheToleranceStands() {
        lies(false);
        rollsToEleven();
        reports(11, 101);
        reports(11, 101.04);
        assertThat(track.isRolling()).isTrue();
        reports(11, 101.08);
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(105))).isEqualTo(11);
    }

    @Test
    void whoStaysAndIsHeardLateStandsWithoutPassingTwice() {
        lies(false, 11.1);
        rollsToEleven();
        reports(11, 101);
        reports(11, 101.04);
        reports(11, 101.16);
        assertThat(fired).containsExactly(0);
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(101.16))).isEqualTo(11);
        rolls(11, 101.2, 0.5);
        assertThat(fired).containsExactly(0);
    }

    @Test
    void whoJumpsAndStaysStandsThere() {
        lies(false);
        rollsToEleven();
        reports(5, 101);
        assertThat(track.isRolling()).isTrue();
        assertThat(track.position(at(101))).isCloseTo(11, within(1e-6));
        reports(5, 101.04);
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(103))).isEqualTo(5);
    }

    @Test
    void aJumpTakesTwoReportsThatFitEachOther() {
        lies(false);
        rollsToEleven();
        reports(5, 101);
        reports(7, 101.04);
        assertThat(track.position(at(101.04))).isCloseTo(11.04, within(1e-6));
        reports(7.04, 101.08);
        assertThat(track.isRolling()).isTrue();
        assertThat(track.position(at(101.08))).isCloseTo(7.04, within(1e-6));
    }

    @Test
    void twoStrayReportsOfOneMomentAreNoJump() {
        lies(false);
        rollsToEleven();
        reports(5, 101);
        reports(5, 101);
        assertThat(track.isRolling()).isTrue();
        assertThat(track.position(at(101))).isCloseTo(11, within(1e-6));
    }

    @Test
    void whereTheLastReportWasAStrayOneItEndsThere() {
        lies(false);
        rollsToEleven();
        reports(5, 101);
        untilNow(at(103) - 1);
        assertThat(track.isRolling()).isTrue();
        untilNow(at(103));
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(104))).isEqualTo(5);
    }

    /** Corrected by less than the tolerance it passes nothing twice; placed, it does. */
    @ParameterizedTest
    @CsvSource({"10.92, 1", "10.5, 2"})
    void whoStandsAndIsMovedBackPassesAgainOnlyWhatIsFarEnoughBack(double back, int times) {
        lies(false, 10.95);
        rollsToEleven();
        for (int i = 0; i < 5; i++) {
            reports(11, 101 + 0.04 * i);
        }
        assertThat(track.isRolling()).isFalse();
        reports(back, 101.5);
        assertThat(track.position(at(101.5))).isEqualTo(back);
        rolls(back, 101.54, 1);
        assertThat(fired).hasSize(times);
    }

    /** A player over an hour: reports 25 times a second that are up to 20 ms late or early, some lost, gaps, jumps; a point counts as often as the player itself went over it. */
    @Test
    void everyPointIsPassedAsOftenAsThePlayerPassedIt() {
        LongStream.range(0, 300).parallel().forEach(seed -> {
            Evening evening = new Evening(seed);
            evening.play();
            assertThat(evening.heard).describedAs("seed " + seed).isEqualTo(evening.expected);
        });
    }

    private static final class Evening {
        private final Random random;
        private final OutsideClockTest ear = new OutsideClockTest();
        private final double[] cues = new double[200];
        private final int[] expected = new int[200];
        private int[] heard = new int[200];
        private double player;

        private Evening(long seed) {
            random = new Random(seed);
            for (int i = 0; i < cues.length; i++) {
                cues[i] = 20 + 17.5 * i + random.nextDouble() * 5;
            }
            ear.lies(false, cues);
        }

        private void play() {
            player = 0;
            double jumpsAt = 100 + random.nextDouble() * 200;
            double silentUntil = 0;
            double now = 0;
            for (; now < 3_600 || !isClear(player); now += 0.04) {
                double before = player;
                player += 0.04;
                for (int i = firstFrom(before); i < cues.length && cues[i] < player; i++) {
                    expected[i]++;
                }
                if (now > jumpsAt && isClear(player) && now > silentUntil + 1) {
                    double to = random.nextDouble() * 3_400;
                    if (isClear(to)) {
                        player = to;
                        jumpsAt = now + 100 + random.nextDouble() * 200;
                    }
                } else if (now > silentUntil + 0.5 && random.nextInt(2_000) == 0) {
                    // a gap that it goes on through
                    silentUntil = now + random.nextDouble() * 1.8;
                }
                boolean lost = now < silentUntil || random.nextInt(20) == 0;
                if (!lost) {
                    // late or early by so much
                    ear.reports(player, now + 0.04 + (random.nextDouble() - 0.5) * 0.0399);
                }
            }
            ear.untilNow(at(now));
            ear.fired.forEach(cue -> heard[cue]++);
        }

        private int firstFrom(double seconds) {
            int found = Arrays.binarySearch(cues, seconds);
            return found < 0 ? -found - 1 : found;
        }

        /** Nothing lies so near that it cannot be said whether it was passed. */
        private boolean isClear(double seconds) {
            for (double cue : cues) {
                if (Math.abs(cue - seconds) < 2.5) {
                    return false;
                }
            }
            return true;
        }
    }
}
