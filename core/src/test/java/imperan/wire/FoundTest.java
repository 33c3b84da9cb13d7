package imperan.wire;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Cause;
import imperan.live.Gate;
import imperan.live.Reason;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.TimeTag;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a list of packets shows of those that are kept. */
class FoundTest {

    private final WireScene scene = new WireScene();

    private static Search search(String text) {
        return ((Search.Read.For) Search.of(text)).search();
    }

    private static OscMessage level(String address, float value) {
        return OscMessage.of(address, new OscArgument.Float32(value));
    }

    private List<String> addresses(WireFilter filter) {
        return found(filter, 0, Optional.empty(), 100).packets().stream()
                .map(record -> record.messages().stream()
                        .findFirst()
                        .map(OscMessage::address)
                        .orElse("?"))
                .toList();
    }

    private Found found(WireFilter filter, long since, Optional<Long> before, int most) {
        return Found.in(scene.log.packets(), scene.log.changes(), filter, since, before, most, scene.now);
    }

    private static WireFilter looking(String text) {
        return new WireFilter("", Optional.empty(), search(text), "", WireFilter.Only.ALL, Set.of(), true);
    }

    private void evening() {
        scene.out(level("/desk/in/1/level", 0.5f));
        scene.in(level("/desk/in/1/level", 0.5f));
        scene.in(OscMessage.of("/desk/in/2/name", new OscArgument.Text("Voice of the Miller")));
        scene.in(new OscBundle(
                TimeTag.IMMEDIATELY,
                List.of(
                        OscMessage.of("/sheet/1/reel", new OscArgument.Int32(3)),
                        OscMessage.of("/sheet/2/on", OscArgument.Bare.TRUE))));
        scene.in(Optional.empty(), "192.0.2.77:5000", new byte[] {1, 2, 3}, Optional.of(new Reason.Unclaimed()));
        scene.out(Cause.Origin.HAND, level("/held", 1), Optional.of(new Reason.Gated("Desk", Gate.HELD)));
    }

