package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.shaping.Edge;
import imperan.shaping.Scale;
import imperan.shaping.Smooth;
import imperan.shaping.Table;
import imperan.shaping.Threshold;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.EditRequest;
import imperan.show.Forward;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What one target says drives another one. */
class ForwardsTest {

    private static final PartId WATER = new PartId("water");
    private static final PartId FORWARD = new PartId("forward");
    private static final PartId BACK = new PartId("back");
    /** From the desk to the water. */
    private static final Forward PLAIN =
            Forward.plain("Main to tilt", Optional.of(DESK), "/main", Optional.of(WATER), "/tilt");

    private Show show;
    private Stage stage;

    private void runs(Forward forward, EditRequest.Step... more) {
        Target water = Target.plain("Water", "127.0.0.1", 7102, 9202, Target.Answering.QUERIES);
        show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(WATER, null, water),
                put(FORWARD, null, forward),
                put(new PartId("it"), PAGE, fader("It", 0, "/tilt")));
        if (more.length > 0) {
            show = Shows.accepted(show, Shows.ADA, more);
        }
        stage = new Stage(show);
        stage.live.socket(WATER, SocketState.open("127.0.0.1"), stage.now);
        stage.takeSent();
        stage.pass(0);
    }

    private void change(Forward forward) {
        Outcome.Accepted done = (Outcome.Accepted)
                show.apply(new EditRequest("Change", List.of(Shows.change(show, FORWARD, forward))), Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
    }

    private void water(String address, float value) {
        byte[] bytes = OscEncoder.encode(OscMessage.of(address, new OscArgument.Float32(value)));
        stage.live.received(9202, "127.0.0.1", 7102, bytes, new OscDecoder().decode(bytes), stage.now);
    }

    private ForwardView view(PartId forward) {
        return stage.live.forwards().stream()
                .filter(each -> each.forward().equals(forward))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatIsHeardIsSaidOnThroughItsSteps() {
        runs(PLAIN.shaped(List.of(new Scale(0, 1, -30, 30))));
        stage.desk("/main", 0.75f);
        assertThat(stage.takeSent()).containsExactly("/tilt 15.0");
        stage.pass(50);
        stage.desk("/main", 0.75f);
        assertThat(stage.takeSent()).as("the same again says nothing new").isEmpty();
        stage.desk("/other", 0.5f);
        water("/main", 0.5f);
        assertThat(stage.takeSent()).as("another address, or another target").isEmpty();
        assertThat(view(FORWARD).heard()).isEqualTo(2);
        assertThat(view(FORWARD).sent()).isEqualTo(1);
        change(PLAIN.switched(false));
        stage.desk("/main", 0.25f);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void fixedArgumentsStandBesideItAndTextsAreSaidOn() {
        runs(PLAIN.saying(List.of(
                new ArgumentSource.Fixed(ArgumentType.INT32, "3"),
                new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0))));
        stage.desk("/main", 7.6f);
        assertThat(stage.takeSent()).as("whole numbers are rounded").containsExactly("/tilt 3  8");
        runs(PLAIN.saying(List.of(new ArgumentSource.Value(ArgumentType.TEXT, List.of(), 0))));
        stage.desk("/main", new OscArgument.Text("Low water"));
        assertThat(stage.takeSent()).containsExactly("/tilt “Low water”");
    }

    @Test
    void ofWhatComesFasterThanItMayTheLatestCounts() {
        runs(PLAIN);
        for (int i = 1; i <= 100; i++) {
            stage.desk("/main", i);
            stage.pass(1);
        }
        stage.pass(100);
        assertThat(stage.sent)
                .as("50 a second, the first at once and the last for certain")
                .hasSizeBetween(5, 7)
                .startsWith("/tilt 1.0")
                .endsWith("/tilt 100.0");
        assertThat(view(FORWARD).merged()).isGreaterThan(90);
        runs(PLAIN.atMost(200));
        for (int i = 1; i <= 100; i++) {
            stage.desk("/main", i);
            stage.pass(1);
        }
        assertThat(stage.sent).hasSizeBetween(19, 22);
    }

    @Test
    void whatWaitsForItsPaceLeavesThoughTheForwardIsEdited() {
        runs(PLAIN.atMost(1));
        stage.desk("/main", 0.25f);
        stage.desk("/main", 0.5f);
        stage.takeSent();
        change(PLAIN.atMost(2));
        stage.pass(1_000);
        assertThat(stage.takeSent()).containsExactly("/tilt 0.5");
        stage.desk("/main", 0.75f);
        stage.desk("/main", 1);
        stage.takeSent();
        change(PLAIN.atMost(2).saying(List.of(new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0))));
        stage.pass(1_000);
        assertThat(stage.takeSent())
                .as("what waited was made for another message")
                .isEmpty();
    }

    /** A limit rule with re-arm: the wave runs over, and is reset once, until it has been well below. */
    @Test
    void aLimitResetsTheWaveOnce() {
        Forward limit = Forward.plain("Wave limit", Optional.of(WATER), "/wave", Optional.of(WATER), "/reset")
                .shaped(List.of(new Threshold(20, 2), new Edge(Edge.Way.RISING)))
                .saying(List.of());
        runs(limit);
        for (float height : new float[] {10, 19.5f, 20.5f, 25, 19.5f, 20.5f}) {
            water("/wave", height);
            stage.pass(100);
        }
        assertThat(stage.takeSent()).as("19.5 does not arm it again").containsExactly("/reset");
        for (float height : new float[] {17, 21, 22}) {
            water("/wave", height);
            stage.pass(100);
        }
        assertThat(stage.takeSent()).containsExactly("/reset");
    }

    /** Source: the closed form of first-order smoothing. */
    @Test
    void whatIsSmoothedGoesOnByItselfAndAnEditKeepsWhereItIs() {
        runs(PLAIN.shaped(List.of(new Smooth(0.25))).atMost(100));
        stage.desk("/main", 0);
        stage.desk("/main", 1);
        long began = stage.now;
        stage.pass(250);
        assertThat(stage.takeSent()).hasSizeGreaterThan(10);
        change(PLAIN.shaped(List.of(new Smooth(0.25))).atMost(50));
        stage.pass(250);
        List<String> sent = stage.takeSent();
        assertThat(Double.parseDouble(sent.get(sent.size() - 1).substring(6)))
                .isEqualTo(1 - Math.exp(-(stage.now - began) / 0.25e9), within(0.02));
        stage.pass(5_000);
        assertThat(stage.takeSent()).last().isEqualTo("/tilt 1.0");
        assertThat(stage.live.nextDue()).isGreaterThan(stage.now + 1_000 * MS);
    }

    @Test
    void answersToOurOwnQuestionsDriveNothing() {
        runs(Forward.plain("Tilt to main", Optional.of(WATER), "/tilt", Optional.of(DESK), "/main"));
        Asking.say(stage.live, WATER, "/tilt", stage.now);
        stage.takeSent();
        water("/tilt", 0.5f);
        assertThat(stage.takeSent()).isEmpty();
        water("/tilt", 0.75f);
        assertThat(stage.takeSent()).as("what it says next, it says by itself").containsExactly("/main 0.75");
    }

    /** Eddy tells its wave height only when it is asked. */
    @Test
    void aTargetThatTellsOnlyWhenItIsAskedIsAskedForTheForward() {
        runs(Forward.plain("Wave", Optional.of(WATER), "/wave", Optional.of(DESK), "/main")
                .asking(0.5));
        stage.pass(1_100);
        assertThat(stage.takeSent()).as("at once, and twice a second").containsExactly("/wave", "/wave", "/wave");
        water("/wave", 0.5f);
        assertThat(stage.takeSent()).containsExactly("/main 0.5");
        Asking.gate(stage.live, WATER, Gate.SILENT, stage.now);
        stage.pass(2_000);
        assertThat(stage.takeSent()).isEmpty();
        Asking.gate(stage.live, WATER, Gate.OPEN, stage.now);
        change(Forward.plain("Wave", Optional.of(WATER), "/wave", Optional.of(DESK), "/main"));
        stage.pass(2_000);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void aRingOfForwardsStopsAfterOneRound() {
        runs(
                PLAIN,
                put(
                        BACK,
                        null,
                        Forward.plain("Tilt to main", Optional.of(WATER), "/tilt", Optional.of(DESK), "/main")));
        stage.desk("/main", 0.5f);
        assertThat(stage.takeSent()).containsExactly("/tilt 0.5");
        stage.pass(30);
        water("/tilt", 0.5f);
        assertThat(stage.takeSent()).containsExactly("/main 0.5");
        stage.pass(30);
        stage.desk("/main", 0.5f);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view(FORWARD).stopped()).hasValue(new Reason.ForwardLoop("Main to tilt"));
        assertThat(stage.events)
                .anyMatch(event ->
                        event instanceof LiveEvent.Stopped stopped && stopped.reason() instanceof Reason.ForwardLoop);
        stage.pass(30);
        stage.desk("/main", 0.6f);
        assertThat(stage.takeSent())
                .as("a hand at the desk goes on to move both")
                .containsExactly("/tilt 0.6");
    }

    /** On which addresses it was said that nothing left, for a reason, because of a forward. */
    private List<String> told(Reason reason) {
        return stage.events.stream()
                .filter(event -> event instanceof LiveEvent.Stopped stopped
                        && stopped.reason().equals(reason)
                        && event.cause().origin() == Cause.Origin.FORWARD)
                .map(event -> ((LiveEvent.Stopped) event).line().orElseThrow().address())
                .toList();
    }

    @Test
    void aHandStandsBeforeAForward() {
        runs(Forward.plain("Main to level", Optional.of(DESK), "/main", Optional.of(DESK), "/tilt"));
        stage.touch(ADA, "it", Touch.Phase.PRESS, 0.5);
        stage.touch(ADA, "it", Touch.Phase.MOVE, 0.6);
        stage.takeSent();
        stage.desk("/main", 0.9f);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view(FORWARD).stopped()).hasValue(new Reason.LineHeldByHand());
        assertThat(told(new Reason.LineHeldByHand())).containsExactly("/tilt");
        stage.touch(ADA, "it", Touch.Phase.RELEASE, 0.6);
        stage.pass(50);
        stage.desk("/main", 0.8f);
        assertThat(stage.takeSent()).contains("/tilt 0.8");
    }

    @Test
    void aHeldTargetIsSparedAndTheWireSaysSo() {
        runs(PLAIN);
        Asking.gate(stage.live, WATER, Gate.HELD, stage.now);
        stage.desk("/main", 0.5f);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.wire)
                .anyMatch(record -> record.out()
                        && record.reason()
                                .filter(Reason.Gated.class::isInstance)
                                .isPresent());
        assertThat(stage.events)
                .filteredOn(LiveEvent.PacketOut.class::isInstance)
                .last()
                .satisfies(event -> {
                    assertThat(event.cause().origin()).isEqualTo(Cause.Origin.FORWARD);
                    assertThat(event.cause().actor().name()).isEqualTo("Main to tilt");
                    assertThat(event.cause().hops()).isEqualTo(1);
                });
    }

    @Test
    void withoutItsTargetItSaysWhy() {
        runs(Forward.plain("Nowhere", Optional.of(DESK), "/main", Optional.empty(), "/tilt"));
        stage.desk("/main", 0.5f);
        assertThat(view(FORWARD).stopped()).hasValue(new Reason.NoTarget());
        assertThat(told(new Reason.NoTarget())).containsExactly("/tilt");
    }

    /** What a stranger at the far end may send: what cannot be sent on is said, and what steps remember is not spoiled by it. */
    @Test
    void whatCannotBeSentOnIsSaidAndSpoilsNothing() {
        runs(PLAIN.shaped(List.of(new Smooth(0.1))));
        stage.desk("/main", 0.5f);
        assertThat(stage.takeSent()).containsExactly("/tilt 0.5");
        stage.desk("/main", new OscArgument.Text("no number"));
        assertThat(view(FORWARD).stopped()).hasValue(new Reason.NotANumber("no number"));
        stage.desk("/main", Float.NaN);
        stage.desk("/main", new OscArgument.Blob(new byte[] {1}));
        assertThat(view(FORWARD).stopped()).hasValue(new Reason.NoSuchArgument(0));
        stage.pass(1_000);
        assertThat(stage.takeSent()).isEmpty();
        stage.desk("/main", 0.75f);
        stage.pass(2_000);
        assertThat(stage.takeSent()).last().isEqualTo("/tilt 0.75");
        runs(PLAIN);
        stage.desk("/main", new OscArgument.Text("no number"));
        assertThat(stage.takeSent()).as("not as a number that is none").isEmpty();
        runs(PLAIN.shaped(List.of(
                new Table(List.of(new Table.Entry("high", "1"), new Table.Entry("low", "0")), Optional.empty()))));
        stage.desk("/main", new OscArgument.Text("high"));
        assertThat(stage.takeSent()).as("a table makes numbers of texts").containsExactly("/tilt 1.0");
    }

    @Test
    void aForwardIsRefusedInWords() {
        runs(PLAIN);
        assertThat(Shows.refused(show, Shows.ADA, Shows.change(show, FORWARD, PLAIN.atMost(0))))
                .extracting(problem -> problem.field())
                .containsExactly("perSecond");
        assertThat(Shows.refused(
                        show, Shows.ADA, Shows.change(show, FORWARD, PLAIN.shaped(List.of(new Scale(1, 1, 0, 1))))))
                .extracting(problem -> problem.field())
                .containsExactly("shaping/0");
        assertThat(Shows.refused(
                        show,
                        Shows.ADA,
                        Shows.change(
                                show, FORWARD, PLAIN.saying(List.of(new ArgumentSource.Typed(ArgumentType.TEXT))))))
                .extracting(problem -> problem.message())
                .containsExactly("A forward says fixed arguments and the value that it heard");
    }
}
