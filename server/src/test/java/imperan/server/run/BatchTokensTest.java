package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.Deque;
import org.junit.jupiter.api.Test;

class BatchTokensTest {

    private static final long MS = 1_000_000L;

    private final BatchTokens tokens = new BatchTokens();

    @Test
    void afterACalmWhileAFewLeaveAtOnce() {
        for (int i = 0; i < BatchTokens.MOST; i++) {
            assertThat(tokens.take(1_000 * MS)).isTrue();
        }
        assertThat(tokens.take(1_000 * MS)).isFalse();
        assertThat(tokens.nextAt()).isBetween(1_000 * MS + 1, 1_000 * MS + 20 * MS);
        assertThat(tokens.take(tokens.nextAt())).isTrue();
    }

    /** However much changes: never more than 60 in any second, and not fewer than 50 where more is asked for. */
    @Test
    void inNoSecondLeaveMoreThanSixty() {
        Deque<Long> lastSecond = new ArrayDeque<>();
        long taken = 0;
        for (long now = 0; now < 10_000 * MS; now += MS / 2) {
            if (tokens.take(now)) {
                taken++;
                lastSecond.addLast(now);
            }
            while (!lastSecond.isEmpty() && lastSecond.peekFirst() <= now - 1_000 * MS) {
                lastSecond.removeFirst();
            }
            assertThat(lastSecond.size()).isLessThanOrEqualTo(60);
        }
        assertThat(taken).isGreaterThan(500);
    }
}
