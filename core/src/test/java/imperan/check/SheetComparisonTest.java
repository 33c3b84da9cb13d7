package imperan.check;

import static imperan.check.SheetComparison.Verdict.AGREES;
import static imperan.check.SheetComparison.Verdict.DIFFERS;
import static imperan.check.SheetComparison.Verdict.NOT_SEEN;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.SheetComparison.Field;
import imperan.check.SheetComparison.Verdict;
import imperan.live.Gate;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.SocketState;
import imperan.rig.Adapter;
import imperan.rig.Prefix;
import imperan.show.Body;
import imperan.show.EditRequest;
import imperan.show.Host;
import imperan.show.KeepAlive;
import imperan.show.LinkStep;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.Tick;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is written down beside what the network shows. Addresses are those for documents (RFC 5737). */
class SheetComparisonTest {

    private static final PartId DESK = new PartId("desk");
    private static final Target TARGET = Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS);
    private static final SocketState OPEN = SocketState.open("192.0.2.10");

    private final List<Adapter> adapters = List.of(new Adapter("eth0", List.of(Prefix.of("192.0.2.10/24")), false));

    private static LinkView link(LinkState state, SocketState socket, boolean silent, long sent, long heard) {
        return new LinkView(
                DESK,
                state,
                0,
                Gate.OPEN,
                socket,
                silent,
                sent,
                heard,
                Optional.empty(),
                Optional.empty(),
                0,
                0,
                0,
                0,
                Optional.empty(),
                false,
                Optional.empty());
    }

    private List<Field> compare(Body body, LinkView... links) {
        Show show = ((Outcome.Accepted) Show.empty()
                        .apply(
                                new EditRequest(
                                        "Put",
                                        List.of(new EditRequest.Put(new Part(DESK, Optional.empty(), 0, body), 0))),
                                new Person("ada", "Ada")))
                .show();
        return SheetComparison.of(show, new NetworkFacts(adapters, List.of(links), List.of()));
    }

    private static Field field(List<Field> fields, String what) {
        return fields.stream()
                .filter(field -> field.what().equals(what))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "ANSWERING, false, AGREES, it answers",
        "PORT_CLOSED, false, DIFFERS, port 7101 is closed",
        "LOST, false, DIFFERS, no more",
        "HEARD, false, NOT_SEEN, answers nothing",
        "UNHEARD, false, NOT_SEEN, nothing came",
        "UNHEARD, true, DIFFERS, no machine has"
    })
    void theAddressOfATargetIsSeenByWhatComesFromIt(LinkState state, boolean silent, Verdict verdict, String words) {
        Field field = field(compare(TARGET, link(state, OPEN, silent, 1, 0)), "receives on");
        assertThat(field.written()).isEqualTo("192.0.2.20:7101");
        assertThat(field.verdict()).isEqualTo(verdict);
        assertThat(field.seen()).contains(words);
    }

    @Test
    void aStandInTellsNothingOfTheVenue() {
        Target simulated = TARGET.simulatedAt(new StandInEnd("127.0.0.1", 7101, true));
        Field field = field(compare(simulated, link(LinkState.ANSWERING, OPEN, false, 1, 1)), "receives on");
        assertThat(field.verdict()).isEqualTo(NOT_SEEN);
        assertThat(field.seen()).contains("its stand-in 127.0.0.1:7101");
    }

    @Test
    void whatTheOtherEndWasToldIsComparedWithOurAddressNow() {
        Target told = TARGET.ticked(
                List.of(new Tick(LinkStep.ANSWER_PORT_TOLD, "Ada", "2026-11-23T20:00:00Z", "192.0.2.10:9201")));
        assertThat(field(compare(told, link(LinkState.ANSWERING, OPEN, false, 1, 1)), "answers to")
                        .verdict())
                .isEqualTo(AGREES);
        Field moved = field(
                compare(told, link(LinkState.UNHEARD, SocketState.open("192.0.2.99"), false, 1, 0)), "answers to");
        assertThat(moved.verdict()).isEqualTo(DIFFERS);
        assertThat(moved.written()).isEqualTo("192.0.2.10:9201");
        assertThat(moved.seen()).isEqualTo("we are 192.0.2.99:9201 now");
        assertThat(field(compare(TARGET, link(LinkState.UNHEARD, OPEN, false, 1, 0)), "answers to")
                        .verdict())
                .isEqualTo(NOT_SEEN);
        assertThat(field(
                        compare(TARGET, link(LinkState.UNHEARD, SocketState.taken("port 9201 is taken"), false, 1, 0)),
                        "answers to"))
                .satisfies(field -> assertThat(field.verdict()).isEqualTo(DIFFERS));
    }

    @Test
    void aKeepAliveThatIsNotAnsweredDiffers() {
        Target kept = TARGET.kept(KeepAlive.of("/stay", 3, 7));
        assertThat(field(compare(kept, link(LinkState.ANSWERING, OPEN, false, 3, 3)), "keep-alive")
                        .verdict())
                .isEqualTo(AGREES);
        assertThat(field(compare(kept, link(LinkState.UNHEARD, OPEN, false, 3, 0)), "keep-alive")
                        .verdict())
                .isEqualTo(DIFFERS);
        assertThat(field(compare(kept, link(LinkState.UNHEARD, OPEN, false, 0, 0)), "keep-alive")
                        .verdict())
                .isEqualTo(NOT_SEEN);
        assertThat(field(compare(kept, link(LinkState.UNHEARD, OPEN, false, 1, 0)), "keep-alive")
                        .seen())
                .isEqualTo("sent, not answered");
        assertThat(field(compare(kept), "keep-alive").seen()).isEqualTo("not sent yet");
        assertThat(field(compare(kept), "receives on").seen()).isEqualTo("the show does not run");
        assertThat(compare(TARGET, link(LinkState.UNHEARD, OPEN, false, 0, 0)))
                .noneMatch(field -> field.what().equals("keep-alive"));
    }

    @Test
    void aConnectionIsThereOrNot() {
        Target tcp = TARGET.over(Reach.TCP_SLIP);
        assertThat(field(compare(tcp, link(LinkState.ANSWERING, OPEN, false, 1, 1)), "connection")
                        .verdict())
                .isEqualTo(AGREES);
        assertThat(field(
                        compare(tcp, link(LinkState.LOST, SocketState.noWay("No connection"), false, 1, 1)),
                        "connection"))
                .satisfies(field -> assertThat(field.seen()).isEqualTo("No connection"));
        assertThat(field(compare(tcp), "connection").verdict()).isEqualTo(NOT_SEEN);
    }

    @Test
    void ofHostsThisMachineIsSeen() {
        Host here = new Host(
                "Show computer",
                "192.0.2.10",
                24,
                Host.Addressing.FIXED,
                Host.Role.COMPUTER,
                Optional.empty(),
                "",
                "",
                "");
        assertThat(compare(here)).singleElement().satisfies(field -> assertThat(field.verdict())
                .isEqualTo(AGREES));
        assertThat(compare(new Host(
                        "Show computer",
                        "192.0.2.10",
                        16,
                        Host.Addressing.FIXED,
                        Host.Role.COMPUTER,
                        Optional.empty(),
                        "",
                        "",
                        "")))
                .singleElement()
                .satisfies(field -> assertThat(field.seen()).isEqualTo("this machine has 192.0.2.10/24"));
        assertThat(compare(new Host(
                        "Desk",
                        "192.0.2.20",
                        24,
                        Host.Addressing.FIXED,
                        Host.Role.DEVICE,
                        Optional.empty(),
                        "",
                        "",
                        "")))
                .isEmpty();
    }
}
