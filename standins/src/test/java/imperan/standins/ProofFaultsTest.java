package imperan.standins;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.NetworkFacts;
import imperan.live.Command;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Facts;
import imperan.proof.Suspect;
import imperan.proof.WhyNot;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
import imperan.proof.run.Conditions;
import imperan.proof.run.Outcome;
import imperan.proof.run.Planner;
import imperan.proof.run.ProofRun;
import imperan.proof.run.Scope;
import imperan.show.AnswerRule;
import imperan.standins.OneDevice.Device;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every fault of every device while it is proved, on a clock of their own and without a socket: the verdict of its first line, and what is named first as the cause, are what the
 * fault does to the packets. The table is made from both, so none can be left out.
 */
class ProofFaultsTest {

    /** Longer than any proof of two lines takes. */
    private static final int MOST_STEPS = 40_000;

    private final OneDevice hall = new OneDevice();

    private List<Outcome> prove() {
        ProofRun run = new ProofRun(
                Planner.plan(
                        hall.show,
                        Scope.ALL,
                        new Conditions(Conditions.USUAL_TIMES, false, Set.of()),
                        hall.live.links()),
                "Ada");
        hall.told = event -> run.happened(event, 0);
        for (int i = 0; i < MOST_STEPS && run.phase() != ProofRun.Phase.ENDED; i++) {
            run.act(hall.live, 0, hall.now);
            hall.deliver();
            run.isWrittenDown();
            hall.pass(5);
        }
        assertThat(run.phase()).isEqualTo(ProofRun.Phase.ENDED);
        return run.outcomes();
    }

    private void stage(Device which, Fault fault) {
        hall.isStandIn = true;
        hall.stage(which, fault);
        hall.pass(500);
        hall.touch(OneDevice.CONTROLS.get(0), 0.2);
        hall.pass(2_000);
        hall.touch(OneDevice.CONTROLS.get(1), 0.2);
        hall.pass(2_000);
        // somebody else spoke to it last, which matters to one fault only
        hall.device.receive(
                new StandIn.Heard(StandIn.Peer.datagrams(OneDevice.HERE, 5_555), OscMessage.of("/other"), false),
                hall.now,
                hall::say);
        if (fault != null) {
            hall.device.faults().add(fault);
        }
    }

    static Stream<Object[]> everyFaultOfEveryDevice() {
        return Arrays.stream(Device.values())
                .flatMap(each -> Arrays.stream(Fault.values()).map(fault -> new Object[] {each, fault}));
    }

    @ParameterizedTest
    @MethodSource("everyFaultOfEveryDevice")
    void isJudgedAsWhatItDoesToThePackets(Device which, Fault fault) {
        stage(which, fault);
        // one line tells of a closed port, and the others are not tried any more
        Outcome first = prove().stream()
                .filter(outcome -> outcome.result().verdict() != Verdict.SKIPPED)
                .findFirst()
                .orElseThrow();
        assertThat(first.result().verdict()).as("%s", first.result()).isIn(verdicts(which, fault));
        Optional<Suspect> cause = cause(which, fault);
        if (cause.isPresent() && first.result().verdict().fallsShort()) {
            assertThat(first.certain().map(List::of).orElseGet(() -> WhyNot.of(Facts.of(
                                            hall.show,
                                            first.seen().orElseThrow(),
                                            new NetworkFacts(List.of(), hall.live.links(), hall.live.strays()),
                                            0)
                                    .orElseThrow())
                            .groups()
                            .get(0)
                            .suspects()))
                    .as("%s", first.result())
                    .contains(cause.get());
        }
    }

    /** Of one that answers no questions and says again what it is told, nobody knows more than that it came back. */
    private static Verdict well(Device which) {
        return which == Device.SLUICE || which == Device.KEEL ? Verdict.RETURNED : Verdict.CONFIRMED;
    }

