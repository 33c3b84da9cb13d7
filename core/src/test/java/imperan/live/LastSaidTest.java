package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.List;
import org.junit.jupiter.api.Test;

class LastSaidTest {

    private final LastSaid said = new LastSaid();

    private static OscMessage message(String address, int value) {
        return OscMessage.of(address, new OscArgument.Int32(value));
    }

    @Test
    void theLastIsRememberedWithItsTime() {
        said.heard(message("/a", 1), false, 5);
        said.heard(message("/a", 2), false, 9);
        assertThat(said.on("/a")).contains(List.of(new OscArgument.Int32(2)));
        assertThat(said.at("/a").orElseThrow().at()).isEqualTo(9);
        assertThat(said.on("/b")).isEmpty();
        said.forget();
        assertThat(said.all()).isEmpty();
    }

    @Test
    void whatIsDataTakesTheOneBeforeAlong() {
        said.heard(message("/a", 1), false, 5);
        said.heard(OscMessage.of("/a", new OscArgument.Text("x".repeat(2_000))), false, 6);
        assertThat(said.on("/a")).isEmpty();
    }

    @Test
    void whereThereIsNoRoomWhatIsKnownGoesOn() {
        for (int i = 0; i <= LastSaid.MOST_ADDRESSES; i++) {
            said.heard(message("/" + i, 1), false, i);
        }
        assertThat(said.all()).hasSize(LastSaid.MOST_ADDRESSES).doesNotContainKey("/" + LastSaid.MOST_ADDRESSES);
        said.heard(message("/7", 2), false, 99);
        assertThat(said.at("/7").orElseThrow().at()).isEqualTo(99);
    }

    @Test
    void whatBecomesAnotherValueTwiceWithinTwoSecondsAnsweringNothingChangesByItself() {
        long second = 1_000_000_000L;
        said.heard(message("/a", 1), false, 0);
        assertThat(said.at("/a").orElseThrow().changes(0))
                .as("the first is no change")
                .isZero();
        said.heard(message("/a", 1), false, second);
        assertThat(said.at("/a").orElseThrow().changes(second))
                .as("the same again")
                .isZero();
        said.heard(message("/a", 2), true, second);
        assertThat(said.at("/a").orElseThrow().changes(second)).as("an answer").isZero();
        said.heard(message("/a", 3), false, second);
        assertThat(said.at("/a").orElseThrow().changes(2 * second)).isEqualTo(1);
        said.heard(message("/a", 4), false, 2 * second);
        assertThat(said.at("/a").orElseThrow().changes(3 * second)).isEqualTo(2);
        assertThat(said.at("/a").orElseThrow().changes(3 * second + 1))
                .as("the one before is too long ago")
                .isEqualTo(1);
        assertThat(said.at("/a").orElseThrow().changes(4 * second + 1)).isZero();
    }
}
