package imperan.plan;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Gate;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.SocketState;
import imperan.phrasebook.KnownBook;
import imperan.plan.ProvenLink.StepState;
import imperan.show.AnswerRule;
import imperan.show.Body;
import imperan.show.EditRequest;
import imperan.show.Host;
import imperan.show.KeepAlive;
import imperan.show.LinkStep;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.io.IOException;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;

class RigPlannerTest {

    private static final Person ADA = new Person("ada", "Ada");
    private static final PartId DESK = new PartId("desk");
    private static final PartId BOOK = new PartId("book");
    private static final Instant NOW = Instant.parse("2026-11-23T20:00:00.789Z");

    private Show show = Show.empty();
    private List<LinkView> links = List.of();
    private final Set<Integer> taken = new HashSet<>();
    private Function<String, Optional<KnownBook>> elsewhere = name -> Optional.empty();

    private Outcome wanted(RigChange change) {
        return new RigPlanner(show, ADA, links, NOW, elsewhere, taken::contains).carryOut(change);
    }

    private void done(RigChange change) {
        Outcome outcome = wanted(change);
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
        show = ((Outcome.Accepted) outcome).show();
    }

    private String refused(RigChange change) {
        return ((Outcome.Refused) wanted(change)).problems().get(0).message();
    }

    private void put(PartId id, Body body) {
        show = ((Outcome.Accepted) show.apply(
                        new EditRequest(
                                "Put",
                                List.of(new EditRequest.Put(
                                        new Part(id, Optional.empty(), 0, body),
                                        show.held(id)
                                                .map(held -> held.version())
                                                .orElse(0L)))),
                        ADA))
                .show();
    }

    private Target desk() {
        return (Target) show.part(DESK).orElseThrow().body();
    }

