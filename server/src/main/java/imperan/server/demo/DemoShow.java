package imperan.server.demo;

import imperan.phrasebook.ReadRow;
import imperan.phrasebook.TableImport;
import imperan.picture.Picture;
import imperan.shaping.Edge;
import imperan.shaping.Threshold;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Face;
import imperan.show.Forward;
import imperan.show.Host;
import imperan.show.KeepAlive;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrasebook;
import imperan.show.Phrasebook.AnswersTo;
import imperan.show.Phrasebook.LinkSheet;
import imperan.show.Reach;
import imperan.show.ScaleMark;
import imperan.show.Send;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Readout;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The show that a new Imperan opens with: an evening walk at a restored tide mill, its five machines and its network. Two things
 * about its hosts are wrong on purpose, so that a newcomer sees what findings look like.
 */
final class DemoShow {

    static final String ID = "salt-clock";
    static final String NAME = "The Salt Clock";

    private static final PartId BELLOWS = new PartId("bellows");
    /** The desk's fader law, at the points that people look for. */
    static final List<ScaleMark> DECIBELS = ScaleMark.parse("0 off; 0.178 -20; 0.316 -10; 0.562 0; 0.75 +5; 1 +10")
            .orElseThrow();

    private static final PartId LAYOUT = new PartId("wheelhouse");
    private static final PartId PAGE = new PartId("sound");
    private static final List<String> INPUTS = List.of(
            "Wheel",
            "Sluice gate",
            "Miller",
            "Gulls",
            "Tide bell",
            "Rope",
            "Choir L",
            "Choir R",
            "Rain",
            "Engine",
            "Talkback",
            "Spare");

    private static final List<String> NAMES = List.of("Bellows", "Wick", "Sluice", "Eddy", "Keel");
    private static final String NETWORK = "10.24.8.";

    private final int firstPort;
    private final int firstAnswer;

    /**
     * @param firstPort   of the five ports on which the stand-ins receive
     * @param firstAnswer of the five ports on which we await their answers
     */
    DemoShow(int firstPort, int firstAnswer) {
        this.firstPort = firstPort;
        this.firstAnswer = firstAnswer;
    }

    /** @param song the hash of the sound of its song */
    EditRequest asEdit(String song) {
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.addAll(hosts());
        steps.addAll(phrasebooks());
        steps.addAll(targets());
        steps.add(waveLimit());
        steps.add(put(LAYOUT, Optional.empty(), 0, Layout.plain("Wheelhouse")));
        steps.add(put(PAGE, Optional.of(LAYOUT), 0, Page.plain("Sound", 28, 12)));
        for (int i = 1; i <= INPUTS.size(); i++) {
            strip(steps, i, 2 * (i - 1), INPUTS.get(i - 1), "/bellows/in/" + i);
        }
        strip(steps, 13, 26, "Main", "/bellows/main");
        steps.addAll(DemoPages.in(LAYOUT, plan()));
        steps.addAll(DemoCues.steps());
        steps.addAll(DemoSong.steps(song));
        return new EditRequest("Open the demo show", steps);
    }

    /** Calms the water once when its crest runs over 0.6 m, and again when it has been below 0.5 m; off until somebody wants it. */
    private static EditRequest.Step waveLimit() {
        Optional<PartId> eddy = Optional.of(new PartId("eddy"));
        return put(
                new PartId("wave-limit"),
                Optional.empty(),
                0,
                Forward.plain("Wave limit", eddy, "/eddy/wave", eddy, "/eddy/reset")
                        .shaped(List.of(new Threshold(0.6, 0.1), new Edge(Edge.Way.RISING)))
                        .saying(List.of())
                        .asking(0.5)
                        .switched(false));
    }

    private List<EditRequest.Step> targets() {
        return List.of(
                target(
                        0,
                        "bellows",
                        Target.plain("Bellows", NETWORK + 20, 7101, firstAnswer, Target.Answering.QUERIES)
                                .kept(KeepAlive.of("/bellows/stay", 3, 7))),
                target(
                        1,
                        "wick",
                        Target.plain("Wick", NETWORK + 30, 7102, firstAnswer + 1, Target.Answering.QUERIES)
                                .paced(200)),
                target(
                        2,
                        "sluice",
                        Target.plain("Sluice", NETWORK + 40, 7103, firstAnswer + 2, Target.Answering.REPORTS)),
                target(
                        3,
                        "eddy",
                        Target.plain("Eddy", NETWORK + 41, 7104, firstAnswer + 3, Target.Answering.QUERIES)
                                .startingWith(List.of("/eddy/reset", "/eddy/turbulence 0.2"))),
                target(
                        4,
                        "keel",
                        Target.plain("Keel", NETWORK + 50, 7105, firstAnswer + 4, Target.Answering.QUERIES)
                                .over(Reach.TCP_SLIP)
                                .kept(KeepAlive.of("/keel/sleep", 4, 9))));
    }

