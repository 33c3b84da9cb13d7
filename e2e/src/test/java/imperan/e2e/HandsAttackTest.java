package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.server.run.ShowLoop;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.show.PartId;
import imperan.show.Target;
import java.net.URI;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Hands, browsers that come and go, and a database that goes. */
@OwnServer
class HandsAttackTest extends Attacked {

    // ---- hands

    private static void waitForRelease() {
        probe.waitForLast(OscMessage.of("/far/hit", new OscArgument.Int32(0)));
    }

    private static RawBrowser holding() {
        RawBrowser holding = browser("holding");
        probe.forget();
        holding.touch(HIT.value(), "PRESS", "0.5", "0.5");
        probe.waitForLast(OscMessage.of("/far/hit", new OscArgument.Int32(1)));
        return holding;
    }

    @Test
    void whatIsHeldAndRemovedSaysItsRelease() {
        try (RawBrowser holding = holding()) {
            remove(HIT);
            waitForRelease();
            assertThat(holding.isOpen()).isTrue();
        }
        edit(put(HIT, new PartId("attack-page"), button()));
        goesOn();
    }

    @Test
    void aHeldButtonIsReleasedBeforeItsTargetIsHeld() {
        try (RawBrowser holding = holding();
                RawBrowser other = browser("ben")) {
            other.command("{\"kind\":\"gate\",\"target\":\"far-end\",\"gate\":\"HELD\"}");
            waitForRelease();
            other.command("{\"kind\":\"gate\",\"target\":\"far-end\",\"gate\":\"OPEN\"}");
            assertThat(holding.isOpen()).isTrue();
        }
        goesOn();
    }

