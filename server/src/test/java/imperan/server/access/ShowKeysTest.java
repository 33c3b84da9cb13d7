package imperan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.server.access.ShowKeys.Shown;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ShowKeysTest {

    private static final long SECOND = 1_000_000_000L;
    private final ShowKeys keys = new ShowKeys("12345678", new byte[] {1, 2, 3});

    @Test
    void theRightKeyGivesAPassThatHoldsUntilTheKeyIsChanged() {
        Shown.Right right = (Shown.Right) keys.show("192.0.2.9", "1234 56-78", 0);
        assertThat(keys.admits(right.pass())).isTrue();
        assertThat(new ShowKeys("12345678", new byte[] {1, 2, 3}).admits(right.pass()))
                .as("over a restart")
                .isTrue();
        assertThat(new ShowKeys("12345678", new byte[] {1, 2, 4}).admits(right.pass()))
                .as("elsewhere")
                .isFalse();
        keys.change("87654321");
        assertThat(keys.admits(right.pass())).isFalse();
        assertThat(keys.admits("")).isFalse();
    }

    @Test
    void whoeverGuessesWaitsTwiceAsLongEachTimeUpToHalfAMinute() {
        long now = 0;
        for (long wait : new long[] {1, 2, 4, 8, 16, 32, 32}) {
            assertThat(keys.show("192.0.2.9", "0", now)).isInstanceOf(Shown.WrongKey.class);
            assertThat(keys.show("192.0.2.9", "12345678", now + wait * SECOND - 1))
                    .as("not even looked at")
                    .isEqualTo(new Shown.Wait(1));
            now += wait * SECOND;
        }
        assertThat(keys.show("192.0.2.9", "12345678", now)).isInstanceOf(Shown.Right.class);
        assertThat(keys.show("192.0.2.9", "0", now)).isInstanceOf(Shown.WrongKey.class);
        assertThat(keys.show("192.0.2.9", "0", now + SECOND))
                .as("the slate was clean again")
                .isInstanceOf(Shown.WrongKey.class);
    }

    @Test
    void othersAreNotSlowedByOneWhoGuesses() {
        keys.show("192.0.2.9", "0", 0);
        assertThat(keys.show("192.0.2.8", "12345678", 1)).isInstanceOf(Shown.Right.class);
    }

    @Test
    void aFreshKeyHasEightDigitsAndIsAnotherEachTime() {
        Set<String> fresh = new HashSet<>();
        for (int i = 0; i < 50; i++) {
            fresh.add(ShowKeys.fresh());
        }
        assertThat(fresh).hasSizeGreaterThan(45).allSatisfy(key -> assertThat(key)
                .matches("\\d{8}"));
    }
}
