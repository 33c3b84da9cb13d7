package imperan.wire;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** From a message on the wire to a phrase, or to the lines of a control. */
class FromWireTest {

    private static final PartId FADER = new PartId("fader");

    private final WireScene scene = new WireScene();
    private final Show show = Shows.withPage();

    private FromWire from(Show now) {
        return new FromWire(now, scene.log.packets(), Shows.ADA);
    }

    private static Show accepted(Outcome outcome) {
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
        return ((Outcome.Accepted) outcome).show();
    }

    private static OscMessage level(float value) {
        return OscMessage.of("/in/3/level", new OscArgument.Float32(value), new OscArgument.Text("dB"));
    }

    @Test
    void aPhraseHasTheTypesAndTheRangeThatWereSeen() {
        scene.in(level(-12));
        scene.out(level(3));
        WireRecord last = scene.in(level(6));
        Show next = accepted(from(show).phrase(last));
        Phrase phrase = (Phrase) next.all(Phrase.class).get(0).body();
        assertThat(phrase.address()).isEqualTo("/in/3/level");
        assertThat(phrase.direction()).as("it went both ways").isEqualTo(Phrase.Direction.BOTH);
        assertThat(phrase.arguments())
                .extracting(Phrase.PhraseArgument::type)
                .containsExactly(ArgumentType.FLOAT32, ArgumentType.TEXT);
        assertThat(phrase.arguments().get(0).low()).contains(-12.0);
        assertThat(phrase.arguments().get(0).high()).contains(6.0);
        Target target = (Target) next.part(Shows.DESK).orElseThrow().body();
        assertThat(target.phrasebook()).as("the target got a phrasebook").isPresent();
        assertThat(from(next).phrase(last)).isInstanceOfSatisfying(Outcome.Refused.class, refused -> assertThat(
                        refused.problems().get(0).message())
                .contains("has it already"));
    }

    @Test
    void aSecondOneIsAddedToTheSameBook() {
        Show one = accepted(from(show).phrase(scene.in(level(1))));
        Show two = accepted(from(one).phrase(scene.in(OscMessage.of("/mute", OscArgument.Bare.TRUE))));
        assertThat(two.all(Phrase.class)).hasSize(2).allSatisfy(part -> assertThat(part.parent())
                .isEqualTo(((Target) two.part(Shows.DESK).orElseThrow().body()).phrasebook()));
    }

    @Test
    void whatNoPhraseCanBeMadeOfIsRefusedInWords() {
        WireRecord stranger = scene.in(Optional.empty(), "192.0.2.9:1", new byte[] {'/', 'a', 0, 0}, Optional.empty());
        assertThat(from(show).phrase(stranger)).isInstanceOfSatisfying(Outcome.Refused.class, refused -> assertThat(
                        refused.problems().get(0).message())
                .contains("add its sender"));
        WireRecord blob = scene.in(OscMessage.of("/picture", new OscArgument.Blob(new byte[] {1})));
        assertThat(from(show).phrase(blob)).isInstanceOf(Outcome.Refused.class);
        WireRecord broken = scene.in(Optional.of(WireScene.DESK), "192.0.2.20:7101", new byte[] {1}, Optional.empty());
        assertThat(from(show).phrase(broken)).isInstanceOf(Outcome.Refused.class);
        assertThat(from(show).lines(broken, FADER)).isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void aControlSendsAndHearsIt() {
        scene.in(level(-12));
        Show with = Shows.accepted(show, Shows.ADA, Shows.put(FADER, Shows.PAGE, Shows.fader("Level", 0, "/old")));
        WireRecord last = scene.in(level(6));
        Show next = accepted(from(with).lines(last, FADER));
        Control control = (Control) next.part(FADER).orElseThrow().body();
        assertThat(control.sends()).singleElement().satisfies(send -> assertThat(send.address())
                .isEqualTo("/in/3/level"));
        assertThat(control.listens()).singleElement().satisfies(listen -> {
            assertThat(listen.target()).contains(Shows.DESK);
            assertThat(listen.address()).isEqualTo("/in/3/level");
            assertThat(listen.chain(List.of()).low()).isEqualTo(-12);
            assertThat(listen.chain(List.of()).high()).isEqualTo(6);
        });
        assertThat(from(with).lines(last, new PartId("nowhere"))).isInstanceOf(Outcome.Refused.class);
    }
}
