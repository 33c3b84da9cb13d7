package imperan.live;

import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.show.Control;
import imperan.show.CueList;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.KeepAlive;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What comes to the running show from outside, what is told of it, and because of what. */
class LiveShowTest {

    private static final PartId LIST = new PartId("list");
    private static final Target PLAIN = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES);

    private Show show;
    private Stage stage;

    @BeforeEach
    void aDeskWithALevel() {
        runs(PLAIN);
    }

    private void runs(Target desk) {
        Show base = Shows.withPage();
        show = Shows.accepted(
                base,
                Shows.ADA,
                Shows.change(base, DESK, desk),
                put(new PartId("level"), PAGE, fader("Level", 0, "/level")),
                put(LIST, null, CueList.plain("Walk")));
        stage = new Stage(show);
        stage.pass(100);
        stage.takeSent();
        stage.events.clear();
    }

    private List<Cause> causes() {
        return stage.events.stream().map(LiveEvent::cause).toList();
    }

    private <E extends LiveEvent> List<E> told(Class<E> kind) {
        return stage.events.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    @Test
    void eachInputHasItsOwnNumberAndSaysWhatItWas() {
        stage.desk("/level", 0.5f);
        Cause arrival = told(LiveEvent.PacketIn.class).get(0).cause();
        assertThat(arrival.origin()).isEqualTo(Cause.Origin.ARRIVAL);
        assertThat(arrival.hops()).isEqualTo(1);
        long first = arrival.number();
        stage.events.clear();
        stage.live.portClosed(DESK, stage.now);
        assertThat(causes()).isNotEmpty().allSatisfy(cause -> {
            assertThat(cause.origin()).isEqualTo(Cause.Origin.ARRIVAL);
            assertThat(cause.number()).isEqualTo(first + 1);
        });
        stage.events.clear();
        stage.live.socket(DESK, SocketState.noWay("no network"), stage.now);
        assertThat(causes()).isNotEmpty().allSatisfy(cause -> {
            assertThat(cause.origin()).isEqualTo(Cause.Origin.ORDER);
            assertThat(cause.number()).isEqualTo(first + 2);
        });
    }

    @Test
    void whatTheSocketAndTheNetworkSayIsToldWhereItIsNew() {
        assertThat(stage.live.linkState(DESK)).hasValue(LinkState.UNHEARD);
        assertThat(stage.live.linkState(new PartId("gone"))).isEmpty();
        stage.live.silentHost(DESK, true);
        stage.live.silentHost(DESK, true);
        assertThat(told(LiveEvent.LinkChanged.class)).hasSize(1);
        stage.live.silentHost(new PartId("gone"), true);
        stage.live.socket(DESK, SocketState.opening(), stage.now);
        stage.live.socket(DESK, SocketState.opening(), stage.now);
        assertThat(told(LiveEvent.LinkChanged.class)).hasSize(2);
    }

    @Test
    void aTargetIsAskedAsSoonAsThereIsAWayToIt() {
        stage.live.socket(DESK, SocketState.opening(), stage.now);
        stage.takeSent();
        stage.live.socket(DESK, SocketState.open("127.0.0.1"), stage.now);
        assertThat(stage.takeSent()).as("at once").contains("/level");
    }

    @Test
    void aKeepAliveIsSaidAsOneAndTheLinkIsLostByTime() {
        runs(PLAIN.kept(KeepAlive.of("/alive", 1, 3)));
        stage.desk("/alive", new OscArgument.Int32(1));
        assertThat(stage.live.linkState(DESK)).hasValue(LinkState.ANSWERING);
        stage.events.clear();
        stage.pass(1_000);
        assertThat(told(LiveEvent.PacketOut.class))
                .filteredOn(out -> out.cause().origin() == Cause.Origin.KEEP_ALIVE)
                .isNotEmpty();
        stage.events.clear();
        stage.pass(4_000);
        assertThat(stage.live.linkState(DESK)).hasValue(LinkState.LOST);
        assertThat(told(LiveEvent.LinkTurned.class))
                .singleElement()
                .satisfies(turned -> assertThat(turned.cause().origin()).isEqualTo(Cause.Origin.TIME));
        stage.takeSent();
        stage.pass(1_000);
        assertThat(stage.takeSent()).as("it is asked on").contains("/alive");
    }

    @Test
    void whatIsBroughtBackIsTold() {
        stage.live.restore(List.of(
                new SavedValue(
                        new PartId("level"),
                        List.of(new ControlValue.Axis(0.5, Optional.empty())),
                        Belief.KNOWN,
                        "Ada"),
                new SavedValue(new PartId("gone"), List.of(), Belief.KNOWN, "")));
        assertThat(told(LiveEvent.ValueChanged.class))
                .extracting(LiveEvent.ValueChanged::control)
                .containsExactly(new PartId("level"));
        assertThat(stage.value("level").belief()).isEqualTo(Belief.STALE);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void itsListsAreThere() {
        assertThat(stage.live.cueLists()).extracting(CueListView::list).containsExactly(LIST);
        assertThat(stage.live.tracks()).isEmpty();
        assertThat(stage.live.sets()).isEmpty();
        assertThat(stage.live.collected(new PartId("gone"))).isEmpty();
        assertThat(stage.live.trace(new PartId("level")).orElseThrow().stopped())
                .isEmpty();
        assertThat(stage.live.trace(new PartId("gone"))).isEmpty();
    }

    @Test
    void anEditThatIsNotTheNextOneIsFollowedByWhatIsDifferent() {
        Outcome.Accepted first = (Outcome.Accepted) show.apply(
                new EditRequest("One", List.of(put(new PartId("one"), PAGE, fader("One", 1, "/one")))), Shows.ADA);
        Outcome.Accepted second = (Outcome.Accepted) first.show()
                .apply(
                        new EditRequest("Two", List.of(put(new PartId("two"), PAGE, fader("Two", 2, "/two")))),
                        Shows.ADA);
        stage.live.follow(second.show(), second.edit(), stage.now);
        assertThat(stage.live.controls()).contains(new PartId("one"), new PartId("two"));
        Outcome.Accepted third = (Outcome.Accepted) second.show()
                .apply(
                        new EditRequest(
                                "Three",
                                List.of(Shows.change(
                                        second.show(),
                                        new PartId("one"),
                                        ((Control) second.show()
                                                        .part(new PartId("one"))
                                                        .orElseThrow()
                                                        .body())
                                                .labelled("Uno")))),
                        Shows.ADA);
        Edit edit = third.edit();
        stage.live.follow(third.show(), edit, stage.now);
        assertThat(stage.live.controls()).hasSize(3);
    }

    @Test
    void noMoreIsDoneAtOnceThanHandsShouldWaitFor() {
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            steps.add(put(
                    new PartId("rack-" + i),
                    null,
                    Target.plain("Rack " + i, "127.0.1." + (i + 1), 7200 + i, 9300 + i, Target.Answering.QUERIES)
                            .kept(KeepAlive.of("/alive", 60, 180))));
        }
        stage = new Stage(Shows.accepted(show, Shows.ADA, steps.toArray(EditRequest.Step[]::new)));
        for (int i = 0; i < 100; i++) {
            stage.live.socket(new PartId("rack-" + i), SocketState.open("127.0.0.1"), stage.now);
        }
        stage.takeSent();
        stage.live.takeDue(stage.now);
        assertThat(stage.takeSent()).filteredOn("/alive"::equals).hasSize(64);
        assertThat(stage.live.nextDue()).isLessThanOrEqualTo(stage.now);
        stage.live.takeDue(stage.now);
        assertThat(stage.takeSent()).filteredOn("/alive"::equals).hasSize(36);
    }

    @Test
    void whatTurnsOutNotToHaveLeftIsTakenBackBecauseOfTime() {
        stage.touch(Stage.ADA, "level", Touch.Phase.PRESS, 0.5);
        stage.touch(Stage.ADA, "level", Touch.Phase.MOVE, 0.25);
        stage.events.clear();
        stage.live.notSent(
                DESK, OscEncoder.encode(OscMessage.of("/level", new OscArgument.Float32(0.5f))), stage.now + MS);
        stage.live.notSent(new PartId("gone"), new byte[0], stage.now);
        assertThat(causes()).isNotEmpty().allSatisfy(cause -> assertThat(cause.origin())
                .isEqualTo(Cause.Origin.TIME));
    }

    @Test
    void aPacketThatBeginsAnswersIsFollowedByQuestionsAtOnce() {
        stage.live.carryOut(new Command.Say(DESK, "/ping"), Actor.of(Stage.ADA), stage.now);
        stage.takeSent();
        byte[] bytes = OscEncoder.encode(OscMessage.of("/ping", new OscArgument.Int32(1)));
        stage.live.received(DESK, "127.0.0.1", 7101, bytes, new OscDecoder().decode(bytes), stage.now);
        assertThat(stage.takeSent()).as("in the same turn").contains("/level");
    }
}
