package imperan.standins;

import static imperan.standins.Rehearsal.ADA;
import static imperan.standins.Rehearsal.BEN;
import static imperan.standins.Rehearsal.decimal;
import static imperan.standins.Rehearsal.text;
import static imperan.standins.Rehearsal.whole;
import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Each device has habits of its own; a programmer meets them all in the trade. */
class HabitsTest {

    @Test
    void bellowsSendsMetersToWhoeverAskedAndStayed() {
        Rehearsal bellows = new Rehearsal(new Bellows());
        bellows.say(ADA, "/bellows/stay");
        bellows.say(BEN, "/bellows/stay");
        bellows.say(ADA, "/bellows/meters", whole(1));
        assertThat(bellows.pass(1000))
                .hasSize(5 * Bellows.INPUTS)
                .allMatch(line -> line.startsWith("5001 /bellows/in/"));
        bellows.say(ADA, "/bellows/meters", whole(0));
        assertThat(bellows.pass(1000)).isEmpty();
    }

    @Test
    void bellowsReportsItsKeysAndTakesNoneFromOutside() {
        Rehearsal bellows = new Rehearsal(new Bellows());
        bellows.say(ADA, "/bellows/stay");
        assertThat(bellows.byHand("/bellows/key/3", whole(1))).containsExactly("5001 /bellows/key/3 1");
        assertThat(bellows.say(ADA, "/bellows/key/3", whole(0))).isEmpty();
        assertThat(bellows.say(ADA, "/bellows/mix/5/pan", decimal(-2))).containsExactly("5001 /bellows/mix/5/pan -1.0");
    }

    @Test
    void wickAnswersToItsConfiguredEndInItsOwnSteps() {
        Rehearsal wick = new Rehearsal(new Wick(BEN));
        assertThat(wick.say(ADA, "/wick/lantern/3/level", whole(127)))
                .containsExactly("5002 /wick/lantern/3/level 125");
        assertThat(wick.say(ADA, "/wick/lantern/3/level")).containsExactly("5002 /wick/lantern/3/level 125");
        assertThat(wick.say(ADA, "/wick/lantern/3/level", whole(256))).isEmpty();
        assertThat(wick.say(ADA, "/wick/lantern/24/colour", whole(1), whole(2), whole(3)))
                .containsExactly("5002 /wick/lantern/24/colour 1  2  3");
    }

    @Test
    void wickDoesNotTellTheMoverWhatItMoved() {
        Rehearsal wick = new Rehearsal(new Wick(ADA));
        assertThat(wick.say(ADA, "/wick/master/1/level", whole(100))).isEmpty();
        assertThat(wick.say(ADA, "/wick/master/1/level")).containsExactly("5001 /wick/master/1/level 100");
        assertThat(wick.byHand("/wick/master/1/level", whole(50))).containsExactly("5001 /wick/master/1/level 50");
    }

    @Test
    void wickRefusesBundles() {
        Rehearsal wick = new Rehearsal(new Wick(BEN));
        assertThat(wick.bundle(ADA, "/wick/lantern/3/level", whole(127))).isEmpty();
        assertThat(wick.say(ADA, "/wick/lantern/3/level")).containsExactly("5002 /wick/lantern/3/level 0");
    }

    @Test
    void aLookRisesIsInAndIsEditedByAHand() {
        Rehearsal wick = new Rehearsal(new Wick(BEN));
        assertThat(wick.say(ADA, "/wick/look/4/go")).containsExactly("5002 /wick/look/4/state “rising”");
        assertThat(wick.pass(1600)).containsExactly("5002 /wick/look/4/state “in”");
        assertThat(wick.say(ADA, "/wick/lantern/1/level", whole(10)))
                .containsExactly("5002 /wick/look/4/state “edited”", "5002 /wick/lantern/1/level 10");
        assertThat(wick.say(ADA, "/wick/look/5/go"))
                .containsExactly("5002 /wick/look/4/state “out”", "5002 /wick/look/5/state “rising”");
        assertThat(wick.say(ADA, "/wick/look/13/go")).isEmpty();
    }

    @Test
    void wickUnderstandsALine() {
        Rehearsal wick = new Rehearsal(new Wick(BEN));
        assertThat(wick.say(ADA, "/wick/line", text("lantern 3 = 50 %")))
                .containsExactly("5002 /wick/lantern/3/level 130");
        assertThat(wick.say(ADA, "/wick/line", text("lantern 3 : 50 %"))).isEmpty();
    }

    @Test
    void sluiceIgnoresEverythingUntilItsSwitchIsOnAndPulsesAllTheSame() {
        Sluice sluice = new Sluice(BEN, false);
        Rehearsal rehearsal = new Rehearsal(sluice);
        assertThat(rehearsal.say(ADA, "/sluice/sheet/1/take")).isEmpty();
        assertThat(rehearsal.pass(2000)).containsExactly("5002 /sluice/pulse 1", "5002 /sluice/pulse 2");
        sluice.receiveSwitch(true);
        assertThat(rehearsal.say(ADA, "/sluice/sheet/1/take"))
                .containsExactly("5002 /sluice/sheet/1/reel 1", "5002 /sluice/sheet/1/state “playing”");
    }

    @Test
    void sluiceReportsOnlyWhatChanged() {
        Rehearsal sluice = new Rehearsal(new Sluice(BEN, true));
        assertThat(sluice.say(ADA, "/sluice/sheet/2/next", whole(5))).containsExactly("5002 /sluice/sheet/2/next 5");
        assertThat(sluice.say(ADA, "/sluice/sheet/2/next", whole(5))).isEmpty();
        assertThat(sluice.say(ADA, "/sluice/sheet/2/next")).isEmpty();
        assertThat(sluice.say(ADA, "/sluice/sheet/2/play"))
                .as("nothing is in the sheet yet")
                .isEmpty();
    }

