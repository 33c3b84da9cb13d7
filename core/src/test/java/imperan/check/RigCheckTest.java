package imperan.check;

import static imperan.check.FindingKind.ADAPTER_GONE;
import static imperan.check.FindingKind.BROADCAST_ADDRESS;
import static imperan.check.FindingKind.BUNDLES_NOT_TAKEN;
import static imperan.check.FindingKind.FASTER_THAN_PACE;
import static imperan.check.FindingKind.IN_GIVEN_RANGE;
import static imperan.check.FindingKind.LOOPBACK_CLOSED;
import static imperan.check.FindingKind.LOOPBACK_HOST;
import static imperan.check.FindingKind.NETWORK_ADDRESS;
import static imperan.check.FindingKind.OTHER_NETWORK;
import static imperan.check.FindingKind.OUR_ADDRESS_CHANGED;
import static imperan.check.FindingKind.OUR_OWN_PORT;
import static imperan.check.FindingKind.OUTSIDE_OUR_NETWORKS;
import static imperan.check.FindingKind.PORT_CLOSED;
import static imperan.check.FindingKind.PORT_TAKEN;
import static imperan.check.FindingKind.ROUTERS_ADDRESS;
import static imperan.check.FindingKind.SAME_ADDRESS;
import static imperan.check.FindingKind.SHARED_ANSWER_PORT;
import static imperan.check.FindingKind.SWAPPED_PORTS;
import static imperan.check.FindingKind.SYSTEM_PORT;
import static imperan.check.FindingKind.TARGET_HELD;
import static imperan.check.FindingKind.TARGET_LOST;
import static imperan.check.FindingKind.TOO_MANY_PARTNERS;
import static imperan.check.FindingKind.TO_EVERYBODY;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Gate;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.SocketState;
import imperan.live.Stray;
import imperan.plan.NetworkPlan;
import imperan.rig.Adapter;
import imperan.rig.AddressRange;
import imperan.rig.Ipv4;
import imperan.rig.Prefix;
import imperan.show.Acceptance;
import imperan.show.Body;
import imperan.show.EditRequest;
import imperan.show.Host;
import imperan.show.LinkStep;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrasebook;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.Tick;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Every finding has a case that has it, and a near case that has not. Addresses are those for documents (RFC 5737). */
class RigCheckTest {