    private EditRequest.Step target(int order, String id, Target target) {
        return put(
                new PartId(id),
                Optional.empty(),
                order,
                target.speaking(new PartId("book-" + id))
                        .simulatedAt(new StandInEnd("127.0.0.1", firstPort + order, true)));
    }

    private static List<EditRequest.Step> phrasebooks() {
        List<EditRequest.Step> steps = new ArrayList<>();
        book(
                steps,
                "Bellows",
                new LinkSheet(
                        Optional.of(7101),
                        Reach.UDP,
                        AnswersTo.SENDER,
                        Target.Answering.QUERIES,
                        Optional.of(KeepAlive.of("/bellows/stay", 3, 7)),
                        Optional.empty(),
                        true,
                        "osc",
                        Optional.empty(),
                        List.of("Switch remote control on, on its network page", "Confirm with Apply"),
                        List.of("/bellows/meters 1"),
                        "desk program 2.4"));
        book(
                steps,
                "Wick",
                new LinkSheet(
                        Optional.of(7102),
                        Reach.UDP,
                        AnswersTo.SET_PORT,
                        Target.Answering.QUERIES,
                        Optional.empty(),
                        Optional.of(200),
                        false,
                        "osc",
                        Optional.of(1),
                        List.of(
                                "Switch OSC in and OSC out on",
                                "Type the address and port that its answers go to",
                                "Save the show file of the desk"),
                        List.of(),
                        ""));
        book(
                steps,
                "Sluice",
                new LinkSheet(
                        Optional.of(7103),
                        Reach.UDP,
                        AnswersTo.SET_PORT,
                        Target.Answering.REPORTS,
                        Optional.empty(),
                        Optional.empty(),
                        true,
                        "osc",
                        Optional.empty(),
                        List.of(
                                "Type the address and port that its reports go to",
                                "Turn its receive switch on: after every start it is off"),
                        List.of(),
                        ""));
        book(
                steps,
                "Eddy",
                new LinkSheet(
                        Optional.of(7104),
                        Reach.UDP,
                        AnswersTo.SENDER,
                        Target.Answering.QUERIES,
                        Optional.empty(),
                        Optional.empty(),
                        true,
                        "osc",
                        Optional.empty(),
                        List.of("Load the scene that has the OSC block in it"),
                        List.of(),
                        ""));
        book(
                steps,
                "Keel",
                new LinkSheet(
                        Optional.of(7105),
                        Reach.TCP_SLIP,
                        AnswersTo.SENDER,
                        Target.Answering.QUERIES,
                        Optional.of(KeepAlive.of("/keel/sleep", 4, 9)),
                        Optional.empty(),
                        true,
                        "osc",
                        Optional.of(4),
                        List.of("Set its network switch to fixed address"),
                        List.of(),
                        "firmware 5"));
        return steps;
    }

    private static void book(List<EditRequest.Step> steps, String name, LinkSheet sheet) {
        String id = name.toLowerCase(Locale.ROOT);
        PartId book = new PartId("book-" + id);
        steps.add(put(book, Optional.empty(), NAMES.indexOf(name), new Phrasebook(name, sheet)));
        int order = 0;
        for (ReadRow row : TableImport.read(resource("/demo/" + id + ".csv"))) {
            steps.add(put(
                    new PartId("phrase-" + id + "-" + order),
                    Optional.of(book),
                    order,
                    row.phrase().orElseThrow()));
            order++;
        }
    }

    /** The quay from above. */
    Picture plan() {
        return ((Picture.Read.Good) Picture.read(bytes("/demo/quay.png"))).picture();
    }

    private static String resource(String path) {
        return new String(bytes(path), StandardCharsets.UTF_8);
    }

