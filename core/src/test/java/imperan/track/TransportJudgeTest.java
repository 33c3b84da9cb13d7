package imperan.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.track.Transport.Loop;
import imperan.track.Transport.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/**
 * A transport beside a judge that goes tick by tick and shares no code with it: orders of chance, at
 * moments of chance.
 */
class TransportJudgeTest {

    /** A 512th of a second: a whole number of nanoseconds, and of a double exactly what it is. */
    private static final long TICK = 1_953_125;

    private static final int LOOKED = 1_000;
    /** Loops are longer than this and a correction, so that none is gone round twice between two looks. */
    private static final int LONGEST_STEP = 90;

    private static final int SHORTEST_LOOP = 120;

    /** What a track does, as one would explain it: all in whole ticks. */
    private static final class Judge {
        private List<Integer> points = List.of();
        private int length;
        private boolean passesJumps;
        private boolean armed = true;
        private boolean rolling;
        private int position;
        private int armedFrom;
        private int loopFrom = -1;
        private int loopTo = -1;
        private final List<Integer> fired = new ArrayList<>();
        private final List<Integer> missed = new ArrayList<>();

        private void passUntil(int before) {
            for (int point : points) {
                if (point >= armedFrom && point < before) {
                    (armed ? fired : missed).add(point);
                }
            }
        }

        private void passHere() {
            passUntil(position + 1);
            armedFrom = Math.max(armedFrom, position + 1);
        }

        private void pass(int ticks) {
            // where it stands is passed as soon as it rolls
            stands();
            for (long i = 0; i < ticks && rolling; i++) {
                position++;
                stands();
            }
        }

        private void stands() {
            if (!rolling) {
                return;
            }
            if (loopTo >= 0 && position >= loopTo) {
                // a correction may have put it behind the end
                passUntil(loopTo);
                position = loopFrom + (position - loopTo);
                armedFrom = loopFrom;
            }
            if (position >= length) {
                position = length;
                rolling = false;
            }
            passHere();
        }

        private void begin(int to) {
            position = Math.max(0, Math.min(length, to));
            armedFrom = position;
            if (position < loopFrom || position >= loopTo) {
                leaveLoop();
            }
        }

        private void place(int to) {
            int there = Math.max(0, Math.min(length, to));
            if (passesJumps && there > armedFrom) {
                passUntil(there);
            }
            begin(there);
        }

        private void correct(int to) {
            position = Math.max(0, Math.min(length, to));
            passHere();
        }

        private void play() {
            if (!rolling && position >= length) {
                place(0);
            }
            rolling = true;
        }

        private void loop(int from, int to) {
            if (position < from || position >= to) {
                place(from);
            }
            loopFrom = from;
            loopTo = to;
        }

        private void leaveLoop() {
            loopFrom = -1;
            loopTo = -1;
        }

        private void follow(List<Integer> on, int newLength, boolean jumps) {
            points = on;
            length = newLength;
            passesJumps = jumps;
            if (position > length) {
                position = length;
                rolling = false;
            }
            if (loopTo > length) {
                leaveLoop();
            }
        }

        private void arm(boolean on) {
            armed = on;
            if (on) {
                missed.clear();
            }
        }
    }

    private static final class Trial {
        private final Random random;
        private final Judge judge = new Judge();
        private final Transport<Integer> transport = new Transport<>();
        private final List<Integer> fired = new ArrayList<>();
        private long now;

        private Trial(long seed) {
            random = new Random(seed);
        }

        private void follow() {
            int length = 400 + random.nextInt(2_000);
            List<Integer> points = random.ints(random.nextInt(25), 0, length + 1)
                    .sorted()
                    .distinct()
                    .boxed()
                    .toList();
            boolean jumps = random.nextBoolean();
            transport.follow(
                    points.stream().map(tick -> new Point<>(tick, tick / 512.0)).toList(), length / 512.0, jumps, now);
            judge.follow(points, length, jumps);
        }

        private void order() {
            int to = random.nextInt(judge.length + 200) - 100;
            switch (random.nextInt(11)) {
                case 0 -> {
                    transport.pause(now);
                    judge.rolling = false;
                }
                case 1 -> {
                    transport.place(to / 512.0, now);
                    judge.place(to);
                }
                case 2 -> {
                    transport.begin(to / 512.0, now);
                    judge.begin(to);
                }
                case 3 -> {
                    transport.passUntil(to / 512.0, now);
                    judge.passUntil(to);
                }
                case 4 -> {
                    int near = judge.position + random.nextInt(41) - 20;
                    transport.correct(near / 512.0, now);
                    judge.correct(near);
                }
                case 5 -> {
                    int from = random.nextInt(judge.length - 220);
                    int until = from + SHORTEST_LOOP + random.nextInt(100);
                    transport.loop(new Loop(from / 512.0, until / 512.0), now);
                    judge.loop(from, until);
                }
                case 6 -> {
                    transport.leaveLoop(now);
                    judge.leaveLoop();
                }
                case 7 -> {
                    boolean on = random.nextInt(3) > 0;
                    transport.arm(on, now);
                    judge.arm(on);
                }
                case 8 -> {
                    if (random.nextInt(4) == 0) {
                        follow();
                    }
                }
                default -> {
                    transport.play(now);
                    judge.play();
                }
            }
        }

        private void pass(int ticks) {
            judge.pass(ticks);
            now += ticks * TICK;
        }

        private void look(String where) {
            for (Optional<Point<Integer>> next = transport.next(now); next.isPresent(); next = transport.next(now)) {
                fired.add(next.get().what());
            }
            assertThat(fired).as(where).isEqualTo(judge.fired);
            assertThat(transport.missed().stream().map(Point::what)).as(where).isEqualTo(judge.missed);
            assertThat(transport.position(now)).as(where).isCloseTo(judge.position / 512.0, within(1e-7));
            assertThat(transport.isRolling()).as(where).isEqualTo(judge.rolling);
            assertThat(transport.isArmed()).as(where).isEqualTo(judge.armed);
            assertThat(transport.length()).as(where).isEqualTo(judge.length / 512.0);
            assertThat(transport.loop().map(Loop::from))
                    .as(where)
                    .isEqualTo(judge.loopTo < 0 ? Optional.empty() : Optional.of(judge.loopFrom / 512.0));
            assertThat(transport.loop().map(Loop::to))
                    .as(where)
                    .isEqualTo(judge.loopTo < 0 ? Optional.empty() : Optional.of(judge.loopTo / 512.0));
            assertThat(transport.due()).as(where).isCloseTo(due(), within(5L));
        }

        /** When a point, the end of the loop or the end of the track comes next, to the nearest tick. */
        private long due() {
            if (!judge.rolling) {
                return Transport.NEVER;
            }
            int stop = judge.loopTo < 0 ? judge.length : judge.loopTo;
            int next = judge.points.stream()
                    .filter(point -> point >= judge.armedFrom)
                    .findFirst()
                    .map(point -> Math.min(point, stop))
                    .orElse(stop);
            return now + (next - judge.position) * TICK;
        }
    }

    @Test
    void whateverIsOrderedItStandsAndPassesAsTheJudgeSays() {
        LongStream.range(0, LOOKED).forEach(seed -> {
            Trial trial = new Trial(seed);
            trial.follow();
            for (int step = 0; step < 60; step++) {
                trial.pass(trial.random.nextInt(LONGEST_STEP));
                trial.look("seed " + seed + ", before step " + step);
                trial.order();
            }
        });
    }
}
