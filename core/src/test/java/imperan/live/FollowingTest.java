package imperan.live;

import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.RandomEdits;
import imperan.show.Show;
import imperan.show.Shows;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

/** A running show that follows edits is the show that starts from what they lead to. */
class FollowingTest {

    private static final class Hall extends QuietSink {
        final List<String> sent = new ArrayList<>();
        final List<PartId> changed = new ArrayList<>();
        final LiveShow live = new LiveShow(this);

        @Override
        public boolean datagram(PartId target, byte[] packet) {
            sent.add(target + " " + HexFormat.of().formatHex(packet));
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            if (event instanceof LiveEvent.ValueChanged value) {
                changed.add(value.control());
            } else if (event instanceof LiveEvent.LinkChanged link) {
                changed.add(link.target());
            }
        }

        /** What each control sends when it is set to its middle. */
        List<String> played(Show show, long now) {
            live.links().forEach(link -> live.socket(link.target(), SocketState.open("127.0.0.1"), now));
            sent.clear();
            show.all(Control.class).forEach(part -> Asking.testFire(live, part.id(), 0, now));
            return List.copyOf(sent);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void followingAnyEditsLeadsWhereStartingDoes(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        Hall followed = new Hall();
        followed.live.load(edits.show(), 0);
        for (int i = 0; i < 300; i++) {
            Edit edit = edits.next();
            Show show = edits.show();
            followed.live.follow(show, edit, i);
            Hall started = new Hall();
            started.live.load(show, i);

            assertThat(Set.copyOf(followed.live.controls())).isEqualTo(Set.copyOf(started.live.controls()));
            assertThat(targets(followed)).isEqualTo(targets(started));
            assertThat(texts(followed)).isEqualTo(texts(started));
            assertThat(followed.played(show, i)).isEqualTo(started.played(show, i));
        }
    }

    private static List<PartId> targets(Hall hall) {
        return hall.live.links().stream().map(LinkView::target).sorted().toList();
    }

    /** With their units, which come from phrasebooks. */
    private static List<String> texts(Hall hall) {
        return hall.live.values().stream().sorted(Comparator.comparing(ControlValue::control)).map(value -> value.control() + " " + value.text() + value.unit()).toList();
    }

    @Test
    void anEditTellsOnlyOfWhatItChanged() {
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(new PartId("a"), PAGE, Shows.fader("A", 0, "/a")), put(new PartId("b"), PAGE, Shows.fader("B", 1, "/b")));
        Hall hall = new Hall();
        hall.live.load(show, 0);
        hall.changed.clear();
        Edit edit = ((Outcome.Accepted) Shows.apply(show, Shows.ADA, Shows.change(show, new PartId("a"), Shows.fader("Other", 0, "/a")))).edit();

        hall.live.follow(show.replay(edit), edit, 1);

        assertThat(hall.changed).containsExactly(new PartId("a"));
    }

    /** Where an edit was missed, as when the database was away, nothing of it may be missing. */
    @Test
    void afterAnEditThatWasMissedAllIsCompared() {
        RandomEdits edits = new RandomEdits(31);
        Hall hall = new Hall();
        hall.live.load(edits.show(), 0);
        Edit last = edits.next();
        for (int i = 0; i < 20; i++) {
            last = edits.next();
        }

        hall.live.follow(edits.show(), last, 1);

        assertThat(Set.copyOf(hall.live.controls())).isEqualTo(edits.show().all(Control.class).stream().filter(part -> !edits.show().inDraft(part))
                .map(Part::id).collect(Collectors.toSet()));
    }
}
