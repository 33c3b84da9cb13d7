package imperan.live;

import imperan.osc.OscArgument;
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
import imperan.shaping.Multiply;
import imperan.shaping.Scale;
import imperan.shaping.Table;
import imperan.show.form.TextLine;
import org.junit.jupiter.api.Test;

import java.util.List;
import java.util.Optional;

import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

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
        Control key = Control.plain("Key", new Cells(5, 4, 1, 1), Shows.button("", 0, false, "/x").form(),
                List.of(new Send(Send.Phase.PRESS, Optional.of(DESK), "/go", List.of(arguments))), List.of());
        show = Shows.accepted(Shows.withPage(), Shows.ADA, Shows.change(Shows.withPage(), DESK, Target.plain("Desk", "127.0.0.1", 7101, 9201, answering)),
                put(PIECE, null, new NamedValue("Piece", "7", "")), put(OTHER, PAGE, Shows.fader("Other", 0, "/other")), put(new PartId("it"), PAGE, key));
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
        runs(new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.of(PIECE)), new ArgumentSource.OfNamedValue(ArgumentType.TEXT, Optional.of(PIECE)));
        assertThat(press()).containsExactly("/go 7  “7”");
        edit(Shows.change(show, PIECE, new NamedValue("Piece", "8", "")));
        assertThat(press()).containsExactly("/go 8  “8”");
    }

    @Test
    void aNamedValueThatNobodyCouldSendIsRefusedWithTheControlThatSendsIt() {
        runs(new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.of(PIECE)));
        assertThat(Shows.refused(show, Shows.ADA, Shows.change(show, PIECE, new NamedValue("Piece", "seven", ""))))
                .singleElement().satisfies(problem -> assertThat(problem.message()).contains("Key").contains("seven"));
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
        edit(Shows.change(show, OTHER, Control.plain("Other", new Cells(0, 0, 1, 1), new TextLine(), List.of(), List.of())));
        press();
        assertThat(ended()).isInstanceOf(Reason.LookedUpUnfit.class);
        Asking.touch(stage.live, new Touch(OTHER, "2", Touch.Phase.TYPE, 0, 0, false, "12"), Stage.ADA, stage.now);
        assertThat(press()).containsExactly("/go 12");
    }

    @Test
    void whatATargetSaidLastIsAskedForAndThenSaid() {
        runs(Target.Answering.QUERIES, new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/number", 0, List.of(new Multiply(2))));
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
        Outcome.Accepted done = (Outcome.Accepted) show.apply(new EditRequest("Edit", List.of(Shows.change(show, new PartId("it"), Control.plain("Key", new Cells(5, 4, 1, 1),
                Shows.button("", 0, false, "/x").form(), List.of(new Send(Send.Phase.PRESS, Optional.of(DESK), "/go",
                        List.of(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/number", 0, List.of())))), List.of())))), Shows.ADA);
        stage.live.follow(done.show(), done.edit(), stage.now);
        assertThat(stage.takeSent()).contains("/number");
    }

    @Test
    void aTextThatIsNoNumberIsToldUnlessATableMakesOneOfIt() {
        runs(new ArgumentSource.Said(ArgumentType.INT32, Optional.of(DESK), "/scene", 0, List.of()));
        stage.desk("/scene", new OscArgument.Text("calm"));
        assertThat(press()).isEmpty();
        assertThat(ended()).isEqualTo(new Reason.LookedUpUnfit(0, "“calm” is not a number"));
        edit(Shows.change(show, new PartId("it"), Control.plain("Key", new Cells(5, 4, 1, 1), Shows.button("", 0, false, "/x").form(),
                List.of(new Send(Send.Phase.PRESS, Optional.of(DESK), "/go", List.of(new ArgumentSource.Said(ArgumentType.INT32, Optional.of(DESK), "/scene", 0,
                        List.of(new Table(List.of(new Table.Entry("calm", "4")), Optional.empty())))))), List.of())));
        assertThat(press()).containsExactly("/go 4");
    }
}
