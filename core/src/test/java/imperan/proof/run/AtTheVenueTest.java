package imperan.proof.run;

import static imperan.proof.run.Lines.DESK;
import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.listening;
import static imperan.proof.run.Lines.mute;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
import imperan.proof.run.PlannedLine.Way;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.AskRule;
import imperan.show.Control;
import imperan.show.Mask;
import imperan.show.Phrase;
import imperan.show.Phrase.Effect;
import imperan.show.ProofRule;
import imperan.show.Send;
import imperan.show.Shows;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a proof says where the real thing listens: nothing before the stage is clear, and little at a time. */
class AtTheVenueTest {

    @Test
    void aVenueIsNotSpokenToBeforeSomebodySaysThatTheStageIsClear() {
        ProofHall hall = hall(DESK, List.of(level("/a")), fader("/a")).stands("/a", f(0.3));
        LineResult line = hall.prove(THRICE).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.SKIPPED);
        assertThat(line.because()).hasValue(Obstacle.NOT_CLEARED);
        assertThat(hall.heard).isEmpty();
    }

    @Test
    void atAVenueValuesStayNearThePresentOneAndComeOneByOne() {
        ProofHall hall = hall(DESK, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"))
                .stands("/1", f(0.3))
                .stands("/2", f(1));
        List<LineResult> lines = hall.prove(ProofHall.cleared(4));
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.CONFIRMED);
        assertThat(lines).extracting(LineResult::restored).containsOnly(Restored.YES);
        assertThat(hall.moved()).allSatisfy(message -> {
            double stood = message.address().equals("/1") ? 0.3 : 1;
            assertThat((double) ((OscArgument.Float32) message.arguments().get(0)).value())
                    .isBetween(stood - 0.0501, Math.min(1, stood + 0.0501));
        });
        // the first is back before the second is moved
        List<String> addresses = hall.moved().stream().map(OscMessage::address).toList();
        assertThat(addresses.lastIndexOf("/1")).isLessThan(addresses.indexOf("/2"));
    }

    @Test
    void nothingIsRaisedFromZeroAtAVenue() {
        ProofHall hall = hall(DESK, List.of(level("/a")), fader("/a")).stands("/a", f(0));
        LineResult line = hall.prove(ProofHall.cleared(3)).get(0);
        assertThat(line.because()).hasValue(Obstacle.AT_ZERO);
        assertThat(hall.moved()).isEmpty();
    }

    @Test
    void atAVenueValuesStayWhereTheirPhraseAllowsThem() {
        ProofHall hall = hall(DESK, List.of(level("/a").proved(ProofRule.USUAL.within(0.6, 0.8))), fader("/a"))
                .stands("/a", f(0.5));
        LineResult line = hall.prove(ProofHall.cleared(6)).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(hall.moved().stream()
                        .map(message -> (double)
                                ((OscArgument.Float32) message.arguments().get(0)).value())
                        .distinct()
                        .toList())
                .hasSize(4)
                .allMatch(value -> value > 0.5999 && value < 0.8001 || value == 0.5);
        assertThat(hall.stands.get("/a")).containsExactly(f(0.5));
    }

    @Test
    void atAVenueAllIsSaidOfAPhraseThatMayBeSweptButNothingIsUnmuted() {
        Phrase masked =
                level("/<n:1..2>").masked(List.of(Mask.own("/m<n:1..2>", "1"))).proved(ProofRule.USUAL.sweeping());
        ProofHall hall = hall(
                        DESK,
                        List.of(masked, mute("/m<n:1..2>").proved(ProofRule.USUAL.sweeping())),
                        fader("/1"),
                        sending("/m1", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)),
                        sending("/m2", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)))
                .stands("/1", f(0.3))
                .stands("/m1", new OscArgument.Int32(0))
                .stands("/m2", new OscArgument.Int32(1));
        List<LineResult> lines = hall.prove(ProofHall.cleared(3));
        assertThat(lines)
                .extracting(LineResult::verdict)
                .containsExactly(Verdict.CONFIRMED, Verdict.CONFIRMED, Verdict.SKIPPED);
        assertThat(lines.get(2).because()).hasValue(Obstacle.SILENCES);
        assertThat(hall.moved())
                .filteredOn(message -> message.address().equals("/1"))
                .extracting(message -> message.arguments().get(0))
                .contains(f(0), f(0.5), f(1));
        assertThat(hall.moved()).extracting(OscMessage::address).doesNotContain("/m2");
        assertThat(hall.stands)
                .containsEntry("/1", List.of(f(0.3)))
                .containsEntry("/m1", List.of(new OscArgument.Int32(0)));
    }

    /** What strikes or starts needs time, whichever of its lines it was. */
    @Test
    void whatIsSpacedIsSaidNoSoonerAndNoMoreOftenThanItsPhraseAllows() {
        ProofHall hall = hall(
                        STAND_IN,
                        List.of(level("/<n:1..2>")
                                .proved(ProofRule.USUAL.spaced(2).atMost(2))),
                        fader("/1"),
                        fader("/2"))
                .stands("/1", f(0.3))
                .stands("/2", f(0.3));
        List<LineResult> lines = hall.prove(new Conditions(12, false, Set.of()));
        assertThat(lines).extracting(LineResult::probes).containsExactly(2, 2);
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.CONFIRMED);
        assertThat(hall.moved()).as("two probes and what is put back, of each").hasSize(6);
        assertThat(hall.leastGap()).isGreaterThanOrEqualTo(2_000 * Hall.MS);
    }

    private static Control key() {
        Control key = sending("/key", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1"));
        return key.withLines(
                List.of(
                        key.sends().get(0),
                        new Send(
                                Send.Phase.RELEASE,
                                Optional.of(Shows.DESK),
                                "/key",
                                List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "0")))),
                List.of());
    }

    /** How long each press of the key lasted, in nanoseconds. */
    private static List<Long> pressed(ProofHall hall) {
        List<Long> lasted = new ArrayList<>();
        for (int i = 0; i + 1 < hall.heard.size(); i++) {
            if (hall.heard.get(i).arguments().equals(List.of(new OscArgument.Int32(1)))) {
                lasted.add(hall.heardAt.get(i + 1) - hall.heardAt.get(i));
            }
        }
        return lasted;
    }

    /** A desk that says nothing to a press: it is released by then, in time or not. */
    @ParameterizedTest
    @CsvSource({"0, 200", "0.06, 60", "0.9, 900"})
    void whatIsPressedAtAVenueIsReleasedAfterTheTimeOfItsPhrase(double held, long millis) {
        ProofRule rule = held == 0
                ? ProofRule.USUAL.sweeping()
                : ProofRule.USUAL.sweeping().pressed(held);
        ProofHall hall = hall(DESK, List.of(mute("/key").proved(rule)), key()).stands("/key", new OscArgument.Int32(0));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (message.arguments().isEmpty()) {
                says.accept("/key", List.of(new OscArgument.Int32(0)));
            }
        });
        hall.prove(ProofHall.cleared(3));
        assertThat(pressed(hall)).isNotEmpty().allSatisfy(nanos -> assertThat(nanos)
                .isBetween(millis * Hall.MS, (millis + 5) * Hall.MS));
    }

    /** What is pressed is released at once; the next press waits. */
    @Test
    void aReleaseIsNotWaitedForAndDoesNotShortenTheWait() {
        ProofHall hall = hall(STAND_IN, List.of(mute("/key").proved(ProofRule.USUAL.spaced(2))), key());
        hall.prove(THRICE);
        List<Long> presses = new ArrayList<>();
        for (int i = 0; i < hall.heard.size(); i++) {
            if (hall.heard.get(i).arguments().equals(List.of(new OscArgument.Int32(1)))) {
                presses.add(hall.heardAt.get(i));
                assertThat(hall.heardAt.get(i + 1) - hall.heardAt.get(i)).isLessThanOrEqualTo(205 * Hall.MS);
            }
        }
        assertThat(presses).hasSizeGreaterThanOrEqualTo(3);
        for (int i = 1; i < presses.size(); i++) {
            assertThat(presses.get(i) - presses.get(i - 1)).isGreaterThanOrEqualTo(2_000 * Hall.MS);
        }
    }

    @Test
    void whatComesAfterTheEndChangesNothing() {
        ProofHall hall = hall(
                STAND_IN,
                List.of(level("/a"), level("/key").going(Phrase.Direction.IN)),
                fader("/a"),
                listening("/key", 0));
        ProofRun run = hall.start(THRICE);
        hall.toTheEnd();
        hall.hall.from(Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/key", f(1)));
        assertThat(run.heard()).extracting(LineResult::verdict).containsExactly(Verdict.NOT_HEARD);
    }

    @Test
    void atAVenueNothingIsMovedThatIsNotReadJustBefore() {
        ProofHall hall = hall(DESK, List.of(level("/a")), fader("/a"));
        LineResult line = hall.prove(ProofHall.cleared(3)).get(0);
        assertThat(line.because()).hasValue(Obstacle.CANNOT_BE_READ);
        assertThat(hall.moved()).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Effect.class)
    void onlyWhatSetsAValueIsSaidByItselfAtAVenue(Effect effect) {
        ProofHall hall =
                hall(DESK, List.of(level("/a").doing(effect)), fader("/a")).stands("/a", f(0.3));
        PlannedLine line = hall.plan(ProofHall.cleared(3)).lines().get(0);
        Optional<Obstacle> because =
                switch (effect) {
                    case VALUE -> Optional.empty();
                    case EVENT -> Optional.of(Obstacle.EVENT);
                    case TOGGLE -> Optional.of(Obstacle.TOGGLE);
                    case DANGEROUS -> Optional.of(Obstacle.DANGEROUS);
                    case UNKNOWN -> Optional.of(Obstacle.EFFECT_UNKNOWN);
                };
        assertThat(line.because()).isEqualTo(because);
        assertThat(line.way()).isEqualTo(effect == Effect.VALUE ? Way.RUNS : Way.ATTENDED);
    }

    @Test
    void whatIsOnOrOffHasNoValueNearThePresentOne() {
        ProofHall hall = hall(
                DESK,
                List.of(mute("/m")),
                sending("/m", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)));
        assertThat(hall.plan(ProofHall.cleared(3)).lines().get(0).because()).hasValue(Obstacle.NO_SMALL_STEP);
    }

    @Test
    void whatIsDangerousIsNotSaidByItselfToAStandInEither() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a").doing(Effect.DANGEROUS)), fader("/a"));
        assertThat(hall.prove(THRICE).get(0).because()).hasValue(Obstacle.DANGEROUS);
        assertThat(hall.moved()).isEmpty();
    }

    // ---- one address for many numbers

    private static final ArgumentSource LEVEL = new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1);

    private static ArgumentSource number(int number) {
        return new ArgumentSource.Fixed(ArgumentType.INT32, String.valueOf(number));
    }

    private static Control channel(int number) {
        return sending("/level", Send.Phase.CHANGE, number(number), LEVEL);
    }

    private static Phrase numbered() {
        return level("/level")
                .with(List.of(
                        Phrase.PhraseArgument.plain(
                                ArgumentType.INT32,
                                Optional.of(1.0),
                                Optional.of(8.0),
                                "",
                                List.of(),
                                Optional.empty()),
                        level("/level").arguments().get(0)));
    }

    /** Keeps a level for each number; asked, it says some of them. */
    private static ProofHall numbered(List<Integer> tellsOf, Map<Integer, Double> levels) {
        ProofHall hall = hall(DESK, List.of(numbered()), channel(3), channel(5));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (message.arguments().isEmpty()) {
                tellsOf.forEach(
                        number -> says.accept("/level", List.of(new OscArgument.Int32(number), f(levels.get(number)))));
            } else {
                levels.put(((OscArgument.Int32) message.arguments().get(0)).value(), (double)
                        ((OscArgument.Float32) message.arguments().get(1)).value());
                says.accept("/level", message.arguments());
            }
        });
        return hall;
    }

    @Test
    void eachNumberOnOneAddressIsAPlaceOfItsOwnAndGetsItsOwnValueBack() {
        Map<Integer, Double> levels = new HashMap<>(Map.of(3, 0.25, 5, 0.75));
        ProofHall hall = numbered(List.of(3, 5), levels);
        List<LineResult> lines = hall.prove(ProofHall.cleared(4));
        assertThat(lines).extracting(LineResult::restored).containsOnly(Restored.YES);
        assertThat(levels).isEqualTo(Map.of(3, 0.25, 5, 0.75));
        // at most a twentieth away from its own
        assertThat(hall.moved()).allSatisfy(message -> assertThat(
                        (double) ((OscArgument.Float32) message.arguments().get(1)).value())
                .isCloseTo(message.arguments().get(0).equals(new OscArgument.Int32(3)) ? 0.25 : 0.75, within(0.0501)));
    }

    @Test
    void aNumberThatNoAnswerNamesIsNotMovedAtAVenue() {
        Map<Integer, Double> levels = new HashMap<>(Map.of(3, 0.25, 5, 0.75));
        ProofHall hall = numbered(List.of(3), levels);
        List<LineResult> lines = hall.prove(ProofHall.cleared(4));
        assertThat(lines).extracting(LineResult::because).contains(Optional.of(Obstacle.CANNOT_BE_READ));
        assertThat(hall.moved())
                .isNotEmpty()
                .allMatch(message -> message.arguments().get(0).equals(new OscArgument.Int32(3)));
        assertThat(levels).isEqualTo(Map.of(3, 0.25, 5, 0.75));
    }

    /** A number in the question: the desk answers with it, and says nothing by itself. */
    @Test
    void whereTheQuestionCarriesTheNumberEachIsReadAndPutBack() {
        Map<Integer, Double> levels = new HashMap<>(Map.of(3, 0.25, 5, 0.75));
        Phrase asked = Phrase.plain(
                        "/level",
                        Phrase.Direction.BOTH,
                        numbered().arguments(),
                        AnswerRule.usual(AnswerRule.Kind.QUERY)
                                .asking(AskRule.on("/get")
                                        .named()
                                        .answered("/is")
                                        .at(List.of(1, 0))),
                        "",
                        "")
                .doing(Phrase.Effect.VALUE);
        ProofHall hall = hall(DESK, List.of(asked), channel(3), channel(5));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            int number = ((OscArgument.Int32) message.arguments().get(0)).value();
            if (message.address().equals("/get")) {
                says.accept("/is", List.of(f(levels.get(number)), new OscArgument.Int32(number)));
            } else {
                levels.put(number, (double)
                        ((OscArgument.Float32) message.arguments().get(1)).value());
            }
        });
        List<LineResult> lines = hall.prove(ProofHall.cleared(4));
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.CONFIRMED);
        assertThat(lines).extracting(LineResult::restored).containsOnly(Restored.YES);
        assertThat(levels).isEqualTo(Map.of(3, 0.25, 5, 0.75));
    }

    /** Three parts that are alike name no place: they are the value, and are put back as one. */
    @Test
    void theThreePartsOfAColourArePutBackTogether() {
        Phrase.PhraseArgument part = Phrase.PhraseArgument.plain(
                ArgumentType.INT32, Optional.of(0.0), Optional.of(255.0), "", List.of(), Optional.empty());
        ArgumentSource.Fixed full = new ArgumentSource.Fixed(ArgumentType.INT32, "255");
        ArgumentSource.Fixed none = new ArgumentSource.Fixed(ArgumentType.INT32, "0");
        ProofHall hall = hall(
                        Lines.STAND_IN,
                        List.of(level("/colour").with(List.of(part, part, part))),
                        sending("/colour", Send.Phase.PRESS, full, none, none))
                .stands("/colour", new OscArgument.Int32(1), new OscArgument.Int32(2), new OscArgument.Int32(3));
        LineResult line = hall.prove(Lines.THRICE).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(line.restored()).isEqualTo(Restored.YES);
        assertThat(hall.stands.get("/colour"))
                .containsExactly(new OscArgument.Int32(1), new OscArgument.Int32(2), new OscArgument.Int32(3));
    }
}
