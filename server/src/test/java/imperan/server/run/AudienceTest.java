package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class AudienceTest {

    private static final class Browser implements Feed {
        private final List<String> told = new ArrayList<>();
        private boolean open = true;

        @Override
        public boolean isOpen() {
            return open;
        }

        @Override
        public void welcome(Snapshot snapshot) {
            told.add("welcome");
        }

        @Override
        public void offer(Batch batch) {
            told.add("batch");
        }

        @Override
        public void presences(List<Presence> presences) {
            told.add(presences.size() + " present");
        }

        @Override
        public void findings(long number) {
            told.add("findings " + number);
        }

        @Override
        public void refuse(String why) {
            told.add(why);
        }
    }

    private final Audience audience = new Audience();

    /** It left between asking for the show and getting it: nobody would ever take it off the list. */
    @Test
    void whoHasLeftAlreadyDoesNotJoin() {
        Browser gone = new Browser();
        gone.open = false;
        assertThat(audience.join(gone, "show")).isFalse();
        assertThat(audience.size()).isZero();
    }

    @Test
    void thereIsRoomForSoManyAndTheNextIsToldWhy() {
        for (int i = 0; i < Audience.MOST; i++) {
            assertThat(audience.join(new Browser(), "show")).isTrue();
        }
        Browser late = new Browser();
        assertThat(audience.join(late, "show")).isFalse();
        assertThat(late.told).containsExactly("There are 500 browsers here already; close some of them");
        audience.leave(audience.of("show").get(0));
        assertThat(audience.join(late, "show")).isTrue();
    }
}
