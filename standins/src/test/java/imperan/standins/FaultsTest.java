package imperan.standins;

import static imperan.standins.Rehearsal.ADA;
import static imperan.standins.Rehearsal.BEN;
import static imperan.standins.Rehearsal.decimal;
import static imperan.standins.Rehearsal.whole;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class FaultsTest {

    private final FaultyStandIn device = new FaultyStandIn(new Bellows());
    private final Rehearsal bellows = new Rehearsal(device);

    @BeforeEach
    void aClient() {
        bellows.say(ADA, "/bellows/stay");
    }

    private List<String> level(double value) {
        return bellows.say(ADA, "/bellows/main/level", decimal(value));
    }

    @Test
    void withoutFaultsADeviceIsItself() {
        assertThat(level(0.75)).hasSize(1).first().asString().startsWith("5001 /bellows/main/level 0.75");
    }

    @Test
    void deafHearsNothingAndSpeaksByItself() {
        bellows.say(ADA, "/bellows/meters", whole(1));
        device.faults().add(Fault.DEAF);
        assertThat(level(0.5)).isEmpty();
        assertThat(bellows.pass(200)).isNotEmpty();
    }

    @Test
    void aSwitchThatIsOffIsAsGoodAsDeaf() {
        device.faults().add(Fault.SWITCH_OFF);
        assertThat(level(0.5)).isEmpty();
    }

    @Test
    void answersGoAstray() {
        device.faults().add(Fault.TO_OTHER_PORT);
        assertThat(level(0.5).get(0)).startsWith("5002 /bellows/main/level");
        device.faults().clear();
        device.faults().add(Fault.OTHER_ADDRESS);
        assertThat(level(0.6).get(0)).startsWith("5001 /elsewhere/bellows/main/level");
    }

    @Test
    void answersAreWrong() {
        device.faults().add(Fault.OTHER_TYPE);
        assertThat(level(0.5).get(0)).startsWith("5001 /bellows/main/level “0.5”");
        device.faults().clear();
        device.faults().add(Fault.CLAMPED);
        assertThat(level(0.9).get(0)).startsWith("5001 /bellows/main/level 0.5");
    }

    @Test
    void answersAreLate() {
        device.faults().add(Fault.LATE);
        assertThat(level(0.5)).isEmpty();
        assertThat(bellows.pass(680)).isEmpty();
        assertThat(bellows.pass(40)).hasSize(1);
    }

    @Test
    void threeOfTenAnswersAreLost() {
        device.faults().add(Fault.LOSES);
        int answered = 0;
        for (int i = 0; i < 100; i++) {
            answered += level(i / 100.0).size();
        }
        assertThat(answered).isEqualTo(70);
    }

    @Test
    void onlyTheFirstIsHeard() {
        device.faults().add(Fault.FIRST_ONLY);
        assertThat(bellows.say(BEN, "/bellows/main/level")).isEmpty();
        assertThat(bellows.say(ADA, "/bellows/main/level")).hasSize(1);
    }

    @Test
    void tooManyASecondAreNotHeard() {
        device.faults().add(Fault.CHOKES);
        bellows.now += 2_000 * Rehearsal.MS;
        int answered = 0;
        for (int i = 0; i < 80; i++) {
            answered += level(i / 100.0).size();
        }
        assertThat(answered).isEqualTo(FaultyStandIn.CHOKES_A_SECOND);
        bellows.now += 1_000 * Rehearsal.MS;
        assertThat(level(0.123)).hasSize(1);
    }

    @Test
    void bundlesAreIgnored() {
        assertThat(bellows.bundle(ADA, "/bellows/main/level")).hasSize(1);
        device.faults().add(Fault.NO_BUNDLES);
        assertThat(bellows.bundle(ADA, "/bellows/main/level")).isEmpty();
    }

    @Test
    void listenersAreForgotten() {
        device.faults().add(Fault.FORGETS);
        bellows.pass(20);
        assertThat(level(0.5)).isEmpty();
        bellows.say(ADA, "/bellows/stay");
        assertThat(level(0.6)).hasSize(1);
    }
}
