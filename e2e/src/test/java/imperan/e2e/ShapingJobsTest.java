package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static imperan.e2e.Hands.control;
import static imperan.e2e.Hands.tilt;
import static imperan.show.Page.plain;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscMessage;
import imperan.server.store.Keeper;
import imperan.shaping.Flip;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Motion;
import imperan.show.form.Tilt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What lies between a hand and an argument: built step by step in the path, with every click and text counted, and heard at a socket. */
class ShapingJobsTest extends InstalledTest {

    private static final PartId PROBE = new PartId("shaped-probe");
    private static final PartId PAGE = new PartId("shaped-page");
    private static final Person ADA = new Person("ada", "Ada");
    /** No job of this kind takes more. */
    private static final int MOST = 25;
    /** What is left of a way of 60 is told from a 32-bit number's own rounding down to here. */
    private static final double NOISE = 0.01;

    /** A browser rounds the angles of its sensor, lest they tell devices apart. */
    private static final double SENSOR = 0.1;

    private static Probe probe;
    private static Page page;
    private static CDPSession sensor;
    private int actions;

    @BeforeAll
    static void controlsWithPlainSends() {
        int answers = Ports.one();
        probe = new Probe(answers);
        List<EditRequest.Step> steps = new ArrayList<>();
        PartId book = new PartId("shaped-book");
        steps.add(put(book, Optional.empty(), new Phrasebook("Shaped", Phrasebook.LinkSheet.unknown())));
        steps.add(put(
                new PartId("shaped-phrase"),
                Optional.of(book),
                Phrase.plain(
                        "/key",
                        Phrase.Direction.OUT,
                        List.of(Phrase.PhraseArgument.plain(
                                        ArgumentType.INT32,
                                        Optional.empty(),
                                        Optional.empty(),
                                        "",
                                        List.of(),
                                        Optional.empty())
                                .readAs("multiply 10")),
                        AnswerRule.usual(AnswerRule.Kind.NONE),
                        "",
                        "")));
        steps.add(put(
                PROBE,
                Optional.empty(),
                Target.plain("Probe", "127.0.0.1", probe.port(), answers, Target.Answering.REPORTS)
                        .speaking(book)));
        steps.add(put(PAGE, Optional.of(new PartId("wheelhouse")), plain("Shaped", 30, 16)));
        Fader fader = Fader.plain(Form.Direction.UP, Form.Grab.JUMP);
        int column = 0;
        for (String name : List.of("level", "bright", "pan", "quiet")) {
            steps.add(laid(name, column, fader));
            column += 4;
        }
        steps.add(laid("switch", column, Button.plain(Button.Action.LATCHING)));
        steps.add(laid("mute", column + 4, Button.plain(Button.Action.MOMENTARY)));
        steps.add(put(
                new PartId("key"),
                Optional.of(PAGE),
                Control.plain(
                        "key",
                        new Cells(8, 8, 4, 4),
                        Button.plain(Button.Action.ONE_SHOT),
                        List.of(new Send(Send.Phase.PRESS, Optional.of(PROBE), "/key", List.of())),
                        List.of())));
        steps.add(put(
                new PartId("piece"),
                Optional.of(PAGE),
                Control.plain(
                        "piece",
                        new Cells(12, 8, 4, 4),
                        Button.plain(Button.Action.ONE_SHOT),
                        List.of(new Send(Send.Phase.PRESS, Optional.of(PROBE), "/piece", List.of())),
                        List.of())));
        steps.add(put(
                new PartId("tilt"),
                Optional.of(PAGE),
                Control.plain(
                        "tilt",
                        new Cells(0, 8, 8, 8),
                        new Tilt(45),
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(PROBE),
                                "/tilt",
                                List.of(
                                        new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1, 0),
                                        new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1, 1)))),
                        List.of())));
        List<ShapingStep> steering = List.of(new Flip(), new Smooth(0.25), new Scale(-30, 30));
        steps.add(put(
                new PartId("steer"),
                Optional.of(PAGE),
                Control.plain(
                        "steer",
                        new Cells(16, 8, 5, 8),
                        new Tilt(45),
                        Stream.of(PROBE, new PartId("eddy"))
                                .map(to -> new Send(
                                        Send.Phase.CHANGE,
                                        Optional.of(to),
                                        "/eddy/tilt/x",
                                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, steering, 0))))
                                .toList(),
                        List.of())));
        steps.add(put(
                new PartId("motion"),
                Optional.of(PAGE),
                Control.plain(
                        "motion",
                        new Cells(21, 8, 6, 8),
                        new Motion(20),
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(PROBE),
                                "/motion",
                                IntStream.range(0, 3)
                                        .mapToObj(axis -> (ArgumentSource)
                                                new ArgumentSource.Value(ArgumentType.FLOAT32, -1, 1, axis))
                                        .toList())),
                        List.of())));
        Outcome outcome = imperan.bean(Keeper.class)
                .edit(imperan.show(), new EditRequest("Something to shape", steps), ADA)
                .join();
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
        page = chromium.device("Ada");
        sensor = page.context().newCDPSession(page);
    }

    @BeforeEach
    void nothingArrivedYet() {
        probe.forget();
    }

    @AfterAll
    static void end() {
        probe.close();
        page.context().close();
    }

    private static EditRequest.Step put(PartId id, Optional<PartId> parent, imperan.show.Body body) {
        return new EditRequest.Put(new Part(id, parent, 60, body), 0);
    }

    private static EditRequest.Step laid(String name, int column, Form form) {
        return put(
                new PartId(name),
                Optional.of(PAGE),
                Control.plain(
                        name,
                        new Cells(column, 0, 4, 8),
                        form,
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(PROBE),
                                "/" + name,
                                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                        List.of(Listen.asSent(Optional.of(PROBE), "/" + name, 0))));
    }

    // ---- hands

    private void click(Locator locator) {
        locator.click();
        actions++;
    }

    private void type(Locator field, String text) {
        field.fill(text);
        field.press("Enter");
        actions++;
    }

    private void choose(Locator select, Pattern option) {
        click(select);
        click(page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option)));
    }

    /** Opens the path of a control in Build. */
    private void select(String name) {
        page.navigate(imperan.url("/#/layout/" + PAGE.value()));
        actions = 0;
        click(page.locator("[data-build='" + name + "']"));
    }

    private static Locator cell(String name) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void steps(int argument) {
        click(cell("Shaping")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Steps"))
                .nth(argument));
    }

    private static Locator row() {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Shaping").setExact(true));
    }

    private void add(String step) {
        int before = row().getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName(Pattern.compile("^Step")))
                .count();
        choose(row().getByLabel("Add a step"), Pattern.compile("^" + step + ":"));
        assertThat(step(before + 1, step)).isVisible();
    }

    private static Locator step(int number, String name) {
        return row().getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Step " + number + ": " + name));
    }

    private static Locator field(Locator step, String label) {
        return step.getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    private static Locator after(Locator step) {
        return step.getByLabel("After it");
    }

    private void path() {
        click(row().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Path")));
    }

    private static void run() {
        page.navigate(imperan.url("/#/run/" + PAGE.value()));
        control(page, "level").waitFor();
    }

    private static List<OscMessage> arrived() {
        return probe.arrived().stream()
                .map(bytes -> (OscMessage) ((Decoded.Whole) new OscDecoder().decode(bytes)).packet())
                .toList();
    }

    private static void set(String control, double to) {
        Locator slider = control(page, control).getByRole(AriaRole.SLIDER);
        slider.press(to >= 1 ? "End" : to <= 0 ? "Home" : "PageUp");
    }

    // ---- jobs

    @Test
    void aSwitchThatSendsFourForOffAndOneForOn() {
        select("switch");
        choose(
                cell("Message").getByLabel("Type", new Locator.GetByLabelOptions().setExact(true)),
                Pattern.compile("^int \\(i\\)$"));
        steps(0);
        click(step(1, "Scale").getByLabel("Remove Scale"));
        assertThat(step(1, "Scale")).hasCount(0);
        add("Table");
        type(field(step(1, "Table"), "In = out"), "0 = 4; 1 = 1");
        assertThat(actions).isLessThanOrEqualTo(MOST);
        run();
        control(page, "switch").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(OscMessage.of("/switch", new OscArgument.Int32(1)));
        control(page, "switch").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(OscMessage.of("/switch", new OscArgument.Int32(4)));
    }

    /** Whole numbers of 0 to 255, rounded: 0.1 of the way is 25.5, which is 26. */
    @Test
    void aFaderInWholeNumbersThatAreRounded() {
        select("bright");
        type(cell("Shaping").getByLabel("At 1"), "255");
        steps(0);
        add("Round");
        assertThat(after(step(2, "Round"))).hasText("0");
        row().getByRole(AriaRole.SLIDER).fill("0.1");
        assertThat(after(step(1, "Scale"))).hasText("25.5");
        assertThat(after(step(2, "Round"))).hasText("26");
        assertThat(arrived()).as("what is dialled does not leave").isEmpty();
        click(row().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Send").setExact(true)));
        probe.waitForLast(OscMessage.of("/bright", new OscArgument.Float32(26)));
        assertThat(actions).isLessThanOrEqualTo(MOST);
    }

    @Test
    void minusOneToOneWhereTheTargetTellsNothingTo127() {
        select("pan");
        type(cell("Shaping").getByLabel("At 0"), "-1");
        choose(cell("Answer").getByLabel("Range"), Pattern.compile("^its own$"));
        type(cell("Answer").getByLabel("At 0"), "0");
        type(cell("Answer").getByLabel("At 1"), "127");
        assertThat(actions).isLessThanOrEqualTo(MOST);
        run();
        set("pan", 1);
        probe.waitForLast(OscMessage.of("/pan", new OscArgument.Float32(1)));
        probe.say(OscMessage.of("/pan", new OscArgument.Int32(0)));
        assertThat(control(page, "pan").locator(".reading-out")).hasText("-1.00");
    }

    @Test
    void aKeyWhoseNumberTheFarEndMultipliesShowsBoth() {
        select("key");
        click(cell("Message")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Argument").setExact(true)));
        choose(
                cell("Message").getByLabel("Argument 1", new Locator.GetByLabelOptions().setExact(true)),
                Pattern.compile("^fixed$"));
        type(cell("Message").getByLabel("Is", new Locator.GetByLabelOptions().setExact(true)), "7");
        click(cell("Wire").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send once")));
        probe.waitForLast(OscMessage.of("/key", new OscArgument.Int32(7)));
        assertThat(cell("Wire")).containsText("Probe reads 70");
        assertThat(actions).isLessThanOrEqualTo(MOST);
    }

    private void argument(int number, String from) {
        click(cell("Message")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Argument").setExact(true)));
        choose(
                cell("Message").getByLabel("Argument " + number, new Locator.GetByLabelOptions().setExact(true)),
                Pattern.compile("^" + from + "$"));
    }

    @Test
    void aMessageSaysANamedValueWhereAnotherControlStandsAndWhatATargetSaidLast() {
        page.navigate(imperan.url("/#/lines/values"));
        actions = 0;
        click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add value")));
        Locator value = page.getByRole(
                AriaRole.LISTITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Value Value \\d+$")));
        type(value.getByLabel("Name"), "Piece");
        value = page.getByRole(AriaRole.LISTITEM, new Page.GetByRoleOptions().setName("Value Piece"));
        type(value.getByLabel("Is"), "7");
        page.navigate(imperan.url("/#/layout/" + PAGE.value()));
        click(page.locator("[data-build='piece']"));
        argument(1, "named value");
        choose(cell("Message").getByLabel("Named value"), Pattern.compile("^Piece$"));
        argument(2, "another control");
        choose(
                cell("Message").getByLabel("Control", new Locator.GetByLabelOptions().setExact(true)),
                Pattern.compile("^level · Shaped$"));
        argument(3, "what a target said");
        choose(cell("Message").getByLabel("Said by"), Pattern.compile("^Probe$"));
        type(cell("Message").getByLabel("Said on"), "/hall");
        click(cell("Wire").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send once")));
        assertThat(cell("Message")).containsText("Probe has not said /hall yet");
        assertThat(actions).isLessThanOrEqualTo(MOST);
        probe.say(OscMessage.of("/hall", new OscArgument.Float32(3)));
        run();
        set("level", 1);
        control(page, "piece").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(OscMessage.of(
                "/piece", new OscArgument.Float32(7), new OscArgument.Float32(1), new OscArgument.Float32(3)));
        page.navigate(imperan.url("/#/lines/values"));
        assertThat(value).containsText("Sent by piece");
        type(value.getByLabel("Is"), "eight");
        assertThat(value.getByRole(AriaRole.ALERT)).containsText("“piece” sends it");
        type(value.getByLabel("Is"), "8");
        run();
        control(page, "piece").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(OscMessage.of(
                "/piece", new OscArgument.Float32(8), new OscArgument.Float32(1), new OscArgument.Float32(3)));
        set("level", 0);
        probe.waitForLast(OscMessage.of("/level", new OscArgument.Float32(0)));
    }

    /**
     * Source: the closed form of first-order smoothing, 1 − e^(−t/τ): any handbook of control engineering. The tilt comes from Chromium's
     * own override of its sensor.
     */
    @Tag("alone")
    @Test
    void aTiltThroughFlipScaleAndSmoothingWithOneAxisHeld() {
        select("tilt");
        steps(0);
        add("Flip");
        add("Smooth");
        add("Scale");
        type(field(step(4, "Scale"), "becomes"), "-30");
        Locator high = step(4, "Scale")
                .getByLabel("to", new Locator.GetByLabelOptions().setExact(true))
                .last();
        type(high, "30");
        path();
        steps(1);
        add("Hold");
        type(field(step(2, "Hold"), "At"), "0");
        assertThat(actions).isLessThanOrEqualTo(MOST);
        page.navigate(imperan.url("/#/run/" + PAGE.value()));
        Locator tilt = control(page, "tilt");
        tilt.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Sensor off"))
                .click();
        tilt(sensor, -45, 0);
        Desk.waitUntil("turned over", () -> Math.abs(sideways() - 30) < SENSOR);
        probe.forget();
        tilt(sensor, 45, 0);
        Desk.waitUntil("the end of the glide", () -> Math.abs(sideways() + 30) < SENSOR);
        List<OscMessage> glide = arrived();
        assertThat(glide).hasSizeGreaterThan(50).allSatisfy(message -> assertThat(number(message, 1))
                .as("the other axis is held")
                .isZero());
        // what is left of the way falls as e^(−t/τ): the moments that this tells lie a fiftieth of a second apart, or
        // more where the machine was busy
        for (int i = 1; i < 40 && number(glide.get(i), 0) + 30 > NOISE; i++) {
            double left = (number(glide.get(i), 0) + 30) / (number(glide.get(i - 1), 0) + 30);
            assertThat(-0.25 * Math.log(left)).isGreaterThan(0.0199);
        }
        assertThat(tilt.locator("[data-axis='0']")).containsText("45°");
        assertThat(tilt).hasAttribute("data-turning", "0");
        tilt.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Flat now"))
                .click();
        assertThat(tilt.locator("[data-axis='0']")).containsText("0°");
    }

    /**
     * The same tilt goes to Eddy and to a socket of ours, where the test above has it follow the closed form; what Eddy says of itself over
     * another socket is what arrived there.
     */
    @Test
    void aTiltDrivesEddyAsTheClosedFormSays() {
        page.navigate(imperan.url("/#/run/" + PAGE.value()));
        Locator tilt = control(page, "steer");
        tilt.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Sensor off"))
                .click();
        try (Desk eddy = new Desk(imperan.eddy())) {
            tilt(sensor, -45, 0);
            Desk.waitUntil("Eddy at its end", () -> Math.abs(eddyTilt(eddy) - 30) < SENSOR);
            probe.forget();
            tilt(sensor, 45, 0);
            List<Float> seen = new ArrayList<>();
            Desk.waitUntil("Eddy at the other end", () -> {
                seen.add(eddyTilt(eddy));
                return Math.abs(seen.get(seen.size() - 1) + 30) < SENSOR;
            });
            Desk.waitUntil("the same here", () -> Math.abs(sideways() + 30) < SENSOR);
            List<Double> sent =
                    arrived().stream().map(message -> number(message, 0)).toList();
            assertThat(seen.stream().map(Float::doubleValue).filter(each -> each < 30 - SENSOR))
                    .isNotEmpty()
                    .allSatisfy(each -> assertThat(sent).contains(each));
            assertThat(seen).isSortedAccordingTo(Comparator.reverseOrder());
            for (int i = 1; i < Math.min(40, sent.size()); i++) {
                double left = (sent.get(i) + 30) / (sent.get(i - 1) + 30);
                assertThat(-0.25 * Math.log(left)).isGreaterThan(0.0199);
            }
        }
        tilt.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Sensor on"))
                .click();
    }

    private static float eddyTilt(Desk eddy) {
        return ((OscArgument.Float32) eddy.ask("/eddy/tilt/x")).value();
    }

    /**
     * Chromium has no override of this sensor for this event, so the event itself stands for it, as the W3C's "Device Orientation and
     * Motion" describes it.
     */
    @Test
    void theMotionOfADeviceIsSaidWhileItsSwitchIsOn() {
        page.navigate(imperan.url("/#/run/" + PAGE.value()));
        Locator motion = control(page, "motion");
        String moved =
                "window.dispatchEvent(new DeviceMotionEvent('devicemotion', { acceleration: { x: 5, y: -10, z: 20 } }))";
        page.evaluate(moved);
        motion.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Sensor off"))
                .click();
        assertThat(motion.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Sensor on")))
                .isVisible();
        assertThat(arrived()).as("what moved before it was on").isEmpty();
        page.evaluate(moved);
        probe.waitForLast(OscMessage.of(
                "/motion", new OscArgument.Float32(0.25f), new OscArgument.Float32(-0.5f), new OscArgument.Float32(1)));
        assertThat(motion.locator("[data-axis='2']")).containsText("20.0");
        assertThat(page.getByLabel("This device lends")).hasText("motion");
        page.evaluate("window.dispatchEvent(new DeviceMotionEvent('devicemotion', { acceleration: null }))");
        assertThat(motion.getByRole(AriaRole.STATUS)).hasText("This device has no motion sensor");
    }

    /** The sideways tilt that arrived last; NaN before the first. */
    private static double sideways() {
        List<OscMessage> all = arrived();
        return all.isEmpty() ? Double.NaN : number(all.get(all.size() - 1), 0);
    }

    private static double number(OscMessage message, int argument) {
        return ((OscArgument.Float32) message.arguments().get(argument)).value();
    }

    // ---- what the path says

    @Test
    void aStepThatCannotBeIsRefusedBesideItAndTheNextOneIsUndone() {
        select("quiet");
        steps(0);
        add("Curve");
        Locator exponent = field(step(2, "Curve"), "Exponent");
        type(exponent, "0");
        assertThat(step(2, "Curve").getByRole(AriaRole.ALERT)).containsText("more than 0");
        exponent.press("Escape");
        type(exponent, "3");
        row().getByRole(AriaRole.SLIDER).fill("0.5");
        assertThat(after(step(2, "Curve"))).hasText("0.125");
        assertThat(step(2, "Curve").locator("[data-point]")).isVisible();
        step(2, "Curve").getByLabel("Move Curve left").click();
        assertThat(step(1, "Curve")).isVisible();
        step(1, "Curve").getByLabel("Remove Curve").click();
        assertThat(row().getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName(Pattern.compile("^Step"))))
                .hasCount(1);
    }

    /**
     * Somebody types into a step while somebody else takes away the one before it: what is typed belongs to the step and not to its place.
     */
    @Test
    void twoBrowsersOnOneChain() {
        select("quiet");
        steps(0);
        add("Smooth");
        try (Page other = chromium.device("Ben")) {
            other.navigate(imperan.url("/#/layout/" + PAGE.value()));
            other.locator("[data-build='quiet']").click();
            other.getByRole(
                            AriaRole.GROUP,
                            new Page.GetByRoleOptions().setName("Shaping").setExact(true))
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Steps"))
                    .click();
            Locator seconds = field(step(2, "Smooth"), "Time constant (s)");
            seconds.fill("3");
            other.getByLabel("Remove Scale").click();
            assertThat(step(1, "Smooth")).isVisible();
            field(step(1, "Smooth"), "Time constant (s)").press("Enter");
            assertThat(other.getByLabel("Time constant (s)")).hasValue("3");
            other.getByLabel("Remove Smooth").click();
            assertThat(row().getByText("The position goes out as it is")).isVisible();
            add("Scale");
        }
    }

    /** Also while the page is played: the path of what was touched last, to be changed in place. */
    @Test
    void thePathIsOpenWhileThePageIsPlayed() {
        run();
        page.reload();
        control(page, "level").waitFor();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Path").setExact(true))
                .click();
        assertThat(page.getByText("Touch a control to see its path here.")).isVisible();
        set("level", 1);
        probe.waitForLast(OscMessage.of("/level", new OscArgument.Float32(1)));
        assertThat(cell("Wire")).containsText("/level ,f 1.0");
        cell("Shaping").getByLabel("At 1").fill("7");
        cell("Shaping").getByLabel("At 1").press("Enter");
        assertThat(control(page, "level").getByText("5.25")).isVisible();
        set("level", 0);
        set("level", 1);
        probe.waitForLast(OscMessage.of("/level", new OscArgument.Float32(7)));
        set("bright", 0.1);
        assertThat(cell("Message").getByLabel("Address")).hasValue("/bright");
        assertThat(cell("Touch").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Remove")))
                .hasCount(0);
    }

    @Test
    void whatHasNoWayBackIsSaidAndAnswersAreGivenARangeOfTheirOwn() {
        select("mute");
        choose(cell("Message").getByLabel("Send on"), Pattern.compile("^press$"));
        steps(0);
        add("Toggle");
        assertThat(step(2, "Toggle")).containsText("cannot go back through it: the same press switches on and off");
        path();
        assertThat(cell("Answer")).containsText("cannot go back through step 2");
        choose(cell("Answer").getByLabel("Range"), Pattern.compile("^its own$"));
        assertThat(cell("Answer")).not().containsText("cannot go back");
        run();
        control(page, "mute").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(OscMessage.of("/mute", new OscArgument.Float32(1)));
        probe.say(OscMessage.of("/mute", new OscArgument.Float32(1)));
        control(page, "mute").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(OscMessage.of("/mute", new OscArgument.Float32(0)));
    }
}