    private static final Person ADA = new Person("ada", "Ada");
    private static final PartId DESK = new PartId("desk");
    private static final Adapter LOOPBACK = new Adapter("lo", List.of(Prefix.of("127.0.0.1/8")), true);
    private static final Adapter CABLE = new Adapter("eth0", List.of(Prefix.of("192.0.2.10/24")), false);
    private static final Target DESK_TARGET = Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS);

    private Show show = Show.empty();
    private List<Adapter> adapters = List.of(LOOPBACK, CABLE);
    private LinkView known = link(SocketState.opening(), LinkState.UNHEARD);
    private List<Stray> strays = List.of();

    private static LinkView link(SocketState socket, LinkState state) {
        return new LinkView(
                DESK,
                state,
                0,
                Gate.OPEN,
                socket,
                false,
                0,
                0,
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

    private static LinkView taken(String why) {
        return link(SocketState.taken(why), LinkState.UNHEARD);
    }

    private RigCheckTest with(String id, Body body) {
        show = apply(new EditRequest(
                "Put",
                List.of(new EditRequest.Put(
                        new Part(new PartId(id), Optional.empty(), 0, body),
                        show.held(new PartId(id)).map(h -> h.version()).orElse(0L)))));
        return this;
    }

    private Show apply(EditRequest request) {
        Outcome outcome = show.apply(request, ADA);
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
        return ((Outcome.Accepted) outcome).show();
    }

    private List<Finding> found() {
        return RigCheck.findings(show, new NetworkFacts(adapters, List.of(known), strays));
    }

    private List<FindingKind> kinds() {
        return found().stream().map(Finding::kind).toList();
    }

    private Finding only() {
        List<Finding> found = found();
        assertThat(found).as("%s", found).hasSize(1);
        return found.get(0);
    }

    /** Presses the remedy of the only finding; then nothing is left. */
    private void mend() {
        show = apply(only().remedy().orElseThrow().edit());
        assertThat(kinds()).isEmpty();
    }

    private static Host host(String name, String address) {
        return new Host(name, address, 24, Host.Addressing.FIXED, Host.Role.DEVICE, Optional.empty(), "", "", "");
    }

    private static Host router(String address) {
        return new Host(
                "Router",
                address,
                24,
                Host.Addressing.FIXED,
                Host.Role.ROUTER,
                Optional.of(new Host.GivenOut("192.0.2.100", "192.0.2.199")),
                "",
                "",
                "");
    }

    private static Target desk(String host) {
        return DESK_TARGET.at(host, 7101);
    }

    private Target target() {
        return (Target) show.part(DESK).orElseThrow().body();
    }

    // ---- hosts

    @Test
    void aRigThatIsRightHasNoFindings() {
        with("router", router("192.0.2.1"))
                .with("a", host("Desk", "192.0.2.20"))
                .with("desk", DESK_TARGET);
        assertThat(kinds()).isEmpty();
    }

    @Test
    void theAddressOfANetworkIsNobodys() {
        with("a", host("Desk", "192.0.2.1"));
        assertThat(kinds()).isEmpty();
        with("a", host("Desk", "192.0.2.0"));
        assertThat(only().kind()).isEqualTo(NETWORK_ADDRESS);
        assertThat(only().text()).contains("192.0.2.1 to 192.0.2.254");
        mend();
    }

    @Test
    void aBroadcastAddressIsNobodys() {
        with("a", host("Desk", "192.0.2.254"));
        assertThat(kinds()).isEmpty();
        with("a", host("Desk", "192.0.2.255"));
        assertThat(only().kind()).isEqualTo(BROADCAST_ADDRESS);
        mend();
        with("a", host("Desk", "224.0.0.1")).with("router", router("192.0.2.1"));
        assertThat(kinds()).contains(BROADCAST_ADDRESS);
    }

    @Test
    void twoHostsOfOneAddressAreSaidOnce() {
        with("a", host("Desk", "192.0.2.20")).with("b", host("Rack", "192.0.2.21"));
        assertThat(kinds()).isEmpty();
        with("b", host("Rack", "192.0.2.20"));
        assertThat(only().kind()).isEqualTo(SAME_ADDRESS);
        assertThat(only().text()).isEqualTo("Rack and Desk both have 192.0.2.20");
        mend();
        assertThat(((Host) show.part(new PartId("b")).orElseThrow().body()).address())
                .isEqualTo("192.0.2.21");
    }

    @Test
    void aDeviceWithTheRoutersAddressIsNamed() {
        with("router", router("192.0.2.1")).with("a", host("Desk", "192.0.2.1"));
        assertThat(only().kind()).isEqualTo(ROUTERS_ADDRESS);
        mend();
        assertThat(((Host) show.part(new PartId("a")).orElseThrow().body()).address())
                .isEqualTo("192.0.2.2");
    }

    @Test
    void aFixedAddressAmongThoseTheRouterGivesIsACaution() {
        with("router", router("192.0.2.1")).with("a", host("Desk", "192.0.2.99"));
        assertThat(kinds()).isEmpty();
        with("a", host("Desk", "192.0.2.100"));
        assertThat(only().kind()).isEqualTo(IN_GIVEN_RANGE);
        assertThat(only().text()).contains("192.0.2.100 to 192.0.2.199");
        mend();
        Host given = new Host(
                "Tablet", "192.0.2.100", 24, Host.Addressing.GIVEN, Host.Role.SURFACE, Optional.empty(), "", "", "");
        with("b", given);
        assertThat(kinds()).isEmpty();
    }

    @Test
    void aHostOfAnotherNetworkThanTheRouterIsACaution() {
        with("router", router("192.0.2.1")).with("a", host("Desk", "192.0.3.20"));
        assertThat(only().kind()).isEqualTo(OTHER_NETWORK);
        mend();
        assertThat(((Host) show.part(new PartId("a")).orElseThrow().body()).address())
                .isEqualTo("192.0.2.20");
    }

    @Test
    void aHostWithALoopbackAddressIsACaution() {
        with("router", router("192.0.2.1")).with("a", host("Desk", "127.0.0.1"));
        assertThat(only().kind()).isEqualTo(LOOPBACK_HOST);
        mend();
    }

    @Test
    void aHostTakesItsTargetsAlongWhenItMoves() {
        with("a", host("Desk", "192.0.2.20")).with("desk", DESK_TARGET).with("other", desk("192.0.2.21"));
        show = apply(new NetworkPlan(show).move(new PartId("a"), "192.0.2.30"));
        assertThat(target().host()).isEqualTo("192.0.2.30");
        assertThat(((Target) show.part(new PartId("other")).orElseThrow().body()).host())
                .isEqualTo("192.0.2.21");
    }

    @Test
    void theNextFreeAddressComesAfterTheHighestAndOutsideWhatTheRouterGives() {
        with("router", router("192.0.2.1"));
        assertThat(new NetworkPlan(show).suggest()).hasToString("Optional[192.0.2.10]");
        with("a", host("Desk", "192.0.2.99"));
        assertThat(new NetworkPlan(show).suggest()).hasToString("Optional[192.0.2.200]");
        assertThat(new NetworkPlan(show).free(new AddressRange(Ipv4.of("192.0.2.98"), Ipv4.of("192.0.2.255")), 3))
                .hasToString("[192.0.2.98, 192.0.2.200, 192.0.2.201]");
        assertThat(new NetworkPlan(Show.empty()).suggest()).isEmpty();
    }

    // ---- targets

    @Test
    void aTargetOutsideAllOurNetworksIsAFaultWithBothInNumbers() {
        with("desk", desk("192.0.2.20"));
        assertThat(kinds()).isEmpty();
        with("desk", desk("192.0.3.20"));
        assertThat(only().kind()).isEqualTo(OUTSIDE_OUR_NETWORKS);
        assertThat(only().text()).isEqualTo("Desk is 192.0.3.20; we are 192.0.2.10/24");
        mend();
        assertThat(target().host()).isEqualTo("192.0.2.20");
    }

    @Test
    void noSlipIsGuessedWhereMoreThanOneNumberDiffers() {
        with("desk", desk("198.51.100.20"));
        assertThat(only().kind()).isEqualTo(OUTSIDE_OUR_NETWORKS);
        assertThat(only().remedy()).isEmpty();
        adapters = List.of(LOOPBACK);
        assertThat(only().text()).contains("on no network");
    }

    @Test
    void aStandInThatIsInUseTakesThePlaceOfTheVenue() {
        with("desk", desk("198.51.100.20").simulatedAt(new StandInEnd("127.0.0.1", 7101, true)));
        assertThat(kinds()).isEmpty();
        with("desk", desk("198.51.100.20").simulatedAt(new StandInEnd("127.0.0.1", 7101, false)));
        assertThat(kinds()).containsExactly(OUTSIDE_OUR_NETWORKS);
    }

    @Test
    void aTargetThatIsAWholeNetworkIsAFault() {
        with("desk", desk("192.0.2.0"));
        assertThat(only().kind()).isEqualTo(NETWORK_ADDRESS);
    }

    @Test
    void broadcastIsSaidAndCanBeMeant() {
        with("desk", desk("192.0.2.255"));
        assertThat(only().kind()).isEqualTo(TO_EVERYBODY);
        with("desk", desk("127.255.255.255"));
        assertThat(only().kind()).isEqualTo(TO_EVERYBODY);
        with("desk", desk("255.255.255.255"));
        assertThat(only().kind()).isEqualTo(TO_EVERYBODY);
    }

    @Test
    void loopbackWithAClosedPortAsksForTheOtherMachine() {
        with("desk", desk("127.0.0.1"));
        assertThat(kinds()).isEmpty();
        known = link(SocketState.open("127.0.0.1"), LinkState.PORT_CLOSED);
        assertThat(only().kind()).isEqualTo(LOOPBACK_CLOSED);
        with("desk", desk("127.0.0.1").simulatedAt(new StandInEnd("127.0.0.1", 7101, true)));
        assertThat(only().kind()).as("its stand-in runs here and nowhere else").isEqualTo(PORT_CLOSED);
    }

    @Test
    void howALinkStandsIsSaidAsLongAsItIsSo() {
        with("desk", DESK_TARGET);
        known = link(SocketState.open("192.0.2.10"), LinkState.ANSWERING);
        assertThat(kinds()).isEmpty();
        known = link(SocketState.open("192.0.2.10"), LinkState.LOST);
        assertThat(only().kind()).isEqualTo(TARGET_LOST);
        known = link(SocketState.open("192.0.2.10"), LinkState.PORT_CLOSED);
        assertThat(only().text()).isEqualTo("No program is listening on port 7101 of 192.0.2.20, where Desk should be");
        for (Gate gate : Gate.values()) {
            known = new LinkView(
                    DESK,
                    LinkState.ANSWERING,
                    0,
                    gate,
                    SocketState.open("192.0.2.10"),
                    false,
                    0,
                    0,
                    Optional.empty(),
                    Optional.empty(),
                    0,
                    0,
                    0,
                    0,
                    Optional.empty(),
                    false,
                    Optional.empty());
            assertThat(kinds()).isEqualTo(gate == Gate.OPEN ? List.of() : List.of(TARGET_HELD));
        }
        assertThat(TARGET_HELD.isOfNow()).isTrue();
        assertThat(PORT_TAKEN.isOfNow()).as("it is mended by an edit").isFalse();
    }

    @Test
    void aTargetIsNotSentMoreThanItsKindKeepsUpWith() {
        Phrasebook.LinkSheet slow = new Phrasebook.LinkSheet(
                Optional.empty(),
                Reach.UDP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.REPORTS,
                Optional.empty(),
                Optional.of(30),
                true,
                "osc",
                Optional.empty(),
                List.of(),
                List.of(),
                "");
        with("book", new Phrasebook("Slow", slow)).with("desk", DESK_TARGET.speaking(new PartId("book")));
        assertThat(only().kind()).isEqualTo(FASTER_THAN_PACE);
        assertThat(only().text())
                .isEqualTo("As many messages as there are leave for Desk; by its link sheet it keeps up with 30");
        mend();
        assertThat(target().messagesPerSecond()).hasValue(30);
        with("desk", target().paced(31));
        assertThat(only().text()).startsWith("Up to 31 messages a second");
        with("desk", target().paced(20));
        assertThat(kinds()).isEmpty();
    }

    @Test
    void sendingToOurOwnAnswerPortIsAFault() {
        with("desk", DESK_TARGET.at("192.0.2.10", 9201));
        assertThat(only().kind()).isEqualTo(OUR_OWN_PORT);
        mend();
        with("desk", DESK_TARGET.at("192.0.2.11", 9201));
        assertThat(kinds()).isEmpty();
    }

    @Test
    void aTargetThatReceivesWhereAnotherAnswersIsAFault() {
        with("desk", desk("127.0.0.1"))
                .with("rack", Target.plain("Rack", "127.0.0.1", 9201, 9202, Target.Answering.REPORTS));
        assertThat(only().kind()).isEqualTo(OUR_OWN_PORT);
        assertThat(only().about()).isEqualTo(new PartId("rack"));
    }

    @Test
    void aTakenPortComesWithAFreeOne() {
        with("desk", DESK_TARGET)
                .with("rack", Target.plain("Rack", "192.0.2.21", 7101, 9202, Target.Answering.REPORTS));
        assertThat(kinds()).isEmpty();
        known = taken("Port 9201 on this machine is taken by another program");
        assertThat(only().kind()).isEqualTo(PORT_TAKEN);
        show = apply(only().remedy().orElseThrow().edit());
        assertThat(target().answerPort()).isEqualTo(9203);
    }

    @Test
    void aConnectionThatIsRefusedIsNoTakenPortAndHasNoAnswerPortToCheck() {
        with("desk", DESK_TARGET.over(Reach.TCP_SLIP).at("127.0.0.1", 9202).answeringTo(80))
                .with("rack", Target.plain("Rack", "127.0.0.1", 7102, 9202, Target.Answering.REPORTS));
        known = link(SocketState.noWay("No connection to 127.0.0.1 port 9202"), LinkState.UNHEARD);
        assertThat(kinds()).isEmpty();
    }

    @Test
    void swappedPortsAreSuspectedWhereItSpeaksFromOurAnswerPort() {
        with("desk", DESK_TARGET.at("192.0.2.20", 9201).answeringTo(7101));
        known = link(SocketState.open("192.0.2.10"), LinkState.PORT_CLOSED);
        assertThat(kinds()).containsExactly(PORT_CLOSED);
        strays = List.of(new Stray("192.0.2.20", 7102, 9201, 1, 0, ""));
        assertThat(kinds()).containsExactly(PORT_CLOSED);
        strays = List.of(new Stray("192.0.2.20", 7101, 9201, 1, 0, ""));
        assertThat(only().kind()).isEqualTo(SWAPPED_PORTS);
        assertThat(only().text()).contains("port 9201 closed").contains("from port 7101");
        show = apply(only().remedy().orElseThrow().edit());
        assertThat(target().port()).isEqualTo(7101);
        assertThat(target().answerPort()).isEqualTo(9201);
    }

    @Test
    void swappedPortsAreSuspectedWhereOurAnswerPortIsTakenOnItsOwnMachine() {
        known = taken("Port 7101 on this machine is taken by another program");
        with("desk", DESK_TARGET.at("127.0.0.1", 9201).answeringTo(7101));
        assertThat(only().kind()).isEqualTo(SWAPPED_PORTS);
        with("desk", DESK_TARGET.at("192.0.2.20", 9201).answeringTo(7101));
        assertThat(only().kind()).isEqualTo(PORT_TAKEN);
    }

    @Test
    void theSwapTurnsTheEndThatIsSpokenTo() {
        known = taken("Port 7101 on this machine is taken by another program");
        with("desk", DESK_TARGET.answeringTo(7101).simulatedAt(new StandInEnd("127.0.0.1", 9201, true)));
        show = apply(only().remedy().orElseThrow().edit());
        assertThat(target().port()).as("at the venue").isEqualTo(7101);
        assertThat(target().asReached().port()).isEqualTo(7101);
        assertThat(target().answerPort()).isEqualTo(9201);
    }

    /** Source: RFC 6335 section 6, system ports are 0 to 1023. */
    @Test
    void aSystemPortIsACaution() {
        with("desk", DESK_TARGET.answeringTo(1024));
        assertThat(kinds()).isEmpty();
        with("desk", DESK_TARGET.answeringTo(1023));
        assertThat(only().kind()).isEqualTo(SYSTEM_PORT);
        mend();
        assertThat(target().answerPort()).isEqualTo(1024);
    }

    @Test
    void twoTargetsOfOneHostOnOneAnswerPortAreACaution() {
        with("desk", DESK_TARGET)
                .with("rack", Target.plain("Rack", "192.0.2.20", 7102, 9202, Target.Answering.REPORTS));
        assertThat(kinds()).isEmpty();
        with("rack", Target.plain("Rack", "192.0.2.20", 7102, 9201, Target.Answering.REPORTS));
        assertThat(only().kind()).isEqualTo(SHARED_ANSWER_PORT);
        mend();
    }

    @Test
    void morePartnersThanTheLinkSheetSaysAreACaution() {
        Phrasebook.LinkSheet two = new Phrasebook.LinkSheet(
                Optional.empty(),
                Reach.UDP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.REPORTS,
                Optional.empty(),
                Optional.empty(),
                true,
                "osc",
                Optional.of(2),
                List.of(),
                List.of(),
                "");
        with("book", new Phrasebook("Desk", two));
        for (int i = 1; i <= 2; i++) {
            with("desk" + i, DESK_TARGET.answeringTo(9200 + i).speaking(new PartId("book")));
        }
        assertThat(kinds()).isEmpty();
        with("desk3", DESK_TARGET.answeringTo(9203).speaking(new PartId("book")));
        assertThat(only().kind()).isEqualTo(TOO_MANY_PARTNERS);
        assertThat(only().text()).contains("2 partners at most").contains("number 3");
    }

    @Test
    void bundlesForATargetThatTakesNoneAreSaidAndMended() {
        Phrasebook.LinkSheet none = new Phrasebook.LinkSheet(
                Optional.empty(),
                Reach.UDP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.REPORTS,
                Optional.empty(),
                Optional.empty(),
                false,
                "osc",
                Optional.empty(),
                List.of(),
                List.of(),
                "");
        with("book", new Phrasebook("Desk", Phrasebook.LinkSheet.unknown()));
        with("desk", DESK_TARGET.bundling().speaking(new PartId("book")));
        assertThat(kinds()).as("its link sheet says that it takes them").isEmpty();
        with("strict", new Phrasebook("Strict desk", none));
        with("desk", DESK_TARGET.bundling().speaking(new PartId("strict")));
        assertThat(only().kind()).isEqualTo(BUNDLES_NOT_TAKEN);
        mend();
    }

    @Test
    void anAdapterThatIsGoneIsAFault() {
        Target chosen = new Target(
                "Desk",
                "192.0.2.20",
                7101,
                9201,
                Target.Answering.REPORTS,
                Optional.empty(),
                Optional.empty(),
                false,
                DESK_TARGET.transport(),
                Optional.of("192.0.2.10"),
                Optional.empty(),
                false,
                List.of(),
                Optional.empty(),
                List.of());
        with("desk", chosen);
        assertThat(kinds()).isEmpty();
        adapters = List.of(LOOPBACK, new Adapter("wlan0", List.of(Prefix.of("192.0.2.77/24")), false));
        assertThat(only().kind()).isEqualTo(ADAPTER_GONE);
        mend();
    }

    @Test
    void anAddressOfOursThatChangedSinceItWasToldIsAFault() {
        with(
                "desk",
                DESK_TARGET.ticked(List.of(
                        new Tick(LinkStep.ANSWER_PORT_TOLD, "Ada", "2026-11-23T20:00:00Z", "192.0.2.10:9201"))));
        known = link(SocketState.open("192.0.2.10"), LinkState.ANSWERING);
        assertThat(kinds()).isEmpty();
        known = link(SocketState.open("192.0.2.77"), LinkState.ANSWERING);
        assertThat(only().kind()).isEqualTo(OUR_ADDRESS_CHANGED);
        assertThat(only().text()).contains("192.0.2.10:9201").contains("192.0.2.77:9201");
    }

    // ---- on purpose

    @Test
    void anAcceptedFindingStaysQuietUntilItsFactsChange() {
        with("a", host("Desk", "192.0.2.20")).with("b", host("Spare desk", "192.0.2.20"));
        Finding finding = only();
        with("ok", new Acceptance(finding.kind().name(), finding.about(), finding.facts(), "never on at once"));
        assertThat(only().accepted().orElseThrow().by()).isEqualTo("Ada");
        assertThat(only().accepted().orElseThrow().note()).isEqualTo("never on at once");
        with("c", host("Rack", "192.0.2.30"));
        assertThat(only().accepted()).isPresent();
        with("a", host("Desk", "192.0.2.30")).with("b", host("Spare desk", "192.0.2.30"));
        assertThat(found()).isNotEmpty().allSatisfy(f -> assertThat(f.accepted())
                .isEmpty());
    }

    @Test
    void theWorstComesFirstAndWhatIsAcceptedLast() {
        with("a", host("Desk", "192.0.2.20"))
                .with("b", host("Spare desk", "192.0.2.20"))
                .with("c", host("Odd", "127.0.0.1"));
        assertThat(kinds()).containsExactly(SAME_ADDRESS, LOOPBACK_HOST);
        Finding worst = found().get(0);
        with("ok", new Acceptance(worst.kind().name(), worst.about(), worst.facts(), ""));
        assertThat(kinds()).containsExactly(LOOPBACK_HOST, SAME_ADDRESS);
    }

    @Test
    void everyKindOfFindingHasATestHere() {
        List<FindingKind> tested = new ArrayList<>(List.of(
                NETWORK_ADDRESS,
                BROADCAST_ADDRESS,
                ROUTERS_ADDRESS,
                SAME_ADDRESS,
                OUR_OWN_PORT,
                PORT_TAKEN,
                SWAPPED_PORTS,
                ADAPTER_GONE,
                OUTSIDE_OUR_NETWORKS,
                OUR_ADDRESS_CHANGED,
                LOOPBACK_CLOSED,
                LOOPBACK_HOST,
                OTHER_NETWORK,
                IN_GIVEN_RANGE,
                SHARED_ANSWER_PORT,
                TO_EVERYBODY,
                SYSTEM_PORT,
                TOO_MANY_PARTNERS,
                BUNDLES_NOT_TAKEN,
                FASTER_THAN_PACE,
                TARGET_HELD,
                TARGET_LOST,
                PORT_CLOSED));
        assertThat(tested)
                .containsExactlyInAnyOrderElementsOf(Arrays.stream(FindingKind.values())
                        .filter(kind -> kind.area() == FindingKind.Area.RIG)
                        .toList());
    }
}
