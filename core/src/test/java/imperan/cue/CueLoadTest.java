package imperan.cue;

import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.Look;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** How many messages a cue says, and which target takes longest for them. */
class CueLoadTest {

    private static final PartId BELL = new PartId("bell");
    private static final PartId LEVEL = new PartId("level");
    private static final PartId KEY = new PartId("key");
    private static final PartId LOOK = new PartId("look");
    private static final PartId GONE = new PartId("gone");

    private static final Show SHOW = Shows.accepted(
            Shows.withPage(),
            Shows.ADA,
            Shows.change(Shows.withPage(), DESK, Shows.target("Desk").paced(10).startingWith(List.of("/a", "/b"))),
            put(BELL, null, Shows.target("Bell").paced(2)),
            put(LEVEL, PAGE, Shows.fader("Level", 0, "/level")),
            put(KEY, PAGE, key()),
            put(LOOK, null, new Look("Dusk", List.of(stand(LEVEL), stand(KEY), stand(GONE)), "")));
    private static final CueLoad LOAD = CueLoad.in(SHOW);

    private static Look.Stand stand(PartId control) {
        return new Look.Stand(control, List.of(0.5));
    }

    /** Says one thing to the desk when it is pressed, and one to the bell; what it says on release no cue says. */
    private static Control key() {
        Control plain = Shows.fader("Key", 1, "/key");
        return plain.withLines(
                List.of(
                        new Send(Send.Phase.PRESS, Optional.of(DESK), "/key", List.of()),
                        new Send(Send.Phase.PRESS, Optional.of(BELL), "/ring", List.of()),
                        new Send(Send.Phase.RELEASE, Optional.of(BELL), "/stop", List.of()),
                        new Send(Send.Phase.CHANGE, Optional.empty(), "/nobody", List.of())),
                List.of());
    }

    private static CueAction say(Optional<PartId> target) {
        return new CueAction.SayLine(0, target, "/x", List.of());
    }

    private static CueAction bring(PartId control) {
        return new CueAction.BringControl(0, Optional.of(control), List.of(1.0), 0, FadeCurve.EVEN);
    }

    private static CueAction fade(PartId target) {
        return new CueAction.FadeLine(
                0,
                Optional.of(target),
                "/level",
                List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, List.of(), 0)),
                Optional.of(0.0),
                1,
                5,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP);
    }

    private static Map<PartId, Integer> messages(CueAction... actions) {
        return LOAD.messages(Cue.plain("1", "", actions));
    }

    @Test
    void eachKindOfActionCountsWhatItSaysAtLeast() {
        assertThat(messages()).isEmpty();
        assertThat(messages(say(Optional.of(DESK)), say(Optional.empty()))).isEqualTo(Map.of(DESK, 1));
        assertThat(messages(fade(DESK), fade(BELL), fade(DESK))).isEqualTo(Map.of(DESK, 2, BELL, 1));
        assertThat(messages(new CueAction.SayStartList(0, Optional.of(DESK)))).isEqualTo(Map.of(DESK, 2));
        assertThat(messages(new CueAction.SayStartList(0, Optional.of(BELL)))).isEmpty();
        assertThat(messages(new CueAction.SayStartList(0, Optional.of(LEVEL)))).isEmpty();
        assertThat(messages(bring(LEVEL))).isEqualTo(Map.of(DESK, 1));
        assertThat(messages(bring(KEY))).isEqualTo(Map.of(DESK, 1, BELL, 1));
        assertThat(messages(bring(GONE), bring(DESK))).isEmpty();
        assertThat(messages(new CueAction.RecallLook(0, Optional.of(LOOK), 0, FadeCurve.EVEN)))
                .isEqualTo(Map.of(DESK, 2, BELL, 1));
        assertThat(messages(new CueAction.RecallLook(0, Optional.of(LEVEL), 0, FadeCurve.EVEN)))
                .isEmpty();
    }

    @Test
    void theTargetThatTakesLongestIsNamedWithItsTime() {
        assertThat(slowest(LOAD, say(Optional.of(DESK))))
                .as("one leaves at once")
                .isEmpty();
        assertThat(slowest(LOAD, fade(DESK), fade(DESK), fade(DESK))).contains(new CueLoad.Slowest(DESK, 3, 0.2));
        assertThat(slowest(LOAD, fade(DESK), fade(DESK), fade(DESK), fade(BELL), fade(BELL)))
                .contains(new CueLoad.Slowest(BELL, 2, 0.5));
        assertThat(slowest(LOAD, fade(BELL), fade(BELL), fade(DESK), fade(DESK), fade(DESK)))
                .contains(new CueLoad.Slowest(BELL, 2, 0.5));
        // of two that take equally long the first
        CueLoad alike = new CueLoad(
                id -> Optional.empty(),
                id -> Optional.empty(),
                id -> Optional.of(Shows.target("Any").paced(10)));
        assertThat(slowest(alike, fade(DESK), fade(BELL), fade(DESK), fade(BELL)))
                .contains(new CueLoad.Slowest(DESK, 2, 0.1));
        CueLoad unpaced = new CueLoad(
                id -> Optional.empty(), id -> Optional.empty(), id -> Optional.<Target>of(Shows.target("Any")));
        assertThat(slowest(unpaced, fade(DESK), fade(DESK))).isEmpty();
    }

    private static Optional<CueLoad.Slowest> slowest(CueLoad load, CueAction... actions) {
        return load.slowest(Cue.plain("1", "", actions));
    }
}
