package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Came;
import imperan.live.MessageResult;
import imperan.live.MessageResult.Differed.How;
import imperan.live.Strength;
import imperan.osc.OscArgument;
import imperan.proof.run.ReadBack.Found;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What an answer to a question means, question by question; no time passes but what is said. */
class ReadBackTest {

    private static final PlannedLine LINE = hall(STAND_IN, List.of(level("/a")), fader("/a"))
            .plan(THRICE)
            .lines()
            .get(0);
    private static final List<OscArgument> SENT = List.of(f(0.75));
    private static final List<OscArgument> BEFORE = List.of(f(0.25));
    private static final List<OscArgument> OTHER = List.of(f(0.5));
    private static final long MS = 1_000_000;
    private static final long SINCE = 7_000 * MS;
    /** Until then a late answer would have come. */
    private static final long LATE = SINCE + LINE.expected().proofNanos(0);

    private static ReadBack asked(int enough) {
        return new ReadBack(LINE, LINE.expected(), LINE.says().get(0).saying(SENT), Optional.of(BEFORE), enough, SINCE);
    }

    private static MessageResult says(List<OscArgument> said) {
        return Came.asked("/a", said, 3);
    }

    @Test
    void whatIsSaidOftenEnoughIsTaken() {
        ReadBack once = asked(1);
        assertThat(once.found()).isEqualTo(Found.OPEN);
        assertThat(once.askAt()).as("at once").isEqualTo(SINCE);
        assertThat(once.agreedOn()).isEmpty();
        once.told(says(SENT), SINCE + MS);
        assertThat(once.found()).isEqualTo(Found.TAKEN);
        assertThat(once.against()).isEmpty();
        assertThat(once.instead()).isEmpty();
        assertThat(once.agreedOn().orElseThrow().strength()).isEqualTo(Strength.READ_BACK);
        assertThat(once.agreedOn().orElseThrow().said()).isEqualTo(SENT);
        ReadBack twice = asked(2);
        twice.told(says(SENT), SINCE + MS);
        assertThat(twice.found()).isEqualTo(Found.OPEN);
        assertThat(twice.against()).as("nothing yet").isEmpty();
        assertThat(twice.agreed()).isEqualTo(1);
        twice.told(says(List.of(f(0.7501))), SINCE + 2 * MS);
        assertThat(twice.found()).isEqualTo(Found.TAKEN);
        assertThat(twice.agreed()).isEqualTo(2);
        assertThat(twice.agreedOn().orElseThrow().said()).as("the last one").containsExactly(f(0.7501));
    }

    @Test
    void whoSaysNothingIsNeitherForNorAgainst() {
        ReadBack silent = asked(1);
        silent.told(new MessageResult.NoAnswer(500 * MS, Optional.empty()), SINCE + MS);
        assertThat(silent.found()).isEqualTo(Found.UNTOLD);
        assertThat(silent.against()).isEmpty();
    }

    /** The same value, and not as the answer to what was asked, such as that about another place. */
    @Test
    void whatAnswersAnotherQuestionIsNoEvidence() {
        ReadBack elsewhere = asked(1);
        elsewhere.told(new MessageResult.Differed(How.VALUE, "/a", SENT, Optional.of(3L), true), SINCE + MS);
        assertThat(elsewhere.found()).isEqualTo(Found.OPEN);
        assertThat(elsewhere.agreed()).isZero();
        assertThat(elsewhere.agreedOn()).isEmpty();
    }

    @Test
    void theValueOfBeforeIsAskedAgainUntilALateAnswerWouldBeOver() {
        ReadBack slow = asked(1);
        slow.told(says(BEFORE), SINCE + 10 * MS);
        assertThat(slow.found()).isEqualTo(Found.OPEN);
        assertThat(slow.askAt()).isEqualTo(SINCE + 110 * MS);
        slow.told(says(BEFORE), LATE - 100 * MS);
        assertThat(slow.found()).as("it may come just then").isEqualTo(Found.OPEN);
        assertThat(slow.askAt()).isEqualTo(LATE);
        slow.told(says(BEFORE), LATE - 100 * MS + 1);
        assertThat(slow.found()).isEqualTo(Found.AS_BEFORE);
        assertThat(slow.against()).hasValue(How.AS_BEFORE);
        assertThat(slow.instead()).isEqualTo(BEFORE);
        ReadBack late = asked(1);
        late.told(says(BEFORE), SINCE + 10 * MS);
        late.told(says(SENT), SINCE + 120 * MS);
        assertThat(late.found()).isEqualTo(Found.TAKEN);
    }

    @Test
    void anotherValueIsAskedAgainUntilItIsSaidTwice() {
        ReadBack wrong = asked(1);
        wrong.told(says(OTHER), SINCE + MS);
        assertThat(wrong.found()).isEqualTo(Found.OPEN);
        assertThat(wrong.askAt()).isEqualTo(SINCE + 101 * MS);
        wrong.told(says(OTHER), SINCE + 102 * MS);
        assertThat(wrong.found()).isEqualTo(Found.ANOTHER);
        assertThat(wrong.against()).hasValue(How.VALUE);
        assertThat(wrong.instead()).isEqualTo(OTHER);
    }

    @Test
    void aValueThatGoesOnChangingHasToStandAfterTwoSeconds() {
        ReadBack ramp = asked(1);
        ramp.told(says(List.of(f(0.3))), SINCE + MS);
        ramp.told(says(List.of(f(0.4))), SINCE + 1_900 * MS);
        assertThat(ramp.found()).as("asked once more at two seconds").isEqualTo(Found.OPEN);
        ramp.told(says(List.of(f(0.5))), SINCE + 1_900 * MS + 1);
        assertThat(ramp.found()).isEqualTo(Found.ANOTHER);
        ReadBack arrives = asked(1);
        arrives.told(says(List.of(f(0.3))), SINCE + MS);
        arrives.told(says(SENT), SINCE + 200 * MS);
        assertThat(arrives.found()).isEqualTo(Found.TAKEN);
    }

    /** What differs in between makes what agreed before of no account. */
    @Test
    void itHasToBeSaidOneAfterTheOther() {
        ReadBack wavers = asked(2);
        wavers.told(says(SENT), SINCE + MS);
        wavers.told(says(OTHER), SINCE + 2 * MS);
        wavers.told(says(SENT), SINCE + 110 * MS);
        assertThat(wavers.found()).isEqualTo(Found.OPEN);
        assertThat(wavers.agreed()).isEqualTo(1);
        wavers.told(says(SENT), SINCE + 120 * MS);
        assertThat(wavers.found()).isEqualTo(Found.TAKEN);
    }

    @Test
    void questionsAreCounted() {
        ReadBack asked = asked(1);
        assertThat(asked.asked()).isZero();
        asked.asks();
        asked.asks();
        assertThat(asked.asked()).isEqualTo(2);
    }
}
