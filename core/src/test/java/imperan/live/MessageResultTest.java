package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.MessageResult.Differed.How;
import imperan.live.MessageResult.ProvesNothing.Why;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule.Says;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What became of a message, and that nothing is confirmed without what came. */
class MessageResultTest {

    private static final List<OscArgument> HALF = List.of(new OscArgument.Float32(0.5f));

    private static List<OscArgument> said(String what) {
        return switch (what) {
            case "same" -> HALF;
            case "nothing" -> List.of();
            default -> List.of(new OscArgument.Float32(0.5f), new OscArgument.Int32(1));
        };
    }

    /** The five strengths as they are told in words in docs/architecture.md: by the rule, the address and the form of what came. */
    @ParameterizedTest
    @CsvSource({
        "SAME, /a, same, RETURNED",
        "SAME, /b, same, REPORTED",
        "SAME, /a, more, REPORTED",
        "SAME, /b, more, REPORTED",
        "SAME, /a, nothing, ACKNOWLEDGED",
        "SAME, /b, nothing, ACKNOWLEDGED",
        "GIVEN, /a, same, ACKNOWLEDGED",
        "GIVEN, /b, more, REPORTED",
        "ANY, /a, same, ACKNOWLEDGED",
        "ANY, /b, more, ACKNOWLEDGED",
    })
    void evidenceIsAsStrongAsItsFormSays(Says says, String heard, String what, Strength strength) {
        assertThat(Evidence.ofAnswer(says, new OscMessage("/a", HALF), heard, said(what))
                        .strength())
                .isEqualTo(strength);
    }

    @Test
    void onlyAnAnswerThatSaysSomethingIsReadBack() {
        assertThat(Evidence.ofQuestion("/a", HALF).strength()).isEqualTo(Strength.READ_BACK);
        assertThat(Evidence.ofQuestion("/a", List.of()).strength()).isEqualTo(Strength.ACKNOWLEDGED);
    }

    /** The door is shut: outside this package nobody can say that something came. */
    @Test
    void nobodyElseMakesEvidence() {
        assertThat(Evidence.class.getConstructors()).isEmpty();
        assertThat(Arrays.stream(Evidence.class.getDeclaredMethods())
                        .filter(method -> Modifier.isStatic(method.getModifiers()))
                        .filter(method -> Modifier.isPublic(method.getModifiers())))
                .isEmpty();
        assertThat(MessageResult.Answered.class.getRecordComponents()[0].getType())
                .isEqualTo(Evidence.class);
    }

    /** What a control, a link and the watch call unanswered is one thing. */
    @Test
    void whatCameOtherwiseOrNotAtAllIsUnanswered() {
        MessageResult.Answered came = Came.back("/a", HALF, 3);
        List<MessageResult> unanswered = List.of(
                new MessageResult.NoAnswer(5, Optional.empty()),
                new MessageResult.NoAnswer(5, Optional.of("/b")),
                new MessageResult.PortClosed(),
                Came.another("/a", HALF, 3),
                new MessageResult.Differed(How.AS_BEFORE, "/a", HALF, Optional.empty(), true));
        List<MessageResult> others = List.of(
                came,
                new MessageResult.Late(came.evidence(), 9),
                new MessageResult.ProvesNothing(Why.SAID_BEFORE, came.evidence(), 3),
                new MessageResult.NoNews(5),
                new MessageResult.Overtaken(),
                new MessageResult.NotJudged(),
                new MessageResult.NotExpected(new Reason.NoListen()),
                new MessageResult.NotSent(new Reason.SameValue()),
                new MessageResult.ReleasedEarly(HALF, Optional.of(1L)));
        assertThat(unanswered).allMatch(MessageResult::isUnanswered);
        assertThat(others).noneMatch(MessageResult::isUnanswered);
        assertThat(Stream.concat(unanswered.stream(), others.stream())
                        .map(Object::getClass)
                        .distinct())
                .as("each kind of result")
                .containsExactlyInAnyOrderElementsOf(kinds());
    }

    private static List<Class<?>> kinds() {
        return Stream.concat(
                        Arrays.stream(MessageResult.class.getPermittedSubclasses()),
                        Arrays.stream(MessageResult.Agreed.class.getPermittedSubclasses()))
                .filter(kind -> kind != MessageResult.Agreed.class)
                .<Class<?>>map(kind -> kind)
                .toList();
    }
}
