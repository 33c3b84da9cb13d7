package imperan.layout;

import imperan.line.LineCsv;
import imperan.line.LineFinding;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.shaping.Flip;
import imperan.shaping.Power;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.shaping.Toggle;
import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Cells;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Twin;
import org.junit.jupiter.api.Test;

import java.util.List;
import java.util.Optional;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

/** The lines of all controls as a table, and as text for a spreadsheet. */
class LineTableTest extends FourFaders {

    @Test
    void everyLineIsARowWithWhatItsPhrasebookSpeaksAgainst() {
        show = accepted(show, ADA, change(show, new PartId("f2"), fader("level 2", 1, "/in/2/lvel")), change(show, new PartId("f3"),
                control("f3").withLines(List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/level",
                        List.of(new ArgumentSource.Value(ArgumentType.INT32, 0, 1))), new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/level",
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 100))), new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/name",
                        List.of())), List.of())), change(show, new PartId("f4"), control("f4").withLines(List.of(new Send(Send.Phase.PRESS, Optional.empty(),
                        "/x", List.of())), List.of())));
        List<TableLine> lines = LineTable.of(show);
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f1"))).allMatch(line -> line.findings().isEmpty()).hasSize(2);
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f2"))).allSatisfy(line -> {
            assertThat(line.findings().get(0).mend().orElseThrow().address()).hasValue("/in/2/level");
            assertThat(line.findings().get(0).message()).contains("did you mean /in/2/level?");
        });
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f3"))).extracting(line -> line.findings().get(0).message())
                .containsExactly("It sends an int (i); Desk takes a float (f)", "It goes from 0 to 100; only 0 to 1 counts", "Desk says it and does not take it");
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f4"))).extracting(line -> line.findings().get(0).message())
                .containsExactly("Nobody gets it: no target is chosen");
        assertThat(LineTable.of(show, new PartId("page"))).isEqualTo(lines);
        assertThat(LineTable.of(show, new PartId("no-page"))).isEmpty();
    }

    @Test
    void aPageHasTheLinesOfWhatIsShownAgainOnIt() {
        PartId second = new PartId("second");
        show = accepted(show, ADA, put(second, show.part(PAGE).orElseThrow().parent().orElseThrow(), Page.plain("Second", 8, 8)),
                put(new PartId("again"), second, new Twin(new PartId("f1"), new Cells(0, 0, 2, 4))));
        assertThat(LineTable.of(show, second)).extracting(TableLine::control).containsOnly(new PartId("f1"));
        assertThat(LineTable.of(show)).filteredOn(line -> line.control().equals(new PartId("f1"))).hasSize(2);
    }

    @Test
    void aWrongTypeOrRangeIsMendedInTheDirectionInWhichItWent() {
        assertThat(mended(new ArgumentSource.Value(ArgumentType.INT32, 1, 0))).containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 1, 0));
        assertThat(mended(new ArgumentSource.Value(ArgumentType.FLOAT32, 100, 0))).containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 1, 0));
        assertThat(mended(new ArgumentSource.Fixed(ArgumentType.TEXT, "0.5"))).containsExactly(new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5"));
        assertThat(mended()).containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
        assertThat(mended(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1), new ArgumentSource.Fixed(ArgumentType.INT32, "7")))
                .containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
    }

    /** What mending a send of these arguments makes of them. */
    private List<ArgumentSource> mended(ArgumentSource... sources) {
        show = accepted(show, ADA, change(show, new PartId("f3"), control("f3").withLines(
                List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/level", List.of(sources))), List.of())));
        return LineTable.of(show).stream().filter(line -> line.control().equals(new PartId("f3"))).findFirst().orElseThrow()
                .findings().get(0).mend().orElseThrow().arguments().orElseThrow();
    }

    @Test
    void aTableThatIsGivenOutAndTakenInChangesNothing() {
        assertThat(LineCsv.read(show, LineCsv.write(LineTable.of(show)))).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
    }

    @Test
    void whatHasNoWayBackAndWhatReachesNextToNothingAreFound() {
        Control f1 = control("f1");
        Send toggled = f1.sends().get(0).saying(List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(new Toggle()), 0)));
        show = accepted(show, ADA, change(show, new PartId("f1"), f1.withLines(List.of(toggled), List.of(Listen.asSent(Optional.of(DESK), "/in/1/level", 0)))));
        assertThat(findingsOf("f1:listen:1")).singleElement().satisfies(finding -> assertThat(finding.message()).contains("cannot go back through step 1").contains("the same press"));
        show = accepted(show, ADA, change(show, new PartId("f1"), f1.withLines(List.of(toggled), List.of(Listen.value(Optional.of(DESK), "/in/1/level", 0, 0, 1)))));
        assertThat(findingsOf("f1:listen:1")).isEmpty();
        show = accepted(show, ADA, put(new PartId("dim"), BOOK, phrase("/dim", Phrase.Direction.OUT, ArgumentType.INT32, Optional.of(255.0))),
                change(show, new PartId("f2"), control("f2").withLines(List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/dim", List.of(new ArgumentSource.Value(ArgumentType.INT32, 0, 1)))), List.of())));
        assertThat(findingsOf("f2:send:1")).singleElement().satisfies(finding -> {
            assertThat(finding.message()).isEqualTo("It reaches 0 to 1 of 0 to 255: the target only ever sees 0 and 1");
            assertThat(finding.mend().orElseThrow().arguments().orElseThrow()).containsExactly(new ArgumentSource.Value(ArgumentType.INT32, 0, 255));
        });
    }

    private List<LineFinding> findingsOf(String line) {
        return LineTable.of(show).stream().filter(each -> each.id().equals(line)).findFirst().orElseThrow().findings();
    }

    @Test
    void theStepsOfALineGoThroughATable() {
        Control f1 = control("f1");
        List<ShapingStep> steps = List.of(new Power(2), new Scale(0, 1), new Smooth(0.25));
        Send shaped = f1.sends().get(0).saying(List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, steps, 0)));
        show = accepted(show, ADA, change(show, new PartId("f1"), f1.withLines(List.of(shaped), List.of(Listen.asSent(Optional.of(DESK), "/in/1/level", 0)))));
        String table = LineCsv.write(LineTable.of(show));
        assertThat(table).contains("curve 2 | scale 0 1 to 0 1 | smooth 0.25").contains("as sent");
        assertThat(LineCsv.read(show, table)).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
        LineCsv.Read read = LineCsv.read(show, table.replaceFirst("smooth 0.25", "flip").replaceFirst("as sent", "scale 0 1 to 1 0").replaceFirst("(?m)^(f2:send:1,.*)scale 0 1 to 0 1", "$1scale 0 1 2"));
        assertThat(read.refusals()).singleElement().satisfies(refusal -> assertThat(refusal.reason()).contains("“to” is missing"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(((ArgumentSource.Value) control("f1").sends().get(0).arguments().get(0)).shaping()).containsExactly(new Power(2), new Scale(0, 1), new Flip());
        assertThat(control("f1").listens().get(0).shaping()).contains(List.of(new Scale(1, 0)));
        show = ((Outcome.Accepted) show.apply(LineCsv.read(show, LineCsv.write(LineTable.of(show)).replaceFirst("scale 0 1 to 1 0", "as sent")).request().orElseThrow(), ADA)).show();
        assertThat(control("f1").listens().get(0).shaping()).isEmpty();
    }

    @Test
    void aTableFromASpreadsheetChangesWhatIsDifferentAndNamesWhatCannotBe() {
        LineCsv.Read read = LineCsv.read(show, """
                line\taddress\ttarget\tlow\thigh\ton
                f1:send:1\t/in/9/level\tOther\t0\t0.5\trelease
                f2:listen:1\t\t\t\t2\t
                f9:send:1\t/x\t\t\t\t
                f3:send:1\t/in/3/level\tNobody\t\t\t
                f4:send:1\t/in/4/level\t\t0,5\t\t
                """);
        assertThat(read.refusals()).extracting(LineCsv.Refusal::row).containsExactly(4L, 5L, 6L);
        assertThat(read.refusals()).extracting(LineCsv.Refusal::reason).satisfiesExactly(r -> assertThat(r).contains("no line “f9:send:1”"),
                r -> assertThat(r).contains("no target “Nobody”"), r -> assertThat(r).contains("write a decimal with a dot"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(control("f1").sends().get(0)).isEqualTo(new Send(Send.Phase.RELEASE, Optional.of(OTHER), "/in/9/level",
                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 0.5))));
        assertThat(control("f2").listens().get(0).chain(List.of()).high()).isEqualTo(2);
    }

    @Test
    void whatIsNoLineTableIsSaid() {
        assertThat(LineCsv.read(show, "a,b\n1,2").refusals().get(0).reason()).contains("one of them “line”");
    }
}
