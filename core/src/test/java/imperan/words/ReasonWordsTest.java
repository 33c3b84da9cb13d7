package imperan.words;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.cue.Refusal;
import imperan.live.Gate;
import imperan.live.PlayRefusal;
import imperan.live.Reason;
import imperan.live.Trace;
import imperan.shaping.AtMostEvery;
import imperan.shaping.Edge;
import imperan.shaping.Flip;
import imperan.shaping.Table;
import imperan.shaping.Toggle;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;

/** Every reason has words and a mend. */
class ReasonWordsTest {

    /** One of each, with its evidence. */
    static final List<Reason> EACH = List.of(
            new Reason.HeldByAnother("Ben"),
            new Reason.ForwardLoop("Waves"),
            new Reason.NoSuchArgument(1),
            new Reason.NotANumber("Low water"),
            new Reason.LineHeldByHand(),
            new Reason.MovedByAnother("Ben", "Level 2"),
            new Reason.Disabled("/deck/state", "ready"),
            new Reason.FirstOfTwoTouches(3_000_000_000L),
            new Reason.NotHeldYet(),
            new Reason.NoSend(),
            new Reason.KeptByStep(Optional.empty()),
            new Reason.KeptByStep(Optional.of(new Edge(Edge.Way.RISING))),
            new Reason.KeptByStep(Optional.of(new Edge(Edge.Way.FALLING))),
            new Reason.KeptByStep(Optional.of(new Edge(Edge.Way.BOTH))),
            new Reason.KeptByStep(Optional.of(new Toggle())),
            new Reason.KeptByStep(Optional.of(new AtMostEvery(100))),
            new Reason.KeptByStep(Optional.of(new Table(List.of(), Optional.empty()))),
            new Reason.KeptByStep(Optional.of(new Flip())),
            new Reason.NoTarget(),
            new Reason.TargetGone(),
            new Reason.NotTyped("“fifty” is not a number"),
            new Reason.NothingToLookUp(0),
            new Reason.NoRoom(),
            new Reason.NothingChosen("look"),
            new Reason.ControlGone(),
            new Reason.NotAllowed(),
            new Reason.StartUnknown(),
            new Reason.TakenByAnother(),
            new Reason.PlayRefused(PlayRefusal.ANOTHER_CLOCK),
            new Reason.PlayRefused(PlayRefusal.NO_SECTION),
            new Reason.PlayRefused(PlayRefusal.MARK_GONE),
            new Reason.PlayRefused(PlayRefusal.NOTHING_READY),
            new Reason.PlayRefused(PlayRefusal.AT_END),
            new Reason.PlayRefused(PlayRefusal.AT_START),
            new Reason.PlayRefused(PlayRefusal.SONG_GONE),
            new Reason.ListRefused(Refusal.MOVED_SINCE),
            new Reason.ListRefused(Refusal.TOO_SOON),
            new Reason.ListRefused(Refusal.AT_END),
            new Reason.ListRefused(Refusal.AT_START),
            new Reason.ListRefused(Refusal.PAUSED),
            new Reason.ListRefused(Refusal.NOTHING_RUNS),
            new Reason.NotSaidYet("Sluice", "/sluice/piece", true),
            new Reason.LookedUpUnfit(1, "“calm” is not a number"),
            new Reason.SocketBroken("Port 9201 is taken"),
            new Reason.Gated("Bellows", Gate.HELD),
            new Reason.Gated("Bellows", Gate.SILENT),
            new Reason.Gated("Bellows", Gate.REHEARSING),
            new Reason.EchoNotCounted("Evening walk"),
            new Reason.JustStopped("Evening walk"),
            new Reason.ListDeaf("Evening walk"),
            new Reason.SameValue(),
            new Reason.NotTaken(),
            new Reason.WaitsForItsTime(),
            new Reason.TooManyWait(),
            new Reason.Unclaimed(),
            new Reason.BareAddress("lamp/1", "Wick"),
            new Reason.ProofMovesIt(),
            new Reason.PatternsTooLong(),
            new Reason.NeverAnswers(),
            new Reason.NothingComesBack(),
            new Reason.OnlyOthersTold(),
            new Reason.WrongValue(),
            new Reason.NoNews(500_000_000L),
            new Reason.NoListen(),
            new Reason.ListensElsewhere("/in/3/level"),
            new Reason.NoAnswer(500_000_000L, Optional.empty()),
            new Reason.NoAnswer(500_000_000L, Optional.of("/in/1/volume")));

    private static Stream<Class<?>> kinds(Class<?> type) {
        return type.isInterface()
                ? Arrays.stream(type.getPermittedSubclasses()).flatMap(ReasonWordsTest::kinds)
                : Stream.of(type);
    }

    @Test
    void noReasonIsForgotten() {
        assertThat(EACH.stream().map(Object::getClass).collect(Collectors.toSet()))
                .isEqualTo(kinds(Reason.class).collect(Collectors.toSet()));
    }

    @ParameterizedTest
    @FieldSource("EACH")
    void saysWhatIsSoAndWhatToDo(Reason reason) {
        ReasonWords words = ReasonWords.of(reason);
        assertThat(List.of(words.why(), words.mend()))
                .allSatisfy(sentence ->
                        assertThat(sentence).isNotBlank().doesNotEndWith(".").matches("(?s)[\\p{Lu}“].*"));
        assertThat(words.mend()).isNotEqualTo(words.why());
        assertThat(words.brief()).isNotBlank();
        assertThat(reason.cell()).isNotNull();
    }

    /** What is known of it is said: two reasons of one kind that differ have different words. */
    @Test
    void theEvidenceIsInTheWords() {
        assertThat(EACH.stream().map(reason -> ReasonWords.of(reason).why()).distinct())
                .hasSameSizeAs(EACH);
        assertThat(ReasonWords.of(new Reason.NoAnswer(2_000_000_000L, Optional.empty()))
                        .why())
                .isEqualTo("No answer within 2000 ms");
        assertThat(ReasonWords.of(new Reason.NoAnswer(500_000_000L, Optional.of("/in/1/volume")))
                        .mend())
                .isEqualTo("Listen on /in/1/volume");
        assertThat(new Reason.NoAnswer(1, Optional.empty()).cell()).isEqualTo(Trace.Cell.ANSWER);
        assertThat(new Reason.HeldByAnother("Ada").cell()).isEqualTo(Trace.Cell.TOUCH);
        assertThat(new Reason.NoSend().cell()).isEqualTo(Trace.Cell.MESSAGE);
        assertThat(new Reason.NotTaken().cell()).isEqualTo(Trace.Cell.WIRE);
    }
}
