package imperan;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.check.Checks;
import imperan.check.Finding;
import imperan.check.FindingKind;
import imperan.check.NetworkFacts;
import imperan.live.Gate;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.SocketState;
import imperan.plan.OtherEnd;
import imperan.rig.Adapter;
import imperan.rig.Prefix;
import imperan.shaping.Chain;
import imperan.shaping.Scale;
import imperan.shaping.Shaper;
import imperan.shaping.Signal;
import imperan.shaping.Smooth;
import imperan.shaping.Span;
import imperan.show.KeepAlive;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.HandMemory;
import imperan.show.form.Tilt;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Facts that the trade goes by, each beside the computation that it concerns. All of them: common practice, no source. */
class CommonPracticeTest {

    private static final PartId DESK = new PartId("desk");

    private static List<FindingKind> found(Show show, NetworkFacts facts) {
        Checks checks = new Checks(show);
        checks.now(facts, List.of());
        return checks.all().stream().map(Finding::kind).toList();
    }

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

    /** Ports come in crosswise pairs: the one I send to is the one you receive on, and the other way round. */
    @Test
    void theOtherEndSendsToTheVeryPortOnWhichWeWait() {
        Target desk = Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.REPORTS);
        assertThat(OtherEnd.words(desk, "192.0.2.10")).contains("7101").contains("9201");
        Show crossed = Shows.accepted(
                Show.empty(),
                ADA,
                put(DESK, null, Target.plain("Desk", "127.0.0.1", 9201, 7101, Target.Answering.REPORTS)));
        NetworkFacts taken = new NetworkFacts(
                List.of(new Adapter("lo", List.of(Prefix.of("127.0.0.1/8")), true)),
                List.of(link(SocketState.taken("Port 7101 is taken"), LinkState.UNHEARD)),
                List.of());
        assertThat(found(crossed, taken))
                .as(
                        "a program of this machine receives on the port on which we wait: the numbers stand the wrong way round")
                .contains(FindingKind.SWAPPED_PORTS);
    }

    /** Two servers on one machine cannot receive on the same port; the socket refuses it (the server is refused it: NetworkTest of the browser shows what is said then). */
    @Test
    void twoServersOnOneMachineNeedTwoPorts() {
        Target one = Target.plain("One", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS);
        Show show = Shows.accepted(
                Show.empty(),
                ADA,
                put(DESK, null, one),
                put(
                        new PartId("other"),
                        null,
                        Target.plain("Other", "127.0.0.1", 9201, 9202, Target.Answering.REPORTS)));
        assertThat(found(show, NetworkFacts.NONE))
                .as("the other one is to receive where we wait for the answers of the first")
                .contains(FindingKind.OUR_OWN_PORT);
        assertThat(found(Shows.accepted(show, ADA, Shows.change(show, DESK, one.answeringTo(9203))), NetworkFacts.NONE))
                .doesNotContain(FindingKind.OUR_OWN_PORT);
    }

    /** A mixing desk forgets a remote after about 10 s unless it renews; clients renew every 9 s. */
    @Test
    void aRenewalComesJustBeforeTheDeskForgets() {
        assertThat(Shows.apply(
                        Show.empty(), ADA, put(DESK, null, Shows.target("Desk").kept(KeepAlive.of("/renew", 9, 10)))))
                .isInstanceOf(Outcome.Accepted.class);
        assertThat(Shows.refused(
                        Show.empty(), ADA, put(DESK, null, Shows.target("Desk").kept(KeepAlive.of("/renew", 10, 10)))))
                .extracting(problem -> problem.field())
                .as("at the moment in which it forgets it is too late")
                .containsExactly("keepAlive/everySeconds");
    }

    /** A tilt of one unit maps to 45°. */
    @Test
    void aFullTiltIsFortyFiveDegrees() {
        Tilt tilt = new Tilt(45);
        HandMemory memory = HandMemory.fresh();
        assertThat(tilt.tilted(45, -45, memory).orElseThrow().get(0)).isEqualTo(1);
        assertThat(tilt.tilted(45, -45, memory).orElseThrow().get(1)).isIn(0.0, 1.0);
        assertThat(tilt.tilted(0, 0, memory).orElseThrow().get(0)).isEqualTo(0.5);
    }

    /** A smoothing of 0.2 s takes the jitter out of a hand-held tilt sensor: of a tremor of 8 to 12 Hz, seen 60 times a second, less than a fifth is left. */
    @Test
    void aFifthOfASecondTakesTheJitterOutOfAHand() {
        Random random = new Random(3);
        double frequency = 8 + 4 * random.nextDouble();
        Shaper shaper = new Shaper(new Chain(List.of(new Smooth(0.2))));
        double largest = 0;
        for (int i = 0; i < 600; i++) {
            long now = i * 1_000_000_000L / 60;
            double trembling = 0.5 + 0.02 * Math.sin(2 * Math.PI * frequency * i / 60);
            Optional<Signal> out = shaper.feed(trembling, now, false).or(() -> shaper.at(now));
            if (i > 120 && out.isPresent()) {
                largest = Math.max(largest, Math.abs(out.get().number() - 0.5));
            }
        }
        assertThat(largest).isPositive().isLessThan(0.02 / 5);
    }

    /** A control voltage of −5 to +5 V from 0 to 127. */
    @Test
    void aControlVoltageFromAControllersNumber() {
        Chain volts = new Chain(Span.between(0, 127), List.of(new Scale(0, 127, -5, 5)));
        assertThat(volts.settled(0).orElseThrow().number()).isEqualTo(-5);
        assertThat(volts.settled(127).orElseThrow().number()).isEqualTo(5);
        assertThat(volts.settled(63.5).orElseThrow().number()).isEqualTo(0, within(1e-12));
        assertThat(volts.back(2.5).orElseThrow()).isEqualTo(95.25, within(1e-9));
    }
}
