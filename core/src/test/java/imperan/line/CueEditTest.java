package imperan.line;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Look;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.cue.CueAction;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Numbers of cues, and messages that count on. */
class CueEditTest {

    private static final PartId LIST = new PartId("list");
    private Show show;
    private int made;

    @BeforeEach
    void list() {
        show = Shows.accepted(Shows.withPage(), ADA, put(LIST, null, CueList.plain("Walk")));
    }

    private PartId insert(Optional<PartId> after) {
        PartId id = new PartId("made-" + ++made);
        done(CueEdit.insert(show, LIST, after, id, ADA));
        return id;
    }

    private void done(Outcome outcome) {
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
        show = ((Outcome.Accepted) outcome).show();
    }

    private List<String> numbers() {
        return CueList.cues(show, LIST).stream()
                .map(part -> ((Cue) part.body()).number())
                .toList();
    }

    private Cue cue(PartId id) {
        return (Cue) show.part(id).orElseThrow().body();
    }

    @Test
    void theFirstIsZeroAndTheNextOnesCountOnOrStandBetween() {
        insert(Optional.empty());
        PartId one = insert(Optional.empty());
        insert(Optional.empty());
        assertThat(numbers()).containsExactly("0", "1", "2");
        insert(Optional.of(one));
        insert(Optional.of(one));
        assertThat(numbers()).containsExactly("0", "1", "1.2", "1.5", "2");
        for (int i = 0; i < 20; i++) {
            Outcome outcome = CueEdit.insert(show, LIST, Optional.of(one), new PartId("more-" + i), ADA);
            if (outcome instanceof Outcome.Refused refused) {
                assertThat(refused.problems())
                        .extracting(Problem::message)
                        .singleElement()
                        .asString()
                        .contains("renumber the list first");
                break;
            }
            done(outcome);
            assertThat(numbers()).doesNotHaveDuplicates();
        }
        assertThat(CueEdit.insert(show, LIST, Optional.of(one), new PartId("last"), ADA))
                .as("a thousandth is the least")
                .isInstanceOf(Outcome.Refused.class);
        done(CueEdit.renumber(show, LIST, BigDecimal.ZERO, BigDecimal.ONE, ADA));
        assertThat(numbers()).startsWith("0", "1", "2", "3").doesNotHaveDuplicates();
    }

    @Test
    void aNumberThatIsTakenIsRefusedWithTheNextFreeOne() {
        insert(Optional.empty());
        PartId one = insert(Optional.empty());
        assertThat(Shows.refused(show, ADA, Shows.change(show, one, cue(one).numbered("0.0"))))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.message()).contains("has the number 0.0 already");
                    assertThat(problem.mend()).hasValue("1");
                });
        assertThat(Shows.refused(show, ADA, Shows.change(show, one, cue(one).numbered("1,5"))))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("12.5"));
    }

    @Test
    void aCopyCountsOnInItsNumberItsNameAndItsMessages() {
        PartId zero = insert(Optional.empty());
        ArgumentSource three = new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, "3");
        done(Shows.apply(
                show,
                ADA,
                Shows.change(
                        show,
                        zero,
                        Cue.plain(
                                "0",
                                "Look 3",
                                new CueAction.SayLine(0, Optional.of(DESK), "/look/3/go", List.of()),
                                new CueAction.SayLine(1, Optional.of(DESK), "/scene", List.of(three)),
                                new CueAction.SayLine(1, Optional.of(DESK), "/ch/4/level", List.of(three))))));
        PartId copy = new PartId("copy");
        done(CueEdit.copy(show, zero, copy, ADA));
        assertThat(cue(copy).number()).isEqualTo("1");
        assertThat(cue(copy).name()).isEqualTo("Look 4");
        assertThat(cue(copy).actions())
                .extracting(action -> ((CueAction.SayLine) action).address())
                .containsExactly("/look/4/go", "/scene", "/ch/5/level");
        assertThat(cue(copy).actions())
                .extracting(action -> ((CueAction.SayLine) action)
                        .arguments().stream()
                                .map(source -> ((ArgumentSource.Fixed) source).text())
                                .toList())
                .containsExactly(List.of(), List.of("4"), List.of("3"));
        done(CueEdit.copy(show, copy, new PartId("again"), ADA));
        assertThat(numbers()).containsExactly("0", "1", "2");
        assertThat(CueEdit.copy(show, new PartId("nobody"), new PartId("x"), ADA))
                .isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void renumberingKeepsOrderAndIdentity() {
        PartId zero = insert(Optional.empty());
        PartId two = insert(Optional.empty());
        PartId between = insert(Optional.of(zero));
        done(CueEdit.renumber(show, LIST, BigDecimal.TEN, new BigDecimal("0.5"), ADA));
        assertThat(List.of(cue(zero).number(), cue(between).number(), cue(two).number()))
                .containsExactly("10", "10.5", "11");
        assertThat(CueEdit.renumber(show, LIST, BigDecimal.TEN, BigDecimal.ZERO, ADA))
                .isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void aLookHoldsWhatStandsOnTheChosenPagesAndKinds() {
        PartId level = new PartId("level");
        PartId mute = new PartId("mute");
        show = Shows.accepted(
                show,
                ADA,
                put(level, PAGE, fader("Level", 0, "/level")),
                put(mute, PAGE, Shows.button("Mute", 1, true, "/mute")));
        assertThat(LookEdit.recordable(show, Set.of(), Set.of())).containsExactlyInAnyOrder(level, mute);
        assertThat(LookEdit.recordable(show, Set.of(PAGE), Set.of("fader"))).containsExactly(level);
        assertThat(LookEdit.recordable(show, Set.of(new PartId("elsewhere")), Set.of()))
                .isEmpty();
        PartId look = new PartId("look");
        done(LookEdit.record(show, look, "Dusk", Map.of(level, List.of(0.4)), ADA));
        done(LookEdit.record(show, look, "Dusk", Map.of(level, List.of(0.7), mute, List.of(1.0)), ADA));
        assertThat(((Look) show.part(look).orElseThrow().body()).stands()).hasSize(2);
        assertThat(LookEdit.record(show, look, "Dusk", Map.of(), ADA)).isInstanceOf(Outcome.Refused.class);
    }
}
