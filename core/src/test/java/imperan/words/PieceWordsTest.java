package imperan.words;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscPiece;
import imperan.wire.Fate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PieceWordsTest {

    @ParameterizedTest
    @EnumSource
    void everyPieceOfAPacketHasAWord(OscPiece.Kind kind) {
        assertThat(PieceWords.of(kind)).isNotBlank();
    }

    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "NONE_EXPECTED")
    void whatBecameOfAnAnswerHasAWord(Fate.Kind kind) {
        assertThat(FateWords.of(new Fate(kind, 4_200_000))).isNotBlank();
    }
}
