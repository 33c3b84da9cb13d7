package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import imperan.layout.Arrangement.FindAndReplace;
import imperan.layout.Arrangement.SwapTarget;
import imperan.line.CueEdit;
import imperan.line.LineCsv;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.SetList;
import imperan.show.Song;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The lines of cues and songs are lines like others: in the table, in its text, where a text or a target is put for another. */
class CueLinesTest extends FourFaders {

    private static final PartId LIST = new PartId("walk");
    private static final PartId CUE = new PartId("cue");
    private static final CueAction.FadeLine FADE = new CueAction.FadeLine(
            1,
            Optional.of(DESK),
            "/in/2/level",
            List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
            Optional.empty(),
            0.5,
            2,
            FadeCurve.EVEN,
            CueAction.FadeLine.Unknown.SKIP);

    @BeforeEach
    void cue() {
        CueAction page = new CueAction.ShowPage(0, Optional.empty(), List.of());
        CueAction say = new CueAction.SayLine(
                0, Optional.of(DESK), "/in/1/mute", List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1")));
        show = accepted(
                show,
                ADA,
                put(LIST, null, CueList.plain("Evening walk")),
                put(CUE, LIST, Cue.plain("7", "Miller in", page, say, FADE)));
    }

    private List<CueAction> actions() {
        return ((Cue) show.part(CUE).orElseThrow().body()).actions();
    }

    private CueAction.FadeLine fading() {
        return (CueAction.FadeLine) actions().get(2);
    }

    @Test
    void theyAreRowsBehindThoseOfThePages() {
        List<TableLine> rows = LineTable.of(show);
        assertThat(rows).hasSize(10);
        assertThat(rows.get(8))
                .isEqualTo(new TableLine(
                        "cue:send:1",
                        CUE,
                        TableLine.Kind.SEND,
                        1,
                        "actions/1",
                        "Evening walk",
                        "7 Miller in",
                        "cue",
                        Optional.of(DESK),
                        "Desk",
                        "/in/1/mute",
                        "i",
                        Optional.empty(),
                        Optional.empty(),
                        ""));
        assertThat(rows.get(9))
                .extracting(TableLine::id, TableLine::field, TableLine::address, TableLine::types)
                .containsExactly("cue:send:2", "actions/2", "/in/2/level", "f");
    }

    @Test
    void theyGoThroughATable() {
        String table = LineCsv.write(show);
        assertThat(LineCsv.read(show, table)).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
        LineCsv.Read read = LineCsv.read(
                show,
                "line,label,on,address,target\ncue:send:1,7 Miller in,cue,/in/3/mute,Other\ncue:send:2,,,/in/4/level,\ncue:send:2,8 Miller,,,\ncue:send:1,,press,,\ncue:listen:1,,,/x,\n");
        assertThat(read.refusals())
                .extracting(LineCsv.Refusal::reason)
                .satisfiesExactly(
                        reason -> assertThat(reason).contains("renamed in their lists"),
                        reason -> assertThat(reason).contains("“on” stays “cue”"),
                        reason -> assertThat(reason).contains("no line “cue:listen:1”"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(actions().get(1))
                .isEqualTo(new CueAction.SayLine(
                        0,
                        Optional.of(OTHER),
                        "/in/3/mute",
                        List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1"))));
        assertThat(fading())
                .as("it goes on fading")
                .isEqualTo(new CueAction.FadeLine(
                        1,
                        Optional.of(DESK),
                        "/in/4/level",
                        FADE.arguments(),
                        FADE.from(),
                        0.5,
                        2,
                        FADE.curve(),
                        FADE.unknown()));
    }

    @Test
    void aTextIsReplacedInThemToo() {
        done(new FindAndReplace(List.of(), "/in/2/", "/in/9/", true, false));
        assertThat(fading().address()).isEqualTo("/in/9/level");
        assertThat(control("f2").sends().get(0).address()).isEqualTo("/in/9/level");
        done(new FindAndReplace(List.of(CUE), "Miller", "Ferryman", true, true));
        assertThat(show.part(CUE).orElseThrow().body().called()).isEqualTo("7 Ferryman in");
        assertThat(refused(new FindAndReplace(List.of(CUE), "level 1", "x", true, true)))
                .contains("stands nowhere");
    }

    @Test
    void theyGoToAnotherTarget() {
        done(new SwapTarget(List.of(CUE, new PartId("f1")), Optional.of(DESK), OTHER));
        assertThat(actions())
                .filteredOn(action -> !(action instanceof CueAction.ShowPage))
                .allSatisfy(action -> assertThat(action.toString()).contains("target=Optional[" + OTHER + "]"));
        assertThat(control("f1").sends().get(0).target()).hasValue(OTHER);
        assertThat(control("f2").sends().get(0).target()).hasValue(DESK);
    }

    // ---- songs

    private static final PartId SET = new PartId("set");
    private static final PartId SONG = new PartId("song");

    private void song() {
        CueAction ready = new CueAction.SayLine(
                0, Optional.of(DESK), "/in/1/mute", List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "0")));
        CueAction onAir = new CueAction.SayLine(
                0, Optional.of(DESK), "/in/2/mute", List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1")));
        show = accepted(
                show,
                ADA,
                put(SET, null, SetList.plain("Evening")),
                put(
                        SONG,
                        SET,
                        new Song(
                                "Tide song",
                                Optional.empty(),
                                Optional.empty(),
                                List.of(ready),
                                List.of(new CueAction.ShowPage(0, Optional.empty(), List.of()), onAir, FADE),
                                "")));
    }

    private Song sung() {
        return (Song) show.part(SONG).orElseThrow().body();
    }

    @Test
    void linesOfSongsAreRowsToo() {
        song();
        List<TableLine> rows = LineTable.of(show);
        assertThat(rows.subList(10, rows.size()))
                .extracting(
                        TableLine::id,
                        TableLine::field,
                        TableLine::page,
                        TableLine::label,
                        TableLine::on,
                        TableLine::address)
                .containsExactly(
                        tuple("song:send:1", "ready/0", "Evening", "Tide song", "ready", "/in/1/mute"),
                        tuple("song:send:2", "onAir/1", "Evening", "Tide song", "on air", "/in/2/mute"),
                        tuple("song:send:3", "onAir/2", "Evening", "Tide song", "on air", "/in/2/level"));
    }

    @Test
    void linesOfSongsAreChangedLikeThoseOfCues() {
        song();
        LineCsv.Read read = LineCsv.read(
                show,
                "line,label,on,address,target\nsong:send:1,Tide song,ready,/in/5/mute,Other\nsong:send:2,,ready,,\nsong:send:2,Ebb song,,,\nsong:send:3,,on air,/in/6/level,\n");
        assertThat(read.refusals())
                .extracting(LineCsv.Refusal::reason)
                .satisfiesExactly(
                        reason -> assertThat(reason).contains("“on” stays “on air”"),
                        reason -> assertThat(reason).contains("renamed in their lists"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(sung().ready())
                .containsExactly(new CueAction.SayLine(
                        0,
                        Optional.of(OTHER),
                        "/in/5/mute",
                        List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "0"))));
        assertThat(((CueAction.FadeLine) sung().onAir().get(2)).address()).isEqualTo("/in/6/level");

        done(new FindAndReplace(List.of(), "Tide", "Ebb", true, true));
        assertThat(sung().name()).isEqualTo("Ebb song");
        done(new FindAndReplace(List.of(SONG), "/in/6/", "/in/9/", true, false));
        assertThat(((CueAction.FadeLine) sung().onAir().get(2)).address()).isEqualTo("/in/9/level");
        done(new SwapTarget(List.of(SONG), Optional.empty(), OTHER));
        assertThat(LineTable.of(show))
                .filteredOn(row -> row.part().equals(SONG))
                .extracting(TableLine::target)
                .containsOnly(Optional.of(OTHER));
    }

    @Test
    void numbersThatTheirTargetsCountAreListed() {
        show = accepted(
                show,
                ADA,
                put(
                        new PartId("go"),
                        LIST,
                        Cue.plain(
                                "8",
                                "",
                                new CueAction.SayLine(
                                        0,
                                        Optional.of(DESK),
                                        "/go",
                                        List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "12"))),
                                new CueAction.SayLine(
                                        0,
                                        Optional.of(DESK),
                                        "/on",
                                        List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1"))))));
        assertThat(CueEdit.counted(show, LIST))
                .extracting(CueEdit.Counted::cue, CueEdit.Counted::text)
                .containsExactly(tuple("7", "/in/1/mute 1"), tuple("7", "/in/2/level 0.5"), tuple("8", "/go 12"));
    }
}
