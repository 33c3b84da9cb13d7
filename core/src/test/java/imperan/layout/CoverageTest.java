package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.line.Coverage;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Tray;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Readout;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class CoverageTest {

    private static final PartId BOOK = new PartId("book");

    private static Phrase phrase(String address, Direction direction) {
        return Phrase.plain(
                address, direction, List.of(), AnswerRule.usual(AnswerRule.Kind.NONE), "what " + address + " does", "");
    }

    private static Control fader(int column, String send, String... heard) {
        return Control.plain(
                "F" + column,
                new Cells(column, 0, 1, 1),
                Shows.fader("", column, "/").form(),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(DESK),
                        send,
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                List.of(heard).stream()
                        .map(address -> Listen.value(Optional.of(DESK), address, 0, 0, 1))
                        .toList());
    }

    private static Show show() {
        PartId other = new PartId("other");
        PartId tray = new PartId("tray");
        PartId copy = new PartId("copy");
        PartId copied = new PartId("copied");
        Show show = accepted(
                Shows.withPage(),
                ADA,
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("p1"), BOOK, phrase("/in/<ch:1..4>/level", Direction.BOTH)),
                put(new PartId("p2"), BOOK, phrase("/meter", Direction.IN)),
                put(new PartId("p3"), BOOK, phrase("/reset", Direction.OUT)),
                change(Shows.withPage(), DESK, Shows.target("Desk").speaking(BOOK)),
                put(other, null, Shows.target("Other")));
        return accepted(
                show,
                ADA,
                put(new PartId("a"), PAGE, fader(0, "/in/1/level", "/in/1/level")),
                put(new PartId("b"), PAGE, fader(1, "/in/9/level", "/elsewhere", "/elsewhere")),
                put(tray, PAGE, Tray.plain("Strip", new Cells(3, 0, 2, 2))),
                put(new PartId("c"), tray, fader(0, "/in/2/level")),
                put(
                        new PartId("m"),
                        PAGE,
                        Control.plain(
                                "Meter",
                                new Cells(2, 0, 1, 1),
                                new Readout(),
                                List.of(),
                                List.of(Listen.value(Optional.of(DESK), "/meter", 0, 0, 1)))),
                put(
                        new PartId("o"),
                        PAGE,
                        Control.plain(
                                "Else",
                                new Cells(6, 0, 1, 1),
                                new Readout(),
                                List.of(),
                                List.of(Listen.value(Optional.of(other), "/in/3/level", 0, 0, 1)))),
                put(copy, null, new Layout("Copy", Optional.of(new Layout.Draft(Shows.LAYOUT, List.of())))),
                put(copied, copy, imperan.show.Page.plain("Page", 8, 8)),
                put(new PartId("d"), copied, fader(0, "/reset")));
    }

    @Test
    void itSaysWhatIsReachedFromWhereAndWhatIsNot() {
        Coverage coverage = Coverage.of(show(), DESK);
        assertThat(coverage.phrases())
                .containsExactly(
                        new Coverage.Reached(
                                "/in/<ch:1..4>/level",
                                Direction.BOTH,
                                "what /in/<ch:1..4>/level does",
                                4,
                                2,
                                1,
                                true,
                                List.of("Page")),
                        new Coverage.Reached(
                                "/meter", Direction.IN, "what /meter does", 1, 0, 1, true, List.of("Page")),
                        new Coverage.Reached("/reset", Direction.OUT, "what /reset does", 1, 0, 0, false, List.of()));
        assertThat(coverage.pages()).containsExactly(new Coverage.OnPage(PAGE, "Page", 3, 5));
        assertThat(coverage.idle())
                .containsExactly(
                        new Coverage.Idle(new PartId("b"), "F1", "Page", List.of("/in/9/level", "/elsewhere")));
    }

    @Test
    void whatACueSaysIsReachedFromItsList() {
        PartId list = new PartId("list");
        Show show = accepted(
                show(),
                ADA,
                put(list, null, CueList.plain("Walk")),
                put(
                        new PartId("cue"),
                        list,
                        Cue.plain(
                                "1",
                                "",
                                new CueAction.SayLine(0, Optional.of(DESK), "/reset", List.of()),
                                new CueAction.FadeLine(
                                        0,
                                        Optional.of(DESK),
                                        "/in/3/level",
                                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                                        Optional.empty(),
                                        1,
                                        1,
                                        FadeCurve.EVEN,
                                        CueAction.FadeLine.Unknown.SKIP),
                                new CueAction.SayLine(0, Optional.of(new PartId("other")), "/in/4/level", List.of()))));
        Coverage coverage = Coverage.of(show, DESK);
        assertThat(coverage.phrases().get(2))
                .isEqualTo(new Coverage.Reached(
                        "/reset", Direction.OUT, "what /reset does", 1, 1, 0, true, List.of("Walk")));
        assertThat(coverage.phrases().get(0).said()).isEqualTo(3);
        assertThat(coverage.pages()).as("a list is no page").hasSize(1);
    }

    @Test
    void whatASongSaysIsReachedFromItsSetList() {
        PartId set = new PartId("set");
        Song song = new Song(
                "Tide song",
                Optional.empty(),
                Optional.empty(),
                List.of(new CueAction.SayLine(0, Optional.of(DESK), "/reset", List.of())),
                List.of(),
                "");
        Coverage coverage = Coverage.of(
                accepted(show(), ADA, put(set, null, SetList.plain("Evening")), put(new PartId("song"), set, song)),
                DESK);
        assertThat(coverage.phrases().get(2))
                .isEqualTo(new Coverage.Reached(
                        "/reset", Direction.OUT, "what /reset does", 1, 1, 0, true, List.of("Evening")));
    }

    @Test
    void withoutAPhrasebookNothingIsKnownToBeUnderstood() {
        Coverage coverage = Coverage.of(show(), new PartId("other"));
        assertThat(coverage.phrases()).isEmpty();
        assertThat(coverage.idle()).extracting(Coverage.Idle::label).containsExactly("Else");
    }
}
