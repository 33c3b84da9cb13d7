package imperan.words;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.AnswerTally;
import imperan.live.Missed;
import imperan.live.Reason;
import imperan.osc.OscArgument;
import imperan.proof.Evidence;
import imperan.proof.Suspect;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.FieldSource;

/** Every suspect and everything that is seen has words. */
class SuspectWordsTest {

    private static final AnswerTally TALLY = new AnswerTally(9, 6, 9, 6, Optional.of(1L));
    private static final long SECOND = 1_000_000_000L;

    static final List<Evidence> EACH = List.of(
            new Evidence.WentNoFurther(new Reason.NotTaken()),
            new Evidence.Waited(1, 0),
            new Evidence.Waited(0, 0),
            new Evidence.Waited(3, 1),
            new Evidence.PortClosed(SECOND),
            new Evidence.NobodyHasAddress("192.0.2.7"),
            new Evidence.Silence(Optional.empty()),
            new Evidence.Silence(Optional.of(90 * SECOND)),
            new Evidence.SpeaksUnasked(SECOND),
            new Evidence.Answered(200 * SECOND),
            new Evidence.OthersAnswer(1, TALLY),
            new Evidence.SomeAnswered(TALLY),
            new Evidence.InBundles(TALLY, TALLY),
            new Evidence.Hurried(TALLY, TALLY),
            new Evidence.TooFast(80, 50),
            new Evidence.AfterRenewal(3),
            new Evidence.KeptAlive(Optional.empty()),
            new Evidence.KeptAlive(Optional.of(SECOND)),
            new Evidence.BookSays("Receive is on"),
            new Evidence.Checked("It sends 1 decimal; Desk takes 1 whole number"),
            new Evidence.Stands("/in/1/mute", "1", SECOND),
            new Evidence.CameAs("/elsewhere/in/1/level"),
            new Evidence.CameElsewhere(new Missed.CameFrom("192.0.2.9", 7000, 9202, Optional.empty())),
            new Evidence.CameElsewhere(new Missed.CameFrom("192.0.2.9", 7000, 9202, Optional.of("Lamp"))),
            new Evidence.Strays("192.0.2.9", 7000, 9202, 2, SECOND),
            new Evidence.Came(List.of(new OscArgument.Float32(0.5f)), List.of(new OscArgument.Int32(1))),
            new Evidence.CameLate(700_000_000L, 500_000_000L),
            new Evidence.Unreadable(SECOND),
            new Evidence.ForLater(SECOND),
            new Evidence.LostHere(12),
            new Evidence.NoProgram(3, SECOND),
            new Evidence.Switched(true),
            new Evidence.Switched(false));

    @ParameterizedTest
    @EnumSource(Suspect.class)
    void aSuspectSaysWhatIsSoWhatToDoAndWhereToLook(Suspect suspect) {
        SuspectWords words = SuspectWords.of(suspect, "Bellows");
        assertThat(List.of(words.says(), words.mend(), words.look()))
                .doesNotHaveDuplicates()
                .allSatisfy(sentence -> assertThat(sentence)
                        .isNotBlank()
                        .doesNotEndWith(".")
                        .doesNotContain("%s")
                        .matches("(?s)\\p{Lu}.*"));
    }

    @Test
    void noTwoSuspectsSayTheSame() {
        assertThat(Arrays.stream(Suspect.values())
                        .map(suspect -> SuspectWords.of(suspect, "Bellows").says()))
                .doesNotHaveDuplicates();
    }

    @Test
    void noEvidenceIsForgotten() {
        assertThat(EACH.stream().map(Object::getClass).collect(Collectors.toSet()))
                .isEqualTo(
                        Arrays.stream(Evidence.class.getPermittedSubclasses()).collect(Collectors.toSet()));
        assertThat(EACH.stream().map(EvidenceWords::of)).doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @FieldSource("EACH")
    void evidenceIsOneSentence(Evidence evidence) {
        assertThat(EvidenceWords.of(evidence)).isNotBlank().doesNotEndWith(".");
    }

    @Test
    void itsNumbersAreInIt() {
        assertThat(EvidenceWords.of(new Evidence.SomeAnswered(TALLY))).isEqualTo("6 of the last 9 were answered");
        assertThat(EvidenceWords.of(new Evidence.CameLate(700_000_000L, 500_000_000L)))
                .isEqualTo("It came after 700 ms; the limit is 500 ms");
        assertThat(EvidenceWords.of(new Evidence.Silence(Optional.of(90 * SECOND))))
                .isEqualTo("Nothing has come from it for 90 s");
        assertThat(EvidenceWords.of(new Evidence.Answered(200 * SECOND))).isEqualTo("It answered 3 min ago");
        assertThat(EvidenceWords.of(new Evidence.OthersAnswer(1, TALLY)))
                .isEqualTo("It answers on 1 other address, and here to none of 9 messages");
        assertThat(EvidenceWords.of(new Evidence.Came(
                        List.of(new OscArgument.Text("0.5")), List.of(new OscArgument.Float32(0.5f)))))
                .isEqualTo("Sent: ,f 0.5; came: ,s “0.5”");
    }
}
