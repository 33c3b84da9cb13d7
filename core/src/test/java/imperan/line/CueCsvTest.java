package imperan.line;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.CueMark;
import imperan.show.cue.FadeCurve;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A cue list as a table, both ways. */
class CueCsvTest {

    private static final PartId LIST = new PartId("list");
    private static final Cue TWO = new Cue(
            "2.5",
            "Tide, rising",
            "When “the boat” is away",
            new CueMark(CueMark.Shade.BLUE, "water"),
            List.of(
                    new CueAction.SayLine(
                            2,
                            Optional.of(DESK),
                            "/scene",
                            List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.TEXT, "Flood"))),
                    new CueAction.FadeLine(
                            0,
                            Optional.of(DESK),
                            "/level",
                            List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, List.of(), 0)),
                            Optional.of(0.25),
                            1,
                            4,
                            FadeCurve.EVEN,
                            CueAction.FadeLine.Unknown.SKIP)),
            CueFollow.answered(1.5, true),
            Optional.of(7.5));

    private Show show = Shows.accepted(
            Shows.withPage(),
            ADA,
            put(LIST, null, CueList.plain("Walk")),
            put(new PartId("one"), LIST, Cue.plain("1", "Doors").followed(CueFollow.after(2))),
            put(new PartId("two"), LIST, TWO));
    private int made;

    private LineCsv.Read read(String text) {
        return CueCsv.read(show, LIST, text, () -> new PartId("new-" + ++made));
    }

    private Cue cue(String id) {
        return (Cue) show.part(new PartId(id)).orElseThrow().body();
    }

    private void take(String text) {
        LineCsv.Read read = read(text);
        assertThat(read.refusals()).isEmpty();
        Outcome outcome = show.apply(read.request().orElseThrow(), ADA);
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
        show = ((Outcome.Accepted) outcome).show();
    }

    @Test
    void whatIsWrittenReadsBackAsNoChange() {
        String text = CueCsv.write(show, LIST);
        assertThat(text.lines())
                .containsExactly(
                        "cue,number,name,note,colour,word,next,at,does",
                        "one,1,Doors,,,,after 2 s,,",
                        "two,2.5,\"Tide, rising\",When “the boat” is away,blue,water,\"answered within 1.5 s, or not\",0:07.500,2 s later Desk /scene Flood; Desk /level from 0.25 to 1 in 4 s");
        assertThat(read(text)).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
    }

    @Test
    void aTableRenumbersNamesAndAddsAndWhatACueDoesStays() {
        take("cue\tnumber\tname\tnext\none\t5\tDoors open\thand\n\t6\tNew one\ttogether\n");
        assertThat(cue("one")).isEqualTo(Cue.plain("5", "Doors open"));
        assertThat(cue("new-1").follow()).isEqualTo(CueFollow.together());
        assertThat(cue("two")).isEqualTo(TWO);
        take("cue;number;at\none;5;0:12,25\n");
        assertThat(cue("one").at()).hasValue(12.25);
        take("cue\tnumber\tat\none\t5\t\n");
        assertThat(cue("one").at()).isEmpty();
        take("cue;number;note;colour;word\ntwo;2.5;;red;stop\n");
        assertThat(cue("two").note()).isEmpty();
        assertThat(cue("two").mark()).isEqualTo(new CueMark(CueMark.Shade.RED, "stop"));
        assertThat(cue("two").actions()).isEqualTo(TWO.actions());
        assertThat(CueList.cues(show, LIST))
                .extracting(Part::id)
                .map(PartId::value)
                .containsExactly("two", "one", "new-1");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "cue,number,next@nobody,3,hand | There is no cue “nobody” in this list; leave the column empty for a new one",
                "cue,number,next@desk,3,hand | There is no cue “desk” in this list; leave the column empty for a new one",
                "cue,number,at@one,1,soon | “soon” is no time: write seconds such as 12.5, minutes such as 1:02.5, or frames such as 00:01:02:12",
                "cue,number,next@one,1,later | “later” is no way for the next cue to follow: hand, together, after 2 s, answered within 2 s",
                "cue,number,next@one,1,after 1.2.3 s | “after 1.2.3 s” is no way for the next cue to follow: hand, together, after 2 s, answered within 2 s",
                "cue,number,colour@one,1,pink | “pink” is no colour of a cue: blue, green, yellow, red, violet, or none",
                "cue,name@one,Doors | The first row has to name the columns, one of them “number”: take the list out first and change it"
            })
    void whatCannotBeIsRefusedByRow(String text, String reason) {
        LineCsv.Read read = read(text.replace("@", "\n"));
        assertThat(read.request()).isEmpty();
        assertThat(read.refusals())
                .singleElement()
                .extracting(LineCsv.Refusal::reason)
                .isEqualTo(reason);
    }
}
