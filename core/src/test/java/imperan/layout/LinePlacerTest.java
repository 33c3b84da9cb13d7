package imperan.layout;

import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.PlaceLines;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.FixedArgument;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Controls for lines that somebody typed or pasted. */
class LinePlacerTest extends FourFaders {

    private List<Control> placed(String... lines) {
        List<PartId> before =
                show.all(Control.class).stream().map(part -> part.id()).toList();
        done(new PlaceLines(Optional.empty(), DESK, List.of(lines)));
        return show.all(Control.class).stream()
                .filter(part -> !before.contains(part.id()))
                .map(part -> (Control) part.body())
                .toList();
    }

    @Test
    void aKnownAddressBecomesTheControlThatFitsItsPhrase() {
        assertThat(placed("/in/5/level", "/in/5/mute", "/in/5/name"))
                .extracting(control -> control.form().called())
                .containsExactly("fader", "button", "readout");
    }

    @Test
    void aLineWithArgumentsBecomesAKeyThatSaysThem() {
        Control key = placed("/scene ,sifT \"low water\" 3 0.5").get(0);
        assertThat(key.form()).isInstanceOf(Button.class);
        assertThat(key.label()).isEqualTo("scene");
        assertThat(key.sends())
                .containsExactly(new Send(
                        Send.Phase.PRESS,
                        Optional.of(DESK),
                        "/scene",
                        List.of(
                                new ArgumentSource.Fixed(ArgumentType.TEXT, "low water"),
                                new ArgumentSource.Fixed(ArgumentType.INT32, "3"),
                                new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5"),
                                new ArgumentSource.Fixed(ArgumentType.BOOLEAN, "true"))));
    }

    /** Common practice, no source: a continuous value runs from 0 to 1 unless a target says otherwise. */
    @Test
    void anAddressThatNobodyKnowsBecomesAFaderOverTheUsualRange() {
        Control fader = placed("/fog/density").get(0);
        assertThat(fader.form()).isInstanceOf(Fader.class);
        assertThat(fader.sends().get(0).arguments())
                .containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
        assertThat(fader.listens()).containsExactly(Listen.asSent(Optional.of(DESK), "/fog/density", 0));
    }

    @Test
    void slotsStandForAllOfTheirAddressesAndWhatCannotBeReadIsPassedBy() {
        assertThat(placed("/fog/<n:1..3>/density", "", "not an address", "/odd ,N"))
                .extracting(control -> control.sends().get(0).address())
                .containsExactly("/fog/1/density", "/fog/2/density", "/fog/3/density");
    }

    @Test
    void whatDoesNotFitIsRefusedWhole() {
        assertThat(refused(new PlaceLines(Optional.of(PAGE), DESK, List.of("nothing"))))
                .contains("No line can be read");
        assertThat(refused(new PlaceLines(Optional.empty(), DESK, List.of("/fog/<n:1..100000>/density"))))
                .contains("More than 256");
        assertThat(refused(new PlaceLines(
                        Optional.empty(), DESK, Collections.nCopies(5_000, "/fog/<n:1..100000>/density"))))
                .as("half a billion")
                .contains("More than 256");
        assertThat(refused(new PlaceLines(Optional.empty(), new PartId("nobody"), List.of("/x"))))
                .contains("no longer in the rig");
    }

    @Test
    void aPageGrowsForWhatComes() {
        done(new PlaceLines(Optional.of(PAGE), DESK, Collections.nCopies(12, "/fog/density")));
        assertThat(show.children(PAGE)).hasSize(4 + 12);
        assertThat(((Page) show.part(PAGE).orElseThrow().body()).columns()).isGreaterThan(8);
    }

    @Test
    void whatASendHoldsFixedIsTheArgumentThatWasWritten() {
        for (OscArgument argument : Arrays.<OscArgument>asList(
                new OscArgument.Int32(-3),
                new OscArgument.Int64(1L << 40),
                new OscArgument.Float32(0.25f),
                new OscArgument.Float64(1e-9),
                new OscArgument.Text("low water"),
                OscArgument.Bare.TRUE,
                OscArgument.Bare.FALSE,
                new OscArgument.Rgba(0x0a8a3cff))) {
            assertThat(FixedArgument.parse(FixedArgument.holding(argument).orElseThrow())
                            .argument())
                    .contains(argument);
        }
        assertThat(FixedArgument.holding(OscArgument.Bare.NIL)).isEmpty();
    }
}
