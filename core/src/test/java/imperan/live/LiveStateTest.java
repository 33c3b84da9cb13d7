package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.PartId;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Where what happens is told. */
class LiveStateTest {

    @Test
    void allWhoTakeNoteAreTold() {
        LiveState state = new LiveState(new QuietSink() {});
        List<LiveEvent> one = new ArrayList<>();
        List<LiveEvent> other = new ArrayList<>();
        state.marks(one::add);
        state.marks(other::add);
        LiveEvent event = new LiveEvent.CuesChanged(1, Cause.NONE, new PartId("list"));
        state.happened(event);
        assertThat(one).containsExactly(event);
        assertThat(other).containsExactly(event);
    }
}
