package imperan.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Where a track is, and what it passes. */
class TransportTest {

    private static final List<Transport.Point<String>> POINTS = List.of(
            new Transport.Point<>("one", 1),
            new Transport.Point<>("two", 2),
            new Transport.Point<>("three", 3),
            new Transport.Point<>("four", 4));

    private final Transport<String> track = new Transport<>();

    private static long at(double seconds) {
        return Math.round(seconds * 1e9);
    }

    private void lies(boolean passesJumps) {
        track.follow(POINTS, 10, passesJumps, 0);
    }

    private List<String> passed(double seconds) {
        List<String> all = new ArrayList<>();
        for (Optional<Transport.Point<String>> next = track.next(at(seconds));
                next.isPresent();
                next = track.next(at(seconds))) {
            all.add(next.get().what());
        }
        return all;
    }

    @Test
    void passesEachPointOnceWhenItIsDue() {
        lies(false);
        track.play(at(100));

        assertThat(track.due()).isEqualTo(at(101));
        assertThat(passed(100.999)).isEmpty();
        assertThat(passed(101)).containsExactly("one");
        assertThat(passed(101)).isEmpty();
        assertThat(track.due()).isEqualTo(at(102));
        assertThat(passed(103.5)).containsExactly("two", "three");
        track.pause(at(103.5));
        assertThat(track.due()).isEqualTo(Transport.NEVER);
        assertThat(passed(200)).isEmpty();
        track.play(at(200));
        assertThat(passed(200.5)).containsExactly("four");
        assertThat(track.position(at(201.5))).isCloseTo(5, within(1e-9));
    }

    @Test
    void stopsAtItsEndAndBeginsAnewFromThere() {
        lies(false);
        track.play(0);

        assertThat(passed(11)).containsExactly("one", "two", "three", "four");
        assertThat(track.isRolling()).isFalse();
        assertThat(track.position(at(12))).isEqualTo(10);
        track.play(at(20));
        assertThat(track.position(at(20.5))).isCloseTo(0.5, within(1e-9));
        assertThat(passed(21.2)).containsExactly("one");
    }

    @Test
    void aPlaceBehindArmsAgainAndOneAheadSkips() {
        lies(false);
        track.play(0);
        passed(2.5);

        track.place(1.5, at(2.5));
        assertThat(passed(3.2)).containsExactly("two");
        track.place(3.5, at(3.2));
        assertThat(passed(3.3)).isEmpty();
        assertThat(passed(3.8)).containsExactly("four");
        track.place(1, at(3.8));
        assertThat(passed(3.8)).describedAs("what lies where it begins").containsExactly("one");
    }

    @Test
    void aPlaceAheadPassesWhatLiesBetweenWhereThatIsSet() {
        lies(true);
        track.play(0);
        passed(0.5);

        track.place(3.5, at(0.5));
        assertThat(passed(0.5)).containsExactly("one", "two", "three");
    }

    @Test
    void aLoopGoesRoundUntilItIsLeftAndThenToItsEnd() {
        lies(false);
        track.place(1.5, 0);
        track.play(0);
        track.loop(new Transport.Loop(1.5, 2.5), 0);

        assertThat(passed(0.6)).containsExactly("two");
        assertThat(track.due()).isEqualTo(at(1));
        assertThat(passed(1.6)).containsExactly("two");
        assertThat(track.position(at(1.7))).isCloseTo(2.2, within(1e-9));
        track.leaveLoop(at(1.7));
        assertThat(passed(2.6)).containsExactly("three");
        track.loop(new Transport.Loop(0, 0.5), at(2.7));
        assertThat(track.position(at(2.7)))
                .describedAs("goes to where it begins")
                .isZero();
        assertThat(passed(1000.1))
                .describedAs("held up, it makes up for nothing")
                .isEmpty();
        assertThat(track.position(at(1000.1))).isBetween(0.0, 0.5);
        track.place(5, at(1000.1));
        assertThat(track.loop()).isEmpty();
    }

    @Test
    void whatNobodyArmedIsMissedAndTold() {
        lies(false);
        track.arm(false, 0);
        track.play(0);

        assertThat(passed(2.5)).isEmpty();
        assertThat(track.missed()).extracting(Transport.Point::what).containsExactly("one", "two");
        track.arm(true, at(2.5));
        assertThat(track.missed()).isEmpty();
        assertThat(passed(3.5)).containsExactly("three");
    }

    @Test
    void anEditPutsAheadWhatIsPassedAndBehindWhatIsNot() {
        lies(false);
        track.play(0);
        passed(2.5);

        track.follow(
                List.of(
                        new Transport.Point<>("late", 2.4),
                        new Transport.Point<>("one", 2.8),
                        new Transport.Point<>("four", 4)),
                10,
                false,
                at(2.5));
        assertThat(passed(5)).containsExactly("one", "four");
        track.follow(POINTS, 3, false, at(5));
        assertThat(track.position(at(5))).isEqualTo(3);
        assertThat(track.isRolling()).isFalse();
    }

    /** However the turns lie, the same is passed in the same order. */
    @Test
    void passesTheSameForAnySpacingOfTurns() {
        for (long seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            Transport<Integer> one = new Transport<>();
            Transport<Integer> other = new Transport<>();
            List<Transport.Point<Integer>> points = new ArrayList<>();
            for (int i = 0; i < 50; i++) {
                points.add(new Transport.Point<>(i, random.nextDouble() * 60));
            }
            List<Integer> first = new ArrayList<>();
            List<Integer> second = new ArrayList<>();
            for (Transport<Integer> each : List.of(one, other)) {
                each.follow(points, 60, false, 0);
                each.play(0);
            }
            for (long now = 0; now < at(61); now += random.nextInt(400_000_000)) {
                one.next(now).ifPresent(point -> first.add(point.what()));
                one.position(now);
            }
            for (long due = other.due(); due != Transport.NEVER; due = other.due()) {
                for (Optional<Transport.Point<Integer>> next = other.next(due);
                        next.isPresent();
                        next = other.next(due)) {
                    second.add(next.get().what());
                }
            }
            for (Optional<Transport.Point<Integer>> next = one.next(at(61));
                    next.isPresent();
                    next = one.next(at(61))) {
                first.add(next.get().what());
            }
            assertThat(first).describedAs("seed " + seed).hasSize(50).isEqualTo(second);
        }
    }
}
