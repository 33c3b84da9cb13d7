package imperan.live;

import static imperan.live.Asked.Heard.ANSWER;
import static imperan.live.Asked.Heard.ANSWER_TO_FORWARD;
import static imperan.live.Asked.Heard.NEWS;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.PartId;
import org.junit.jupiter.api.Test;

class AskedTest {

    private static final PartId DESK = new PartId("desk");
    private static final long SECOND = 1_000_000_000L;

    private final Asked asked = new Asked();

    @Test
    void theNextOneWithinTwoSecondsIsTheAnswerAndTheOneAfterItIsNews() {
        asked.note(DESK, "/a", 0);
        assertThat(asked.settle(DESK, "/b", 1)).isEqualTo(NEWS);
        assertThat(asked.settle(new PartId("other"), "/a", 1)).isEqualTo(NEWS);
        assertThat(asked.settle(DESK, "/a", 2 * SECOND)).isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/a", 2 * SECOND)).isEqualTo(NEWS);
        asked.note(DESK, "/a", 0);
        assertThat(asked.settle(DESK, "/a", 2 * SECOND + 1)).isEqualTo(NEWS);
    }

    @Test
    void whatAForwardAsksAnswersTheForwardFirst() {
        asked.note(DESK, "/a", 0);
        asked.noteForForward(DESK, "/a", 1);
        asked.noteForForward(DESK, "/a", 2);
        assertThat(asked.settle(DESK, "/a", 3)).isEqualTo(ANSWER_TO_FORWARD);
        assertThat(asked.settle(DESK, "/a", 3)).isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/a", 3)).isEqualTo(NEWS);
    }

    @Test
    void eachQuestionIsAnsweredOnceAndThoseOfLongAgoAreNotCounted() {
        asked.note(DESK, "/a", 0);
        asked.note(DESK, "/a", SECOND);
        assertThat(asked.settle(DESK, "/a", 3 * SECOND))
                .as("within two seconds of the newest")
                .isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/a", 3 * SECOND)).isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/a", 3 * SECOND)).isEqualTo(NEWS);
        asked.note(DESK, "/a", 4 * SECOND);
        asked.note(DESK, "/a", 7 * SECOND);
        assertThat(asked.settle(DESK, "/a", 7 * SECOND)).isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/a", 7 * SECOND)).isEqualTo(NEWS);
    }

    @Test
    void tenThousandAreRememberedAndThoseWhoseTimeHasPassedMakeRoom() {
        for (int i = 0; i < 10_000; i++) {
            asked.note(DESK, "/" + i, i < 10 ? 0 : SECOND);
        }
        asked.note(DESK, "/late", 2 * SECOND);
        assertThat(asked.settle(DESK, "/late", 2 * SECOND)).as("no room yet").isEqualTo(NEWS);
        asked.note(DESK, "/late", 2 * SECOND + 1);
        assertThat(asked.settle(DESK, "/late", 2 * SECOND + 1))
                .as("ten have passed")
                .isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/10", 3 * SECOND)).isEqualTo(ANSWER);
        assertThat(asked.settle(DESK, "/9999", 3 * SECOND)).isEqualTo(ANSWER);
    }
}
