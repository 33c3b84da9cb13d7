package imperan.check;

import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Knob;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Controls, cues and songs as what they say and listen to. */
class LinedTest {

    private static final Optional<PartId> OTHER = Optional.of(new PartId("other"));
    private static final ArgumentSource ONE = new ArgumentSource.Fixed(ArgumentType.INT32, "1");
    private static final Control KNOB = Control.plain(
            "Knob",
            new Cells(0, 0, 1, 1),
            Knob.restingAt(0),
            List.of(
                    new Send(Send.Phase.CHANGE, Optional.of(DESK), "/a", List.of(ONE)),
                    new Send(Send.Phase.RELEASE, Optional.of(DESK), "/b", List.of())),
            List.of(Listen.value(Optional.of(DESK), "/a", 0, 0, 1), Listen.value(Optional.of(DESK), "/c", 0, 0, 1)));
    private static final CueAction.SayLine SAID = new CueAction.SayLine(0.5, Optional.of(DESK), "/a", List.of(ONE));

    private static CueAction.FadeLine fade(ArgumentType type, double to) {
        return new CueAction.FadeLine(
                0,
                Optional.of(DESK),
                "/level",
                List.of(ONE, new ArgumentSource.Value(type, List.of(), 0)),
                Optional.empty(),
                to,
                2,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP);
    }

    private static final Cue CUE = Cue.plain(
            "1",
            "Walk",
            new CueAction.ShowPage(0, Optional.of(PAGE), List.of()),
            SAID,
            fade(ArgumentType.FLOAT32, 0.5));
    private static final Song SONG = new Song(
            "Tide song", Optional.empty(), Optional.empty(), List.of(SAID), List.of(fade(ArgumentType.INT32, 100)), "");

    private static Lined of(Body body) {
        return Lined.of(body).orElseThrow();
    }

    @Test
    void onlyControlsCuesAndSongsHaveLines() {
        assertThat(Lined.isLined(KNOB)).isTrue();
        assertThat(Lined.isLined(CUE)).isTrue();
        assertThat(Lined.isLined(SONG)).isTrue();
        assertThat(Lined.isLined(Page.plain("Page", 4, 4))).isFalse();
        assertThat(Lined.of(Page.plain("Page", 4, 4))).isEmpty();
    }

    @Test
    void allOfAShowThatMayHaveLinesAreFound() {
        PartId list = new PartId("list");
        PartId set = new PartId("set");
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("knob"), PAGE, KNOB),
                put(list, null, CueList.plain("Walk")),
                put(new PartId("cue"), list, CUE),
                put(set, null, SetList.plain("Evening")),
                put(new PartId("song"), set, SONG));
        assertThat(Lined.all(show))
                .extracting(Part::id)
                .extracting(PartId::value)
                .containsExactly("knob", "cue", "song");
    }

    @Test
    void eachLineHasAFieldAndTheMomentAtWhichItIsSaid() {
        assertThat(of(KNOB).field(1)).isEqualTo("sends/1");
        assertThat(of(KNOB).listenField(1)).isEqualTo("listens/1");
        assertThat(of(KNOB).on(1)).isEqualTo("release");
        assertThat(of(CUE).field(0)).as("its first action says no line").isEqualTo("actions/1");
        assertThat(of(SONG).field(1)).isEqualTo("onAir/0");
        assertThat(of(SONG).on(0)).isEqualTo("ready");
        assertThat(of(SONG).on(1)).isEqualTo("on air");
        assertThat(of(CUE).listens()).isEmpty();
    }

    @Test
    void whatFadesIsLookedAtWhereItEndsAsANumberOfItsType() {
        assertThat(of(CUE).sends())
                .extracting(Send::arguments)
                .containsExactly(List.of(ONE), List.of(ONE, new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5")));
        for (ArgumentType whole : List.of(ArgumentType.INT32, ArgumentType.INT64)) {
            assertThat(of(Cue.plain("1", "", fade(whole, 99.6))).sends().get(0).arguments())
                    .containsExactly(ONE, new ArgumentSource.Fixed(whole, "100"));
        }
    }

    @Test
    void allLinesOfAControlAreChangedAtOnce() {
        Control changed = (Control) Lined.changed(
                KNOB, send -> send.at(send.address() + "/x"), listen -> listen.on(listen.address() + "/y"));
        assertThat(changed.sends()).extracting(Send::address).containsExactly("/a/x", "/b/x");
        assertThat(changed.listens()).extracting(Listen::address).containsExactly("/a/y", "/c/y");
        assertThat(Lined.changed(KNOB, send -> send, listen -> listen)).isEqualTo(KNOB);
    }

    @Test
    void allLinesOfACueAreChangedAtOnceAndTheRestOfItStays() {
        Cue changed = (Cue) Lined.changed(
                CUE, send -> new Send(send.on(), OTHER, send.address() + "/x", send.arguments()), listen -> listen);
        assertThat(changed.actions().get(0)).isEqualTo(CUE.actions().get(0));
        assertThat(changed.actions().get(1)).isEqualTo(new CueAction.SayLine(0.5, OTHER, "/a/x", List.of(ONE)));
        CueAction.FadeLine before = fade(ArgumentType.FLOAT32, 0.5);
        assertThat(changed.actions().get(2))
                .as("what fades goes on fading")
                .isEqualTo(new CueAction.FadeLine(
                        0,
                        OTHER,
                        "/level/x",
                        before.arguments(),
                        before.from(),
                        before.to(),
                        before.seconds(),
                        before.curve(),
                        before.unknown()));
        assertThat(of(CUE).with(0, KNOB.listens().get(0)))
                .as("it listens to nothing")
                .isEqualTo(CUE);
    }

    /** The argument that fades may not be taken away by it. */
    @Test
    void aFadeKeepsItsArgumentsWhereTooFewAreLeft() {
        Cue changed = (Cue) of(CUE).with(1, new Send(Send.Phase.PRESS, Optional.of(DESK), "/level", List.of(ONE)));
        assertThat(((CueAction.FadeLine) changed.actions().get(2)).arguments())
                .isEqualTo(fade(ArgumentType.FLOAT32, 0.5).arguments());
    }

    @Test
    void aNameIsMadeOfTheOneThatItHas() {
        assertThat(of(KNOB).named(name -> name + " 2").called()).isEqualTo("Knob 2");
        assertThat(((Cue) of(CUE).named(name -> name + " 2")).name()).isEqualTo("Walk 2");
        assertThat(((Cue) of(Cue.plain("7", "")).named(name -> name + "x")).name())
                .as("not its number")
                .isEqualTo("x");
        assertThat(((Song) of(SONG).named(name -> name + " 2")).name()).isEqualTo("Tide song 2");
    }

    @Test
    void aCueOrASongIsAButtonThatSaysTheSame() {
        assertThat(of(KNOB).asControl()).isEqualTo(KNOB);
        Control button = of(SONG).asControl();
        assertThat(button.label()).isEqualTo("Tide song");
        assertThat(button.sends()).isEqualTo(of(SONG).sends());
        assertThat(button.listens()).isEmpty();
    }
}
