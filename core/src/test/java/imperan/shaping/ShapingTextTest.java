package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.shaping.Breakpoints.Breakpoint;
import imperan.shaping.Table.Entry;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShapingTextTest {

    private static List<ShapingStep> each(Random random) {
        List<Breakpoint> points = new ArrayList<>();
        for (int i = 0; i < 2 + random.nextInt(4); i++) {
            points.add(new Breakpoint(i, random.nextInt(100) / 8.0));
        }
        List<Entry> entries = new ArrayList<>();
        for (String in : List.of("0", "1", "two words", "a\"b\\c", "else", "x|y=z", "–∞")) {
            entries.add(new Entry(in, random.nextBoolean() ? "" : in + random.nextInt(9)));
        }
        double number = random.nextInt(2_000) / 16.0 - 50;
        return List.of(
                new Scale(number, 4, -1e15, 0.001),
                new Clamp(-1, number),
                new Flip(),
                new Power(number),
                new SCurve(2),
                new Breakpoints(points, random.nextBoolean() ? "" : "− ∞"),
                new Decibels(false),
                new Decibels(true),
                new Round(0.01),
                new Table(entries, random.nextBoolean() ? Optional.empty() : Optional.of("the \"rest\"")),
                new DeadZone(number, 0.5),
                new Add(number),
                new Multiply(number),
                new Wrap(-180, 180),
                new Hold(number),
                new Smooth(0.25),
                new RateLimit(3),
                new AtMostEvery(40),
                new Threshold(number, 0.5),
                new Edge(Edge.Way.values()[random.nextInt(3)]),
                new Toggle(),
                new Cut());
    }

    private static Stream<Class<?>> kinds(Class<?> type) {
        return type.isInterface()
                ? Stream.of(type.getPermittedSubclasses()).flatMap(ShapingTextTest::kinds)
                : Stream.of(type);
    }

    @RepeatedTest(20)
    void whatIsWrittenIsReadAsTheSame(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<ShapingStep> all = each(random);
        assertThat(all.stream().map(Object::getClass).collect(Collectors.toSet()))
                .as("every step")
                .isEqualTo(kinds(ShapingStep.class).collect(Collectors.toSet()));
        ShapingText.Read read = ShapingText.read(ShapingText.write(all));
        assertThat(read.problem()).isEmpty();
        assertThat(read.steps()).isEqualTo(all);
    }

    @Test
    void itReadsAsItIsSpoken() {
        assertThat(ShapingText.write(List.of(new Power(2), new Scale(0, 255), new Smooth(0.25))))
                .isEqualTo("curve 2 | scale 0 1 to 0 255 | smooth 0.25");
        assertThat(ShapingText.read("  Curve 2|scale 0 1 to 0 255 ").steps())
                .containsExactly(new Power(2), new Scale(0, 255));
        assertThat(ShapingText.read("table 0=4 1 = 1 else 9").steps())
                .containsExactly(new Table(List.of(new Entry("0", "4"), new Entry("1", "1")), Optional.of("9")));
        assertThat(ShapingText.read(" ").steps()).isEmpty();
        assertThat(ShapingText.read(" ").problem()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "smoth 1; There is no step “smoth”",
                "smooth; missing after “smooth”: a number",
                "smooth 0,25; write a decimal with a dot",
                "scale 0 1 0 255; “to” is missing after “1”",
                "flip flip; one word too many",
                "flip |; missing after the last stroke",
                "| flip; Here is missing at the beginning",
                "edge up; is no edge: rising, falling or both",
                "table 0 4; “=” is missing",
                "table \"0=4; A double quote is missing",
                "breakpoints 0; missing after “0”: a number"
            })
    void whatIsNoneIsSaid(String text, String words) {
        assertThat(ShapingText.read(text).problem())
                .hasValueSatisfying(problem -> assertThat(problem).contains(words));
    }

    /** A pattern would recurse as deep as such a text is long. */
    @Test
    void aTextWithoutAnEndIsReadOrRefusedInAShortSentence() {
        for (String piece : List.of("a", "\\\"", "| ", "= ", "1 ", "\" ")) {
            ShapingText.Read read = ShapingText.read("table \"" + piece.repeat(300_000));
            assertThat(read.problem())
                    .hasValueSatisfying(problem -> assertThat(problem.length()).isLessThan(500));
        }
        assertThat(ShapingText.read("table \"" + "\\\"".repeat(300_000) + "\"=1")
                        .steps())
                .hasSize(1);
    }

    /** Whatever is typed is read or refused, and never more than that. */
    @RepeatedTest(20)
    void anyTextIsReadOrRefused(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        String letters = "scale to|=\"\\ 019.-edgtablmoh∞\n\t";
        for (int i = 0; i < 2_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(30); n > 0; n--) {
                text.append(letters.charAt(random.nextInt(letters.length())));
            }
            ShapingText.Read read = ShapingText.read(text.toString());
            assertThat(read.problem().isEmpty() || read.steps().isEmpty()).isTrue();
        }
    }
}
