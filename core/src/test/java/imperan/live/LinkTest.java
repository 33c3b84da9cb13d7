package imperan.live;

import static imperan.live.Stage.MS;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.KeepAlive;
import imperan.show.PartId;
import imperan.show.Reach;
import imperan.show.Target;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** How a link turns, what it forgets then, and when it wants to be looked at again. */
class LinkTest {

    private static final PartId DESK = new PartId("desk");
    private static final Target PLAIN = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES);
    private static final Target KEPT = PLAIN.kept(KeepAlive.of("/alive", 2, 5));
    private static final long SECOND = 1_000 * MS;

    private final DueQueue<Due> due = new DueQueue<>();

    private Link link(Target target) {
        Link link = new Link(DESK, target, due, 0);
        link.socket(SocketState.open("127.0.0.1"));
        return link;
    }

    /** One that answered and of which all is known that can be. */
    private Link answering(Target target) {
        Link link = link(target);
        link.asked("/a", SECOND);
        assertThat(link.answered("/a", SECOND)).isTrue();
        link.lastSaid().heard(OscMessage.of("/a", new OscArgument.Int32(1)), false, SECOND);
        link.heardMalformed(SECOND);
        link.heardForLater(SECOND);
        link.asked("/b", SECOND);
        link.lane().askOnceSettled(Question.plain("/c", Expectation.UNTOLD), SECOND);
        return link;
    }

    // ---- states

    @ParameterizedTest
    @EnumSource
    void itIsThereWhereItSendsAnswersOrIsExpectedToSayNothing(LinkState state) {
        assertThat(state.isThere())
                .isEqualTo(EnumSet.of(LinkState.HEARD, LinkState.ANSWERING, LinkState.SENDS_ONLY)
                        .contains(state));
    }

    @Test
    void whatSaysNothingIsSentOnlyAndStaysSo() {
        Link link = link(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.NONE));
        assertThat(link.state()).isEqualTo(LinkState.SENDS_ONLY);
        link.asked("/a", 1);
        assertThat(link.heard(2)).isFalse();
        assertThat(link.answered("/a", 2)).isFalse();
        assertThat(link.answersQuestions()).isFalse();
    }

    @Test
    void itIsHeardThenAnswersWhatWasAskedAndNothingElse() {
        Link link = link(PLAIN);
        assertThat(link.state()).isEqualTo(LinkState.UNHEARD);
        assertThat(link.heard(1)).isTrue();
        assertThat(link.heard(2)).as("no news").isFalse();
        assertThat(link.answered("/a", 3)).as("nobody asked").isFalse();
        link.asked("/a", 4);
        assertThat(link.answered("/a", 5)).isTrue();
        assertThat(link.answered("/a", 6)).isFalse();
        assertThat(link.heard(7)).isFalse();
        assertThat(link.why()).isEqualTo("it answered /a");
    }

    @Test
    void itIsReachableUnlessItIsLostOrItsPortOrOursIsClosed() {
        Link link = link(PLAIN);
        assertThat(link.isReachable()).isTrue();
        assertThat(link.portClosed(1)).isTrue();
        assertThat(link.portClosed(2)).isFalse();
        assertThat(link.isReachable()).isFalse();
        link.heard(3);
        assertThat(link.isReachable()).isTrue();
        link.socket(SocketState.taken("it is taken"));
        assertThat(link.isReachable()).isFalse();
    }

    @Test
    void aPortThatIsClosedAnswersNothingOfWhatWasAskedBefore() {
        Link link = answering(PLAIN);
        link.portClosed(2 * SECOND);
        assertThat(link.answered("/b", 3 * SECOND)).isFalse();
        assertThat(link.lastSaid().on("/a"))
                .as("it may have been switched off and on")
                .isEmpty();
    }

    @Test
    void withoutAWayOutOneThatAnsweredIsLostButNotWhileASocketIsOpened() {
        Link link = answering(PLAIN);
        link.socket(SocketState.opening());
        assertThat(link.cutOff(2 * SECOND)).isFalse();
        link.socket(SocketState.noWay("no network"));
        assertThat(link.cutOff(2 * SECOND)).isTrue();
        assertThat(link.why()).isEqualTo("no network");
        assertThat(link.cutOff(2 * SECOND)).isFalse();
        Link unheard = link(PLAIN);
        unheard.socket(SocketState.noWay("no network"));
        assertThat(unheard.cutOff(1)).isFalse();
    }

    @Test
    void whatIsNewIsSaid() {
        Link link = link(PLAIN);
        assertThat(link.silentHost(true)).isTrue();
        assertThat(link.silentHost(true)).isFalse();
        assertThat(link.view().silentHost()).isTrue();
        assertThat(link.silentHost(false)).isTrue();
        assertThat(link.socket(SocketState.open("127.0.0.1"))).isFalse();
        assertThat(link.socket(SocketState.opening())).isTrue();
    }

    // ---- when it is looked at again

    @Test
    void aKeepAliveIsDueAtOnceThenInItsPeriodAndItsAnswerIsNoted() {
        Link link = link(KEPT);
        assertThat(due.next()).isLessThanOrEqualTo(0);
        assertThat(link.keepAlive(SECOND))
                .hasValueSatisfying(message -> assertThat(message.address()).isEqualTo("/alive"));
        assertThat(link.keepAlive(SECOND)).isEmpty();
        assertThat(link.nextDue()).isEqualTo(3 * SECOND);
        assertThat(link.arrivals().keptAliveAt()).isEmpty();
        link.answered("/other", SECOND);
        assertThat(link.arrivals().keptAliveAt()).isEmpty();
        assertThat(link.answered("/alive", 2 * SECOND)).isTrue();
        assertThat(link.arrivals().keptAliveAt()).hasValue(2 * SECOND);
        assertThat(link.keepAliveNow(2 * SECOND + 1)).isPresent();
        assertThat(link.keepAlive(3 * SECOND)).isEmpty();
    }

    @Test
    void aSocketThatWorksAgainIsKeptAliveAtOnce() {
        Link link = link(KEPT);
        link.keepAlive(SECOND);
        link.socket(SocketState.opening());
        assertThat(link.keepAlive(10 * SECOND)).as("no way to it").isEmpty();
        link.socket(SocketState.open("127.0.0.1"));
        assertThat(link.keepAlive(SECOND + 1)).isPresent();
    }

    @Test
    void theWindowOfAKeepAliveCountsFromWhatWasHeardLast() {
        Link link = link(KEPT);
        link.keepAlive(SECOND);
        assertThat(link.passes(100 * SECOND)).as("it never answered").isFalse();
        link.answered("/alive", SECOND);
        link.heard(2 * SECOND);
        link.keepAlive(100 * SECOND);
        assertThat(link.passes(7 * SECOND - 1)).isFalse();
        assertThat(link.view().awayAt()).isEmpty();
        assertThat(link.passes(7 * SECOND)).isTrue();
        assertThat(link.state()).isEqualTo(LinkState.LOST);
        link.answered("/alive", 9 * SECOND);
        assertThat(link.view().awayAt()).as("it was away, though it is back").hasValue(7 * SECOND);
    }

    @Test
    void thatItWasAwayIsRememberedOverARestartOfOurs() {
        Link link = link(KEPT);
        link.wasAway(5 * SECOND);
        assertThat(link.view().awayAt()).hasValue(5 * SECOND);
        link.wasAway(3 * SECOND);
        assertThat(link.view().awayAt()).as("the last time counts").hasValue(5 * SECOND);
    }

    @Test
    void withoutAKeepAliveItIsLostOnlyWhereSomethingStaysUnanswered() {
        Link link = link(PLAIN);
        link.asked("/a", SECOND);
        link.answered("/a", SECOND);
        link.heard(SECOND);
        assertThat(link.nextDue()).as("nothing is asked").isEqualTo(DueQueue.NEVER);
        link.asked("/b", 2 * SECOND);
        assertThat(due.next()).isLessThanOrEqualTo(link.nextDue());
        long end = link.nextDue();
        assertThat(end).isGreaterThan(2 * SECOND);
        assertThat(link.passes(end - 1)).isFalse();
        assertThat(link.passes(end)).isTrue();
    }

    @Test
    void heldItIsNotLostUnlessItIsKeptAliveMeanwhile() {
        Link plain = answering(PLAIN);
        plain.gate(Gate.HELD, SECOND);
        assertThat(plain.passes(1_000 * SECOND)).isFalse();
        Link kept = link(KEPT);
        kept.keepAlive(SECOND);
        kept.answered("/alive", SECOND);
        kept.heard(SECOND);
        kept.gate(Gate.HELD, SECOND);
        assertThat(kept.passes(1_000 * SECOND)).isTrue();
    }

    // ---- another description

    static Stream<Target> moved() {
        return Stream.of(
                Target.plain("Desk", "127.0.0.2", 7101, 9201, Target.Answering.QUERIES),
                Target.plain("Desk", "127.0.0.1", 7102, 9201, Target.Answering.QUERIES),
                Target.plain("Desk", "127.0.0.1", 7101, 9202, Target.Answering.QUERIES),
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS),
                PLAIN.over(Reach.TCP_SLIP));
    }

    @ParameterizedTest
    @MethodSource
    void moved(Target elsewhere) {
        Link link = answering(PLAIN);
        AnswerLog before = link.answerLog();
        link.describe(elsewhere, 5 * SECOND);
        assertThat(link.state()).isEqualTo(LinkState.UNHEARD);
        assertThat(link.why()).contains("another address, port or habit");
        assertThat(link.answered("/b", 6 * SECOND))
                .as("it was asked of the one before")
                .isFalse();
        assertThat(link.lane().questions(100 * SECOND)).isEmpty();
        assertThat(link.lastSaid().all()).isEmpty();
        assertThat(link.answerLog()).isNotSameAs(before);
        assertThat(link.arrivals())
                .isEqualTo(new Observed.Arrivals(Optional.empty(), Optional.empty(), Optional.empty()));
    }

    @Test
    void anotherNamePaceOrStartListLeavesAllAsItIs() {
        Link link = answering(PLAIN);
        AnswerLog before = link.answerLog();
        link.describe(
                Target.plain("Mixer", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES)
                        .startingWith(List.of("/go"))
                        .paced(1),
                5 * SECOND);
        assertThat(link.state()).isEqualTo(LinkState.ANSWERING);
        assertThat(link.answerLog()).isSameAs(before);
        assertThat(link.lastSaid().on("/a")).isPresent();
        assertThat(link.arrivals().malformedAt()).hasValue(SECOND);
        assertThat(link.lane().questions(100 * SECOND)).containsExactly(Question.plain("/c", Expectation.UNTOLD));
        assertThat(link.target().name()).isEqualTo("Mixer");
    }

    @Test
    void anotherDescriptionIsKeptAliveAtOnce() {
        Link link = link(KEPT);
        link.keepAlive(SECOND);
        link.describe(PLAIN.kept(KeepAlive.of("/ping", 2, 5)), SECOND + 1);
        assertThat(link.keepAlive(SECOND + 2))
                .hasValueSatisfying(message -> assertThat(message.address()).isEqualTo("/ping"));
    }
}
