package imperan.proof;

import static imperan.proof.Halls.DESK;
import static imperan.proof.Halls.LEVEL;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.Phrasebook.LinkSheet;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class OtherPortsTest {

    private static Set<Integer> of(Target target, int usual) {
        LinkSheet plain = LinkSheet.unknown();
        Show show = Halls.knownShow(
                target,
                new LinkSheet(
                        Optional.of(usual),
                        plain.transport(),
                        plain.answersTo(),
                        plain.answering(),
                        plain.keepAlive(),
                        plain.messagesPerSecond(),
                        plain.takesBundles(),
                        plain.dialect(),
                        plain.partners(),
                        plain.steps(),
                        plain.startList(),
                        ""),
                LEVEL);
        return OtherPorts.of(show, (Target) show.part(Shows.DESK).orElseThrow().body());
    }

    @Test
    void neighboursItsOwnAndTheUsualOne() {
        assertThat(of(DESK, 7_000)).containsExactly(7_000, 7_101, 9_200, 9_202);
    }

    @Test
    void neverTheRightOneAndNoneThatIsNoPort() {
        assertThat(of(DESK.answeringTo(65_535), 65_535)).containsExactly(7_101, 65_534);
        assertThat(of(DESK.answeringTo(1), 7_101)).containsExactly(2, 7_101);
    }
}
