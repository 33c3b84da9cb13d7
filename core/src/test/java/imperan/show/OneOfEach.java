package imperan.show;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static imperan.show.Shows.withPage;

import imperan.shaping.Add;
import imperan.shaping.AtMostEvery;
import imperan.shaping.Breakpoints;
import imperan.shaping.Clamp;
import imperan.shaping.DeadZone;
import imperan.shaping.Decibels;
import imperan.shaping.Edge;
import imperan.shaping.Flip;
import imperan.shaping.Hold;
import imperan.shaping.Multiply;
import imperan.shaping.Power;
import imperan.shaping.RateLimit;
import imperan.shaping.Round;
import imperan.shaping.SCurve;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.shaping.Table;
import imperan.shaping.Threshold;
import imperan.shaping.Toggle;
import imperan.shaping.Wrap;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.CueMark;
import imperan.show.cue.FadeCurve;
import imperan.show.form.PageKey;
import imperan.show.song.Sound;
import imperan.show.song.TimeFrom;
import imperan.track.BeatGrid;
import java.util.List;
import java.util.Optional;

/** A show with at least one of each kind of part that travels in files, with what may be there and what may be missing, each referring to what it can refer to. */
public final class OneOfEach {

    public static final PartId MAIN = new PartId("main");
    public static final PartId TRAY = new PartId("tray");

    /** With those after them one of each step that a shaping may have. */
    private static final List<ShapingStep> STEPS = List.of(
            new Flip(),
            new Power(2),
            new SCurve(1.5),
            new Breakpoints(List.of(new Breakpoints.Breakpoint(0, 0), new Breakpoints.Breakpoint(1, 2)), "−∞"),
            new Scale(0, 2, -1, 1),
            new DeadZone(0, 0.1),
            new Clamp(-1, 0.9),
            new Add(1),
            new Multiply(2),
            new Wrap(0, 360),
            new Smooth(0.25),
            new RateLimit(2),
            new AtMostEvery(40),
            new Round(0.01),
            new Decibels(false),
            new Decibels(true));

    private static final List<ShapingStep> TEXTS = List.of(
            new Threshold(0.5, 0.1),
            new Toggle(),
            new Edge(Edge.Way.BOTH),
            new Hold(1),
            new Table(List.of(new Table.Entry("0", "off"), new Table.Entry("1", "on")), Optional.of("dim")));

    private OneOfEach() {}

