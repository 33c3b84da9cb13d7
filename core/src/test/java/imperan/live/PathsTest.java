package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The path of the last touch of each control, as what happens makes it. */
class PathsTest {

    private static final PartId DESK = new PartId("desk");
    private static final PartId LEVEL = new PartId("level");
    private static final Optional<PartId> OF_LEVEL = Optional.of(LEVEL);
    private static final Line LINE =
            new Line(OF_LEVEL, 0.5, Optional.of(DESK), "Desk", "/level", List.of(new OscArgument.Float32(0.5f)));
    private static final List<OscArgument> SAID = List.of(new OscArgument.Float32(0.25f));

    private final Paths paths = new Paths();

    private static Cause because(long number) {
        return new Cause(number, Cause.Origin.ORDER, Actor.IMPERAN, 0);
    }

    private Optional<PartId> left(long cause) {
        return paths.happened(new LiveEvent.LineLeft(7, because(cause), LINE, 12, 9201, "127.0.0.1:7101"));
    }

    private Optional<PartId> opened(long exchange, boolean elsewhere) {
        return paths.happened(new LiveEvent.Opened(7, because(1), exchange, OF_LEVEL, DESK, "/level", 500, elsewhere));
    }

    private Optional<PartId> ended(long exchange, MessageResult result) {
        return paths.happened(new LiveEvent.Ended(9, because(1), exchange, OF_LEVEL, DESK, result));
    }

    private Optional<PartId> stopped(long cause, Reason reason) {
        return paths.happened(new LiveEvent.Stopped(8, because(cause), OF_LEVEL, 0.75, Optional.of(LINE), reason));
    }

    private Trace trace() {
        return paths.trace(LEVEL).orElseThrow();
    }

    @Test
    void aLineThatLeftIsThePathUntilItsAnswerIsPartOfIt() {
        assertThat(left(1)).isEqualTo(OF_LEVEL);
        assertThat(trace().wire()).contains(new Trace.Wire(7, 12, 9201, "127.0.0.1:7101"));
        assertThat(opened(4, false)).isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).isEmpty();
        assertThat(ended(4, Came.back("/level", SAID, 3))).isEqualTo(OF_LEVEL);
        assertThat(trace().answer()).contains(new Trace.Answer("/level", SAID, 3, Trace.Fit.AGREES));
        ended(4, Came.saidBefore("/level", SAID, 3));
        assertThat(trace().answer().orElseThrow().fit()).isEqualTo(Trace.Fit.SAID_BEFORE);
    }

    @Test
    void onlyTheExchangesOfTheLineThatIsShownCount() {
        left(1);
        assertThat(ended(1, new MessageResult.NoAnswer(500, Optional.empty())))
                .as("none is open")
                .isEmpty();
        opened(4, false);
        opened(6, false);
        assertThat(ended(3, new MessageResult.NoAnswer(500, Optional.empty()))).isEmpty();
        assertThat(ended(7, new MessageResult.NoAnswer(500, Optional.empty()))).isEmpty();
        assertThat(ended(6, new MessageResult.NoAnswer(500, Optional.of("/other"))))
                .isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).contains(new Reason.NoAnswer(500, Optional.of("/other")));
        left(2);
        assertThat(ended(6, Came.back("/level", SAID, 3)))
                .as("that was of the line before")
                .isEmpty();
        assertThat(ended(4, new MessageResult.Overtaken())).isEmpty();
    }

    @Test
    void eachEndingIsShownAsWhatItIs() {
        left(1);
        opened(4, false);
        assertThat(paths.happened(new LiveEvent.Differed(8, because(1), 4, OF_LEVEL, "/level", SAID, 2, true)))
                .isEqualTo(OF_LEVEL);
        assertThat(trace().answer().orElseThrow().fit()).isEqualTo(Trace.Fit.ON_THE_WAY);
        paths.happened(new LiveEvent.Differed(8, because(1), 4, OF_LEVEL, "/level", SAID, 2, false));
        assertThat(trace().answer().orElseThrow().fit()).isEqualTo(Trace.Fit.DIFFERS);
        assertThat(trace().stopped()).isEmpty();
        assertThat(ended(4, Came.another("/level", SAID, 5))).isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).contains(new Reason.WrongValue());
        assertThat(ended(4, new MessageResult.NoNews(500))).isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).contains(new Reason.NoNews(500));
        assertThat(ended(4, new MessageResult.Overtaken())).isEmpty();
        assertThat(ended(0, new MessageResult.NotExpected(new Reason.NoListen())))
                .isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).contains(new Reason.NoListen());
    }

    @Test
    void oneThatListensElsewhereIsSaidAtOnce() {
        assertThat(opened(3, true)).as("no line has left yet").isEmpty();
        left(1);
        assertThat(opened(4, true)).isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).contains(new Reason.ListensElsewhere("/level"));
    }

    @Test
    void aTouchThatGoesNoFurtherIsAPathOfItsOwnUnlessItSaysTheSame() {
        assertThat(stopped(1, new Reason.SameValue())).isEqualTo(OF_LEVEL);
        assertThat(trace().wire()).isEmpty();
        left(2);
        stopped(3, new Reason.SameValue());
        assertThat(trace().wire()).as("the line before stands").isPresent();
        assertThat(trace().stopped()).contains(new Reason.SameValue());
        stopped(4, new Reason.NoTarget());
        assertThat(trace().wire()).isEmpty();
        assertThat(trace().position()).isEqualTo(0.75);
    }

    @Test
    void whatAStepKeepsIsSeenOnlyWhereNoOtherLineOfTheTouchHasLeft() {
        left(5);
        assertThat(stopped(5, new Reason.KeptByStep(Optional.empty()))).isEqualTo(OF_LEVEL);
        assertThat(trace().stopped()).isEmpty();
        stopped(6, new Reason.KeptByStep(Optional.empty()));
        assertThat(trace().stopped()).as("another touch").contains(new Reason.KeptByStep(Optional.empty()));
        stopped(6, new Reason.KeptByStep(Optional.empty()));
        assertThat(trace().wire()).isEmpty();
    }

    @Test
    void whatBelongsToNoControlHasNoPathAndOneThatIsForgottenHasNone() {
        assertThat(paths.happened(
                        new LiveEvent.Ended(9, because(1), 1, Optional.empty(), DESK, new MessageResult.Overtaken())))
                .isEmpty();
        assertThat(paths.happened(new LiveEvent.LinkChanged(1, because(1), DESK)))
                .isEmpty();
        left(1);
        paths.forget(LEVEL);
        assertThat(paths.trace(LEVEL)).isEmpty();
    }
}
