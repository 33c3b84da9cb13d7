package imperan.check;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.TypedLines.TypedLine;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypedLinesTest {

    private static final PartId BOOK = new PartId("book");

    private Show show;

    @BeforeEach
    void desk() {
        show = accepted(
                Shows.withPage(),
                ADA,
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(
                        new PartId("level"),
                        BOOK,
                        Phrase.plain(
                                "/in/<ch:1..12>/level",
                                Direction.BOTH,
                                List.of(PhraseArgument.plain(
                                        ArgumentType.FLOAT32,
                                        Optional.of(0.0),
                                        Optional.of(1.0),
                                        "",
                                        List.of(),
                                        Optional.empty())),
                                AnswerRule.usual(AnswerRule.Kind.SAME),
                                "level of an input",
                                "")),
                put(
                        new PartId("name"),
                        BOOK,
                        Phrase.plain(
                                "/in/<ch:1..12>/name",
                                Direction.IN,
                                List.of(),
                                AnswerRule.usual(AnswerRule.Kind.NONE),
                                "",
                                "")));
        show = accepted(show, ADA, change(show, DESK, Shows.target("Desk").speaking(BOOK)));
    }

    private TypedLine typed(String line) {
        List<TypedLine> typed = TypedLines.of(show, Optional.of(DESK), List.of(line));
        assertThat(typed).hasSize(1);
        return typed.get(0);
    }

    /** What OSC 1.0 does not allow in an address ("OSC Addresses"), and what its target does not have. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                "in/3/level | An address begins with a slash; did you mean /in/3/level? | /in/3/level",
                "\\in\\3\\level | The slashes lean the wrong way; did you mean /in/3/level? | /in/3/level",
                "/in//3/level | The address has two slashes in a row; did you mean /in/3/level? | /in/3/level",
                "/in/3/level/ | The address ends with a slash; did you mean /in/3/level? | /in/3/level",
                "/in/3/le#vel | “#” cannot be part of an address | -",
                "/in/3/lével | “é” cannot be part of an address | -",
                "/in/<ch>/level | A slot is written <name:1..12>; a literal < is written << | -",
                "/in/3/lvel | Desk’s phrasebook has no /in/3/lvel; did you mean /in/3/level? | /in/3/level",
                "/in/3/lvel 0.5 | Desk’s phrasebook has no /in/3/lvel; did you mean /in/3/level? | /in/3/level 0.5",
                "/IN/3/level | Desk’s phrasebook has no /IN/3/level: capitals and small letters differ. Did you mean /in/3/level? | /in/3/level",
                "/in/13/level | Desk’s phrasebook has no /in/13/level: ch goes from 1 to 12 | -",
                "/in/3/name | Desk says /in/3/name and does not take it | -",
                "/in/3/level 1 | It has an int (i); Desk takes a float (f) | -",
                "/in/3/level ,N | No control sends “nil” as it is written here | -",
            })
    void whatCannotWorkIsSaidWithWhatWasMeant(String line, String problem, String mend) {
        assertThat(typed(line).problem()).hasValue(problem);
        assertThat(typed(line).mend()).isEqualTo(Optional.ofNullable(mend));
        typed(line).mend().ifPresent(meant -> assertThat(typed(meant).problem())
                .as("the mend mends it")
                .isEmpty());
    }

    @Test
    void whatWorksIsSaidToMeanWhatItsPhraseMeans() {
        for (String line : List.of("/in/3/level", "/in/3/level 0.5", "/in/<ch:1..12>/level")) {
            assertThat(typed(line))
                    .isEqualTo(new TypedLine(line, Optional.empty(), Optional.empty(), true, "level of an input"));
        }
        assertThat(TypedLines.of(show, Optional.empty(), List.of("/anything/at/all")))
                .as("no target to check against")
                .extracting(TypedLine::problem)
                .containsExactly(Optional.empty());
        assertThat(typed("/nowhere").readable())
                .as("a control can be made of it all the same")
                .isTrue();
        assertThat(typed("nowhere").readable()).isFalse();
        assertThat(TypedLines.of(show, Optional.of(DESK), Collections.nCopies(TypedLines.MOST + 1, "/x")))
                .hasSize(TypedLines.MOST);
    }
}
