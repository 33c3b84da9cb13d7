package imperan.live;

import imperan.show.PartId;
import org.junit.jupiter.api.Test;

import static org.assertj.core.api.Assertions.assertThat;

class AskedTest {

    private static final PartId DESK = new PartId("desk");
    private static final long SECOND = 1_000_000_000L;

    private final Asked asked = new Asked();

    @Test
    void theNextOneWithinTwoSecondsIsTheAnswerAndTheOneAfterItIsNews() {
        asked.note(DESK, "/a", 0);
        assertThat(asked.isAnswer(DESK, "/b", 1)).isFalse();
        assertThat(asked.isAnswer(new PartId("other"), "/a", 1)).isFalse();
        assertThat(asked.isAnswer(DESK, "/a", 2 * SECOND)).isTrue();
        assertThat(asked.isAnswer(DESK, "/a", 2 * SECOND)).isFalse();
        asked.note(DESK, "/a", 0);
        assertThat(asked.isAnswer(DESK, "/a", 2 * SECOND + 1)).isFalse();
    }

    @Test
    void whatSomebodyWaitsForIsNoSuchAnswer() {
        asked.note(DESK, "/a", 0);
        asked.forget(DESK, "/a");
        assertThat(asked.isAnswer(DESK, "/a", 1)).isFalse();
    }

    @Test
    void tenThousandAreRememberedAndThoseWhoseTimeHasPassedMakeRoom() {
        for (int i = 0; i < 10_000; i++) {
            asked.note(DESK, "/" + i, i < 10 ? 0 : SECOND);
        }
        asked.note(DESK, "/late", 2 * SECOND);
        assertThat(asked.isAnswer(DESK, "/late", 2 * SECOND)).as("no room yet").isFalse();
        asked.note(DESK, "/late", 2 * SECOND + 1);
        assertThat(asked.isAnswer(DESK, "/late", 2 * SECOND + 1)).as("ten have passed").isTrue();
        assertThat(asked.isAnswer(DESK, "/10", 3 * SECOND)).isTrue();
        assertThat(asked.isAnswer(DESK, "/9999", 3 * SECOND)).isTrue();
    }
}
