package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.PartId;
import java.util.Collections;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is learned of a target by listening to it. */
class LearningTest {

    private static final PartId DESK = new PartId("desk");

    private final Learning learning = new Learning();

    @BeforeEach
    void listens() {
        learning.listen(true);
    }

    private void heard(String address, OscArgument... arguments) {
        learning.heard(DESK, OscMessage.of(address, arguments));
    }

    private static OscArgument number(double value) {
        return new OscArgument.Float32((float) value);
    }

    @Test
    void theArgumentThatVariesMostIsMeantAndTheFirstOfThoseThatVaryAlike() {
        heard("/xy", number(-1), number(5), number(0));
        heard("/xy", number(1), number(8), number(3));
        assertThat(learning.learned())
                .containsExactly(new Learning.Learned(
                        DESK, "/xy", 1, ArgumentType.FLOAT32, 2, Optional.of(5.0), Optional.of(8.0), 0));
        heard("/xy", number(-2), number(5), number(0));
        assertThat(learning.learned().get(0).argument()).as("3 beside 3").isZero();
    }

    @Test
    void whatIsNoNumberHasNoRangeAndItsTypeIsThatOfTheLastMessage() {
        heard("/name", new OscArgument.Text("Lamp"));
        heard("/empty");
        heard("/whole", number(1));
        heard("/whole", new OscArgument.Int32(4));
        heard("/nil", OscArgument.Bare.NIL);
        assertThat(learning.learned())
                .containsExactlyInAnyOrder(
                        new Learning.Learned(
                                DESK, "/whole", 0, ArgumentType.INT32, 2, Optional.of(1.0), Optional.of(4.0), 2),
                        new Learning.Learned(
                                DESK, "/name", 0, ArgumentType.TEXT, 1, Optional.empty(), Optional.empty(), 0),
                        new Learning.Learned(
                                DESK, "/empty", 0, ArgumentType.FLOAT32, 1, Optional.empty(), Optional.empty(), 1),
                        new Learning.Learned(
                                DESK, "/nil", 0, ArgumentType.FLOAT32, 1, Optional.empty(), Optional.empty(), 3));
    }

    @Test
    void theBusiestComesFirstThenWhatCameFirst() {
        heard("/a");
        heard("/b");
        heard("/c");
        heard("/b");
        assertThat(learning.learned()).extracting(Learning.Learned::address).containsExactly("/b", "/a", "/c");
    }

    @Test
    void listeningBeginsWithNothingAndEndsWithWhatWasHeard() {
        heard("/a");
        learning.listen(false);
        heard("/b");
        assertThat(learning.learned()).extracting(Learning.Learned::address).containsExactly("/a");
        learning.listen(true);
        assertThat(learning.learned()).isEmpty();
    }

    @Test
    void dataAndEndlessAddressesAreNoLines() {
        heard("/64", Collections.nCopies(64, number(0)).toArray(OscArgument[]::new));
        heard("/65", Collections.nCopies(65, number(0)).toArray(OscArgument[]::new));
        heard("/" + "a".repeat(999));
        heard("/" + "b".repeat(1_000));
        assertThat(learning.learned())
                .extracting(Learning.Learned::address)
                .containsExactly("/64", "/" + "a".repeat(999));
    }

    @Test
    void soManyAreRememberedAndThoseGoOnBeingCounted() {
        for (int i = 0; i <= Learning.MOST; i++) {
            heard("/" + i);
        }
        heard("/0");
        assertThat(learning.learned()).hasSize(Learning.MOST);
        assertThat(learning.learned().get(0))
                .extracting(Learning.Learned::address, Learning.Learned::count)
                .containsExactly("/0", 2L);
    }
}
