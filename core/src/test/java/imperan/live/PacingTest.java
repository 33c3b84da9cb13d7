package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** No faster than the target can take it, and nothing that counts is lost. */
class PacingTest {

    private static final long SECOND = 1_000_000_000L;

    private static Stage stage(int perSecond) {
        Show base = Shows.withPage();
        Target target = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS)
                .paced(perSecond);
        Show show = Shows.accepted(
                base,
                Shows.ADA,
                Shows.change(base, Shows.DESK, target),
                put(new PartId("a"), PAGE, Shows.fader("A", 0, "/a")),
                put(new PartId("b"), PAGE, Shows.fader("B", 1, "/b")),
                put(new PartId("go"), PAGE, Shows.button("Go", 2, false, "/go")));
        return new Stage(show);
    }

    @Test
    void theLatestValueOfEachAddressLeavesAndTheLastAlways() {
        Stage stage = stage(10);
        for (int i = 1; i <= 5; i++) {
            stage.touch(ADA, "a", Phase.SET, i / 10.0);
            stage.touch(ADA, "b", Phase.SET, i / 20.0);
        }
        stage.pass(1000);
        assertThat(stage.takeSent()).containsExactly("/a 0.1", "/b 0.25", "/a 0.5");
        assertThat(stage.link().merged()).isEqualTo(7);
    }

    @Test
    void pressesAreNeitherMergedNorOvertaken() {
        Stage stage = stage(20);
        stage.touch(ADA, "a", Phase.SET, 0.1);
        stage.touch(ADA, "a", Phase.SET, 0.2);
        stage.touch(ADA, "go", Phase.PRESS, 0);
        stage.touch(ADA, "a", Phase.SET, 0.3);
        stage.touch(ADA, "go", Phase.RELEASE, 0);
        stage.touch(ADA, "a", Phase.SET, 0.4);
        stage.touch(ADA, "a", Phase.SET, 0.5);
        stage.pass(1000);
        assertThat(stage.takeSent()).containsExactly("/a 0.1", "/a 0.2", "/go 1", "/a 0.3", "/go 0", "/a 0.5");
    }

    @Test
    void aQueueOfPressesThatOverflowsIsCounted() {
        Stage stage = stage(1);
        for (int i = 0; i < 200; i++) {
            stage.touch(ADA, "go", Phase.PRESS, 0);
            stage.touch(ADA, "go", Phase.RELEASE, 0);
        }
        // the first left at once, and the queue holds as many as it may
        assertThat(stage.link().dropped()).isEqualTo(400 - 1 - Pacer.MAX_PRESSES);
    }

    @Test
    void answersToEarlierValuesDoNotPullAFaderWhoseLastValueStillWaits() {
        Stage stage = stage(2);
        stage.touch(ADA, "a", Phase.SET, 0.9);
        stage.touch(ADA, "a", Phase.SET, 0.4);
        stage.desk("/a", 0.9f);
        assertThat(stage.value("a").position()).isEqualTo(0.4);
        stage.pass(600);
        stage.desk("/a", 0.4f);
        assertThat(stage.value("a").position()).isCloseTo(0.4, within(1e-6));
    }

    @Test
    void repeatsAreCountedOnTheLink() {
        Stage stage = stage(1000);
        stage.touch(ADA, "a", Phase.SET, 0.5);
        stage.touch(ADA, "a", Phase.SET, 0.500000001);
        assertThat(stage.link().repeats()).isEqualTo(1);
    }

    /** Property: never more than the pace and its burst in any second; the last change of each key leaves; order holds. */
    @Test
    void thePaceHolds() {
        Random random = new Random(1);
        for (int run = 0; run < 200; run++) {
            int pace = 1 + random.nextInt(500);
            Pacer<String> pacer = new Pacer<>(pace);
            List<Long> leftAt = new ArrayList<>();
            List<String> left = new ArrayList<>();
            List<String> presses = new ArrayList<>();
            String lastA = "";
            for (long now = 0; now < 3 * SECOND; now += 1_000_000L + random.nextInt(5_000_000)) {
                if (now < SECOND && random.nextBoolean()) {
                    lastA = "a" + now;
                    pacer.change("a", lastA);
                }
                if (now < SECOND && random.nextInt(50) == 0 && pacer.press("p" + now)) {
                    presses.add("p" + now);
                }
                for (Optional<String> next = pacer.next(now); next.isPresent(); next = pacer.next(now)) {
                    left.add(next.get());
                    leftAt.add(now);
                }
            }
            long until = leftAt.get(0) + SECOND;
            assertThat(leftAt.stream().filter(at -> at < until).count())
                    .isLessThanOrEqualTo(pace + Math.max(1, pace / 50) + 1);
            if (pace > 60) {
                assertThat(left).contains(lastA).containsSubsequence(presses);
            }
        }
    }
}
