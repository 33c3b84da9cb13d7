package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Actor;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Verdict;
import imperan.show.Control;
import imperan.show.Phrase;
import imperan.show.Shows;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A target sets its pace, and a proof keeps it together with hands, which come first. */
class PacedTest {

    private static final double SECOND = 1e9;
    /** What may leave at once after a pause, as a share of a second. */
    private static final double BURST = 0.02;

    private static ProofHall paced(int pace) {
        List<Phrase> phrases =
                IntStream.range(0, 8).mapToObj(i -> level("/a" + i)).toList();
        Control[] faders = IntStream.range(0, 8).mapToObj(i -> fader("/a" + i)).toArray(Control[]::new);
        ProofHall hall = hall(STAND_IN.paced(pace), phrases, faders);
        IntStream.range(0, 8).forEach(i -> hall.stands("/a" + i, Lines.f(0.25)));
        return hall;
    }

    /** Whether a target is there is found out at once, by so many questions at most. */
    private static final int FINDING_OUT = 3;

    /** Counted at the desk, from what it heard alone. */
    private static void keepsPace(ProofHall hall, int pace) {
        List<Long> at = hall.heardAt;
        for (int i = FINDING_OUT; i < at.size(); i++) {
            long from = at.get(i);
            long within =
                    at.stream().skip(i).takeWhile(time -> time < from + SECOND).count();
            assertThat(within)
                    .as("in the second after message %d", i)
                    .isLessThanOrEqualTo((long) Math.ceil(pace * (1 + BURST)) + 1);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {20, 100})
    void aProofTakesHardlyLongerThanItsMessagesNeedAtItsPace(int pace) {
        ProofHall hall = paced(pace);
        int before = hall.heard.size();
        long start = hall.hall.now;
        List<LineResult> lines = hall.prove(new Conditions(6, false, Set.of()));
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.CONFIRMED);
        double takes = (hall.hall.now - start) / SECOND;
        assertThat(takes).isLessThanOrEqualTo(1.3 * (hall.heard.size() - before) / pace);
        keepsPace(hall, pace);
    }

    @Test
    void aHandThatMovesMeanwhileComesFirstAndTogetherTheyKeepThePace() {
        int pace = 20;
        ProofHall hall = paced(pace);
        ProofRun run = hall.start(new Conditions(6, false, Set.of()));
        long[] next = {hall.hall.now};
        int[] touches = {0};
        hall.until(() -> {
            run.isWrittenDown();
            if (hall.hall.now >= next[0] && run.phase() != ProofRun.Phase.ENDED) {
                next[0] = hall.hall.now + 150 * Hall.MS;
                hall.hall.touch(Actor.of(Shows.ADA), "c0", touches[0]++ % 2 == 0 ? 0.9 : 0.1);
            }
            return run.phase() == ProofRun.Phase.ENDED;
        });
        assertThat(touches[0]).isGreaterThan(20);
        keepsPace(hall, pace);
        long byHand = hall.heard.stream()
                .filter(message -> message.equals(OscMessage.of("/a0", Lines.f(0.9)))
                        || message.equals(OscMessage.of("/a0", Lines.f(0.1))))
                .count();
        assertThat(byHand).as("no touch waits for the proof").isGreaterThanOrEqualTo(touches[0] - 2);
    }
}
