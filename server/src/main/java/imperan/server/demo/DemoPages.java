package imperan.server.demo;

import imperan.picture.Picture;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Face;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Tray;
import imperan.show.form.Button;
import imperan.show.form.Choice;
import imperan.show.form.Choice.Option;
import imperan.show.form.Clock;
import imperan.show.form.Colour;
import imperan.show.form.Cross;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Lamp;
import imperan.show.form.Lamp.Look;
import imperan.show.form.Lamp.State;
import imperan.show.form.Pad;
import imperan.show.form.PageKey;
import imperan.show.form.PictureFrame;
import imperan.show.form.Readout;
import imperan.show.form.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The pages of the demo show besides the sound desk: the quay, the water, the rack, the waves, and one for the pocket. */
final class DemoPages {

    private static final PartId BELLOWS = new PartId("bellows");
    private static final PartId WICK = new PartId("wick");
    private static final PartId SLUICE = new PartId("sluice");
    private static final PartId EDDY = new PartId("eddy");
    private static final PartId KEEL = new PartId("keel");

    private static final List<Option> SCENES = Stream.of("Low water", "Flood", "Moonrise", "Salt")
            .map(name -> new Option(name, name))
            .toList();
    private static final List<String> SWATCHES = List.of("#ffd696", "#ffffff", "#ff8a3c", "#3ca0ff", "#5fd6a0");
    private static final Fader UPRIGHT = Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE);
    private static final Fader LYING = Fader.plain(Form.Direction.RIGHT, Form.Grab.RELATIVE);
    private static final Button GO = Button.plain(Button.Action.ONE_SHOT);
    private static final Button TURNS = Button.plain(Button.Action.LATCHING);
    private static final Lamp LOOK = new Lamp(List.of(
            new State("out", "", Look.DARK),
            new State("rising", "", Look.BLINKING),
            new State("in", "", Look.LIT),
            new State("edited", "", Look.CAUTION)));
    private static final Lamp PLAYING = new Lamp(List.of(
            new State("idle", "", Look.DARK),
            new State("playing", "", Look.LIT),
            new State("paused", "", Look.CAUTION),
            new State("ended", "", Look.BLINKING)));
    private static final Lamp FAULT =
            new Lamp(List.of(new State("0", "OK", Look.DARK), new State("1", "fault", Look.FAULT)));

    private final PartId layout;
    private final Picture plan;
    private final List<EditRequest.Step> steps = new ArrayList<>();
    private PartId grid;
    private int number;

    private DemoPages(PartId layout, Picture plan) {
        this.layout = layout;
        this.plan = plan;
    }

    /** @param plan the quay from above */
    static List<EditRequest.Step> in(PartId layout, Picture plan) {
        DemoPages pages = new DemoPages(layout, plan);
        pages.quay();
        pages.water();
        pages.rack();
        pages.waves();
        pages.walk();
        return pages.steps;
    }

    // ---- the pages

    private void quay() {
        page("quay", 1, "Quay", 24, 16, Page.Screen.Kind.DESK);
        for (int look = 1; look <= 8; look++) {
            add(
                    "Look " + look,
                    3 * (look - 1),
                    0,
                    3,
                    2,
                    GO,
                    List.of(on(Send.Phase.PRESS, WICK, "/wick/look/" + look + "/go")),
                    List.of());
            add(
                    "",
                    3 * (look - 1),
                    2,
                    3,
                    1,
                    LOOK,
                    List.of(),
                    List.of(heard(WICK, "/wick/look/" + look + "/state", 0, 1)));
        }
        PartId quay = grid;
        Cells outside = new Cells(0, 3, 16, 10);
        grid = put("lanterns", quay, new Tray("Lanterns", outside, 2 * 24, 8, false));
        for (int lantern = 1; lantern <= 24; lantern++) {
            value(
                    "Lantern " + lantern,
                    2 * (lantern - 1),
                    0,
                    2,
                    10,
                    UPRIGHT,
                    WICK,
                    "/wick/lantern/" + lantern + "/level",
                    ArgumentType.INT32,
                    0,
                    255);
        }
        grid = quay;
        colour("Lantern 1", 16, 3, 8, 6, WICK, "/wick/lantern/1/colour", ArgumentType.INT32, 255);
        for (int master = 1; master <= 4; master++) {
            value(
                    "Master " + master,
                    16 + 2 * (master - 1),
                    9,
                    2,
                    7,
                    UPRIGHT,
                    WICK,
                    "/wick/master/" + master + "/level",
                    ArgumentType.INT32,
                    0,
                    255);
        }
        add(
                "A line for the desk, such as lantern 3 = 50 %",
                0,
                13,
                16,
                2,
                new TextLine(),
                List.of(on(Send.Phase.CHANGE, WICK, "/wick/line", new ArgumentSource.Typed(ArgumentType.TEXT))),
                List.of());
        add("", 0, 15, 16, 1, new Clock(), List.of(), List.of());
    }

    private void water() {
        page("water", 2, "Water", 24, 14, Page.Screen.Kind.DESK);
        List<Option> reels = IntStream.rangeClosed(1, 8)
                .mapToObj(reel -> new Option(String.valueOf(reel), String.valueOf(reel)))
                .toList();
        for (int sheet = 1; sheet <= 3; sheet++) {
            int left = 8 * (sheet - 1);
            String address = "/sluice/sheet/" + sheet;
            add("Sheet " + sheet, left, 0, 5, 2, PLAYING, List.of(), List.of(heard(SLUICE, address + "/state", 0, 1)));
            add("reel", left + 5, 0, 3, 2, new Readout(), List.of(), List.of(heard(SLUICE, address + "/reel", 0, 8)));
            add(
                    "Next reel",
                    left,
                    2,
                    8,
                    3,
                    new Choice(reels, Form.Direction.RIGHT),
                    List.of(on(
                            Send.Phase.CHANGE,
                            SLUICE,
                            address + "/next",
                            new ArgumentSource.Chosen(ArgumentType.INT32))),
                    List.of(heard(SLUICE, address + "/next", 0, 1)));
            value("Blend, s", left, 5, 8, 3, LYING, SLUICE, address + "/blend", ArgumentType.FLOAT32, 0, 30);
            add(
                    "Take " + sheet,
                    left,
                    8,
                    8,
                    2,
                    GO,
                    "next",
                    List.of(on(Send.Phase.PRESS, SLUICE, address + "/take")),
                    List.of());
            add(
                    "Play " + sheet,
                    left,
                    10,
                    3,
                    2,
                    GO,
                    "play",
                    List.of(on(Send.Phase.PRESS, SLUICE, address + "/play")),
                    List.of());
            add(
                    "Pause " + sheet,
                    left + 3,
                    10,
                    3,
                    2,
                    GO,
                    "pause",
                    List.of(on(Send.Phase.PRESS, SLUICE, address + "/pause")),
                    List.of());
            add(
                    "Stop " + sheet,
                    left + 6,
                    10,
                    2,
                    2,
                    GO,
                    "stop",
                    List.of(on(Send.Phase.PRESS, SLUICE, address + "/stop")),
                    List.of());
        }
        scenes(0, 12, 24, 2, Form.Direction.RIGHT);
    }

    private void rack() {
        page("rack", 3, "Rack", 18, 14, Page.Screen.Kind.DESK);
        PartId rack = grid;
        grid = put("cross", rack, Tray.plain("Crosspoints", new Cells(0, 0, 12, 6)));
        for (int source = 1; source <= 3; source++) {
            for (int output = 1; output <= 6; output++) {
                value(
                        source + "›" + output,
                        2 * (output - 1),
                        2 * (source - 1),
                        2,
                        2,
                        new Cross(),
                        KEEL,
                        "/keel/cross/" + source + "/" + output + "/level",
                        ArgumentType.FLOAT32,
                        0,
                        1);
            }
        }
        grid = rack;
        for (int output = 1; output <= 6; output++) {
            int left = 2 * (output - 1);
            String address = "/keel/out/" + output;
            value("Mute " + output, left, 6, 2, 2, TURNS, KEEL, address + "/mute", ArgumentType.INT32, 0, 1);
            value("Delay", left, 8, 2, 3, Knob.restingAt(0), KEEL, address + "/delay", ArgumentType.FLOAT32, 0, 500);
            add(
                    "out " + output,
                    left,
                    11,
                    2,
                    1,
                    new Readout(),
                    List.of(),
                    List.of(heard(KEEL, address + "/temperature", 0, 110)));
            add("load", left, 12, 2, 1, FAULT, List.of(), List.of(heard(KEEL, address + "/overload", 0, 1)));
            add("heat", left, 13, 2, 1, FAULT, List.of(), List.of(heard(KEEL, address + "/protect", 0, 1)));
        }
        for (int pair = 1; pair <= 3; pair++) {
            value(
                    "Join " + (2 * pair - 1) + " and " + 2 * pair,
                    12,
                    2 * (pair - 1),
                    6,
                    2,
                    TURNS,
                    KEEL,
                    "/keel/pair/" + pair + "/joined",
                    ArgumentType.INT32,
                    0,
                    1);
        }
        value("Find it", 12, 6, 6, 2, TURNS, KEEL, "/keel/locate", ArgumentType.INT32, 0, 1);
        guarded(value("Sleep", 12, 8, 6, 3, TURNS, KEEL, "/keel/sleep", ArgumentType.INT32, 0, 1));
        add("supply", 12, 11, 6, 3, new Readout(), List.of(), List.of(heard(KEEL, "/keel/supply", 180, 260)));
    }

    private void waves() {
        page("waves", 4, "Waves", 20, 12, Page.Screen.Kind.DESK);
        add("Tilt of the water", 0, 0, 9, 10, new Pad(Form.Grab.JUMP, false), tilts(), tiltsHeard());
        value("Turbulence", 9, 0, 3, 10, UPRIGHT, EDDY, "/eddy/turbulence", ArgumentType.FLOAT32, 0, 1);
        colour("Water", 12, 0, 8, 8, EDDY, "/eddy/colour", ArgumentType.FLOAT32, 1);
        add("Crest, m", 12, 8, 8, 2, new Readout(), List.of(), List.of(heard(EDDY, "/eddy/wave", 0, 2)));
        add("Flat water", 0, 10, 20, 2, GO, "waves", List.of(on(Send.Phase.PRESS, EDDY, "/eddy/reset")), List.of());
    }

    /** What is wanted while walking along the quay. */
    private void walk() {
        page("walk", 5, "Walk", 8, 21, Page.Screen.Kind.PHONE);
        put(
                "plan",
                grid,
                Control.plain("", new Cells(0, 0, 8, 2), new PictureFrame(), List.of(), List.of())
                        .faced(Face.PLAIN.showing(plan.hash())));
        scenes(0, 2, 8, 7, Form.Direction.UP);
        for (int look = 1; look <= 4; look++) {
            add(
                    "Look " + look,
                    2 * (look - 1),
                    9,
                    2,
                    2,
                    GO,
                    List.of(on(Send.Phase.PRESS, WICK, "/wick/look/" + look + "/go")),
                    List.of());
        }
        value("Lanterns", 0, 11, 8, 3, LYING, WICK, "/wick/master/1/level", ArgumentType.INT32, 0, 255);
        String main = "/bellows/main/level";
        add(
                "Sound",
                0,
                14,
                8,
                3,
                LYING.marked(DemoShow.DECIBELS),
                List.of(on(Send.Phase.CHANGE, BELLOWS, main, new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1))),
                List.of(Listen.asSent(Optional.of(BELLOWS), main, 0), Listen.words(Optional.of(BELLOWS), main, 1)));
        value("Mute all", 0, 17, 4, 2, TURNS, BELLOWS, "/bellows/main/mute", ArgumentType.INT32, 0, 1);
        add("Flat water", 4, 17, 4, 2, GO, List.of(on(Send.Phase.PRESS, EDDY, "/eddy/reset")), List.of());
        add("Tilt", 0, 19, 8, 2, new PageKey(Optional.of(new PartId("waves"))), List.of(), List.of());
    }

    // ---- what the pages are made of

    private void scenes(int column, int row, int width, int height, Form.Direction direction) {
        add(
                "",
                column,
                row,
                width,
                height,
                new Choice(SCENES, direction),
                List.of(on(Send.Phase.CHANGE, SLUICE, "/sluice/scene", new ArgumentSource.Chosen(ArgumentType.TEXT))),
                List.of(heard(SLUICE, "/sluice/scene", 0, 1)));
    }

    private static List<Send> tilts() {
        // water that jumps looks broken
        List<ShapingStep> calm = List.of(new Scale(-45, 45), new Smooth(0.25));
        return List.of(
                on(Send.Phase.CHANGE, EDDY, "/eddy/tilt/x", new ArgumentSource.Value(ArgumentType.FLOAT32, calm, 0)),
                on(Send.Phase.CHANGE, EDDY, "/eddy/tilt/y", new ArgumentSource.Value(ArgumentType.FLOAT32, calm, 1)));
    }

    private static List<Listen> tiltsHeard() {
        return List.of(
                Listen.asSent(Optional.of(EDDY), "/eddy/tilt/x", 0, 0),
                Listen.asSent(Optional.of(EDDY), "/eddy/tilt/y", 0, 1));
    }

    private void colour(
            String label,
            int column,
            int row,
            int width,
            int height,
            PartId target,
            String address,
            ArgumentType type,
            double high) {
        List<ArgumentSource> channels = IntStream.range(0, 3)
                .mapToObj(axis -> (ArgumentSource) new ArgumentSource.Value(type, 0, high, axis))
                .toList();
        add(
                label,
                column,
                row,
                width,
                height,
                new Colour(SWATCHES),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(target), address, channels)),
                IntStream.range(0, 3)
                        .mapToObj(axis -> Listen.value(Optional.of(target), address, axis, 0, high, axis))
                        .toList());
    }

    /** A control that says its value on an address and hears it there. */
    private PartId value(
            String label,
            int column,
            int row,
            int width,
            int height,
            Form form,
            PartId target,
            String address,
            ArgumentType type,
            double low,
            double high) {
        return add(
                label,
                column,
                row,
                width,
                height,
                form,
                List.of(on(Send.Phase.CHANGE, target, address, new ArgumentSource.Value(type, low, high))),
                List.of(Listen.asSent(Optional.of(target), address, 0)));
    }

    /** The last control that was put down takes a second touch. */
    private void guarded(PartId id) {
        EditRequest.Put last = (EditRequest.Put) steps.remove(steps.size() - 1);
        Behaviour plain = Behaviour.PLAIN;
        steps.add(new EditRequest.Put(
                new Part(
                        id,
                        last.part().parent(),
                        last.part().order(),
                        ((Control) last.part().body())
                                .behaving(new Behaviour(
                                        Behaviour.Guard.TWO_STEPS,
                                        plain.repeatSeconds(),
                                        plain.whenLost(),
                                        plain.enabledWhen(),
                                        plain.key()))),
                0));
    }

    private static Send on(Send.Phase phase, PartId target, String address, ArgumentSource... arguments) {
        return new Send(phase, Optional.of(target), address, List.of(arguments));
    }

    private static Listen heard(PartId target, String address, double low, double high) {
        return Listen.value(Optional.of(target), address, 0, low, high);
    }

    private PartId add(
            String label,
            int column,
            int row,
            int width,
            int height,
            Form form,
            List<Send> sends,
            List<Listen> listens) {
        return add(label, column, row, width, height, form, "", sends, listens);
    }

    private PartId add(
            String label,
            int column,
            int row,
            int width,
            int height,
            Form form,
            String icon,
            List<Send> sends,
            List<Listen> listens) {
        return put(
                grid.value() + "-" + number,
                grid,
                new Control(
                        label,
                        new Cells(column, row, width, height),
                        form,
                        Face.icon(icon)
                                .meaning(
                                        form.turnsOnAndOff() && !sends.isEmpty()
                                                ? Face.Meaning.of(sends.get(0).address())
                                                : Face.Meaning.NONE),
                        Behaviour.PLAIN,
                        sends,
                        listens));
    }

    private void page(String id, int order, String name, int columns, int rows, Page.Screen.Kind screen) {
        grid = new PartId(id);
        steps.add(new EditRequest.Put(
                new Part(
                        grid,
                        Optional.of(layout),
                        order,
                        new Page(name, columns, rows, Page.Screen.of(screen), false, Optional.empty())),
                0));
    }

    private PartId put(String id, PartId parent, Body body) {
        PartId part = new PartId(id);
        steps.add(new EditRequest.Put(new Part(part, Optional.of(parent), number++, body), 0));
        return part;
    }
}