    private static LinkView link(String ourHost, LinkState state, long sent) {
        return new LinkView(
                DESK,
                state,
                0,
                Gate.OPEN,
                SocketState.open(ourHost),
                false,
                sent,
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

    private List<StepState> steps() {
        return new ProvenLink(show, desk(), links.stream().findFirst()).steps();
    }

    private StepState step(LinkStep step) {
        return steps().stream()
                .filter(state -> state.step() == step)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aNewTargetIsHereAndAwaitsAnswersOnTheNextFreePort() {
        done(new RigChange.AddTarget(DESK, Optional.empty(), Optional.empty(), Optional.empty()));
        assertThat(desk()).isEqualTo(Target.plain("Target 1", "127.0.0.1", 7000, 9201, Target.Answering.REPORTS));
        done(new RigChange.AddTarget(
                new PartId("b"),
                Optional.of("Rack"),
                Optional.of(new RigChange.Place("192.0.2.9", 7105)),
                Optional.empty()));
        assertThat(show.part(new PartId("b")).orElseThrow().body())
                .isEqualTo(Target.plain("Rack", "192.0.2.9", 7105, 9202, Target.Answering.REPORTS));
        assertThat(refused(new RigChange.AddTarget(
                        new PartId("c"),
                        Optional.empty(),
                        Optional.of(new RigChange.Place("192,0", 1)),
                        Optional.empty())))
                .contains("commas");
    }

    @Test
    void aNewTargetGetsAPortThatNoOtherProgramHas() {
        done(new RigChange.AddTarget(DESK, Optional.empty(), Optional.empty(), Optional.empty()));
        int next = desk().answerPort() + 1;
        taken.addAll(List.of(next, next + 1));
        done(new RigChange.AddTarget(new PartId("b"), Optional.empty(), Optional.empty(), Optional.empty()));
        assertThat(((Target) show.part(new PartId("b")).orElseThrow().body()).answerPort())
                .isEqualTo(next + 2);
    }

    /** ip(7), "ip_local_port_range": Linux takes ports from 32768 up for what goes out. */
    @Test
    void noPortOfOutgoingConnectionsIsProposed() {
        put(DESK, Target.plain("Desk", "192.0.2.20", 7101, 32_767, Target.Answering.REPORTS));
        NetworkPlan plan = new NetworkPlan(show);
        assertThat(plan.freeAnswerPort(32_767)).isEqualTo(1024);
        assertThat(plan.freeAnswerPort(32_768))
                .isEqualTo(plan.freeAnswerPort(60_000))
                .isLessThan(32_768);
        assertThat(plan.freeAnswerPort(32_766)).isEqualTo(32_766);
    }

    @Test
    void whatWasHeardBecomesTheEndThatIsSpokenTo() {
        put(DESK, Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS));
        done(new RigChange.TakeAs(DESK, new RigChange.Place("192.0.2.21", 7111), 9205));
        assertThat(desk()).isEqualTo(Target.plain("Desk", "192.0.2.21", 7111, 9205, Target.Answering.REPORTS));
        put(DESK, desk().simulatedAt(new StandInEnd("127.0.0.1", 7101, true)));
        done(new RigChange.TakeAs(DESK, new RigChange.Place("127.0.0.1", 7777), 9205));
        assertThat(desk().host()).as("the venue").isEqualTo("192.0.2.21");
        assertThat(desk().asReached().port()).isEqualTo(7777);
    }

    @Test
    void theFirstHostIsTheRouterAndTheOthersFollowIt() {
        done(new RigChange.AddHost(new PartId("a")));
        assertThat(((Host) show.part(new PartId("a")).orElseThrow().body()).role())
                .isEqualTo(Host.Role.ROUTER);
        put(
                new PartId("a"),
                new Host(
                        "Router",
                        "10.1.0.1",
                        16,
                        Host.Addressing.FIXED,
                        Host.Role.ROUTER,
                        Optional.empty(),
                        "",
                        "",
                        ""));
        done(new RigChange.AddHost(new PartId("b")));
        Host second = (Host) show.part(new PartId("b")).orElseThrow().body();
        assertThat(second.address() + "/" + second.prefix()).isEqualTo("10.1.0.10/16");
        done(new RigChange.MoveHost(new PartId("b"), "10.1.0.30"));
        assertThat(refused(new RigChange.MoveHost(new PartId("b"), "10,1"))).contains("commas");
        assertThat(refused(new RigChange.MoveHost(new PartId("z"), "10.1.0.31")))
                .contains("no longer there");
    }

    @Test
    void aPhrasebookBringsItsLinkSheetAndGoingWithoutLeavesWhatIsSet() {
        put(
                DESK,
                Target.plain("Desk", "192.0.2.20", 7000, 9201, Target.Answering.REPORTS)
                        .paced(10));
        put(
                BOOK,
                new Phrasebook(
                        "Desk",
                        new Phrasebook.LinkSheet(
                                Optional.of(7105),
                                Reach.TCP_SLIP,
                                Phrasebook.AnswersTo.SENDER,
                                Target.Answering.QUERIES,
                                Optional.of(KeepAlive.of("/stay", 3, 7)),
                                Optional.empty(),
                                true,
                                "osc",
                                Optional.empty(),
                                List.of("Switch it on"),
                                List.of(),
                                "")));
        done(new RigChange.ChoosePhrasebook(DESK, Optional.of(BOOK)));
        assertThat(desk())
                .isEqualTo(Target.plain("Desk", "192.0.2.20", 7105, 9201, Target.Answering.QUERIES)
                        .over(Reach.TCP_SLIP)
                        .kept(KeepAlive.of("/stay", 3, 7))
                        .speaking(BOOK));
        assertThat(step(LinkStep.OTHER_END_SWITCHED_ON).hints()).containsExactly("Switch it on");
        done(new RigChange.ChoosePhrasebook(DESK, Optional.empty()));
        assertThat(desk().phrasebook()).isEmpty();
        assertThat(desk().port()).isEqualTo(7105);
        assertThat(refused(new RigChange.ChoosePhrasebook(DESK, Optional.of(DESK))))
                .contains("phrasebook is no longer there");
    }

    @Test
    void aTickSaysWhoAndWhenAndWhatWasToldIsWhatWeKnow() {
        put(DESK, Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS));
        done(new RigChange.TickStep(DESK, LinkStep.VERSION_NOTED, " 2.1 "));
        assertThat(step(LinkStep.VERSION_NOTED).tick().orElseThrow())
                .hasToString("Tick[step=VERSION_NOTED, by=Ada, at=2026-11-23T20:00:00Z, fact=2.1]");
        links = List.of(link("192.0.2.10", LinkState.UNHEARD, 0));
        done(new RigChange.TickStep(DESK, LinkStep.ANSWER_PORT_TOLD, ""));
        done(new RigChange.TickStep(DESK, LinkStep.ANSWER_PORT_TOLD, ""));
        assertThat(desk().ticks()).hasSize(2);
        assertThat(step(LinkStep.ANSWER_PORT_TOLD).tick().orElseThrow().fact()).isEqualTo("192.0.2.10:9201");
        done(new RigChange.UntickStep(DESK, LinkStep.ANSWER_PORT_TOLD));
        assertThat(step(LinkStep.ANSWER_PORT_TOLD).done()).isFalse();
    }

    @Test
    void whatImperanSeesTicksItself() {
        put(DESK, Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS));
        assertThat(steps()).noneMatch(StepState::done);
        links = List.of(link("192.0.2.10", LinkState.UNHEARD, 1));
        assertThat(steps().stream().filter(StepState::done).map(StepState::step))
                .containsExactly(LinkStep.ADDRESS_ENTERED, LinkStep.SENT);
        links = List.of(link("192.0.2.10", LinkState.HEARD, 1));
        assertThat(step(LinkStep.RECEIVED).done()).isTrue();
        assertThat(step(LinkStep.RECEIVED).byHand()).isFalse();
        assertThat(step(LinkStep.ANSWER_PORT_TOLD).done())
                .as("what arrives was told where to")
                .isTrue();
        assertThat(step(LinkStep.OTHER_END_SWITCHED_ON).done())
                .as("it may only report")
                .isFalse();
        links = List.of(link("192.0.2.10", LinkState.ANSWERING, 1));
        assertThat(step(LinkStep.OTHER_END_SWITCHED_ON).done())
                .as("what answers has its input on")
                .isTrue();
        assertThat(step(LinkStep.ANSWER_PORT_TOLD).words()).contains("192.0.2.10, port 9201");
    }

