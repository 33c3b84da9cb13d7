package imperan.proof;

import static imperan.proof.Hall.MUTE;
import static imperan.proof.Halls.DESK;
import static imperan.proof.Halls.LEVEL;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.Checks;
import imperan.check.NetworkFacts;
import imperan.line.LineTable;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.Gate;
import imperan.live.SocketState;
import imperan.proof.ReadyCheck.Answer;
import imperan.proof.ReadyCheck.Question;
import imperan.proof.report.Proved;
import imperan.proof.report.Verdict;
import imperan.proof.run.Print;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook.LinkSheet;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.StandInEnd;
import imperan.show.Track;
import imperan.show.song.Sound;
import imperan.show.song.TimeFrom;
import imperan.words.ReadyWords;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ReadyCheckTest {

    private static List<Answer> check(Hall hall) {
        Checks checks = new Checks(hall.show);
        checks.now(new NetworkFacts(hall.adapters, hall.live.links(), hall.live.strays()), List.of());
        return ReadyCheck.of(
                hall.show, now(hall), checks.all(), LineTable.of(hall.show), proved(hall, Verdict.CONFIRMED, false));
    }

    private static ReadyCheck.Now now(Hall hall) {
        return new ReadyCheck.Now(hall.live.links(), hall.live.values(), hall.live.tracks(), sound -> true);
    }

    private static Map<String, Proved> proved(Hall hall, Verdict verdict, boolean stale) {
        return Print.all(hall.show).keySet().stream()
                .collect(Collectors.toMap(
                        Function.identity(), line -> new Proved(verdict, stale, true, 0, Optional.empty(), false)));
    }

    @Test
    void aLineIsProvedWhereItsNewestProofHoldsAndIsOfNow() {
        Hall hall = Halls.known(LEVEL).move("1", 0.5);
        Map<Map<String, Proved>, String> says = Map.of(
                Map.of(),
                "/in/1/level: not proved yet",
                proved(hall, Verdict.CONFIRMED, true),
                "/in/1/level: changed since it was confirmed",
                proved(hall, Verdict.WRONG_VALUE, false),
                "/in/1/level: wrong value");
        says.forEach((proved, words) -> {
            Answer answer = ReadyCheck.of(hall.show, now(hall), List.of(), LineTable.of(hall.show), proved)
                    .get(Question.PROVED.ordinal());
            assertThat(answer.looked()).isEqualTo(4);
            assertThat(answer.items()).hasSize(4);
            assertThat(ReadyWords.says(Question.PROVED, answer.items().get(0))).isEqualTo(words);
            assertThat(answer.grey())
                    .as("what was proved before, and is not known to hold now, did not fail")
                    .isEqualTo(words.contains("changed since it was confirmed") ? 4 : 0);
        });
    }

    private static List<String> notReady(Hall hall) {
        return check(hall).stream()
                .flatMap(answer -> answer.items().stream()
                        .map(item -> answer.question() + " " + item.name() + ": "
                                + ReadyWords.says(answer.question(), item)))
                .toList();
    }

    @Test
    void whatIsReadyIsAllReady() {
        Hall hall = Halls.known(LEVEL).move("1", 0.5);
        assertThat(check(hall).stream().map(Answer::question)).containsExactly(Question.values());
        assertThat(check(hall)).allMatch(Answer::isReady);
        assertThat(check(hall).get(0).looked()).isEqualTo(1);
        assertThat(check(hall).get(3).looked()).as("it has no start list").isZero();
        assertThat(check(hall).get(Question.PROVED.ordinal()).looked())
                .as("the sends of four levels")
                .isEqualTo(4);
    }

    @Test
    void aTargetThatSaidNothingYetIsNotReadyAndOneThatSpeaksUnaskedIs() {
        assertThat(notReady(Halls.known(LEVEL))).containsExactly("ANSWERING Desk: No reply yet");
        assertThat(notReady(Halls.known(LEVEL).desk("/clock"))).isEmpty();
    }

    @Test
    void eachOfThemIsSaid() {
        Hall mute = Halls.known(LEVEL).does(MUTE).move("1", 0.5);
        assertThat(notReady(mute))
                .containsExactly(
                        "ANSWERING Desk: No reply yet", "ANSWERED Level 1: No answer, or a wrong one, to /in/1/level");
        mute.live.portClosed(Shows.DESK, mute.now);
        assertThat(notReady(mute)).first().isEqualTo("ANSWERING Desk: No program is listening on its port");
        mute.live.socket(Shows.DESK, SocketState.taken("Port 9201 is taken"), mute.now);
        assertThat(notReady(mute)).contains("ANSWERING Desk: Port 9201 is taken");

        Hall held = Halls.known(LEVEL).move("1", 0.5).order(new Command.SetGate(Optional.empty(), Gate.HELD));
        assertThat(notReady(held)).containsExactly("OPEN Desk: Held: nothing is sent by hand");

        Hall standIn = Halls.known(
                DESK.simulatedAt(new StandInEnd("127.0.0.1", Hall.DESK_PORT, true)), LinkSheet.unknown(), LEVEL);
        assertThat(notReady(standIn)).contains("AT_VENUE Desk: Switched to its stand-in");

        Hall started = Halls.known(DESK.startingWith(List.of("/in/1/level 0.5")), LinkSheet.unknown(), LEVEL)
                .move("1", 0.5);
        assertThat(notReady(started)).containsExactly("STARTED Desk: Its start list was not sent since it came");
        assertThat(notReady(started.order(new Command.SendStartList(Shows.DESK)).pass(1_000)))
                .isEmpty();

        Hall wrong = Halls.known(Phrase.plain(
                        "/in/<ch:2..4>/level", LEVEL.direction(), LEVEL.arguments(), LEVEL.answer(), "", ""))
                .move("2", 0.5);
        assertThat(notReady(wrong))
                .hasSize(2)
                .allMatch(line -> line.startsWith("FINDINGS Level 1: Desk’s phrasebook has no /in/1/level"));

        Hall system = Halls.known(DESK.answeringTo(80), LinkSheet.unknown(), LEVEL);
        assertThat(check(system).get(Question.FINDINGS.ordinal()).looked())
                .as("worth a look, and no reason to stay closed")
                .isEqualTo(1);
        assertThat(notReady(system)).noneMatch(line -> line.startsWith("FINDINGS"));
    }

    @Test
    void theSoundOfATrackIsHereAndADevicePlaysIt() {
        Sound sound = new Sound("0".repeat(64), "tide.wav");
        PartId track = new PartId("track");
        PartId timed = new PartId("timed");
        Track tide = Track.silent("Tide", 60).sounding(sound, 60);
        Show show = Shows.accepted(
                Halls.known(LEVEL).show,
                Shows.ADA,
                Shows.put(track, null, tide),
                Shows.put(timed, null, tide.timed(TimeFrom.OWN.from(TimeFrom.Source.DAY))),
                Shows.put(new PartId("silent"), null, Track.silent("Silent", 60)));
        Hall hall = new Hall(show);
        assertThat(sounding(hall, true).looked()).as("one is silent").isEqualTo(2);
        assertThat(sounding(hall, true).items())
                .as("the other one may be heard where its time comes from")
                .singleElement()
                .satisfies(item -> {
                    assertThat(item.about()).isEqualTo(track);
                    assertThat(ReadyWords.says(Question.SOUNDING, item)).startsWith("No device plays its sound");
                });
        assertThat(sounding(hall, false).items()).hasSize(2).allSatisfy(item -> assertThat(
                        ReadyWords.says(Question.SOUNDING, item))
                .isEqualTo("Its sound “tide.wav” is not on this server: load it again under Edit"));
        assertThat(hall.live.carryOut(
                        new Command.StepTrack(track, Command.StepTrack.Deed.SPEAK, Optional.empty(), Optional.empty()),
                        Actor.of(Shows.ADA),
                        hall.now))
                .isEmpty();
        assertThat(sounding(hall, true).isReady()).isTrue();
    }

    private static Answer sounding(Hall hall, boolean isHere) {
        ReadyCheck.Now now =
                new ReadyCheck.Now(hall.live.links(), hall.live.values(), hall.live.tracks(), sound -> isHere);
        return ReadyCheck.of(hall.show, now, List.of(), List.of(), Map.of()).get(Question.SOUNDING.ordinal());
    }

    @Test
    void everyQuestionHasATitle() {
        assertThat(Arrays.stream(Question.values()).map(ReadyWords::title))
                .doesNotHaveDuplicates()
                .allMatch(title -> !title.endsWith("."));
    }
}
