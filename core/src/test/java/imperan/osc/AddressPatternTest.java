package imperan.osc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AddressPatternTest {

    private static AddressPattern pattern(String text) {
        return ((AddressPattern.Compiled.Pattern) AddressPattern.compile(text)).pattern();
    }

    /** OSC 1.0, "OSC Message Dispatching and Pattern Matching", rule by rule; // from OSC 1.1 (NIME 2009). */
    @ParameterizedTest
    @CsvSource(
            delimiter = ' ',
            value = {
                "/in/1/level /in/1/level true",
                "/in/1/level /in/1/leve false",
                "/in/? /in/7 true",
                "/in/? /in/12 false",
                "/in?1 /in/1 false",
                "/in/* /in/ true",
                "/in/* /in/12 true",
                "/in/* /in/1/level false",
                "/*/level /in/level true",
                "/in/*v*l /in/level true",
                "/in/[1-4] /in/3 true",
                "/in/[1-4] /in/5 false",
                "/in/[4-1] /in/3 true",
                "/in/[!1-4] /in/5 true",
                "/in/[!1-4] /in/3 false",
                "/in[!x]1 /in/1 false",
                "/in/[a-] /in/- true",
                "/in/[ab-] /in/b true",
                "/{in,main}/mute /main/mute true",
                "/{in,main}/mute /mix/mute false",
                "/{,x}in /in true",
                "//level /level true",
                "//level /in/1/level true",
                "//level /in/1/levels false",
                "/in//level /in/1/a/level true",
                "/in//level /in/level true",
                "/in//level /out/level false",
                "//* /in/1/level true",
            })
    void matchesByTheRules(String pattern, String address, boolean matches) {
        assertThat(pattern(pattern).matches(address)).isEqualTo(matches);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/in/[1-4", "/in/{a,b", "/in/]", "/in/}", "/in/[]", "/in/[!]"})
    void faultyPatternsSayWhy(String text) {
        assertThat(AddressPattern.compile(text))
                .isInstanceOfSatisfying(AddressPattern.Compiled.Faulty.class, faulty -> {
                    assertThat(faulty.offset()).isEqualTo(4);
                    assertThat(faulty.reason()).isNotBlank();
                });
    }

    @Test
    void plainAddressesAreNoPatterns() {
        assertThat(AddressPattern.isPattern("/in/1/level")).isFalse();
        assertThat(AddressPattern.isPattern("/in//level")).isTrue();
        assertThat(AddressPattern.isPattern("/in/*")).isTrue();
    }

    /** Source: java.util.regex, to which a pattern of ? * [] and {} can be translated sign by sign. */
    @Test
    void agreesWithRegularExpressions() {
        Random random = new Random(1);
        String[] pieces = {"a", "b", "/", "?", "*", "[ab]", "[!a]", "{a,bb}"};
        String[] regexes = {"a", "b", "/", "[^/]", "[^/]*", "[ab]", "[^/a]", "(?:a|bb)"};
        int matched = 0;
        for (int i = 0; i < 20_000; i++) {
            StringBuilder text = new StringBuilder("/x");
            StringBuilder regex = new StringBuilder("/x");
            for (int k = random.nextInt(6); k >= 0; k--) {
                int piece = random.nextInt(pieces.length);
                boolean doubled = piece == 2 && text.charAt(text.length() - 1) == '/';
                text.append(doubled ? "a" : pieces[piece]);
                regex.append(doubled ? "a" : regexes[piece]);
            }
            String address = "/x"
                    + random.ints(random.nextInt(6), 0, 3)
                            .mapToObj(c -> c == 0 ? "a" : c == 1 ? "b" : "/")
                            .reduce("", String::concat);
            boolean expected = Pattern.matches(regex.toString(), address);
            matched += expected ? 1 : 0;
            assertThat(pattern(text.toString()).matches(address))
                    .as("%s %s", text, address)
                    .isEqualTo(expected);
        }
        assertThat(matched).isGreaterThan(500);
    }

    /** Many stars in a row make a backtracking matcher take exponential time; this one ends at once, or the suite would not. */
    @Test
    void noArrangementOfStarsTakesLong() {
        AddressPattern hostile = pattern("/" + "*a".repeat(250) + "*b");
        assertThat(hostile.matches("/" + "a".repeat(60_000))).isFalse();
        assertThat(pattern("*".repeat(AddressPattern.MAX_LENGTH)).matches("x".repeat(60_000)))
                .isTrue();
    }

    @Test
    void aPatternBeyondTheLimitIsRefused() {
        assertThat(AddressPattern.compile("*".repeat(AddressPattern.MAX_LENGTH + 1)))
                .isInstanceOf(AddressPattern.Compiled.Faulty.class);
    }

    @Test
    void runsOfStarsAndSlashesSayNoMoreThanOne() {
        assertThat(pattern("/" + "*".repeat(1_000)).matches("/level")).isTrue();
        assertThat(pattern("/in/****/level").matches("/in/1/level")).isTrue();
        assertThat(pattern("/in/****/level").matches("/in/1/2/level")).isFalse();
        assertThat(pattern("/////level").matches("/in/1/level")).isTrue();
        AddressPattern.Budget few = new AddressPattern.Budget(100);
        assertThat(pattern("/" + "*".repeat(1_000) + "z").matches("/level", few))
                .isFalse();
        assertThat(few.isSpent()).as("a run costs what one star costs").isFalse();
    }

    @Test
    void matchingEndsWhenItsBudgetIsSpent() {
        AddressPattern.Budget budget = new AddressPattern.Budget(1_000);
        AddressPattern hostile = pattern("/" + "*a".repeat(400));
        for (int i = 0; i < 50; i++) {
            hostile.matches("/" + "a".repeat(200) + "b", budget);
        }
        assertThat(budget.isSpent()).isTrue();
        assertThat(pattern("/*").matches("/a", budget))
                .as("nothing is left for others")
                .isFalse();
    }
}