    @Test
    void theAddressThatANewTargetComesWithIsNotEntered() {
        done(new RigChange.AddTarget(DESK, Optional.empty(), Optional.empty(), Optional.empty()));
        links = List.of(link("127.0.0.1", LinkState.UNHEARD, 0));
        assertThat(step(LinkStep.ADDRESS_ENTERED).done()).isFalse();
        put(DESK, desk().at("192.0.2.20", 7101));
        assertThat(step(LinkStep.ADDRESS_ENTERED).done()).isTrue();
    }

    @Test
    void theFirstMessageToTryIsOneThatIsAnsweredAndChangesNothing() {
        put(DESK, Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.QUERIES));
        assertThat(step(LinkStep.SENT).hints()).isEmpty();
        put(BOOK, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown()));
        show = ((Outcome.Accepted) show.apply(
                        new EditRequest(
                                "Put",
                                List.of(new EditRequest.Put(
                                        new Part(
                                                new PartId("p"),
                                                Optional.of(BOOK),
                                                0,
                                                Phrase.plain(
                                                        "/in/<ch:1..4>/level",
                                                        Phrase.Direction.BOTH,
                                                        List.of(),
                                                        AnswerRule.usual(AnswerRule.Kind.SAME),
                                                        "",
                                                        "")),
                                        0))),
                        ADA))
                .show();
        put(DESK, desk().speaking(BOOK));
        assertThat(step(LinkStep.SENT).hints()).containsExactly("/in/1/level");
        put(DESK, desk().kept(KeepAlive.of("/stay", 3, 7)));
        assertThat(step(LinkStep.SENT).hints()).containsExactly("/stay");
    }

    @Test
    void stepsThatMakeNoSenseAreLeftOut() {
        put(DESK, Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.NONE));
        assertThat(steps())
                .extracting(StepState::step)
                .doesNotContain(LinkStep.RECEIVED, LinkStep.ANSWER_PORT_TOLD)
                .hasSize(5);
        put(
                DESK,
                Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS)
                        .over(Reach.TCP_LENGTH));
        assertThat(steps())
                .extracting(StepState::step)
                .contains(LinkStep.RECEIVED)
                .doesNotContain(LinkStep.ANSWER_PORT_TOLD);
    }

    @Test
    void whatIsTypedAtTheOtherEndIsSaidInWords() {
        Target desk = Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS);
        assertThat(OtherEnd.words(desk, "192.0.2.10"))
                .isEqualTo("At Desk: receive on port 7101, and send answers to 192.0.2.10, port 9201.");
        assertThat(OtherEnd.words(desk, "")).contains("to this machine, port 9201");
        assertThat(OtherEnd.words(desk.over(Reach.TCP_SLIP), "192.0.2.10"))
                .contains("TCP (SLIP, OSC 1.1)")
                .doesNotContain("9201");
        assertThat(OtherEnd.words(Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.NONE), ""))
                .contains("sends nothing back");
    }

    /** Source: RFC 4180, by Commons CSV. */
    @Test
    void theSheetIsATableWithALineForEachTargetAndEachHostWithoutOne() throws IOException {
        put(
                DESK,
                Target.plain("Desk, large", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS)
                        .paced(50));
        put(
                new PartId("rack"),
                Target.plain("Rack", "192.0.2.30", 7105, 9205, Target.Answering.QUERIES)
                        .over(Reach.TCP_SLIP));
        put(
                new PartId("h1"),
                new Host(
                        "Desk's case",
                        "192.0.2.20",
                        24,
                        Host.Addressing.FIXED,
                        Host.Role.DEVICE,
                        Optional.empty(),
                        "socket \"2\"",
                        "last",
                        ""));
        put(
                new PartId("h2"),
                new Host(
                        "Router",
                        "192.0.2.1",
                        24,
                        Host.Addressing.FIXED,
                        Host.Role.ROUTER,
                        Optional.empty(),
                        "",
                        "",
                        "first"));
        try (CSVParser parser = CSVParser.parse(
                RigSheet.csv(show, Map.of(DESK, "192.0.2.10")),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())) {
            List<CSVRecord> lines = parser.getRecords();
            assertThat(lines).hasSize(3).allSatisfy(line -> assertThat(line.size())
                    .isEqualTo(13));
            assertThat(lines.get(0).get("name")).isEqualTo("Desk, large");
            assertThat(lines.get(0).get("socket")).isEqualTo("socket \"2\"");
            assertThat(lines.get(0).get("it sends answers to address")).isEqualTo("192.0.2.10");
            assertThat(lines.get(1).get("transport")).isEqualTo("TCP, SLIP");
            assertThat(lines.get(1).get("it sends answers to port")).isEmpty();
            assertThat(lines.get(2).get("host")).isEqualTo("Router");
        }
    }

    @Test
    void aTargetThatSaidItsNameBringsThePhrasebookOfThatNameAlong() {
        Phrase phrase = Phrase.plain(
                "/level", Phrase.Direction.BOTH, List.of(), AnswerRule.usual(AnswerRule.Kind.SAME), "", "");
        Phrasebook.LinkSheet sheet = new Phrasebook.LinkSheet(
                Optional.of(7105),
                Reach.UDP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.QUERIES,
                Optional.of(KeepAlive.of("/stay", 3, 7)),
                Optional.of(50),
                true,
                "osc",
                Optional.empty(),
                List.of(),
                List.of("/meters 1"),
                "");
        elsewhere = name -> name.equals("Desk")
                ? Optional.of(new KnownBook(new Phrasebook("Desk", sheet), List.of(phrase)))
                : Optional.empty();
        done(new RigChange.AddTarget(
                DESK, Optional.of("Desk"), Optional.of(new RigChange.Place("192.0.2.20", 9000)), Optional.empty()));
        Target target = (Target) show.part(DESK).orElseThrow().body();
        assertThat(target.port()).as("where it was found").isEqualTo(9000);
        assertThat(target.keepAlive()).isPresent();
        assertThat(target.startList()).containsExactly("/meters 1");
        assertThat(KnownBook.of(show, target.phrasebook().orElseThrow())
                        .orElseThrow()
                        .phrases())
                .containsExactly(phrase);

        PartId second = new PartId("second");
        done(new RigChange.AddTarget(second, Optional.of("desk (2)"), Optional.empty(), Optional.empty()));
        assertThat(show.all(Phrasebook.class))
                .as("the book that is here serves both")
                .hasSize(1);
        assertThat(((Target) show.part(second).orElseThrow().body()).phrasebook())
                .isEqualTo(target.phrasebook());
        done(new RigChange.AddTarget(new PartId("third"), Optional.of("Lamp"), Optional.empty(), Optional.empty()));
        assertThat(((Target) show.part(new PartId("third")).orElseThrow().body()).phrasebook())
                .isEmpty();
    }
}
