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
        said.heard(message("/a", 1), 5);
        said.heard(message("/a", 2), 9);
        assertThat(said.at("/a")).contains(new LastSaid.Said(List.of(new OscArgument.Int32(2)), 9));
        assertThat(said.on("/b")).isEmpty();
        said.forget();
        assertThat(said.all()).isEmpty();
    }

    @Test
    void whatIsDataTakesTheOneBeforeAlong() {
        said.heard(message("/a", 1), 5);
        said.heard(OscMessage.of("/a", new OscArgument.Text("x".repeat(2_000))), 6);
        assertThat(said.on("/a")).isEmpty();
    }

    @Test
    void whereThereIsNoRoomWhatIsKnownGoesOn() {
        for (int i = 0; i <= LastSaid.MOST_ADDRESSES; i++) {
            said.heard(message("/" + i, 1), i);
        }
        assertThat(said.all()).hasSize(LastSaid.MOST_ADDRESSES).doesNotContainKey("/" + LastSaid.MOST_ADDRESSES);
        said.heard(message("/7", 2), 99);
        assertThat(said.at("/7").orElseThrow().at()).isEqualTo(99);
    }
}