    /** Patterns as OSC 1.0, "OSC Message Dispatching and Pattern Matching", has them; the whole address has to match. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/desk/in/*/level | /desk/in/1/level, /desk/in/1/level",
                "/desk/in/[!1]/* | /desk/in/2/name",
                "/*/*/{1,2}/level | /desk/in/1/level, /desk/in/1/level",
                "/desk/in/? | ''",
                "//on | /sheet/1/reel",
                "MILLER | /desk/in/2/name",
                "in/1 | /desk/in/1/level, /desk/in/1/level",
                "192.0.2.77 | ?",
                "multiple of 4 | ?",
            })
    void whatIsLookedForIsFound(String text, String found) {
        evening();
        assertThat(String.join(", ", addresses(looking(text)))).isEqualTo(found);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"/a[b | '[' is never closed", "/a{b,c | '{' is never closed"})
    void aBrokenPatternIsRefusedInWords(String text, String why) {
        assertThat(Search.of(text)).isInstanceOfSatisfying(Search.Read.Faulty.class, faulty -> assertThat(
                        faulty.problem().message())
                .contains(why));
    }

    @Test
    void targetDirectionTypeAndWhatWentWrongNarrowItDown() {
        evening();
        assertThat(addresses(new WireFilter(
                        "desk", Optional.of(false), Search.ALL, "", WireFilter.Only.ALL, Set.of(), true)))
                .containsExactly("/desk/in/1/level", "/desk/in/2/name", "/sheet/1/reel");
        assertThat(addresses(new WireFilter(
                        WireFilter.STRANGERS, Optional.empty(), Search.ALL, "", WireFilter.Only.ALL, Set.of(), true)))
                .containsExactly("?");
        assertThat(addresses(new WireFilter(
                        "192.0.2.77:5000", Optional.empty(), Search.ALL, "", WireFilter.Only.ALL, Set.of(), true)))
                .containsExactly("?");
        assertThat(addresses(
                        new WireFilter("", Optional.empty(), Search.ALL, "TF", WireFilter.Only.ALL, Set.of(), true)))
                .containsExactly("/sheet/1/reel");
        assertThat(addresses(
                        new WireFilter("", Optional.empty(), Search.ALL, "", WireFilter.Only.PROBLEMS, Set.of(), true)))
                .as("what is held on purpose is no problem")
                .containsExactly("?");
    }

    @Test
    void whatIsMutedIsLeftOut() {
        evening();
        assertThat(addresses(muted(new WireFilter.Mute("desk", "/desk/in/1/level"))))
                .containsExactly("/desk/in/2/name", "/sheet/1/reel", "?", "/held");
        assertThat(addresses(muted(new WireFilter.Mute("desk", "")))).containsExactly("?");
        assertThat(addresses(muted(new WireFilter.Mute("other", "/held")))).hasSize(6);
    }

    private static WireFilter muted(WireFilter.Mute mute) {
        return new WireFilter("", Optional.empty(), Search.ALL, "", WireFilter.Only.ALL, Set.of(mute), true);
    }

    @Test
    void whoAsksAgainIsToldWhatIsNew() {
        IntStream.rangeClosed(1, 10).forEach(i -> scene.in(level("/a", i)));
        Found first = found(WireFilter.ALL, 0, Optional.empty(), 4);
        assertThat(first.packets()).extracting(WireRecord::number).containsExactly(7L, 8L, 9L, 10L);
        assertThat(first.leftOut()).isEqualTo(6);
        assertThat(found(WireFilter.ALL, first.change(), Optional.empty(), 4).packets())
                .isEmpty();
        scene.in(level("/a", 11));
        assertThat(found(WireFilter.ALL, first.change(), Optional.empty(), 4).packets())
                .extracting(WireRecord::number)
                .containsExactly(11L);
        Found older = found(WireFilter.ALL, 0, Optional.of(7L), 4);
        assertThat(older.packets()).extracting(WireRecord::number).containsExactly(3L, 4L, 5L, 6L);
        assertThat(older.leftOut()).isEqualTo(2);
    }

    @Test
    void whatRepeatsIsOneRowWithItsCount() {
        for (int i = 0; i < 40; i++) {
            scene.in(level("/pulse", i));
            scene.in(level("/meter", i));
            scene.pass(1);
        }
        scene.in(level("/in/7/level", 0.5f));
        WireFilter folded = new WireFilter("", Optional.empty(), Search.ALL, "", WireFilter.Only.ALL, Set.of(), false);
        Found found = found(folded, 0, Optional.empty(), 100);
        assertThat(found.packets())
                .as("before they were known to repeat, and the hand")
                .hasSizeBetween(3, 25)
                .last()
                .satisfies(
                        record -> assertThat(record.messages().get(0).address()).isEqualTo("/in/7/level"));
        assertThat(found.repeating())
                .extracting(repeating -> repeating.last().messages().get(0).address())
                .containsExactly("/pulse", "/meter");
        assertThat(found.repeating()).allSatisfy(repeating -> {
            assertThat(repeating.perSecond()).isBetween(0.8, 1.0);
            assertThat(repeating.count()).isBetween(28L, 39L);
        });
        assertThat(found(WireFilter.ALL, 0, Optional.empty(), 100).repeating())
                .as("unfolded")
                .isEmpty();
    }

    // ---- curves

    @Test
    void aCurveHasItsPointsAndTheOneThatStoodBefore() {
        scene.in(level("/a", 1));
        scene.pass(10);
        scene.in(level("/a", 2));
        scene.in(OscMessage.of("/a", new OscArgument.Text("no number")));
        scene.out(level("/a", 7));
        scene.pass(1);
        scene.in(new OscBundle(TimeTag.IMMEDIATELY, List.of(level("/b", 9), level("/a", 3))));
        long from = scene.now - 5 * WireScene.SECOND;
        assertThat(new PlotLine(false, "desk", "/a", 0).points(scene.log.packets(), from, 100))
                .extracting(PlotLine.Point::value)
                .containsExactly(1.0, 2.0, 3.0);
        assertThat(new PlotLine(true, "desk", "/a", 0).points(scene.log.packets(), from, 100))
                .extracting(PlotLine.Point::value)
                .containsExactly(7.0);
        assertThat(new PlotLine(false, "desk", "/a", 1).points(scene.log.packets(), from, 100))
                .isEmpty();
        assertThat(new PlotLine(false, "desk", "/a", -1).points(scene.log.packets(), from, 100))
                .isEmpty();
        assertThat(new PlotLine(false, new PartId("other").value(), "/a", 0).points(scene.log.packets(), from, 100))
                .isEmpty();
    }

    @Test
    void aLongCurveKeepsItsPeaks() {
        for (int i = 0; i < 10_000; i++) {
            scene.in(level("/a", i == 7_777 ? 99 : i == 3_333 ? -99 : (float) Math.sin(i / 50.0)));
            scene.pass(0.001);
        }
        List<PlotLine.Point> points = new PlotLine(false, "desk", "/a", 0).points(scene.log.packets(), 0, 500);
        assertThat(points)
                .hasSizeBetween(400, 500)
                .extracting(PlotLine.Point::value)
                .contains(99.0, -99.0);
        assertThat(points).extracting(PlotLine.Point::atMillis).isSorted();
    }
}