    private static Cue cue(PartId rack) {
        ArgumentSource.Fixed fixed = new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, "3");
        return new Cue(
                "12.5",
                "Moonrise",
                "When the boat is away",
                new CueMark(CueMark.Shade.BLUE, "water"),
                List.of(
                        new CueAction.SayLine(
                                0.5,
                                Optional.of(rack),
                                "/all",
                                List.of(
                                        fixed,
                                        new ArgumentSource.OfNamedValue(
                                                ArgumentSource.ArgumentType.INT32, Optional.of(new PartId("piece"))))),
                        new CueAction.BringControl(0, Optional.of(MAIN), List.of(0.75), 4, FadeCurve.SLOW_ENDS),
                        new CueAction.FadeLine(
                                1,
                                Optional.of(rack),
                                "/waves",
                                List.of(
                                        fixed,
                                        new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, List.of(), 0)),
                                Optional.of(0.1),
                                0.9,
                                2,
                                FadeCurve.EVEN,
                                CueAction.FadeLine.Unknown.JUMP),
                        new CueAction.RecallLook(0, Optional.of(new PartId("look")), 3, FadeCurve.SLOW_START),
                        new CueAction.ShowPage(0, Optional.of(PAGE), List.of("Ada")),
                        new CueAction.SayStartList(0, Optional.of(rack)),
                        new CueAction.HoldTarget(2, Optional.of(rack), true),
                        new CueAction.SteerList(0, Optional.of(new PartId("list")), CueAction.SteerList.Deed.PAUSE),
                        new CueAction.SteerTrack(
                                0,
                                Optional.of(new PartId("track")),
                                CueAction.SteerTrack.Deed.LOOP,
                                Optional.of(new PartId("verse"))),
                        new CueAction.SteerSongs(
                                1,
                                Optional.of(new PartId("set")),
                                CueAction.SteerSongs.Deed.READY,
                                Optional.of(new PartId("song")))),
                CueFollow.answered(3, true),
                Optional.of(12.25));
    }

    public static Show show() {
        PartId book = new PartId("book");
        PartId rack = new PartId("rack");
        PartId host = new PartId("host");
        PartId front = new PartId("front");
        Target target = Target.plain("Rack", "192.0.2.9", 7105, 9205, Target.Answering.QUERIES)
                .kept(KeepAlive.of("/stay", 3, 7))
                .over(Reach.TCP_SLIP)
                .simulatedAt(new StandInEnd("127.0.0.1", 7105, true))
                .speaking(book)
                .startingWith(List.of("/wake 1"))
                .ticked(List.of(new Tick(LinkStep.SENT, "Ada", "2026-11-23T20:00:00Z", "")));
        Phrase phrase = Phrase.plain(
                        "/in/<ch:1..12>/level",
                        Phrase.Direction.BOTH,
                        List.of(Phrase.PhraseArgument.plain(
                                        ArgumentSource.ArgumentType.FLOAT32,
                                        Optional.of(0.0),
                                        Optional.of(1.0),
                                        "",
                                        List.of(),
                                        Optional.empty())
                                .readAs("multiply 100 | cut")
                                .taking(new TextRule(Optional.of(32), TextRule.Characters.PLAIN))),
                        AnswerRule.usual(AnswerRule.Kind.SAME)
                                .settling(2)
                                .asking(AskRule.on("/get/in/<ch:1..12>/level")
                                        .named()
                                        .answered("/is/<ch:1..12>")
                                        .at(List.of(1))),
                        "level",
                        "mute")
                .doing(Phrase.Effect.VALUE)
                .masked(List.of(Mask.other("/in/<ch:1..12>/solo", "1")))
                .proved(ProofRule.USUAL.within(0.2, 0.4).spaced(2).pressed(0.5).atMost(3));
        Behaviour.Condition ready = new Behaviour.Condition(Optional.of(rack), "/ready", 0, "1");
        return accepted(
                withPage(),
                ADA,
                put(book, null, new Phrasebook("Rack", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), book, phrase),
                put(rack, null, target),
                put(
                        host,
                        null,
                        new Host(
                                "Router",
                                "192.0.2.1",
                                24,
                                Host.Addressing.FIXED,
                                Host.Role.ROUTER,
                                Optional.of(new Host.GivenOut("192.0.2.100", "192.0.2.199")),
                                "",
                                "",
                                "")),
                put(new PartId("ok"), null, new Acceptance("SAME_ADDRESS", host, "192.0.2.1", "meant")),
                put(new PartId("say"), null, new SavedMessage("Level", Optional.of(Shows.DESK), "/main ,f 0.5")),
                put(
                        new PartId("forward"),
                        null,
                        Forward.plain("Waves", Optional.of(rack), "/waves", Optional.of(Shows.DESK), "/in/1/level")
                                .shaped(List.of(new Scale(0, 30, 0, 1), new Smooth(0.25)))
                                .asking(0.5)
                                .saying(List.of(
                                        new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, "3"),
                                        new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, List.of(), 0)))),
                put(new PartId("piece"), null, new NamedValue("Piece", "7", "Which piece plays")),
                put(
                        new PartId("look"),
                        null,
                        new Look("Evening", List.of(new Look.Stand(MAIN, List.of(0.5))), "As rehearsed")),
                put(
                        new PartId("list"),
                        null,
                        new CueList(
                                "Walk",
                                0.5,
                                Optional.of(ready),
                                Optional.of(ready),
                                Optional.of(new PartId("track")),
                                "For two")),
                put(new PartId("cue"), new PartId("list"), cue(rack)),
                put(
                        new PartId("track"),
                        null,
                        Track.silent("Tide", 90)
                                .sounding(new Sound("ab".repeat(32), "tide.wav"), 90)
                                .beating(new BeatGrid(96, 0.5))
                                .passing(true)
                                .timed(new TimeFrom(
                                        TimeFrom.Source.REPORTED,
                                        Optional.of(rack),
                                        "/position",
                                        1,
                                        TimeFrom.Unit.FRAMES,
                                        0.2,
                                        3))),
                put(new PartId("verse"), new PartId("track"), new TrackMark("Verse", 10, 12.5)),
                put(
                        new PartId("set"),
                        null,
                        new SetList("Evening", Optional.of(ready), Optional.of(ready), "Three songs")),
                put(
                        new PartId("song"),
                        new PartId("set"),
                        new Song(
                                "Moonrise",
                                Optional.of(new PartId("list")),
                                Optional.of(front),
                                List.of(new CueAction.ShowPage(0, Optional.of(PAGE), List.of())),
                                List.of(new CueAction.SayStartList(0, Optional.of(rack))),
                                "In the dark")),
                put(
                        new PartId("looks-up"),
                        PAGE,
                        Control.plain(
                                "Looks up",
                                new Cells(7, 4, 1, 1),
                                Shows.button("", 0, false, "/x").form(),
                                List.of(new Send(
                                        Send.Phase.PRESS,
                                        Optional.of(rack),
                                        "/all",
                                        List.of(
                                                new ArgumentSource.OfNamedValue(
                                                        ArgumentSource.ArgumentType.INT32,
                                                        Optional.of(new PartId("piece"))),
                                                new ArgumentSource.OfControl(
                                                        ArgumentSource.ArgumentType.FLOAT32,
                                                        Optional.of(MAIN),
                                                        List.of(new Scale(0, 30)),
                                                        0),
                                                new ArgumentSource.Said(
                                                        ArgumentSource.ArgumentType.TEXT,
                                                        Optional.of(rack),
                                                        "/piece",
                                                        1,
                                                        List.of(new Multiply(2)))))),
                                List.of())),
                put(MAIN, PAGE, fader("Main", 0, "/main").behaving(Behaviour.PLAIN.enabledOnly(ready))),
                put(new PartId("mute"), PAGE, Shows.button("Mute “all”\n", 1, true, "/mute")),
                put(TRAY, PAGE, Tray.plain("Strip", new Cells(2, 0, 2, 4))),
                put(new PartId("in-tray"), TRAY, fader("In 1", 0, "/in/1/level")),
                put(new PartId("again"), PAGE, new Twin(MAIN, new Cells(5, 0, 1, 4))),
                put(
                        new PartId("shaped"),
                        PAGE,
                        Control.plain(
                                "Shaped",
                                new Cells(4, 0, 1, 4),
                                Shows.fader("", 4, "/x").form(),
                                List.of(new Send(
                                        Send.Phase.CHANGE,
                                        Optional.of(rack),
                                        "/shaped",
                                        List.of(
                                                new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, STEPS, 0),
                                                new ArgumentSource.Value(ArgumentSource.ArgumentType.TEXT, TEXTS, 0)))),
                                List.of(
                                        Listen.asSent(Optional.of(rack), "/shaped", 0),
                                        Listen.value(Optional.of(rack), "/shaped", 0, 0, 5)))),
                put(front, Shows.LAYOUT, new Page("Front", 8, 8, Page.Screen.DESK, false, Optional.of(ready))),
                put(
                        new PartId("key"),
                        PAGE,
                        Control.plain(
                                "Front",
                                new Cells(6, 0, 2, 2),
                                new PageKey(Optional.of(front)),
                                List.of(),
                                List.of())));
    }
}
