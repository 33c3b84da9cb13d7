package imperan.show;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ScaleMarkTest {

    @Test
    void aMarkIsANumberAndWhatItIsCalled() {
        assertThat(ScaleMark.parse(" 0 off;0.562  0 dB ; 1;"))
                .hasValue(List.of(new ScaleMark(0, "off"), new ScaleMark(0.562, "0 dB"), new ScaleMark(1, "1")));
        assertThat(ScaleMark.parse("")).hasValue(List.of());
        assertThat(ScaleMark.parse("0 off; loud 1")).isEmpty();
        assertThat(ScaleMark.parse("0 off; NaN loud")).isEmpty();
    }

    @Test
    void whatIsWrittenIsReadBack() {
        Random random = new Random(1);
        for (int i = 0; i < 1000; i++) {
            List<ScaleMark> marks = IntStream.range(0, random.nextInt(8))
                    .mapToObj(n -> new ScaleMark(random.nextGaussian() * 100, "word " + n))
                    .toList();
            assertThat(ScaleMark.parse(ScaleMark.write(marks))).hasValue(marks);
        }
    }

    @Test
    void whatCannotBeReadBackIsRefused() {
        for (ScaleMark bad : List.of(
                new ScaleMark(Double.NaN, "x"),
                new ScaleMark(0, " "),
                new ScaleMark(0, "a;b"),
                new ScaleMark(0, "x".repeat(81)))) {
            Control fader = Shows.fader("It", 0, "/it")
                    .formed(Fader.plain(Form.Direction.UP, Form.Grab.JUMP).marked(List.of(bad)));
            assertThat(Shows.refused(Shows.withPage(), ADA, put(new PartId("it"), PAGE, fader)))
                    .singleElement()
                    .satisfies(problem -> assertThat(problem.field()).isEqualTo("form/marks"));
        }
    }
}
