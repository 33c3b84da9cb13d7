package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static imperan.e2e.Hands.control;
import static imperan.show.Page.plain;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.Gson;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import imperan.layout.Arrangement;
import imperan.layout.ControlKind;
import imperan.layout.arranging.Arranger;
import imperan.osc.OscArgument;
import imperan.osc.OscArgument.Int32;
import imperan.osc.OscArgument.Text;
import imperan.osc.OscMessage;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Choice;
import imperan.show.form.Choice.Option;
import imperan.show.form.Colour;
import imperan.show.form.Cross;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Lamp;
import imperan.show.form.Meter;
import imperan.show.form.Needle;
import imperan.show.form.Pad;
import imperan.show.form.Readout;
import imperan.show.form.Tap;
import imperan.show.form.TextLine;
import imperan.show.form.Tilt;
import imperan.show.form.Wheel;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A control of each kind, moved by mouse, by touch and by keyboard; what arrives at a socket is compared byte for byte. */
class KindsTest extends InstalledTest {

    private static final PartId PROBE = new PartId("probe");
    private static final PartId KINDS = new PartId("kinds");
    private static final Person ADA = new Person("ada", "Ada");

    private static Probe probe;
    private static Page page;
    private static CDPSession touch;
    private static int column;

    @BeforeAll
    static void aPageWithEachKind() {
        int answers = Ports.one();
        probe = new Probe(answers);
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put(
                PROBE,
                Optional.empty(),
                Target.plain("Probe", "127.0.0.1", probe.port(), answers, Target.Answering.NONE)));
        steps.add(put(KINDS, Optional.of(new PartId("wheelhouse")), plain("Kinds", 30, 20)));
        column = 0;
        add(steps, "fader", Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE), value(0));
        add(steps, "lying", Fader.plain(Form.Direction.RIGHT, Form.Grab.JUMP), value(0));
        add(steps, "knob", Knob.restingAt(0), value(0));
        add(steps, "cross", new Cross(), value(0));
        add(steps, "pad", new Pad(Form.Grab.JUMP, false), value(0), value(1));
        add(steps, "colour", new Colour(List.of("#102030")), channel(0), channel(1), channel(2));
        column = 0;
        add(steps, "button", Button.plain(Button.Action.MOMENTARY), value(0));
        add(steps, "once", Button.plain(Button.Action.ONE_SHOT), new ArgumentSource.Fixed(ArgumentType.TEXT, "go"));
        add(
                steps,
                "choice",
                new Choice(
                        List.of(
                                new Option("Ebb", "Low water"),
                                new Option("Flood", "Flood"),
                                new Option("Slack", "Slack")),
                        Form.Direction.RIGHT),
                new ArgumentSource.Chosen(ArgumentType.TEXT));
        add(steps, "line", new TextLine(), new ArgumentSource.Typed(ArgumentType.TEXT));
        add(steps, "tap", new Tap(1, 1000), new ArgumentSource.Value(ArgumentType.INT32, 1, 1000));
        add(
                steps,
                "tilt",
                new Tilt(45),
                new ArgumentSource.Value(ArgumentType.INT32, -45, 45, 0),
                new ArgumentSource.Value(ArgumentType.INT32, -45, 45, 1));
        column = 0;
        steps.add(laid(
                "wheel",
                new Wheel(10),
                List.of(new Send(
                        Send.Phase.STEP,
                        Optional.of(PROBE),
                        "/wheel",
                        List.of(new ArgumentSource.Steps(ArgumentType.INT32, 1)))),
                List.of()));
        steps.add(laid(
                "bend",
                new Knob(Optional.empty(), true, 0.5),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(PROBE), "/bend", List.of(value(0)))),
                List.of()));
        for (Form form : List.of(new Meter(), Lamp.PLAIN, new Readout(), new Needle())) {
            steps.add(
                    laid(form.called(), form, List.of(), List.of(Listen.value(Optional.of(PROBE), "/said", 0, 0, 1))));
        }
        Keeper keeper = imperan.bean(Keeper.class);
        Outcome outcome = keeper.edit(imperan.show(), new EditRequest("Each kind", steps), ADA)
                .join();
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
        page = chromium.device("Ada");
        page.navigate(imperan.url("/#/run/kinds"));
        it("fader").waitFor();
        touch = page.context().newCDPSession(page);
    }

    @AfterAll
    static void end() {
        probe.close();
    }

    private static EditRequest.Step put(PartId id, Optional<PartId> parent, Body body) {
        return new EditRequest.Put(new Part(id, parent, 50, body), 0);
    }

    private static void add(List<EditRequest.Step> steps, String id, Form form, ArgumentSource... arguments) {
        Send.Phase on = form instanceof Button button && button.action() == Button.Action.ONE_SHOT
                ? Send.Phase.PRESS
                : Send.Phase.CHANGE;
        steps.add(laid(id, form, List.of(new Send(on, Optional.of(PROBE), "/" + id, List.of(arguments))), List.of()));
    }

    /** Three rows of controls, each five cells wide. */
    private static EditRequest.Step laid(String id, Form form, List<Send> sends, List<Listen> listens) {
        int row = sends.isEmpty() || List.of("wheel", "bend").contains(id)
                ? 14
                : List.of("fader", "lying", "knob", "cross", "pad", "colour").contains(id) ? 0 : 8;
        Cells cells = new Cells(column, row, 5, row == 0 ? 8 : 6);
        column += 5;
        return put(new PartId("kind-" + id), Optional.of(KINDS), Control.plain(id, cells, form, sends, listens));
    }

    private static ArgumentSource value(int axis) {
        return new ArgumentSource.Value(ArgumentType.INT32, 0, 100, axis);
    }

    private static ArgumentSource channel(int axis) {
        return new ArgumentSource.Value(ArgumentType.INT32, 0, 255, axis);
    }

    private static OscMessage message(String id, int... numbers) {
        return new OscMessage(
                "/" + id,
                IntStream.of(numbers).mapToObj(n -> (OscArgument) new Int32(n)).toList());
    }

    private static OscMessage said(String id, String text) {
        return OscMessage.of("/" + id, new Text(text));
    }

    // ---- hands

    private static Locator it(String id) {
        return control(page, "kind-" + id);
    }

    private static Locator face(String id) {
        return it(id).locator(".control-face, [role=slider], form").first();
    }

    /** Takes a control at its middle and drags to a point of its travel, or far beyond it. */
    private static void byMouse(String id, double x, double y) {
        double[] from = at(id, 0.5, 0.5);
        double[] to = at(id, x, y);
        page.mouse().move(from[0], from[1]);
        page.mouse().down();
        page.mouse().move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2);
        page.mouse().move(to[0], to[1]);
        page.mouse().up();
    }

    private static void byFinger(String id, double x, double y) {
        double[] from = at(id, 0.5, 0.5);
        double[] to = at(id, x, y);
        finger("touchStart", from);
        finger("touchMove", new double[] {(from[0] + to[0]) / 2, (from[1] + to[1]) / 2});
        finger("touchMove", to);
        finger("touchEnd");
    }

    private static double[] at(String id, double x, double y) {
        BoundingBox box = it(id).locator("[data-travel]").boundingBox();
        return new double[] {box.x + box.width * x, box.y + box.height * (1 - y)};
    }

    private static void finger(String type, double[]... points) {
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add(
                "touchPoints",
                new Gson()
                        .toJsonTree(Arrays.stream(points)
                                .map(p -> Map.of("x", Math.max(0, p[0]), "y", Math.max(0, p[1]), "id", 1))
                                .toList()));
        touch.send("Input.dispatchTouchEvent", event);
    }

    private static void byKey(String id, String... keys) {
        Locator focused = it(id).locator("[tabindex='0']").first();
        focused.focus();
        for (String key : keys) {
            focused.press(key);
        }
    }

    // ---- what has a place

    @ParameterizedTest
    @ValueSource(strings = {"fader", "knob", "cross"})
    void whatGoesUpAndDown(String id) {
        probe.forget();
        // what is pulled goes on where the finger leaves the control
        byMouse(id, 0.5, 3);
        probe.waitForLast(message(id, 100));
        byFinger(id, 0.5, -3);
        probe.waitForLast(message(id, 0));
        byKey(id, "ArrowUp", "ArrowRight", "PageUp");
        probe.waitForLast(message(id, 12));
        byKey(id, "End");
        probe.waitForLast(message(id, 100));
        byKey(id, "Delete");
        probe.waitForLast(message(id, 0));
    }

    @ParameterizedTest
    @ValueSource(strings = {"fader", "cross"})
    void aCapGoesAsFarAsTheFinger(String id) {
        probe.forget();
        byKey(id, "End");
        probe.waitForLast(message(id, 100));
        byMouse(id, 0.5, 0);
        probe.waitForLast(message(id, 50));
        byKey(id, "Delete");
        probe.waitForLast(message(id, 0));
    }

    @Test
    void whatSpringsGoesBackWhenItIsLetGo() {
        probe.forget();
        byMouse("bend", 0.5, 3);
        probe.waitFor(message("bend", 100), message("bend", 50));
        probe.forget();
        byFinger("bend", 0.5, -3);
        probe.waitFor(message("bend", 0), message("bend", 50));
        probe.forget();
        byKey("bend", "ArrowUp");
        probe.waitFor(message("bend", 51), message("bend", 50));
    }

    @Test
    void aFaderThatLies() {
        probe.forget();
        byMouse("lying", 3, 0.5);
        probe.waitForLast(message("lying", 100));
        byFinger("lying", -3, 0.5);
        probe.waitForLast(message("lying", 0));
        byKey("lying", "ArrowRight");
        probe.waitForLast(message("lying", 1));
    }

    @Test
    void aPadGoesBothWaysAtOnce() {
        probe.forget();
        byMouse("pad", 3, 3);
        probe.waitForLast(message("pad", 100, 100));
        byFinger("pad", -3, -3);
        probe.waitForLast(message("pad", 0, 0));
        byKey("pad", "ArrowUp");
        probe.waitForLast(message("pad", 0, 1));
        byKey("pad", "ArrowRight");
        probe.waitForLast(message("pad", 1, 1));
    }

    @Test
    void aColourByItsFieldItsSliderAndItsSwatches() {
        probe.forget();
        byMouse("colour", -3, 3);
        probe.waitForLast(message("colour", 255, 0, 0));
        byFinger("colour", -3, -3);
        probe.waitForLast(message("colour", 255, 255, 255));
        Locator brightness = page.getByLabel("colour: brightness");
        brightness.focus();
        brightness.press("Home");
        probe.waitForLast(message("colour", 0, 0, 0));
        it("colour").getByRole(AriaRole.BUTTON).click();
        probe.waitForLast(message("colour", 16, 32, 48));
    }

    // ---- what is pressed

    @Test
    void aButtonSaysOnAndOff() {
        probe.forget();
        face("button").click();
        probe.waitFor(message("button", 100), message("button", 0));
        probe.forget();
        face("button").tap();
        probe.waitFor(message("button", 100), message("button", 0));
        probe.forget();
        byKey("button", "Space");
        probe.waitFor(message("button", 100), message("button", 0));
    }

    @Test
    void aOneShotSaysItOnceForEachPress() {
        probe.forget();
        face("once").click();
        face("once").tap();
        byKey("once", "Enter");
        probe.waitFor(said("once", "go"), said("once", "go"), said("once", "go"));
    }

    @Test
    void aChoiceSaysItsOptionWithItsSpelling() {
        probe.forget();
        it("choice").getByText("Slack").click();
        probe.waitForLast(said("choice", "Slack"));
        it("choice").getByText("Ebb").tap();
        probe.waitForLast(said("choice", "Low water"));
        byKey("choice", "ArrowRight");
        probe.waitForLast(said("choice", "Flood"));
    }

    @Test
    void aLineIsTypedAndSent() {
        probe.forget();
        Locator field = it("line").getByRole(AriaRole.TEXTBOX);
        field.click();
        field.pressSequentially("lantern 3 = 50 %");
        field.press("Enter");
        probe.waitFor(said("line", "lantern 3 = 50 %"));
        assertThat(field).hasValue("");
        field.tap();
        field.pressSequentially("<");
        field.press("Enter");
        probe.waitFor(said("line", "lantern 3 = 50 %"), said("line", "<"));
    }

    @Test
    void tapsSayATempo() {
        probe.forget();
        face("tap").click();
        face("tap").tap();
        byKey("tap", "Space");
        Desk.waitUntil("a tempo", () -> !probe.arrived().isEmpty());
        assertThat(it("tap")).containsText("a minute");
        assertThat(it("tap")).hasAttribute("data-beating", "true");
        assertThat(it("tap").locator(".tap-beat")).hasCSS("animation-name", "tap-beat");
    }

    @Test
    void aWheelSaysItsSteps() {
        probe.forget();
        byKey("wheel", "ArrowUp");
        probe.waitFor(message("wheel", 1));
        byKey("wheel", "ArrowLeft");
        probe.waitFor(message("wheel", 1), message("wheel", -1));
        probe.forget();
        byMouse("wheel", 0.5, 1.02);
        // half a turn, in as many messages as the hand made moves
        Desk.waitUntil(
                "five steps up",
                () -> probe.arrived().stream()
                                .mapToInt(packet -> packet[packet.length - 1])
                                .sum()
                        == 5);
        probe.forget();
        byFinger("wheel", 0.5, -0.02);
        Desk.waitUntil(
                "five steps down",
                () -> probe.arrived().stream()
                                .mapToInt(packet -> packet[packet.length - 1])
                                .sum()
                        == -5);
    }

    @Test
    void aTiltIsThatOfTheDevice() {
        probe.forget();
        byKey("tilt", "ArrowRight", "ArrowUp");
        probe.waitForLast(message("tilt", 1, 1));
        Hands.tilt(touch, 30, -15);
        it("tilt").getByText("Sensor off").click();
        probe.waitForLast(message("tilt", 30, -15));
        it("tilt").getByText("Sensor on").tap();
        probe.forget();
        Hands.tilt(touch, -40, 0);
        byKey("fader", "End");
        byKey("fader", "Home");
        probe.waitForLast(message("fader", 0));
        assertThat(probe.arrived()).as("a sensor that is off says nothing").noneMatch(packet -> new String(packet)
                .startsWith("/tilt"));
    }

    // ---- what only shows, and what several make

    @Test
    void whatOnlyShowsShowsWhatIsSaidAndTakesNoHands() {
        probe.forget();
        probe.say(OscMessage.of("/said", new OscArgument.Float32(0.75f)));
        assertThat(it("meter").getByRole(AriaRole.METER)).hasAttribute("aria-valuenow", "75");
        assertThat(it("needle").getByRole(AriaRole.METER)).hasAttribute("aria-valuenow", "75");
        assertThat(it("lamp")).hasAttribute("data-look", "LIT");
        assertThat(it("readout")).containsText("0.75");
        face("meter").click();
        face("lamp").tap();
        byKey("fader", "End");
        byKey("fader", "Home");
        probe.waitForLast(message("fader", 0));
        assertThat(it("lamp")).hasAttribute("data-look", "LIT");
    }

    @Test
    void aKeyOfAPianoSaysItsNoteAndHowHard() {
        Keeper keeper = imperan.bean(Keeper.class);
        PartId other = new PartId("piano-page");
        PartId tray = new PartId("piano");
        keeper.edit(
                        imperan.show(),
                        new EditRequest(
                                "A page",
                                List.of(put(other, Optional.of(new PartId("wheelhouse")), plain("Piano", 16, 8)))),
                        ADA)
                .join();
        keeper.change(
                        imperan.show(),
                        show -> Arranger.carryOut(
                                show,
                                new Arrangement.AddControl(other, tray, ControlKind.PIANO, Optional.empty()),
                                ADA))
                .join();
        keeper.change(
                        imperan.show(),
                        show -> Arranger.carryOut(
                                show, new Arrangement.SwapTarget(List.of(tray), Optional.empty(), PROBE), ADA))
                .join();
        page.navigate(imperan.url("/#/run/piano-page"));
        probe.forget();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("C♯").setExact(true))
                .click();
        probe.waitFor(message("note", 61, 100), message("note", 61, 0));
        page.navigate(imperan.url("/#/run/kinds"));
        it("fader").waitFor();
    }

    @Test
    void aPageKeyGoesToItsPageAndSendsNothing() {
        page.navigate(imperan.url("/#/run/walk"));
        probe.forget();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Tilt").setExact(true))
                .click();
        assertThat(page.locator("[data-page=waves]")).isVisible();
        assertThat(probe.arrived()).isEmpty();
        page.navigate(imperan.url("/#/run/kinds"));
        it("fader").waitFor();
    }
}
