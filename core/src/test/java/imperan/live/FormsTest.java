package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Touch.Phase;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Choice;
import imperan.show.form.Choice.Option;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Lamp;
import imperan.show.form.Meter;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How the forms beside fader and button take hands, and show what is said. */
class FormsTest {

    private static final Choice SCENES = new Choice(
            List.of(new Option("Ebb", "Low water"), new Option("Flood", "Flood"), new Option("Slack", "Slack")),
            Form.Direction.RIGHT);

    private static Control control(Form form, ArgumentSource... arguments) {
        return Control.plain(
                "It",
                new Cells(0, 0, 1, 1),
                form,
                arguments.length == 0
                        ? List.of()
                        : List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/it", List.of(arguments))),
                List.of(Listen.value(Optional.of(DESK), "/it", 0, 0, 1)));
    }

    private static Stage stage(Control control) {
        Show base = Shows.withPage();
        return new Stage(Shows.accepted(base, Shows.ADA, put(new PartId("it"), PAGE, control)));
    }

    private static void touch(Stage stage, Phase phase, double x, double y) {
        Asking.touch(stage.live, new Touch(new PartId("it"), "1", phase, x, y, false, ""), ADA, stage.now);
    }

    @Test
    void aChoiceSendsTheOptionThatIsTouchedWithItsSpelling() {
        Stage stage = stage(control(SCENES, new ArgumentSource.Chosen(ArgumentType.TEXT)));
        touch(stage, Phase.PRESS, 0.4, 0.5);
        touch(stage, Phase.MOVE, 0.9, 0.5);
        touch(stage, Phase.RELEASE, 0.9, 0.5);
        assertThat(stage.takeSent()).containsExactly("/it “Flood”");
        assertThat(stage.value("it").text()).isEqualTo("Flood");
        touch(stage, Phase.PRESS, 1, 0.5);
        touch(stage, Phase.RELEASE, 1, 0.5);
        assertThat(stage.takeSent()).containsExactly("/it “Slack”");
    }

    @Test
    void theFirstOptionOfAColumnIsOnTop() {
        Choice column = new Choice(SCENES.options(), Form.Direction.UP);
        Stage stage = stage(control(column, new ArgumentSource.Chosen(ArgumentType.TEXT)));
        touch(stage, Phase.PRESS, 0.5, 0.05);
        assertThat(stage.takeSent()).containsExactly("/it “Slack”");
        touch(stage, Phase.RELEASE, 0.5, 0.05);
        touch(stage, Phase.PRESS, 0.5, 0.95);
        assertThat(stage.takeSent()).containsExactly("/it “Low water”");
    }

    @Test
    void aKeyStepsAChoiceByWholeOptions() {
        Stage stage = stage(control(SCENES, new ArgumentSource.Chosen(ArgumentType.TEXT)));
        touch(stage, Phase.STEP, 0, 0.5);
        assertThat(stage.value("it").position()).isEqualTo(0.5);
        touch(stage, Phase.SET, 0, 1);
        touch(stage, Phase.STEP, 0, 0.5);
        assertThat(stage.takeSent()).containsExactly("/it “Flood”", "/it “Slack”");
    }

    @Test
    void aChoiceStandsWhereItsTargetSaysAndNowhereForAnythingElse() {
        Stage stage = stage(control(SCENES, new ArgumentSource.Chosen(ArgumentType.TEXT)));
        stage.desk("/it", new OscArgument.Text("Slack"));
        assertThat(stage.value("it").position()).isEqualTo(1);
        stage.desk("/it", new OscArgument.Text("slack"));
        assertThat(stage.value("it").position()).as("the spelling counts").isEqualTo(1);
        assertThat(stage.value("it").echoText())
                .as("and what was said is shown")
                .isEqualTo("slack");
    }

