package imperan.show;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What it means that a button is on, as addresses say it. */
class FaceTest {

    @ParameterizedTest
    @CsvSource({
        "/in/3/mute, MUTE",
        "/mute/3, MUTE",
        "/in/3/Solo, SOLO",
        "/track/2/rec, RECORD",
        "/track/2/arm, RECORD",
        "/rack/locate, LOCATE",
        "/desk/blackout, ALL_OUT",
        "/in/3/level, NONE",
        "/mute/3/level/x, NONE",
        "/mutes, NONE",
        "'', NONE",
        "/solo/mute, MUTE"
    })
    void anAddressSaysWhatItMeansByOneOfItsLastTwoWords(String address, Face.Meaning meaning) {
        assertThat(Face.Meaning.of(address)).isEqualTo(meaning);
    }
}
