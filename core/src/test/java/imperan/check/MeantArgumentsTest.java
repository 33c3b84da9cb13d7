package imperan.check;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase.PhraseArgument;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** As many arguments as a phrase has, made of those that there are. */
class MeantArgumentsTest {

    private static final ArgumentSource.Value VALUE = new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1);

    private static PhraseArgument plain(ArgumentType type) {
        return PhraseArgument.plain(type, Optional.empty(), Optional.empty(), "", List.of(), Optional.empty());
    }

    private static PhraseArgument ranged(double low, double high) {
        return PhraseArgument.plain(
                ArgumentType.INT32, Optional.of(low), Optional.of(high), "", List.of(), Optional.empty());
    }

    @Test
    void theValueIsCarriedByOneArgumentAndTheOthersHaveWhatIsUsual() {
        assertThat(MeantArguments.ofTypes(List.of(), List.of(plain(ArgumentType.FLOAT32), ranged(1, 9))))
                .containsExactly(VALUE, new ArgumentSource.Fixed(ArgumentType.INT32, "0"));
        assertThat(MeantArguments.ofTypes(
                        List.of(VALUE), List.of(plain(ArgumentType.FLOAT32), plain(ArgumentType.FLOAT32))))
                .containsExactly(VALUE, new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0"));
        ArgumentSource fixed = new ArgumentSource.Fixed(ArgumentType.FLOAT32, "3");
        assertThat(MeantArguments.ofTypes(List.of(fixed), List.of(plain(ArgumentType.FLOAT32), ranged(1, 9))))
                .as("what is fixed carries nothing")
                .containsExactly(fixed, new ArgumentSource.Value(ArgumentType.INT32, 1, 9));
        assertThat(MeantArguments.ofTypes(List.of(fixed, VALUE), List.of(plain(ArgumentType.FLOAT32))))
                .containsExactly(fixed);
    }

    @Test
    void whatThePhraseFixesIsFixed() {
        PhraseArgument three = PhraseArgument.plain(
                ArgumentType.INT32, Optional.empty(), Optional.empty(), "", List.of(), Optional.of("3"));
        assertThat(MeantArguments.ofTypes(List.of(), List.of(three, plain(ArgumentType.FLOAT32))))
                .containsExactly(new ArgumentSource.Fixed(ArgumentType.INT32, "3"), VALUE);
    }

    @ParameterizedTest
    @CsvSource({"TEXT, ''", "BOOLEAN, true", "COLOUR, #ffffff", "INT32, 0", "FLOAT64, 0"})
    void whatIsUsualHangsOnTheType(ArgumentType type, String usual) {
        assertThat(MeantArguments.ofTypes(List.of(VALUE), List.of(plain(ArgumentType.FLOAT32), plain(type)))
                        .get(1))
                .isEqualTo(new ArgumentSource.Fixed(type, usual));
    }

    @Test
    void ofChoicesTheFirstIsUsual() {
        PhraseArgument scene = PhraseArgument.plain(
                ArgumentType.TEXT, Optional.empty(), Optional.empty(), "", List.of("Dawn", "Dusk"), Optional.empty());
        assertThat(MeantArguments.ofTypes(List.of(VALUE), List.of(plain(ArgumentType.FLOAT32), scene))
                        .get(1))
                .isEqualTo(new ArgumentSource.Fixed(ArgumentType.TEXT, "Dawn"));
    }

    @Test
    void aValueGoesOverTheWholeRangeInTheDirectionInWhichItWent() {
        assertThat(MeantArguments.within(VALUE, ranged(1, 9))).isEqualTo(VALUE.within(1, 9));
        assertThat(MeantArguments.within(new ArgumentSource.Value(ArgumentType.FLOAT32, 1, 0), ranged(1, 9)))
                .isEqualTo(VALUE.within(9, 1));
        assertThat(MeantArguments.within(VALUE, plain(ArgumentType.FLOAT32)))
                .as("no range is told")
                .isEqualTo(VALUE);
    }
}