    @Test
    void aTargetThatSaysItInWordsMovesNothingByThem() {
        Control fader = Shows.fader("Level", 0, "/level");
        List<Listen> listens = List.of(fader.listens().get(0), Listen.words(Optional.of(Shows.DESK), "/level", 1));
        Stage stage = new Stage(Shows.accepted(
                Shows.withPage(), Shows.ADA, put(new PartId("it"), PAGE, fader.withLines(fader.sends(), listens))));
        stage.desk("/level", new OscArgument.Float32(0.5f), new OscArgument.Text("-2.0 dB"));
        assertThat(stage.value("it")).satisfies(value -> {
            assertThat(value.words()).isEqualTo("-2.0 dB");
            assertThat(value.echoText()).isEqualTo("0.500");
            assertThat(value.position()).isEqualTo(0.5);
        });
        touch(stage, Phase.STEP, 0, 0.25);
        assertThat(stage.value("it").words())
                .as("until the target says otherwise")
                .isEqualTo("-2.0 dB");
        stage.desk("/level", new OscArgument.Float32(0.75f), new OscArgument.Int32(5));
        assertThat(stage.value("it").words()).as("a number is read, too").isEqualTo("5");
        assertThat(stage.value("it").disputed()).isFalse();
    }

    @Test
    void optionsThatAreNumbersAreKnownByTheirValue() {
        Choice reels = new Choice(
                List.of(new Option("First", "1"), new Option("Third", "3"), new Option("Last", "8")),
                Form.Direction.RIGHT);
        Stage stage = stage(control(reels, new ArgumentSource.Chosen(ArgumentType.INT32)));
        stage.desk("/it", new OscArgument.Float32(3));
        assertThat(stage.value("it").text()).isEqualTo("Third");
        touch(stage, Phase.SET, 0, 1);
        assertThat(stage.takeSent()).containsExactly("/it 8");
    }

    @Test
    void aKnobTurnsAsFarAsTheFingerGoesAndNeverJumps() {
        Stage stage = stage(control(Knob.restingAt(0.5), new ArgumentSource.Value(ArgumentType.FLOAT32, -1, 1)));
        stage.desk("/it", 0.5f);
        touch(stage, Phase.PRESS, 0.5, 0.9);
        assertThat(stage.takeSent()).isEmpty();
        touch(stage, Phase.MOVE, 0.5, 0.65);
        assertThat(stage.value("it").position()).isEqualTo(0.25);
        assertThat(stage.takeSent()).containsExactly("/it -0.5");
    }

    @Test
    void aFingerMayPullBeyondTheControlAndComesBackFromItsEndAtOnce() {
        Stage stage = stage(control(Knob.restingAt(0), new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)));
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.5, 1.25);
        assertThat(stage.value("it").position()).isEqualTo(0.75);
        touch(stage, Phase.MOVE, 0.5, 3);
        assertThat(stage.value("it").position()).isEqualTo(1);
        touch(stage, Phase.MOVE, 0.5, 2.5);
        assertThat(stage.value("it").position()).isEqualTo(0.5);
    }

    @ParameterizedTest
    @CsvSource({"meter", "lamp"})
    void whatOnlyShowsTakesNoHands(String kind) {
        Stage stage = stage(control(kind.equals("meter") ? new Meter() : Lamp.PLAIN));
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertThat(stage.value("it").holder()).isEmpty();
        stage.desk("/it", 0.75f);
        assertThat(stage.value("it").position()).isEqualTo(0.75);
    }

    @Test
    void aChoiceThatMakesNoSenseIsRefused() {
        Show base = Shows.withPage();
        Choice one = new Choice(List.of(new Option("A", "a")), Form.Direction.UP);
        assertThat(Shows.refused(base, Shows.ADA, put(new PartId("it"), PAGE, control(one))))
                .anySatisfy(p -> assertThat(p.message()).contains("2 to 64 options"));
        Choice twice = new Choice(List.of(new Option("A", "a"), new Option("B", "a")), Form.Direction.UP);
        assertThat(Shows.refused(base, Shows.ADA, put(new PartId("it"), PAGE, control(twice))))
                .anySatisfy(p -> assertThat(p.message()).contains("say the same"));
        assertThat(Shows.refused(
                        base,
                        Shows.ADA,
                        put(new PartId("it"), PAGE, control(SCENES, new ArgumentSource.Chosen(ArgumentType.INT32)))))
                .anySatisfy(p -> assertThat(p.message()).contains("Option “Ebb”"));
        assertThat(Shows.refused(
                        base,
                        Shows.ADA,
                        put(
                                new PartId("it"),
                                PAGE,
                                control(Knob.restingAt(0), new ArgumentSource.Chosen(ArgumentType.TEXT)))))
                .anySatisfy(p -> assertThat(p.message()).contains("Only a choice"));
    }
}