    @Test
    void aReelPlaysPausesEndsAndJumps() {
        Rehearsal sluice = new Rehearsal(new Sluice(BEN, true));
        sluice.say(ADA, "/sluice/sheet/1/take");
        assertThat(sluice.say(ADA, "/sluice/sheet/1/pause")).containsExactly("5002 /sluice/sheet/1/state “paused”");
        assertThat(sluice.pass(50_000)).noneMatch(line -> line.contains("state"));
        sluice.say(ADA, "/sluice/sheet/1/play");
        sluice.say(ADA, "/sluice/sheet/1/mark", whole(5));
        assertThat(sluice.pass(9_000)).contains("5002 /sluice/sheet/1/state “ended”");
        assertThat(sluice.say(ADA, "/sluice/sheet/1/stop")).containsExactly("5002 /sluice/sheet/1/state “idle”");
    }

    @Test
    void aSceneIsCalledByItsExactName() {
        Rehearsal sluice = new Rehearsal(new Sluice(BEN, true));
        assertThat(sluice.say(ADA, "/sluice/scene", text("flood"))).isEmpty();
        assertThat(sluice.say(ADA, "/sluice/scene", text("Flood")))
                .hasSize(7)
                .first()
                .isEqualTo("5002 /sluice/scene “Flood”");
    }

    @Test
    void eddyAnswersWhoeverAsksAndReportsNothing() {
        Rehearsal eddy = new Rehearsal(new Eddy());
        assertThat(eddy.say(ADA, "/eddy/tilt/x", decimal(60))).isEmpty();
        assertThat(eddy.say(BEN, "/eddy/tilt/x")).containsExactly("5002 /eddy/tilt/x 45.0");
        assertThat(eddy.say(ADA, "/eddy/wave")).hasSize(1).first().asString().startsWith("5001 /eddy/wave 0.");
        eddy.say(ADA, "/eddy/reset");
        assertThat(eddy.say(BEN, "/eddy/tilt/x")).containsExactly("5002 /eddy/tilt/x 0.0");
    }

    /** Source: the open OSCQuery proposal, from memory: FULL_PATH, CONTENTS, TYPE, RANGE, ACCESS, VALUE. */
    @Test
    void eddyServesItsAddressSpace() {
        JsonMapper json = JsonMapper.builder().build();
        JsonNode root = json.readTree(new Eddy().addressSpace(json));
        JsonNode tilt = root.at("/CONTENTS/eddy/CONTENTS/tilt/CONTENTS/y");
        assertThat(tilt.get("FULL_PATH").asString()).isEqualTo("/eddy/tilt/y");
        assertThat(tilt.get("TYPE").asString()).isEqualTo("f");
        assertThat(tilt.get("ACCESS").asInt()).isEqualTo(3);
        assertThat(tilt.at("/RANGE/0/MIN").asDouble()).isEqualTo(-45);
        assertThat(root.at("/CONTENTS/eddy/CONTENTS/colour/RANGE")).hasSize(3);
        assertThat(root.at("/CONTENTS/eddy/CONTENTS/wave/ACCESS").asInt()).isEqualTo(1);
    }

    @Test
    void keelReportsOnceASecondAndForgetsWhoIsSilent() {
        Rehearsal keel = new Rehearsal(new Keel());
        assertThat(keel.say(ADA, "/keel/cross/2/5/level", decimal(0.25)))
                .as("not at once")
                .isEmpty();
        assertThat(keel.pass(1000))
                .contains("5001 /keel/cross/2/5/level 0.25")
                .anyMatch(line -> line.startsWith("5001 /keel/supply 2"))
                .anyMatch(line -> line.startsWith("5001 /keel/out/6/temperature"));
        assertThat(keel.pass(1000)).noneMatch(line -> line.contains("cross"));
        keel.pass(10_000);
        assertThat(keel.pass(1000)).isEmpty();
    }

    @Test
    void aJoinedPairOfOutputsMovesTogether() {
        Rehearsal keel = new Rehearsal(new Keel());
        keel.say(ADA, "/keel/out/3/mute", whole(1));
        assertThat(keel.say(ADA, "/keel/out/4/mute")).containsExactly("5001 /keel/out/4/mute 0");
        keel.say(ADA, "/keel/pair/2/joined", whole(1));
        keel.say(ADA, "/keel/out/4/delay", decimal(12));
        assertThat(keel.say(ADA, "/keel/out/3/delay")).containsExactly("5001 /keel/out/3/delay 12.0");
        keel.say(ADA, "/keel/cross/1/3/level", decimal(0.5));
        assertThat(keel.say(ADA, "/keel/cross/1/4/level")).containsExactly("5001 /keel/cross/1/4/level 0.5");
    }

    @Test
    void anOverloadedOutputSaysSo() {
        Rehearsal keel = new Rehearsal(new Keel());
        keel.say(ADA, "/keel/cross/1/1/level", decimal(1));
        keel.say(ADA, "/keel/cross/2/1/level", decimal(1));
        assertThat(keel.pass(1000)).contains("5001 /keel/out/1/overload 1", "5001 /keel/out/2/overload 0");
        keel.say(ADA, "/keel/sleep", whole(1));
        assertThat(keel.pass(1000)).contains("5001 /keel/out/1/overload 0");
    }
}
