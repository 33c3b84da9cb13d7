package imperan.proof.run;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscArgument.Bare;
import imperan.osc.OscArgument.Float32;
import imperan.osc.OscArgument.Float64;
import imperan.osc.OscArgument.Int32;
import imperan.osc.OscArgument.Int64;
import imperan.osc.OscArgument.Text;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What a target says goes back in the type that the line sends: rounded, never cut. */
class NumbersTest {

    static Stream<Arguments> said() {
        return Stream.of(
                Arguments.of(new Float32(0), new Int32(1), new Float32(1)),
                Arguments.of(new Float64(0), new Float32(0.5f), new Float64(0.5)),
                Arguments.of(new Int32(0), new Float32(2.6f), new Int32(3)),
                Arguments.of(new Int64(0), new Float64(-2.6), new Int64(-3)),
                Arguments.of(Bare.TRUE, new Int32(1), Bare.TRUE),
                Arguments.of(Bare.TRUE, new Int32(0), Bare.FALSE),
                Arguments.of(Bare.FALSE, Bare.TRUE, Bare.TRUE),
                Arguments.of(new Text("a"), new Text("b"), new Text("b")),
                Arguments.of(new Int32(0), new Int32(7), new Int32(7)));
    }

    @ParameterizedTest
    @MethodSource("said")
    void inTheTypeOfTheLine(OscArgument sent, OscArgument said, OscArgument back) {
        assertThat(Numbers.as(sent, said)).hasValue(back);
    }

    static Stream<Arguments> foreign() {
        return Stream.of(Arguments.of(new Float32(0), new Text("loud")), Arguments.of(new Text("a"), new Int32(1)));
    }

    @ParameterizedTest
    @MethodSource("foreign")
    void whatIsNoNumberHasNone(OscArgument sent, OscArgument said) {
        assertThat(Numbers.as(sent, said)).isEmpty();
    }
}
