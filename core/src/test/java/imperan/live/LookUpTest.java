package imperan.live;

import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.shaping.Multiply;
import imperan.shaping.Scale;
import imperan.shaping.Table;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.NamedValue;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Choice;
import imperan.show.form.Form;
import imperan.show.form.TextLine;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Arguments that a message does not have itself: they are looked up as it leaves. */
class LookUpTest {

    private static final PartId PIECE = new PartId("piece");
    private static final PartId OTHER = new PartId("other");

    private Show show;
    private Stage stage;

    private void runs(ArgumentSource... arguments) {
        runs(Target.Answering.REPORTS, arguments);
    }

    private void runs(Target.Answering answering, ArgumentSource... arguments) {
        Control key = Control.plain(
                "Key",
                new Cells(5, 4, 1, 1),
                Shows.button("", 0, false, "/x").form(),
                List.of(new Send(Send.Phase.PRESS, Optional.of(DESK), "/go", List.of(arguments))),
                List.of());
        show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                Shows.change(Shows.withPage(), DESK, Target.plain("Desk", "127.0.0.1", 7101, 9201, answering)),
                put(PIECE, null, new NamedValue("Piece", "7", "")),
                put(OTHER, PAGE, Shows.fader("Other", 0, "/other")),
                put(new PartId("it"), PAGE, key));
        stage = new Stage(show);
        stage.takeSent();
    }

    private List<String> press() {
        OneControl.touch(stage, Touch.Phase.PRESS, 0.5, 0.5);
        OneControl.touch(stage, Touch.Phase.RELEASE, 0.5, 0.5);
        return stage.takeSent();
    }

    private Reason ended() {
        return stage.trace("it").stopped().orElseThrow();
    }

    private void edit(EditRequest.Step step) {
        Outcome.Accepted done = (Outcome.Accepted) show.apply(new EditRequest("Edit", List.of(step)), Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
        stage.takeSent();
    }

    @Test
    void aNamedValueIsSaidAsItIsNowAndAsEachTypeWantsIt() {
        runs(
                new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.of(PIECE)),
                new ArgumentSource.OfNamedValue(ArgumentType.TEXT, Optional.of(PIECE)));
        assertThat(press()).containsExactly("/go 7  “7”");
        edit(Shows.change(show, PIECE, new NamedValue("Piece", "8", "")));
        assertThat(press()).containsExactly("/go 8  “8”");
    }

    @Test
    void aNamedValueThatNobodyCouldSendIsRefusedWithTheControlThatSendsIt() {
        runs(new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.of(PIECE)));
        assertThat(Shows.refused(show, Shows.ADA, Shows.change(show, PIECE, new NamedValue("Piece", "seven", ""))))
                .singleElement()
                .satisfies(
                        problem -> assertThat(problem.message()).contains("Key").contains("seven"));
    }

    /**
     * Whatever is typed is refused beside its field, or leaves as exactly what it says. The limits of numbers are
     * those of IEEE 754 and of two's complement.
     */
    @ParameterizedTest
    @EnumSource(
            value = ArgumentType.class,
            names = {"INT32", "INT64", "FLOAT32", "FLOAT64", "TEXT"})
    void aNamedValueBeyondWhatItsTypeHoldsIsRefusedInWords(ArgumentType type) {
        runs(new ArgumentSource.OfNamedValue(type, Optional.of(PIECE)));
        List<String> typed = new ArrayList<>(List.of(
                "",
                " ",
                "7",
                "-7",
                "+7",
                "007",
                "7,5",
                "7.5",
                "1e3",
                "1e999",
                "-1e999",
                "1e-999",
                "NaN",
                "Infinity",
                "-Infinity",
                "0x10",
                "1_000",
                "2147483647",
                "2147483648",
                "-2147483648",
                "-2147483649",
                "9223372036854775807",
                "9223372036854775808",
                "3.4028236e38",
                "3.5e38",
                "1.8e308",
                "true",
                "TRUE",
                "false",
                "#ff8a3c",
                "#ff8a3",
                "#FF8A3C00",
                "seven",
                "7\n",
                "\u0000",
                "\u202e7",
                "٧",
                "9".repeat(400),
                "x".repeat(8_192),
                "€".repeat(8_192),
                "\ud800",
                "\u00a07"));
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            typed.add(random.ints(1 + random.nextInt(8), 0, 18)
                    .mapToObj(k -> "0123456789.,-+eEx#".substring(k, k + 1))
                    .collect(Collectors.joining()));
        }
        int left = 0;
        for (String text : typed) {
            EditRequest.Step step = Shows.change(show, PIECE, new NamedValue("Piece", text, ""));
            Outcome outcome = show.apply(new EditRequest("Edit", List.of(step)), Shows.ADA);
            if (outcome instanceof Outcome.Refused refused) {
                assertThat(refused.problems())
                        .as("%s as %s", text, type)
                        .singleElement()
                        .satisfies(problem -> assertThat(problem.field()).isEqualTo("text"));
                continue;
            } else if (show.part(PIECE).orElseThrow().body().equals(new NamedValue("Piece", text, ""))) {
                continue;
            }
            edit(step);
            assertThat(press()).as("%s as %s", text, type).hasSize(1);
            assertSays(stage.last().arguments().get(0), text.strip(), text);
            left++;
        }
        assertThat(left).isPositive();
    }

    private static void assertSays(OscArgument argument, String typed, String whole) {
        if (argument instanceof OscArgument.Float32 number) {
            assertThat(new BigDecimal(number.value())
                            .subtract(new BigDecimal(typed))
                            .abs())
                    .isLessThanOrEqualTo(new BigDecimal(Math.ulp(number.value())));
        } else if (argument instanceof OscArgument.Float64 number) {
            assertThat(new BigDecimal(number.value())
                            .subtract(new BigDecimal(typed))
                            .abs())
                    .isLessThanOrEqualTo(new BigDecimal(Math.ulp(number.value())));
        } else if (argument instanceof OscArgument.Int32 number) {
            assertThat(new BigInteger(typed)).isEqualTo(BigInteger.valueOf(number.value()));
        } else if (argument instanceof OscArgument.Int64 number) {
            assertThat(new BigInteger(typed)).isEqualTo(BigInteger.valueOf(number.value()));
        } else {
            assertThat(argument).isEqualTo(new OscArgument.Text(whole));
        }
    }

    @Test
    void aNamedValueThatIsGoneIsToldWhereItIsPressed() {
        runs(new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.of(PIECE)));
        edit(Shows.remove(show, PIECE));
        assertThat(press()).isEmpty();
        assertThat(ended()).isEqualTo(new Reason.NothingToLookUp(0));
    }

    @Test
    void whereAnotherControlStandsGoesThroughSteps() {
        runs(new ArgumentSource.OfControl(ArgumentType.INT32, Optional.of(OTHER), List.of(new Scale(0, 100)), 0));
        stage.desk("/other", 0.5f);
        assertThat(press()).containsExactly("/go 50");
        stage.desk("/other", 0.76f);
        assertThat(stage.takeSent()).as("that it moves there sends nothing").isEmpty();
        assertThat(press()).containsExactly("/go 76");
    }

    @Test
    void ofATextLineItIsWhatWasTyped() {
        runs(new ArgumentSource.OfControl(ArgumentType.INT32, Optional.of(OTHER), List.of(), 0));
        edit(Shows.change(
                show, OTHER, Control.plain("Other", new Cells(0, 0, 1, 1), new TextLine(), List.of(), List.of())));
        press();
        assertThat(ended()).isInstanceOf(Reason.LookedUpUnfit.class);
        Asking.touch(stage.live, new Touch(OTHER, "2", Touch.Phase.TYPE, 0, 0, false, "12"), Stage.ADA, stage.now);
        assertThat(press()).containsExactly("/go 12");
    }

    @Test
    void whatATargetSaidLastIsAskedForAndThenSaid() {
        runs(
                Target.Answering.QUERIES,
                new ArgumentSource.Said(
                        ArgumentType.FLOAT32, Optional.of(DESK), "/number", 0, List.of(new Multiply(2))));
        assertThat(press()).as("only the question").containsExactly("/number");
        assertThat(ended()).isEqualTo(new Reason.NotSaidYet("Desk", "/number", true));
        stage.desk("/number", 3f);
        stage.takeSent();
        assertThat(press()).containsExactly("/go 6.0");
    }

    @Test
    void whatIsLookedUpIsAskedForOnceTheTargetIsThere() {
        runs(Target.Answering.QUERIES);
        edit(Shows.change(show, OTHER, Shows.fader("Other", 0, "/other")));
        stage.desk("/other", 0.5f);
        Outcome.Accepted done = (Outcome.Accepted) show.apply(
                new EditRequest(
                        "Edit",
                        List.of(Shows.change(
                                show,
                                new PartId("it"),
                                Control.plain(
                                        "Key",
                                        new Cells(5, 4, 1, 1),
                                        Shows.button("", 0, false, "/x").form(),
                                        List.of(new Send(
                                                Send.Phase.PRESS,
                                                Optional.of(DESK),
                                                "/go",
                                                List.of(
                                                        new ArgumentSource.Said(
                                                                ArgumentType.FLOAT32,
                                                                Optional.of(DESK),
                                                                "/number",
                                                                0,
                                                                List.of())))),
                                        List.of())))),
                Shows.ADA);
        stage.live.follow(done.show(), done.edit(), stage.now);
        assertThat(stage.takeSent()).contains("/number");
    }

    @Test
    void aTextThatIsNoNumberIsToldUnlessATableMakesOneOfIt() {
        runs(new ArgumentSource.Said(ArgumentType.INT32, Optional.of(DESK), "/scene", 0, List.of()));
        stage.desk("/scene", new OscArgument.Text("calm"));
        assertThat(press()).isEmpty();
        assertThat(ended()).isEqualTo(new Reason.LookedUpUnfit(0, "“calm” is not a number"));
        edit(Shows.change(
                show,
                new PartId("it"),
                Control.plain(
                        "Key",
                        new Cells(5, 4, 1, 1),
                        Shows.button("", 0, false, "/x").form(),
                        List.of(new Send(
                                Send.Phase.PRESS,
                                Optional.of(DESK),
                                "/go",
                                List.of(new ArgumentSource.Said(
                                        ArgumentType.INT32,
                                        Optional.of(DESK),
                                        "/scene",
                                        0,
                                        List.of(new Table(List.of(new Table.Entry("calm", "4")), Optional.empty())))))),
                        List.of())));
        assertThat(press()).containsExactly("/go 4");
    }

    // ---- where there is nothing to look up

    private void endsWith(Reason reason, ArgumentSource argument) {
        runs(new ArgumentSource.Fixed(ArgumentType.INT32, "1"), argument);
        assertThat(press()).isEmpty();
        assertThat(ended()).isEqualTo(reason);
    }

    @Test
    void whatIsNotChosenOrIsGoneIsNamedByItsPlace() {
        Reason nothing = new Reason.NothingToLookUp(1);
        endsWith(nothing, new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.empty()));
        endsWith(nothing, new ArgumentSource.OfControl(ArgumentType.INT32, Optional.empty(), List.of(), 0));
        endsWith(nothing, new ArgumentSource.Said(ArgumentType.INT32, Optional.empty(), "/level", 0, List.of()));
        runs(new ArgumentSource.OfControl(ArgumentType.INT32, Optional.of(OTHER), List.of(), 0));
        edit(Shows.remove(show, OTHER));
        press();
        assertThat(ended()).isEqualTo(new Reason.NothingToLookUp(0));
    }

    @Test
    void ofAChoiceItIsItsOption() {
        runs(new ArgumentSource.OfControl(ArgumentType.TEXT, Optional.of(OTHER), List.of(), 0));
        edit(Shows.change(
                show,
                OTHER,
                Control.plain(
                        "Other",
                        new Cells(0, 0, 1, 1),
                        new Choice(
                                List.of(new Choice.Option("Ebb", "low"), new Choice.Option("Flood", "high")),
                                Form.Direction.UP),
                        List.of(),
                        List.of())));
        assertThat(press()).containsExactly("/go “low”");
    }

    @Test
    void whatTheStepsMakeNothingOfIsSaid() {
        Table table = new Table(List.of(new Table.Entry("on", "1")), Optional.empty());
        ArgumentSource said =
                new ArgumentSource.Said(ArgumentType.INT32, Optional.of(DESK), "/level", 0, List.of(table));
        runs(said);
        stage.desk("/level", new OscArgument.Text("off"));
        press();
        assertThat(ended()).isEqualTo(new Reason.LookedUpUnfit(0, "its steps make nothing of it"));
        stage.desk("/level", new OscArgument.Text("on"));
        assertThat(press()).containsExactly("/go 1");
    }

    @Test
    void aTextIsSaidAsOneAndIsNoNumber() {
        ArgumentSource text = new ArgumentSource.Said(ArgumentType.TEXT, Optional.of(DESK), "/name", 0, List.of());
        runs(text);
        stage.desk("/name", new OscArgument.Text("Lamp"));
        assertThat(press()).containsExactly("/go “Lamp”");
        runs(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/name", 0, List.of()));
        stage.desk("/name", new OscArgument.Text("Lamp"));
        press();
        assertThat(ended()).isEqualTo(new Reason.LookedUpUnfit(0, "“Lamp” is not a number"));
        runs(new ArgumentSource.Said(
                ArgumentType.FLOAT32,
                Optional.of(DESK),
                "/name",
                0,
                List.of(new Table(List.of(new Table.Entry("Lamp", "bright")), Optional.empty()))));
        stage.desk("/name", new OscArgument.Text("Lamp"));
        press();
        assertThat(ended()).isEqualTo(new Reason.LookedUpUnfit(0, "“bright” is not a number"));
        runs(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/name", 1, List.of()));
        stage.desk("/name", new OscArgument.Text("Lamp"));
        press();
        assertThat(ended())
                .as("it has one argument")
                .isEqualTo(new Reason.LookedUpUnfit(0, "it has no number and no text there"));
    }
}
