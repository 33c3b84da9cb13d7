package imperan.standins;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.NetworkFacts;
import imperan.live.Command;
import imperan.osc.OscMessage;
import imperan.proof.Diagnosis;
import imperan.proof.Facts;
import imperan.proof.Rank;
import imperan.proof.Suspect;
import imperan.proof.WhyNot;
import imperan.standins.OneDevice.Device;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every fault of every device against the running show, on a clock of their own and without a socket: what is named first is what the fault does to the packets. The table is
 * made from both, so none can be left out.
 */
class WhyFaultsTest {

    private final OneDevice hall = new OneDevice();

    private void move(double to) {
        hall.touch(OneDevice.CONTROLS.get(0), to);
        hall.pass(patience());
    }

    private long patience() {
        return hall.kind == Device.KEEL ? 2_000 : 900;
    }

    private Diagnosis play(Device which, Fault fault) {
        hall.stage(which, fault);
        hall.pass(500);
        move(0.2);
        // somebody else spoke to it last, which matters to one fault only
        hall.device.receive(
                new StandIn.Heard(StandIn.Peer.datagrams(OneDevice.HERE, 5_555), OscMessage.of("/other"), false),
                hall.now,
                hall::say);
        hall.device.faults().add(fault);
        if (fault == Fault.CHOKES) {
            choke();
        } else if (fault == Fault.NO_BUNDLES) {
            for (int i = 0; i < 4; i++) {
                move(0.3 + i / 10.0);
                hall.touch(OneDevice.CONTROLS.get(1), 0.3 + i / 10.0);
                hall.pass(patience());
                hall.live.carryOut(new Command.Rest(OneDevice.CONTROLS), OneDevice.ADA, hall.now);
                hall.pass(patience());
            }
        } else {
            for (int i = 0; i < 24; i++) {
                if (i % 3 == 0) {
                    hall.touch(OneDevice.CONTROLS.get(1), 0.2 + i / 50.0);
                }
                move(i % 2 == 0 ? 0.9 - i / 99.0 : 0.6 + i / 99.0);
            }
        }
        return WhyNot.of(Facts.of(
                        hall.show,
                        hall.live.observed(OneDevice.CONTROLS.get(0), hall.now).orElseThrow(),
                        new NetworkFacts(List.of(), hall.live.links(), hall.live.strays()),
                        0)
                .orElseThrow());
    }

    /** Slowly, each is heard; in a hurry, only the first fifty of a second are. */
    private void choke() {
        for (int round = 0; round < 4; round++) {
            for (int i = 0; i < 3; i++) {
                move(0.1 + round / 10.0 + i / 50.0);
            }
            hall.pass(2_000);
            for (int i = 0; i < 90; i++) {
                hall.touch(OneDevice.CONTROLS.get(0), 0.2 + i / 200.0);
                hall.pass(10);
            }
            hall.pass(1_500);
        }
        for (int i = 0; i < 90; i++) {
            hall.touch(OneDevice.CONTROLS.get(0), 0.9 - i / 200.0);
            hall.pass(10);
        }
        hall.pass(patience());
    }

    static Stream<Object[]> everyFaultOfEveryDevice() {
        return Arrays.stream(Device.values())
                .flatMap(each -> Arrays.stream(Fault.values()).map(fault -> new Object[] {each, fault}));
    }

    @ParameterizedTest
    @MethodSource("everyFaultOfEveryDevice")
    void isNamedAsWhatItDoesToThePackets(Device which, Fault fault) {
        Diagnosis diagnosis = play(which, fault);
        Optional<Suspect> cause = cause(which, fault);
        if (cause.isEmpty()) {
            assertThat(diagnosis.missing()).as("%s", diagnosis).isFalse();
            assertThat(diagnosis.groups()).as("%s", diagnosis).isEmpty();
        } else {
            assertThat(diagnosis.groups()).as("%s", diagnosis).isNotEmpty();
            assertThat(diagnosis.groups().get(0).suspects()).as("%s", diagnosis).contains(cause.get());
            assertThat(diagnosis.groups().get(0).rank()).as("%s", diagnosis).isEqualTo(rank(which, cause.get()));
        }
    }

    /** What a fault is on the wire; empty where nothing is missing because of it. */
    private static Optional<Suspect> cause(Device which, Fault fault) {
        return switch (fault) {
            case DEAF, SWITCH_OFF -> Optional.of(Suspect.DEAF);
            case FIRST_ONLY -> Optional.of(Suspect.TOO_MANY_PARTNERS);
            case PORT_CLOSED -> Optional.of(Suspect.PORT_CLOSED);
                // the only target of its host is believed from another port, too
            case FROM_OTHER_PORT -> Optional.empty();
                // a connection brings answers back along it
            case TO_OTHER_PORT -> which.connected ? Optional.empty() : Optional.of(Suspect.OTHER_PORT);
            case OTHER_ADDRESS -> Optional.of(Suspect.OTHER_ADDRESS);
            case OTHER_TYPE -> Optional.of(Suspect.OTHER_TYPE);
                // half of 30 s or of 500 ms is more than the half of 1 at which it clamps
            case CLAMPED -> Optional.of(Suspect.OTHER_VALUE);
            case LATE -> Optional.of(Suspect.LATE);
                // its reports come twenty at a time, and this one always stands where none is lost
            case LOSES -> which == Device.KEEL ? Optional.empty() : Optional.of(Suspect.LOSS);
            case CHOKES -> Optional.of(Suspect.OVER_PACE);
                // who is asked afterwards says what stands there still
            case NO_BUNDLES -> Optional.of(which == Device.EDDY ? Suspect.OTHER_VALUE : Suspect.BUNDLES);
                // who is asked, or answers to an address of its own, needs nobody to remember
            case FORGETS -> which == Device.BELLOWS || which == Device.KEEL
                    ? Optional.of(Suspect.LAPSED)
                    : Optional.empty();
        };
    }

    private static Rank rank(Device which, Suspect cause) {
        return switch (cause) {
            case DEAF, TOO_MANY_PARTNERS -> Rank.POSSIBLE;
                // it forgets between each change and its report, so no pattern is seen
            case LAPSED -> which == Device.KEEL ? Rank.POSSIBLE : Rank.LIKELY;
            case PORT_CLOSED, OTHER_PORT, OTHER_TYPE, OTHER_VALUE, LATE -> Rank.CERTAIN;
            default -> Rank.LIKELY;
        };
    }
}
