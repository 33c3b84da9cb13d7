package imperan.address;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RunTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Lamp <1..3> | Lamp 1,Lamp 2,Lamp 3",
                "/in/<08..10>/level | /in/08/level,/in/09/level,/in/10/level",
                "<10..30/10> % | 10 %,20 %,30 %",
                "<3..1> | 3,2,1",
                "<1..2>/<5..6> | 1/5,2/6",
                "a << b | a < b",
                "plain | plain",
                "<9..5/2> | 9,7,5",
                "<7..7> | 7"
            })
    void aRunStandsForItsTexts(String text, String texts) {
        assertThat(Run.parse(text).texts()).isEqualTo(List.of(texts.split(",")));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<1..> | A run is written",
                "<a..b> | A run is written",
                "x <1..4 | A run is written",
                "<1..8/0> | needs a step other than 0",
                "<1..3> <1..4> | not equally long",
                "<1..99999> | longer than anything"
            })
    void whatIsNoRunIsSaid(String text, String words) {
        assertThat(Run.parse(text).problem().orElseThrow()).contains(words);
        assertThat(Run.parse(text).texts()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/in/7/level | 3 | /in/7/level,/in/8/level,/in/9/level",
                "Lamp 09 | 2 | Lamp 09,Lamp 10",
                "a < b 1 | 2 | a < b 1,a < b 2",
                "Deck | 2 | Deck1,Deck2",
                "7 | 1 | 7",
                "n 99999999 | 2 | n 99999999,n 100000000"
            })
    void aTextRunsOnFromItsLastNumber(String text, int count, String texts) {
        assertThat(Run.parse(Run.from(text, count)).texts()).isEqualTo(List.of(texts.split(",")));
    }
}
