package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.proof.report.Restored;
import imperan.show.Phrase;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What stands at one address: whose it is, and whether it is back. */
class PlaceTest {

    private Place place;

    @BeforeEach
    void aLevelThatStandsAtThreeTenths() {
        place = new Place(hall(STAND_IN, List.of(level("/a")), fader("/a"))
                .plan(THRICE)
                .lines()
                .get(0));
        place.tells(List.of(f(0.3)));
    }

    private boolean hears(double value, boolean awaited) {
        return place.hears(List.of(f(value)), awaited);
    }

    // ---- whose it is

    @Test
    void whatWasReadOrSaidIsOurs() {
        place.says(List.of(f(1)));
        assertThat(hears(0.3, false)).isFalse();
        assertThat(hears(1, false)).isFalse();
        assertThat(hears(0.301, false)).as("within the tolerance").isFalse();
        assertThat(hears(0.6, false)).isTrue();
    }

    @Test
    void beforeAnythingIsKnownNothingIsAnybodyElses() {
        place.forget();
        Place unread = new Place(hall(STAND_IN, List.of(level("/a")), fader("/a"))
                .plan(THRICE)
                .lines()
                .get(0));
        assertThat(unread.hears(List.of(f(0.9)), false)).isFalse();
    }

    @Test
    void whatItPassesOnItsWayIsNobodysHand() {
        place.says(List.of(f(0.8)));
        assertThat(hears(0.5, true)).isFalse();
        assertThat(place.answered(true)).isFalse();
        assertThat(hears(0.5, false)).as("told once more, late").isFalse();
    }

    @Test
    void besideARightAnswerWhatLiesElsewhereIsSomebodyElses() {
        place.says(List.of(f(0.8)));
        for (double elsewhere : new double[] {0.1, 0.95}) {
            assertThat(hears(elsewhere, true)).isFalse();
            assertThat(place.answered(true)).as("%s", elsewhere).isTrue();
        }
        assertThat(place.answered(true)).as("it is told once").isFalse();
    }

    @Test
    void withoutARightAnswerItIsAWrongOne() {
        place.says(List.of(f(0.8)));
        assertThat(hears(0.1, true)).isFalse();
        assertThat(place.answered(false)).isFalse();
        assertThat(hears(0.1, false)).as("the same wrong answer again").isFalse();
        assertThat(hears(0.2, false)).isTrue();
    }

    @Test
    void aTextIsNeverOnTheWay() {
        place.says(List.of(f(0.8)));
        assertThat(place.hears(List.of(new OscArgument.Text("moving")), true)).isFalse();
        assertThat(place.answered(true)).as("nothing that this line could say").isFalse();
    }

    // ---- what is back

    @Test
    void whatWasNotMovedIsNotPutBack() {
        assertThat(place.back()).isEmpty();
        place.stays();
        assertThat(place.restored()).isEqualTo(Restored.NOT_MOVED);
    }

    @Test
    void itIsPutBackUntilItIsConfirmedOrWasSentOftenEnough() {
        place.says(List.of(f(1)));
        assertThat(place.back().orElseThrow().arguments()).containsExactly(f(0.3));
        place.wentBack(false, 3);
        assertThat(place.back()).isPresent();
        place.wentBack(true, 3);
        assertThat(place.restored()).isEqualTo(Restored.YES);
        assertThat(place.back()).isEmpty();
    }

    @Test
    void threeTimesUnconfirmedIsEnough() {
        place.says(List.of(f(1)));
        place.wentBack(false, 3);
        place.wentBack(false, 3);
        assertThat(place.restored()).isEqualTo(Restored.NOT_MOVED);
        place.wentBack(false, 3);
        assertThat(place.restored()).isEqualTo(Restored.UNCONFIRMED);
        assertThat(place.back()).isEmpty();
        assertThat(place.byHand().orElseThrow().arguments()).containsExactly(f(0.3));
    }

    @Test
    void ofWhatNobodyKnowsNothingIsPutBack() {
        place.forget();
        place.says(List.of(f(1)));
        assertThat(place.back()).isEmpty();
        assertThat(place.restored()).isEqualTo(Restored.UNKNOWN);
    }

    @Test
    void whatHappensEachTimeLeavesNothingToPutBack() {
        Place event = new Place(hall(STAND_IN, List.of(level("/a").doing(Phrase.Effect.EVENT)), fader("/a"))
                .plan(THRICE)
                .lines()
                .get(0));
        event.says(List.of(f(1)));
        assertThat(event.back()).isEmpty();
        assertThat(event.restored()).isEqualTo(Restored.NOT_MOVED);
    }

    @Test
    void whatIsToldAsAWholeNumberGoesBackInTheTypeOfTheLine() {
        place.tells(List.of(new OscArgument.Int32(1)));
        assertThat(place.old().orElseThrow()).containsExactly(f(1));
        place.tells(List.of(new OscArgument.Text("loud")));
        assertThat(place.old()).isEmpty();
        place.tells(List.of());
        assertThat(place.old()).isEmpty();
    }

    @Test
    void itStaysAsItIsWhereSomebodyTookIt() {
        place.says(List.of(f(1)));
        place.stays();
        place.stays();
        assertThat(place.restored()).isEqualTo(Restored.LEFT);
        assertThat(place.back()).isEmpty();
    }
}