    @Test
    void aHeldButtonIsReleasedBeforeItsTargetMovesAndBeforeAnotherShowGoesLive() {
        Target target = (Target) imperan.bean(Keeper.class)
                .show(imperan.show())
                .join()
                .part(TARGET)
                .orElseThrow()
                .body();
        try (RawBrowser holding = holding()) {
            edit(put(TARGET, null, target.at("127.0.0.1", 9)));
            waitForRelease();
            edit(put(TARGET, null, target));
            assertThat(holding.isOpen()).isTrue();
        }
        Shows shows = imperan.bean(Shows.class);
        String other = shows.create("Another evening").show().orElseThrow();
        try (RawBrowser holding = holding()) {
            shows.goLive(other);
            waitForRelease();
            assertThat(holding.isOpen()).isTrue();
        }
        shows.goLive(imperan.show());
        Desk.waitUntil(
                "it is live again",
                () -> imperan.bean(ShowLoop.class).liveShowId().equals(imperan.show()));
        goesOn();
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e999", "-1e999", "\"NaN\"", "\"0.5\"", "\"Infinity\"", "null", "1e300", "[]", "true"})
    void aTouchWithoutANumberIsRefusedInWordsAndTheConnectionStays(String number) {
        try (RawBrowser attacker = browser("attacker")) {
            attacker.set(LEVEL.value(), 0.5);
            Desk.waitUntil("it stands in the middle", () -> attacker.position(LEVEL.value()) == 0.5);
            attacker.touch(LEVEL.value(), "SET", "0", number);
            attacker.touch(LEVEL.value(), "MOVE", number, number);
            Desk.waitUntil("it was refused", () -> attacker.wasTold(notice -> true));
            assertThat(attacker.position(LEVEL.value())).isEqualTo(0.5);
            assertThat(attacker.isOpen()).isTrue();
        }
        goesOn();
    }

    @Test
    void commandsAboutWhatIsNotThereAreRefusedInWords() {
        try (RawBrowser attacker = browser("attacker")) {
            attacker.touch("nobody", "PRESS", "0.5", "0.5");
            attacker.waitForNotice("no longer in the live show");
            attacker.command("{\"kind\":\"gate\",\"target\":\"nobody\",\"gate\":\"HELD\"}");
            attacker.waitForNotice("no longer in the rig");
            attacker.command("{\"kind\":\"fire\",\"control\":\"attack-level\",\"send\":99}");
            attacker.waitForNotice("has no such send");
            attacker.command("{\"kind\":\"rest\",\"controls\":[null]}");
            attacker.waitForNotice("cannot be read");
            attacker.say("{\"kind\":\"called\",\"name\":\"N\\u0000UL\"}");
            attacker.waitForNotice("one line of characters");
            attacker.say("nonsense");
            attacker.say("[".repeat(100_000));
            assertThat(attacker.isOpen()).isTrue();
        }
        goesOn();
    }

    /** The largest selection fits a frame; a frame that is still too large is refused, and the connection stays. */
    @Test
    void largeFramesAreTakenAndTooLargeOnesRefusedInWords() {
        String ids = String.join(",", Collections.nCopies(4096, "\"0f4c1a8e-5a0b-4f1c-9d3e-6b7a8c9d0e1f\""));
        try (RawBrowser builder = browser("builder")) {
            builder.say("{\"kind\":\"selecting\",\"controls\":[" + ids + "]}");
            builder.command("{\"kind\":\"rest\",\"controls\":[" + ids + "]}");
            builder.set(LEVEL.value(), 0.125);
            Desk.waitUntil("what came after it was done", () -> builder.position(LEVEL.value()) == 0.125);
            builder.say("{\"kind\":\"called\",\"name\":\"" + "x".repeat(3 << 20) + "\"}");
            builder.waitForNotice("too much at once");
            builder.set(LEVEL.value(), 0.875);
            Desk.waitUntil("it goes on", () -> builder.position(LEVEL.value()) == 0.875);
        }
    }

    /** Four browsers touch as fast as they can: packets of targets are still handled. */
    @Test
    void aFloodOfTouchesDoesNotStarvePackets() throws Exception {
        List<Thread> flood = new ArrayList<>();
        List<RawBrowser> browsers = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            RawBrowser hand = browser("flood " + i);
            browsers.add(hand);
            Thread thread = new Thread(() -> {
                for (int n = 0; n < 5_000; n++) {
                    hand.touch("level-2", "STEP", "0", n % 2 == 0 ? "0.01" : "-0.01");
                }
            });
            flood.add(thread);
            thread.start();
        }
        try (RawBrowser eye = browser("eye")) {
            for (int i = 1; i <= 10; i++) {
                float said = i / 16f;
                probe.say(OscMessage.of("/far/level", new OscArgument.Float32(said)));
                Desk.waitUntil("the echo moves", () -> Math.abs(eye.echo(LEVEL.value()) - said) < 1e-6);
            }
        }
        for (Thread thread : flood) {
            thread.join();
        }
        browsers.forEach(RawBrowser::close);
        goesOn();
    }

    /** An error of the machine, thrown by one input, ends no loop: it is logged, said, and the show goes on. */
    @Test
    void theLoopSurvivesAnErrorAndSaysSo() {
        try (RawBrowser eye = browser("eye")) {
            imperan.bean(ShowLoop.class)
                    .ask(
                            imperan.show(),
                            (running, now) -> {
                                throw new StackOverflowError("for the test");
                            },
                            "");
            eye.waitForNotice("StackOverflowError");
        }
        goesOn();
    }

    @Test
    void goingLiveWithTheLiveShowDoesNothing() {
        try (RawBrowser hand = browser("hand")) {
            hand.set(LEVEL.value(), 0.5);
            Desk.waitUntil("it moved", () -> hand.position(LEVEL.value()) == 0.5);
            hand.set(LEVEL.value(), 0.625);
            imperan.bean(Shows.class).goLive(imperan.show());
            hand.set("attack-level", 0.625);
            imperan.bean(Shows.class).goLive(imperan.show());
        }
        try (RawBrowser eye = browser("eye")) {
            assertThat(eye.position(LEVEL.value())).isEqualTo(0.625);
        }
    }

    // ---- browsers that come and go

    @Test
    void aBrowserThatLeavesAtOnceLeavesNoFeedBehind() {
        ShowLoop loop = imperan.bean(ShowLoop.class);
        Desk.waitUntil("others have gone", () -> loop.browsers() == 0);
        for (int i = 0; i < 300; i++) {
            RawBrowser gone = RawBrowser.silent(URI.create(imperan.url("/api/live")));
            gone.say("{\"kind\":\"hello\",\"browser\":\"b" + i + "\",\"name\":\"x\",\"show\":\"\"}");
            gone.close();
        }
        Desk.waitUntil("all have gone", () -> loop.browsers() == 0);
        goesOn();
    }

    @Test
    void theRunningShowIsThereWhileTheDatabaseIsAway() throws Exception {
        imperan.databaseGone(true);
        try (RawBrowser joining = browser("joining")) {
            probe.forget();
            joining.set(LEVEL.value(), 0.375);
            probe.waitForLast(OscMessage.of("/far/level", new OscArgument.Float32(0.375f)));
            assertThat(post("/api/shows/" + imperan.show() + "/undo", "application/json", "")
                            .body())
                    .contains("database does not answer");
        } finally {
            imperan.databaseGone(false);
        }
        Desk.waitUntil("edits are taken again", () -> {
            try {
                edit(put(HIT, new PartId("attack-page"), button().labelled("Hit " + System.nanoTime())));
                return true;
            } catch (AssertionError e) {
                return false;
            }
        });
        edit(put(HIT, new PartId("attack-page"), button()));
    }

    /** What could not be saved while the database was away is saved afterwards. */
    @Test
    void valuesAreKeptOverADatabaseThatIsAway() throws Exception {
        try (RawBrowser hand = browser("hand")) {
            imperan.databaseGone(true);
            hand.set(LEVEL.value(), 0.4375);
            Desk.waitUntil("it moved", () -> hand.position(LEVEL.value()) == 0.4375);
        } finally {
            imperan.databaseGone(false);
        }
        Desk.waitUntil("it was written", () -> {
            try (var database = imperan.database();
                    Statement statement = database.createStatement();
                    var row = statement.executeQuery(
                            "select axes::text from control_value where control_id = 'attack-level'")) {
                return row.next() && row.getString(1).contains("0.4375");
            } catch (SQLException e) {
                return false;
            }
        });
    }
}