    private static byte[] bytes(String path) {
        try (InputStream in = DemoShow.class.getResourceAsStream(path)) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<EditRequest.Step> hosts() {
        return List.of(
                host(
                        0,
                        "router",
                        "Mill router",
                        1,
                        Host.Role.ROUTER,
                        "uplink stays empty: there is no internet here",
                        "give it two minutes before anything else is switched on",
                        ""),
                host(
                        1,
                        "loft",
                        "Loft access point",
                        2,
                        Host.Role.ACCESS_POINT,
                        "router, socket 2",
                        "",
                        "network name “saltclock”"),
                host(
                        2,
                        "show-computer",
                        "Show computer",
                        10,
                        Host.Role.COMPUTER,
                        "router, socket 1",
                        "",
                        "Imperan runs here"),
                host(
                        3,
                        "desk",
                        "Wheelhouse desk",
                        20,
                        Host.Role.DEVICE,
                        "the control socket, not the audio one",
                        "looks at its network socket only at start",
                        ""),
                host(
                        4,
                        "spare-desk",
                        "Spare desk",
                        20,
                        Host.Role.DEVICE,
                        "in its case",
                        "",
                        "takes the desk's place, and its address"),
                host(5, "lantern-desk", "Lantern desk", 30, Host.Role.DEVICE, "quay box, socket 3", "", ""),
                host(
                        6,
                        "water-server",
                        "Water server",
                        40,
                        Host.Role.COMPUTER,
                        "second socket from the left",
                        "",
                        "switch its receiving on after every start"),
                host(7, "wave-computer", "Wave computer", 41, Host.Role.COMPUTER, "", "", ""),
                host(
                        8,
                        "rack",
                        "Stair rack",
                        50,
                        Host.Role.DEVICE,
                        "under the stairs, behind the door",
                        "amplifiers last",
                        ""),
                host(9, "panel", "Wall panel", 110, Host.Role.SURFACE, "by the wheel", "", ""));
    }

    private static EditRequest.Step host(
            int order, String id, String name, int number, Host.Role role, String socket, String power, String note) {
        Optional<Host.GivenOut> gives = role == Host.Role.ROUTER
                ? Optional.of(new Host.GivenOut(NETWORK + 100, NETWORK + 199))
                : Optional.empty();
        return put(
                new PartId("host-" + id),
                Optional.empty(),
                order,
                new Host(name, NETWORK + number, 24, Host.Addressing.FIXED, role, gives, socket, power, note));
    }

    private static void strip(List<EditRequest.Step> steps, int number, int column, String name, String address) {
        Control level = control(
                name,
                new Cells(column, 1, 2, 9),
                Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE).marked(DECIBELS),
                address + "/level",
                ArgumentType.FLOAT32);
        steps.add(put(
                new PartId("level-" + number),
                Optional.of(PAGE),
                2 * number,
                level.withLines(
                        level.sends(),
                        List.of(level.listens().get(0), Listen.words(Optional.of(BELLOWS), address + "/level", 1)))));
        steps.add(put(
                new PartId("name-" + number),
                Optional.of(PAGE),
                100 + number,
                Control.plain(
                        "",
                        new Cells(column, 0, 2, 1),
                        new Readout(),
                        List.of(),
                        List.of(Listen.value(Optional.of(BELLOWS), address + "/name", 0, 0, 1)))));
        steps.add(put(
                new PartId("mute-" + number),
                Optional.of(PAGE),
                2 * number + 1,
                control(
                        "Mute",
                        new Cells(column, 10, 2, 2),
                        Button.plain(Button.Action.LATCHING),
                        address + "/mute",
                        ArgumentType.INT32)));
    }

    private static Control control(String label, Cells cells, Form form, String address, ArgumentType type) {
        Face.Meaning meaning = form.turnsOnAndOff() ? Face.Meaning.of(address) : Face.Meaning.NONE;
        return Control.plain(
                        label,
                        cells,
                        form,
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(BELLOWS),
                                address,
                                List.of(new ArgumentSource.Value(type, 0, 1)))),
                        List.of(Listen.asSent(Optional.of(BELLOWS), address, 0)))
                .faced(Face.PLAIN.meaning(meaning));
    }

    private static EditRequest.Step put(PartId id, Optional<PartId> parent, int order, Body body) {
        return new EditRequest.Put(new Part(id, parent, order, body), 0);
    }
}
