package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.line.LineCsv;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.shaping.Flip;
import imperan.shaping.Power;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Twin;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The lines of all controls as a table, and as text for a spreadsheet. */
class LineTableTest extends FourFaders {

    @Test
    void everyLineIsARow() {
        List<TableLine> lines = LineTable.of(show);
        assertThat(lines)
                .extracting(TableLine::id)
                .containsExactly(
                        "f1:send:1",
                        "f1:listen:1",
                        "f2:send:1",
                        "f2:listen:1",
                        "f3:send:1",
                        "f3:listen:1",
                        "f4:send:1",
                        "f4:listen:1");
        assertThat(lines.get(0))
                .isEqualTo(new TableLine(
                        "f1:send:1",
                        new PartId("f1"),
                        TableLine.Kind.SEND,
                        1,
                        "sends/0",
                        "Page",
                        "level 1",
                        "change",
                        Optional.of(DESK),
                        "Desk",
                        "/in/1/level",
                        "f",
                        Optional.of(0.0),
                        Optional.of(1.0),
                        "scale 0 1 to 0 1"));
        assertThat(LineTable.of(show, new PartId("page"))).isEqualTo(lines);
        assertThat(LineTable.of(show, new PartId("no-page"))).isEmpty();
    }

    @Test
    void aPageHasTheLinesOfWhatIsShownAgainOnIt() {
        PartId second = new PartId("second");
        show = accepted(
                show,
                ADA,
                put(second, show.part(PAGE).orElseThrow().parent().orElseThrow(), Page.plain("Second", 8, 8)),
                put(new PartId("again"), second, new Twin(new PartId("f1"), new Cells(0, 0, 2, 4))));
        assertThat(LineTable.of(show, second)).extracting(TableLine::part).containsOnly(new PartId("f1"));
        assertThat(LineTable.of(show))
                .filteredOn(line -> line.part().equals(new PartId("f1")))
                .hasSize(2);
    }

    @Test
    void aTableThatIsGivenOutAndTakenInChangesNothing() {
        assertThat(LineCsv.read(show, LineCsv.write(show))).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
    }

    @Test
    void aTableForASpreadsheetSaysWhatIsFoundOfEachLine() {
        show = accepted(show, ADA, change(show, new PartId("f2"), fader("level 2", 1, "/in/2/lvel")));
        assertThat(LineCsv.write(show).lines().filter(row -> row.contains("did you mean")))
                .hasSize(2)
                .first()
                .asString()
                .startsWith("f2:send:1,");
    }

    @Test
    void theStepsOfALineGoThroughATable() {
        Control f1 = control("f1");
        List<ShapingStep> steps = List.of(new Power(2), new Scale(0, 1), new Smooth(0.25));
        Send shaped = f1.sends().get(0).saying(List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, steps, 0)));
        show = accepted(
                show,
                ADA,
                change(
                        show,
                        new PartId("f1"),
                        f1.withLines(List.of(shaped), List.of(Listen.asSent(Optional.of(DESK), "/in/1/level", 0)))));
        String table = LineCsv.write(show);
        assertThat(table).contains("curve 2 | scale 0 1 to 0 1 | smooth 0.25").contains("as sent");
        assertThat(LineCsv.read(show, table)).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
        LineCsv.Read read = LineCsv.read(
                show,
                table.replaceFirst("smooth 0.25", "flip")
                        .replaceFirst("as sent", "scale 0 1 to 1 0")
                        .replaceFirst("(?m)^(f2:send:1,.*)scale 0 1 to 0 1", "$1scale 0 1 2"));
        assertThat(read.refusals()).singleElement().satisfies(refusal -> assertThat(refusal.reason())
                .contains("“to” is missing"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(((ArgumentSource.Value)
                                control("f1").sends().get(0).arguments().get(0))
                        .shaping())
                .containsExactly(new Power(2), new Scale(0, 1), new Flip());
        assertThat(control("f1").listens().get(0).shaping()).contains(List.of(new Scale(1, 0)));
        show = ((Outcome.Accepted) show.apply(
                        LineCsv.read(show, LineCsv.write(show).replaceFirst("scale 0 1 to 1 0", "as sent"))
                                .request()
                                .orElseThrow(),
                        ADA))
                .show();
        assertThat(control("f1").listens().get(0).shaping()).isEmpty();
    }

    @Test
    void aTableFromASpreadsheetChangesWhatIsDifferentAndNamesWhatCannotBe() {
        LineCsv.Read read = LineCsv.read(
                show,
                """
                line\taddress\ttarget\tlow\thigh\ton
                f1:send:1\t/in/9/level\tOther\t0\t0.5\trelease
                f2:listen:1\t\t\t\t2\t
                f9:send:1\t/x\t\t\t\t
                f3:send:1\t/in/3/level\tNobody\t\t\t
                f4:send:1\t/in/4/level\t\t0,5\t\t
                """);
        assertThat(read.refusals()).extracting(LineCsv.Refusal::row).containsExactly(4L, 5L, 6L);
        assertThat(read.refusals())
                .extracting(LineCsv.Refusal::reason)
                .satisfiesExactly(
                        r -> assertThat(r).contains("no line “f9:send:1”"),
                        r -> assertThat(r).contains("no target “Nobody”"),
                        r -> assertThat(r).contains("write a decimal with a dot"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(control("f1").sends().get(0))
                .isEqualTo(new Send(
                        Send.Phase.RELEASE,
                        Optional.of(OTHER),
                        "/in/9/level",
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 0.5))));
        assertThat(control("f2").listens().get(0).chain(List.of()).high()).isEqualTo(2);
    }

    @Test
    void whatIsNoLineTableIsSaid() {
        assertThat(LineCsv.read(show, "a,b\n1,2").refusals().get(0).reason()).contains("one of them “line”");
    }
}
