package imperan.live;

import static imperan.live.Stage.MS;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.wire.Fate;
import imperan.wire.PlotLine;
import imperan.wire.WireRecord;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each packet that left knows what became of its answer, and which packet that was: read off the engine's own events. */
class AnswersOnTheWireTest {

    private static final Target DESK = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS);
    private static final AnswerRule SAME = AnswerRule.usual(AnswerRule.Kind.SAME);

    private Stage stage;

    private void play(Target target) {
        PartId book = new PartId("book");
        Show show = Shows.accepted(
                Shows.withPage(), Shows.ADA, put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())));
        for (String address : List.of("/a", "/b")) {
            show = Shows.accepted(
                    show,
                    Shows.ADA,
                    put(
                            PartId.random(),
                            book,
                            Phrase.plain(
                                    address,
                                    Phrase.Direction.BOTH,
                                    List.of(Phrase.PhraseArgument.plain(
                                            ArgumentType.FLOAT32,
                                            Optional.empty(),
                                            Optional.empty(),
                                            "",
                                            List.of(),
                                            Optional.empty())),
                                    SAME,
                                    "",
                                    "")));
        }
        stage = new Stage(Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, target.speaking(book))));
    }

    private void say(String line) {
        assertThat(Asking.say(stage.live, Shows.DESK, line, stage.now)).isEmpty();
    }

    /** The packets to or from an address, oldest first. */
    private List<WireRecord> on(String address) {
        return stage.log.packets().stream()
                .filter(record -> record.messages().stream()
                        .anyMatch(message -> message.address().equals(address)))
                .toList();
    }

    private Fate.Kind fate(WireRecord record) {
        return record.fate().orElseThrow().kind();
    }

    @Test
    void theAnswerAndItsQuestionNameEachOther() {
        play(DESK);
        say("/a 0.5");
        assertThat(fate(on("/a").get(0))).isEqualTo(Fate.Kind.WAITING);
        stage.now += 4 * MS;
        stage.desk("/a", 0.5f);
        List<WireRecord> both = on("/a");
        assertThat(both.get(0).fate()).contains(new Fate(Fate.Kind.ANSWERED, 4 * MS));
        assertThat(both.get(0).pair()).contains(both.get(1).number());
        assertThat(both.get(1).pair()).contains(both.get(0).number());
        assertThat(both.get(1).answeredAfterNanos()).contains(4 * MS);
        assertThat(both.get(0).change())
                .as("it is otherwise than it was")
                .isGreaterThan(both.get(1).change());
    }

    /** A fader whose positions become 0 to 200 says both, alone in its packet or in the bundle of the moment; a message by hand stood nowhere. */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void whereTheControlStoodIsKnownBesideWhatItSaid(boolean bundled) {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(
                        new PartId("fader"),
                        Shows.PAGE,
                        Shows.fader("Level", 0, "/a")
                                .withLines(
                                        List.of(new Send(
                                                Send.Phase.CHANGE,
                                                Optional.of(Shows.DESK),
                                                "/a",
                                                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 200)))),
                                        List.of())));
        stage = new Stage(
                Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, bundled ? DESK.bundling() : DESK)));
        stage.live.carryOut(
                new Touch(new PartId("fader"), "1", Touch.Phase.SET, 0.5, 0.75, false, ""),
                Actor.of(Shows.ADA),
                stage.now);
        stage.pass(100);
        assertThat(on("/a")).singleElement().satisfies(record -> assertThat(record.positions())
                .containsExactly(0.75));
        assertThat(new PlotLine(true, "desk", "/a", PlotLine.POSITION).points(stage.log.packets(), 0, 10))
                .extracting(PlotLine.Point::value)
                .containsExactly(0.75);
        assertThat(new PlotLine(true, "desk", "/a", 0).points(stage.log.packets(), 0, 10))
                .extracting(PlotLine.Point::value)
                .containsExactly(150.0);
        say("/c 1");
        assertThat(on("/c").get(0).positions()).isEmpty();
    }

    @Test
    void whatWaitsForAnotherAnswerIsNotAnsweredByThisOne() {
        play(DESK);
        say("/a 0.5");
        say("/b 0.25");
        stage.desk("/b", 0.25f);
        assertThat(fate(on("/a").get(0))).isEqualTo(Fate.Kind.WAITING);
        assertThat(fate(on("/b").get(0))).isEqualTo(Fate.Kind.ANSWERED);
    }

    @Test
    void silenceAnotherValueAndNothingToExpectAreToldApart() {
        play(DESK);
        say("/a 0.5");
        say("/b 0.5");
        say("/unheard 1.0");
        stage.desk("/b", 0.9f);
        stage.pass(3_000);
        assertThat(fate(on("/a").get(0))).isEqualTo(Fate.Kind.NO_ANSWER);
        assertThat(fate(on("/b").get(0))).isEqualTo(Fate.Kind.WRONG_VALUE);
        assertThat(fate(on("/unheard").get(0))).isEqualTo(Fate.Kind.NONE_EXPECTED);
        assertThat(on("/b").get(1).pair())
                .as("what does not agree answers nothing")
                .isEmpty();
    }

    /** Both leave in one packet: it is answered once both are, and unanswered where one is. */
    @Test
    void ofABundleTheWorstCounts() {
        play(DESK.bundling());
        say("/a 0.5");
        stage.pass(1);
        stage.desk("/a", 0.5f);
        assertThat(fate(on("/a").get(0))).isEqualTo(Fate.Kind.ANSWERED);
        say("/b 0.25");
        stage.pass(3_000);
        assertThat(fate(on("/b").get(0))).isEqualTo(Fate.Kind.NO_ANSWER);
    }

    @Test
    void whatDoesNotLeaveWaitsForNothing() {
        play(DESK);
        stage.takes = false;
        say("/a 0.5");
        assertThat(on("/a")).singleElement().satisfies(record -> assertThat(record.fate())
                .isEmpty());
        assertThat(on("/a").get(0).reason()).contains(new Reason.NotTaken());
    }

    @Test
    void whatAHandLeadsToAndItsAnswersNeverRepeat() {
        play(DESK);
        for (int i = 0; i < 60; i++) {
            say("/a " + (i % 2 == 0 ? "0.25" : "0.75"));
            stage.desk("/a", i % 2 == 0 ? 0.25f : 0.75f);
            stage.desk("/meter", i);
            stage.pass(1_000);
        }
        assertThat(on("/a")).hasSize(120).noneMatch(WireRecord::repeats);
        assertThat(on("/meter").stream().filter(WireRecord::repeats).count()).isGreaterThan(50);
        assertThat(on("/meter").stream().findFirst())
                .hasValueSatisfying(first -> assertThat(first.repeats()).isFalse());
    }
}
