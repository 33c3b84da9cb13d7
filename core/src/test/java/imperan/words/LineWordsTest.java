package imperan.words;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.phrasebook.Vocabulary;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.ScaleMark;
import imperan.show.TextRule;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class LineWordsTest {

    private static Vocabulary.Known known(String meaning, Map<String, Integer> numbers, PhraseArgument... arguments) {
        return new Vocabulary.Known(
                Phrase.plain(
                        "/x", Direction.OUT, List.of(arguments), AnswerRule.usual(AnswerRule.Kind.NONE), meaning, ""),
                numbers);
    }

    private static Line line(OscArgument... arguments) {
        return new Line(Optional.empty(), 0, Optional.empty(), "Bellows", "/x", List.of(arguments));
    }

    private static PhraseArgument number(String unit, Optional<String> fixed, ScaleMark... marks) {
        return new PhraseArgument(
                ArgumentType.FLOAT32,
                Optional.empty(),
                Optional.empty(),
                unit,
                List.of(),
                fixed,
                List.of(marks),
                "",
                TextRule.UNKNOWN);
    }

    @Test
    void aLineIsSaidInTheWordsOfItsPhrase() {
        assertThat(LineWords.of(
                        line(new OscArgument.Float32(-2)),
                        known("level of an input", Map.of("ch", 3), number("dB", Optional.empty()))))
                .contains("Bellows: level of an input (ch 3): -2 dB");
        assertThat(LineWords.of(
                        line(new OscArgument.Int32(5), new OscArgument.Float32(26.7834f)),
                        known("tilts it", Map.of(), number("", Optional.of("5")), number("°", Optional.empty()))))
                .contains("Bellows: tilts it: 26.8°");
        assertThat(LineWords.of(
                        line(new OscArgument.Float32(0)),
                        known("level", Map.of(), number("", Optional.empty(), new ScaleMark(0, "off")))))
                .contains("Bellows: level: off");
        assertThat(LineWords.of(line(), known("flat water", Map.of()))).contains("Bellows: flat water");
        assertThat(LineWords.of(line(), known(" ", Map.of()))).isEmpty();
    }
}
