package imperan.phrasebook;

import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.address.MessageLine;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ExampleLineTest {

    private static Phrase.PhraseArgument argument(
            ArgumentType type, Optional<Double> low, List<String> choices, Optional<String> fixed) {
        return Phrase.PhraseArgument.plain(type, low, low.map(l -> l + 10), "", choices, fixed);
    }

    @Test
    void aPhraseIsWrittenAsAMessageThatCanBeSent() {
        PartId book = new PartId("book");
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(
                        new PartId("a"),
                        book,
                        Phrase.plain(
                                "/in/<ch:1..12>/level",
                                Phrase.Direction.BOTH,
                                List.of(
                                        argument(ArgumentType.FLOAT32, Optional.of(-6.5), List.of(), Optional.empty()),
                                        argument(ArgumentType.INT32, Optional.of(3.0), List.of(), Optional.empty()),
                                        argument(ArgumentType.INT32, Optional.empty(), List.of(), Optional.of("7"))),
                                AnswerRule.usual(AnswerRule.Kind.SAME),
                                "level",
                                "")),
                put(
                        new PartId("b"),
                        book,
                        Phrase.plain(
                                "/scene",
                                Phrase.Direction.OUT,
                                List.of(
                                        argument(
                                                ArgumentType.TEXT,
                                                Optional.empty(),
                                                List.of("low water", "high"),
                                                Optional.empty()),
                                        argument(ArgumentType.BOOLEAN, Optional.empty(), List.of(), Optional.empty())),
                                AnswerRule.usual(AnswerRule.Kind.SAME),
                                "",
                                "")),
                put(
                        new PartId("c"),
                        book,
                        Phrase.plain(
                                "/heard",
                                Phrase.Direction.IN,
                                List.of(),
                                AnswerRule.usual(AnswerRule.Kind.SAME),
                                "",
                                "")));
        Show speaking = Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(show, Shows.DESK, Shows.target("Desk").speaking(book)));
        List<ExampleLine> lines = ExampleLine.of(speaking, Shows.DESK);
        assertThat(lines).extracting(ExampleLine::line).hasSize(2).contains("/in/1/level ,fii -6.5 3 7");
        assertThat(lines)
                .extracting(ExampleLine::line)
                .filteredOn(line -> line.startsWith("/scene"))
                .singleElement()
                .asString()
                .startsWith("/scene ,s")
                .contains("\"low water\"");
        assertThat(lines)
                .allSatisfy(line ->
                        assertThat(MessageLine.parse(line.line()).problem()).isEmpty());
        assertThat(ExampleLine.of(show, Shows.DESK)).as("without a phrasebook").isEmpty();
        assertThat(ExampleLine.of(show, new PartId("gone"))).isEmpty();
    }
}
