package imperan.proof.run;

import static imperan.proof.run.Lines.DESK;
import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Came;
import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.MessageResult;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.TargetState;
import imperan.proof.report.Verdict;
import imperan.proof.run.Flight.For;
import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.Send;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A target that answers nothing costs little time, fails as a whole, and is not taken for one that answers too little. */
class SilenceTest {

    private static final long SECOND = 1_000_000_000L;
    private static final Conditions TWELVE = new Conditions(12, false, Set.of());

    private static ProofHall faders(Target desk, int lines) {
        ProofHall hall = hall(
                desk,
                List.of(level("/<n:1..200>")),
                Control.plain(
                        "all",
                        fader("/a").cells(),
                        fader("/a").form(),
                        IntStream.rangeClosed(1, lines)
                                .mapToObj(i -> new Send(
                                        Send.Phase.CHANGE,
                                        Optional.of(Shows.DESK),
                                        "/" + i,
                                        List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1))))
                                .toList(),
                        List.of()));
        IntStream.rangeClosed(1, lines).forEach(i -> hall.stands("/" + i, f(0.3)));
        return hall;
    }

    private static Target quiet(Target desk) {
        return Target.plain("Desk", Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, Target.Answering.REPORTS)
                .simulatedAt(desk.standIn().orElseThrow());
    }

    private static TargetState state(ProofRun run) {
        assertThat(run.figures()).hasSize(1);
        return run.figures().get(0).state().orElseThrow();
    }

    private static void isGivenUp(ProofHall hall, ProofRun run, long from, List<LineResult> lines) {
        assertThat(hall.hall.now - from).isLessThan(15 * SECOND);
        assertThat(state(run)).isEqualTo(TargetState.SILENT);
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.NO_ANSWER, Verdict.SKIPPED);
        assertThat(lines)
                .filteredOn(line -> line.verdict() == Verdict.SKIPPED)
                .isNotEmpty()
                .extracting(LineResult::because)
                .containsOnly(Optional.of(Obstacle.TARGET_SILENT));
    }

    @Test
    void aDeadStandInIsGivenUpHoweverManyLines() {
        ProofHall hall = faders(quiet(STAND_IN), 200);
        hall.hall.does((message, bundled, says) -> hall.note(message));
        long from = hall.hall.now;
        ProofRun run = hall.start(TWELVE);
        isGivenUp(hall, run, from, hall.toTheEnd());
    }

    @Test
    void aDeadDeskThatCouldBeAskedIsGivenUpWhileItIsAsked() {
        ProofHall hall = faders(DESK, 200);
        hall.hall.does((message, bundled, says) -> hall.note(message));
        long from = hall.hall.now;
        ProofRun run = hall.start(ProofHall.cleared(12));
        List<LineResult> lines = hall.toTheEnd();
        assertThat(hall.hall.now - from).isLessThan(15 * SECOND);
        assertThat(state(run)).isEqualTo(TargetState.SILENT);
        assertThat(hall.moved()).as("nothing of it was read").isEmpty();
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.SKIPPED);
        assertThat(hall.heard.size()).isLessThan(40);
    }

    @Test
    void oneThatDiesInTheMiddleIsGivenUpAndWhatItConfirmedBeforeStands() {
        ProofHall hall = faders(STAND_IN, 200);
        int[] left = {900};
        hall.hall.does((message, bundled, says) -> {
            if (left[0]-- > 0) {
                hall.takes(message, bundled, says);
            } else {
                hall.note(message);
            }
        });
        ProofRun run = hall.start(TWELVE);
        long[] diedAt = {0};
        hall.until(() -> {
            run.isWrittenDown();
            diedAt[0] = diedAt[0] == 0 && left[0] <= 0 ? hall.hall.now : diedAt[0];
            return run.phase() == ProofRun.Phase.ENDED;
        });
        assertThat(hall.hall.now - diedAt[0]).isBetween(0L, 15 * SECOND);
        assertThat(state(run)).isEqualTo(TargetState.SILENT);
        assertThat(run.outcomes().stream().map(outcome -> outcome.result().verdict()))
                .contains(Verdict.CONFIRMED, Verdict.SKIPPED);
    }

    /** A false alarm: the first nine phrases are wrong, and the desk is there. */
    private static void isThere(int lines, Predicate<OscMessage> knows) {
        ProofHall hall = faders(STAND_IN, lines);
        hall.hall.does((message, bundled, says) -> {
            if (message.address().length() >= 3 || knows.test(message)) {
                hall.takes(message, bundled, says);
            } else {
                hall.note(message);
            }
        });
        ProofRun run = hall.start(TWELVE);
        List<LineResult> results = hall.toTheEnd();
        assertThat(state(run)).isEqualTo(TargetState.ANSWERED);
        assertThat(results.stream().filter(line -> line.verdict() == Verdict.NO_ANSWER))
                .hasSize(9);
        assertThat(results.stream().filter(line -> line.verdict() == Verdict.CONFIRMED))
                .hasSize(lines - 9);
    }

    @Test
    void whatAnswersOtherThingsIsNotSilent() {
        isThere(60, message -> false);
    }

    /** It never speaks by itself, and its first lines take longer than the patience with a silent one. */
    @Test
    void whatCanBeAskedIsAskedOnceMoreBeforeItIsGivenUp() {
        isThere(120, message -> message.arguments().isEmpty());
    }

    @Test
    void whatOnlyTakesIsNeverSilent() {
        Target takes = Target.plain("Desk", Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, Target.Answering.NONE)
                .simulatedAt(STAND_IN.standIn().orElseThrow());
        ProofHall hall = faders(takes, 20);
        ProofRun run = hall.start(TWELVE);
        List<LineResult> lines = hall.toTheEnd();
        assertThat(state(run)).isEqualTo(TargetState.SENT_ONLY);
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.ONE_WAY);
    }

    @Test
    void whatNothingWasSentToIsNotTried() {
        ProofHall hall = faders(DESK, 5);
        ProofRun run = hall.start(TWELVE);
        hall.toTheEnd();
        assertThat(state(run)).isEqualTo(TargetState.NOT_TRIED);
        assertThat(hall.heard).extracting(OscMessage::address).isEmpty();
    }

    // ---- counted by itself

    private static final MessageResult NONE = new MessageResult.NoAnswer(1, Optional.empty());
    private static final MessageResult TOLD = Came.asked("/7", List.of(f(0)), 1);
    private static final MessageResult CLOSED = new MessageResult.PortClosed();

    private static Line line(int address) {
        return new Line(Optional.empty(), 0, Optional.of(Shows.DESK), "Desk", "/" + address, List.of(f(0)));
    }

    private static Line question(int address) {
        return line(address).saying(List.of());
    }

    private static Silence after(int unanswered, long everyNanos) {
        Silence silence = new Silence(true, false);
        for (int i = 0; i < unanswered; i++) {
            silence.landed(Saying.of(line(i)), For.PROBE, NONE, i * everyNanos);
        }
        return silence;
    }

    @Test
    void tenWithoutAnAnswerAreEnoughOrThreeThatTookLong() {
        assertThat(after(9, 1).isGivenUp()).isFalse();
        assertThat(after(10, 1).isGivenUp()).isTrue();
        assertThat(after(2, 20 * SECOND).isGivenUp()).isFalse();
        assertThat(after(3, 4 * SECOND).isGivenUp()).isTrue();
        assertThat(after(3, 4 * SECOND - 1).isGivenUp()).isFalse();
    }

    @Test
    void oneAddressThatIsNeverAnsweredIsOneAddress() {
        Silence silence = new Silence(true, false);
        IntStream.range(0, 30).forEach(i -> silence.landed(Saying.of(line(1)), For.PROBE, NONE, i));
        assertThat(silence.isGivenUp()).isFalse();
    }

    @Test
    void whatIsHeardBeginsAnew() {
        Silence silence = after(9, 1);
        silence.isHeard();
        IntStream.range(0, 9)
                .forEach(i -> silence.landed(Saying.of(line(i)), For.PROBE, NONE, (100 + 20 * i) * SECOND));
        silence.landed(Saying.of(line(9)), For.PROBE, TOLD, 400 * SECOND);
        assertThat(silence.isGivenUp())
                .as("it was there, and nothing is known that it answers")
                .isFalse();
        assertThat(silence.state(Optional.of(LinkState.ANSWERING))).isEqualTo(TargetState.ANSWERED);
        silence.landed(Saying.of(line(9)), For.PROBE, NONE, 400 * SECOND);
        assertThat(silence.isGivenUp()).isTrue();
    }

    @Test
    void whatItAnsweredBeforeIsAskedOnceAndDecides() {
        Silence silence = new Silence(true, false);
        silence.landed(Saying.of(question(7)), For.READING, TOLD, 0);
        silence.isHeard();
        IntStream.range(0, 3).forEach(i -> silence.landed(Saying.of(line(1)), For.PROBE, NONE, 4 * i * SECOND));
        assertThat(silence.isGivenUp()).isFalse();
        assertThat(silence.question()).hasValue(Saying.of(question(7)));
        silence.asks();
        assertThat(silence.question()).isEmpty();
        silence.landed(Saying.of(question(7)), For.READING, NONE, 13 * SECOND);
        assertThat(silence.isGivenUp()).isTrue();
    }

    @Test
    void whoAnswersItIsThere() {
        Silence silence = new Silence(true, false);
        silence.landed(Saying.of(question(7)), For.READING, TOLD, 0);
        IntStream.range(0, 10).forEach(i -> silence.landed(Saying.of(line(i)), For.PROBE, NONE, i));
        assertThat(silence.question()).isPresent();
        silence.asks();
        silence.isHeard();
        assertThat(silence.question()).isEmpty();
        IntStream.range(0, 10).forEach(i -> silence.landed(Saying.of(line(i)), For.PROBE, NONE, i));
        assertThat(silence.question()).as("and is asked again").isPresent();
        assertThat(silence.isGivenUp()).isFalse();
    }

    @Test
    void aClosedPortIsEnoughAtOnceAndWhoIsHeardAgainHasItOpen() {
        Silence silence = new Silence(true, false);
        silence.landed(Saying.of(line(1)), For.PROBE, CLOSED, 0);
        assertThat(silence.isGivenUp()).isTrue();
        assertThat(silence.state(Optional.empty())).isEqualTo(TargetState.PORT_CLOSED);
        silence.isHeard();
        assertThat(silence.state(Optional.empty())).isEqualTo(TargetState.SILENT);
    }

    @Test
    void atAStandInSomeLineTellsOfTheClosedPort() {
        Silence silence = new Silence(true, true);
        silence.landed(Saying.of(question(1)), For.READING, CLOSED, 0);
        assertThat(silence.isClosed()).isTrue();
        assertThat(silence.isGivenUp()).isFalse();
        silence.landed(Saying.of(line(1)), For.PROBE, CLOSED, 0);
        assertThat(silence.isGivenUp()).isTrue();
    }

    @Test
    void howItStandsInTheEnd() {
        List<TargetState> states = new ArrayList<>();
        Silence fresh = new Silence(true, false);
        for (LinkState link : LinkState.values()) {
            states.add(fresh.state(Optional.of(link)));
        }
        assertThat(states)
                .as("%s", List.of(LinkState.values()))
                .containsExactly(
                        TargetState.NOT_TRIED,
                        TargetState.NOT_TRIED,
                        TargetState.NOT_TRIED,
                        TargetState.SILENT,
                        TargetState.PORT_CLOSED,
                        TargetState.NOT_TRIED);
        assertThat(after(3, 1).state(Optional.empty())).isEqualTo(TargetState.SILENT);
        assertThat(after(2, 1).state(Optional.empty())).isEqualTo(TargetState.NOT_TRIED);
        assertThat(new Silence(false, false).state(Optional.of(LinkState.LOST))).isEqualTo(TargetState.SENT_ONLY);
    }
}
