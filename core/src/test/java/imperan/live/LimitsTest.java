package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Touch.Phase;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Readout;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What comes from outside is bounded: numbers, memory, and the work that one packet can cause. */
class LimitsTest {

    private static final PartId LEVEL = new PartId("level");

    private final Stage stage = new Stage(show(Shows.target("Desk")));

    private static Show show(Target target) {
        Show base = Shows.withPage();
        return Shows.accepted(
                base,
                Shows.ADA,
                Shows.change(base, Shows.DESK, target),
                put(LEVEL, PAGE, Shows.fader("Level", 0, "/level")));
    }

    private Optional<String> touch(Phase phase, double x, double y) {
        return Asking.touch(stage.live, new Touch(LEVEL, "1", phase, x, y, false, ""), ADA, stage.now);
    }

    // ---- touches

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, 1e300})
    void aTouchWithoutSensibleNumbersIsRefusedAndTheNextOneCounts(double odd) {
        assertThat(touch(Phase.SET, 0, 0.5)).isEmpty();
        stage.takeSent();
        for (Phase phase : List.of(Phase.PRESS, Phase.MOVE, Phase.STEP, Phase.SET, Phase.PICK, Phase.TILT)) {
            assertThat(touch(phase, odd, odd)).as(phase.name()).isPresent();
        }
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.value("level").position()).isEqualTo(0.5);
        touch(Phase.PRESS, 0.5, 0.5);
        assertThat(touch(Phase.MOVE, 0.5, 0.6)).isEmpty();
        assertThat(stage.takeSent()).containsExactly("/level 0.6");
    }

    @ParameterizedTest
    @EnumSource(
            value = Phase.class,
            names = {"RELEASE", "CANCEL"})
    void aFingerMayAlwaysLeave(Phase phase) {
        touch(Phase.PRESS, 0.5, 0.5);
        assertThat(touch(phase, Double.NaN, Double.NaN)).isEmpty();
        assertThat(stage.value("level").holder()).isEmpty();
    }

    @Test
    void whatIsNotThereIsRefusedInWords() {
        Touch lost = new Touch(new PartId("nobody"), "1", Phase.PRESS, 0.5, 0.5, false, "");
        assertThat(Asking.touch(stage.live, lost, ADA, stage.now))
                .hasValue("This control is no longer in the live show");
        assertThat(Asking.testFire(stage.live, new PartId("nobody"), 0, stage.now))
                .hasValue("This control is no longer in the live show");
        assertThat(Asking.testFire(stage.live, LEVEL, 5, stage.now)).hasValue("“Level” has no such send");
        assertThat(Asking.testFire(stage.live, LEVEL, -1, stage.now)).isPresent();
        PartId nobody = new PartId("nobody");
        assertThat(List.of(
                        Asking.gate(stage.live, nobody, Gate.HELD, stage.now),
                        Asking.start(stage.live, nobody, stage.now),
                        Asking.leaveAsItIs(stage.live, nobody),
                        Asking.refresh(stage.live, nobody, stage.now),
                        Asking.say(stage.live, nobody, "/a", stage.now)))
                .containsOnly(Optional.of("This target is no longer in the rig"));
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void browsersThatHoldNothingAreNotRemembered() {
        for (int i = 0; i < 1000; i++) {
            Person person = new Person("browser " + i, "Somebody");
            stage.live.heartbeat(person.id(), stage.now);
            Asking.touch(stage.live, new Touch(LEVEL, "1", Phase.PRESS, 0.5, 0.5, false, ""), person, stage.now);
            Asking.touch(stage.live, new Touch(LEVEL, "1", Phase.RELEASE, 0.5, 0.5, false, ""), person, stage.now);
        }
        stage.pass(10);
        assertThat(stage.live.hands()).isZero();
        touch(Phase.PRESS, 0.5, 0.5);
        stage.pass(10);
        assertThat(stage.live.hands()).isEqualTo(1);
    }

    // ---- numbers

    private static Control ranged(ArgumentType type, double low, double high) {
        Control plain = Shows.fader("Level", 0, "/level");
        return plain.withLines(
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(DESK),
                        "/level",
                        List.of(new ArgumentSource.Value(type, low, high)))),
                List.of(Listen.value(Optional.of(DESK), "/level", 0, low, high)));
    }

    /** Such ranges are refused where they are written; an old database may hold them all the same. */
    @ParameterizedTest
    @CsvSource({
        "FLOAT32,-1.7976931348623157e308,1.7976931348623157e308",
        "FLOAT64,-1.7976931348623157e308,1.7976931348623157e308",
        "INT32,-1.7976931348623157e308,1.7976931348623157e308",
        "TEXT,-1.7976931348623157e308,1.7976931348623157e308",
        "FLOAT32,0,1e300",
        "INT32,0,1e12",
        "INT64,-1e300,1e300"
    })
    void noRangeMakesAnInfinityOrStopsTheShow(ArgumentType type, double low, double high) {
        List<byte[]> packets = new ArrayList<>();
        LiveShow live = new LiveShow(new QuietSink() {
            @Override
            public boolean datagram(PartId target, byte[] packet) {
                return packets.add(packet);
            }
        });
        Show show = Show.of(
                9,
                Shows.accepted(Shows.withPage(), Shows.ADA, put(LEVEL, PAGE, Shows.fader("Level", 0, "/level")))
                        .parts()
                        .stream()
                        .map(held -> held.part().id().equals(LEVEL)
                                ? new Held(
                                        new Part(LEVEL, Optional.of(PAGE), 0, ranged(type, low, high)),
                                        held.version(),
                                        held.author())
                                : held)
                        .toList());
        live.load(show, 0);
        live.socket(DESK, SocketState.open("127.0.0.1"), 0);
        for (int i = 0; i <= 10; i++) {
            Asking.touch(live, new Touch(LEVEL, "1", Phase.SET, 0, i / 10.0, false, ""), ADA, i);
            for (OscArgument heard : List.of(
                    new OscArgument.Float64(high),
                    new OscArgument.Float64(Double.NaN),
                    new OscArgument.Float32(Float.POSITIVE_INFINITY))) {
                byte[] packet = OscEncoder.encode(OscMessage.of("/level", heard));
                live.received(9201, "127.0.0.1", 7101, packet, new OscDecoder().decode(packet), i);
                ControlValue value = live.value(LEVEL).orElseThrow();
                assertThat(value.position()).isBetween(0.0, 1.0);
                assertThat(value.text()).doesNotContain("NaN").doesNotContain("Infinity");
            }
        }
        for (byte[] packet : packets) {
            OscArgument said = ((OscMessage) ((Decoded.Whole) new OscDecoder().decode(packet)).packet())
                    .arguments()
                    .get(0);
            if (said instanceof OscArgument.Float32 f) {
                assertThat(f.value()).isFinite();
            } else if (said instanceof OscArgument.Float64 d) {
                assertThat(d.value()).isFinite();
            } else if (said instanceof OscArgument.Int32 i && low == 0) {
                assertThat(i.value()).as("at the end of the type, not round it").isNotNegative();
            }
        }
        assertThat(packets).isNotEmpty();
    }

    // ---- the system does not take it

    @Test
    void whatTheSystemDidNotTakeIsNotSent() {
        stage.takes = false;
        touch(Phase.SET, 0, 0.5);
        assertThat(stage.link().sent()).isZero();
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).startsWith("not sent");
        assertThat(stage.trace("level").stopped().orElseThrow().cell()).isEqualTo(Trace.Cell.WIRE);
        assertThat(stage.link().lastSentAt()).isEmpty();
        stage.takes = true;
        // the same value is worth sending again, for it never left
        touch(Phase.PRESS, 0.5, 0.5);
        Asking.testFire(stage.live, LEVEL, 0, stage.now);
        assertThat(stage.takeSent()).containsExactly("/level 0.5");
        assertThat(stage.link().sent()).isEqualTo(1);
    }

    @Test
    void whatTurnsOutNotToHaveLeftIsTakenBack() {
        touch(Phase.SET, 0, 0.5);
        assertThat(stage.link().sent()).isEqualTo(1);
        stage.live.notSent(DESK, stage.wire.get(0).bytes(), stage.now);
        assertThat(stage.link().sent()).isZero();
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).startsWith("not sent");
    }

    @Test
    void aBundleThatTheSystemDidNotTakeIsNotSent() {
        Stage bundling = new Stage(show(Shows.target("Desk").bundling()));
        bundling.takes = false;
        Asking.touch(bundling.live, new Touch(LEVEL, "1", Phase.SET, 0, 0.5, false, ""), ADA, bundling.now);
        assertThat(bundling.link().sent()).isZero();
        assertThat(Stage.note(bundling.wire.get(bundling.wire.size() - 1))).startsWith("not sent");
    }

    // ---- memory

    private OscPacket due(Instant when, OscPacket... elements) {
        return new OscBundle(TimeTag.at(when), List.of(elements));
    }

    private List<String> notes() {
        return stage.wire.stream().filter(row -> !row.out()).map(Stage::note).toList();
    }

    @Test
    void bundlesThatWaitAreCountedForEachTarget() {
        Show base = show(Shows.target("Desk"));
        Stage two = new Stage(Shows.accepted(
                base,
                Shows.ADA,
                put(new PartId("rack"), null, Target.plain("Rack", "127.0.0.2", 7105, 9205, Target.Answering.REPORTS)),
                put(
                        new PartId("gain"),
                        PAGE,
                        Shows.fader("Gain", 1, "/gain")
                                .withLines(
                                        List.of(),
                                        List.of(Listen.value(Optional.of(new PartId("rack")), "/gain", 0, 0, 1))))));
        Instant year = Instant.EPOCH.plusSeconds(365L * 24 * 3600);
        for (int i = 0; i < 1000; i++) {
            two.packet(due(year, OscMessage.of("/level", new OscArgument.Float32(1))));
        }
        assertThat(two.wire.stream().filter(row -> Stage.note(row).equals("waits for its time")))
                .hasSize(Receiving.MAX_WAITING_BUNDLES);
        assertThat(Stage.note(two.wire.get(two.wire.size() - 1)))
                .isEqualTo("dropped: too many bundles of this target wait");
        byte[] soon = OscEncoder.encode(due(
                Instant.EPOCH.plusNanos(two.now + 50 * Stage.MS),
                OscMessage.of("/gain", new OscArgument.Float32(0.75f))));
        two.live.received(9205, "127.0.0.2", 7105, soon, new OscDecoder().decode(soon), two.now);
        two.pass(60);
        assertThat(two.value("gain").position()).isEqualTo(0.75);
    }

    @Test
    void bundlesThatWaitAreCountedInBytes() {
        Instant year = Instant.EPOCH.plusSeconds(365L * 24 * 3600);
        OscPacket[] many =
                IntStream.range(0, 3000).mapToObj(i -> OscMessage.of("/a")).toArray(OscPacket[]::new);
        for (int i = 0; i < 100; i++) {
            stage.packet(due(year, many));
        }
        int waiting =
                (int) notes().stream().filter("waits for its time"::equals).count();
        assertThat(waiting)
                .isEqualTo(Receiving.MAX_WAITING_BYTES / due(year, many).memory());
    }

    @Test
    void whatATargetSaysIsShownShortened() {
        stage.desk("/level", new OscArgument.Text("x".repeat(60_000)));
        assertThat(stage.value("level").echoText())
                .hasSize(Receiving.MOST_WORDS + 1)
                .endsWith("…");
    }

    @Test
    void learningForgetsWhoDoesNotLookAndKeepsNoDataMessages() {
        for (int i = 0; i < 1000; i++) {
            Asking.learn(stage.live, "browser " + i, true, stage.now + i);
        }
        OscArgument[] data = Collections.nCopies(10_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new);
        stage.desk("/data", data);
        stage.desk("/level", 0.5f);
        assertThat(stage.live.learned("browser 999", stage.now))
                .singleElement()
                .satisfies(learned -> assertThat(learned.address()).isEqualTo("/level"));
        assertThat(stage.live.learned("browser 1", stage.now))
                .as("it was the idlest of too many")
                .isEmpty();
    }

    // ---- work

    @Test
    void hostilePatternsAreStoppedAndSaid() {
        String[] bad = {"/" + "*a".repeat(500), "/" + "{a,b,c}*".repeat(120), "//" + "*?".repeat(400)};
        for (String pattern : bad) {
            OscPacket[] many = IntStream.range(0, 50)
                    .mapToObj(i -> OscMessage.of(pattern, new OscArgument.Float32(1)))
                    .toArray(OscPacket[]::new);
            stage.packet(new OscBundle(TimeTag.IMMEDIATELY, List.of(many)));
        }
        // thousands of addresses that a pattern looks through: the budget of one packet ends it
        Show wide = show(Shows.target("Desk"));
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(Shows.change(wide, PAGE, Page.plain("Page", 64, 64)));
        for (int i = 0; i < 900; i++) {
            steps.add(put(
                    new PartId("m" + i),
                    PAGE,
                    Control.plain(
                            "m",
                            new Cells(1 + i % 60, 8 + i / 60, 1, 1),
                            new Readout(),
                            List.of(),
                            List.of(Listen.value(
                                    Optional.of(DESK), "/aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa/" + i, 0, 0, 1)))));
        }
        Stage full = new Stage(Shows.accepted(wide, Shows.ADA, steps.toArray(EditRequest.Step[]::new)));
        full.packet(OscMessage.of("/" + "a*".repeat(40) + "b", new OscArgument.Float32(1)));
        assertThat(Stage.note(full.wire.get(full.wire.size() - 1))).contains("patterns take too long");
        full.desk("/level", 0.5f);
        assertThat(full.value("level").position())
                .as("the next packet has a budget of its own")
                .isEqualTo(0.5);
    }

    @Test
    void aSensiblePatternStillMeansAll() {
        stage.desk("/lev*", 0.25f);
        stage.desk("/*****", 0.5f);
        assertThat(stage.value("level").position()).isEqualTo(0.5);
    }
}