    private static Set<Verdict> verdicts(Device which, Fault fault) {
        return switch (fault) {
            case DEAF, SWITCH_OFF, FIRST_ONLY -> Set.of(Verdict.NO_ANSWER);
            case PORT_CLOSED -> Set.of(Verdict.PORT_CLOSED);
                // the only target of its host is believed from another port, too
            case FROM_OTHER_PORT -> Set.of(well(which));
                // a connection brings answers back along it
            case TO_OTHER_PORT -> Set.of(which.connected ? well(which) : Verdict.NO_ANSWER);
            case OTHER_ADDRESS -> Set.of(Verdict.OTHER_ADDRESS);
            case OTHER_TYPE -> Set.of(Verdict.WRONG_TYPE);
            case CLAMPED -> Set.of(Verdict.WRONG_VALUE);
                // who reports once a second is late by chance
            case LATE -> which == Device.KEEL ? Set.of(Verdict.LATE, well(which)) : Set.of(Verdict.LATE);
                // its reports come twenty at a time, and this one mostly stands where none is lost
            case LOSES -> which == Device.KEEL ? Set.of(well(which), Verdict.LOST) : Set.of(Verdict.LOST);
                // a proof says one thing after the other, and never faster than it is answered
            case CHOKES -> Set.of(well(which), Verdict.LOST);
                // each line of a proof leaves alone; but questions that are due in one moment leave together
            case NO_BUNDLES -> which.answer == AnswerRule.Kind.QUERY
                    ? Set.of(well(which), Verdict.LOST, Verdict.NO_ANSWER)
                    : Set.of(well(which));
            case FORGETS -> which == Device.BELLOWS
                    ? Set.of(Verdict.LOST)
                    : which == Device.KEEL ? Set.of(Verdict.LOST, Verdict.NO_ANSWER) : Set.of(well(which));
        };
    }

    private static Optional<Suspect> cause(Device which, Fault fault) {
        return switch (fault) {
            case DEAF, SWITCH_OFF -> Optional.of(Suspect.DEAF);
            case FIRST_ONLY -> Optional.of(Suspect.TOO_MANY_PARTNERS);
            case PORT_CLOSED -> Optional.of(Suspect.PORT_CLOSED);
            case TO_OTHER_PORT -> Optional.of(Suspect.OTHER_PORT);
            case OTHER_ADDRESS -> Optional.of(Suspect.OTHER_ADDRESS);
            case OTHER_TYPE -> Optional.of(Suspect.OTHER_TYPE);
            case CLAMPED -> Optional.of(Suspect.OTHER_VALUE);
            case LATE -> Optional.of(Suspect.LATE);
            case FROM_OTHER_PORT, NO_BUNDLES, CHOKES, LOSES, FORGETS -> Optional.empty();
        };
    }

    /** With no fault, every line is as well as can be known, and the device stands as it stood. */
    @ParameterizedTest
    @EnumSource(Device.class)
    void findsWellWhatIsWellAndPutsBackWhatItMoved(Device which) {
        stage(which, null);
        List<List<OscArgument>> before = standing(which);
        List<Outcome> outcomes = prove();
        assertThat(outcomes).hasSize(2);
        outcomes.forEach(outcome -> {
            assertThat(outcome.result().verdict()).as("%s", outcome.result()).isEqualTo(well(which));
            assertThat(outcome.result().answered())
                    .isEqualTo(outcome.result().probes())
                    .isEqualTo(Conditions.USUAL_TIMES);
            assertThat(outcome.result().restored()).isEqualTo(Restored.YES);
        });
        assertThat(standing(which)).isEqualTo(before);
    }

    /** As the device says when it is asked; one that answers no questions tells each change. */
    private List<List<OscArgument>> standing(Device which) {
        hall.live.carryOut(new Command.Refresh(OneDevice.TARGET), OneDevice.ADA, hall.now);
        hall.pass(500);
        List<List<OscArgument>> values = new ArrayList<>();
        for (int i = 1; i <= 2; i++) {
            values.add(
                    hall.live.said(OneDevice.TARGET, OneDevice.line(which, i)).orElseThrow());
        }
        return values;
    }
}
