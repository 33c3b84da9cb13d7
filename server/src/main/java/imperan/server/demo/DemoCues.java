package imperan.server.demo;

import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Body;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Look;
import imperan.show.NamedValue;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.CueMark;
import imperan.show.cue.FadeCurve;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** The cue list of the Salt Clock: an evening walk from the mill to the quay, by hand, over its five machines. */
final class DemoCues {

    private static final PartId LIST = new PartId("evening-walk");
    private static final PartId DUSK = new PartId("look-dusk");
    private static final PartId SILENT = new PartId("look-silent");
    private static final PartId REEL = new PartId("reel-of-the-night");
    private static final Optional<PartId> BELLOWS = Optional.of(new PartId("bellows"));
    private static final Optional<PartId> WICK = Optional.of(new PartId("wick"));
    private static final Optional<PartId> SLUICE = Optional.of(new PartId("sluice"));
    private static final Optional<PartId> EDDY = Optional.of(new PartId("eddy"));
    private static final Optional<PartId> KEEL = Optional.of(new PartId("keel"));
    private static final CueMark WATER = new CueMark(CueMark.Shade.BLUE, "water");
    private static final CueMark LIGHT = new CueMark(CueMark.Shade.YELLOW, "light");
    private static final CueMark SOUND = new CueMark(CueMark.Shade.GREEN, "sound");

    private final List<EditRequest.Step> steps = new ArrayList<>();

    private DemoCues() {}

    static List<EditRequest.Step> steps() {
        return new DemoCues().all();
    }

    private List<EditRequest.Step> all() {
        put(REEL, null, new NamedValue("Reel of the night", "3", "Which reel of the water server plays tonight"));
        put(
                DUSK,
                null,
                new Look(
                        "Dusk",
                        List.of(stand(1, 0.45), stand(2, 0.4), stand(3, 0.35), stand(13, 0.6)),
                        "As the guests arrive"));
        put(
                SILENT,
                null,
                new Look(
                        "Silent",
                        IntStream.rangeClosed(1, 13)
                                .mapToObj(strip -> stand(strip, 0))
                                .toList(),
                        "All of the sound down"));
        put(
                LIST,
                null,
                new CueList(
                        "Evening walk",
                        CueList.USUAL_GUARD,
                        key(1),
                        key(2),
                        Optional.empty(),
                        "Keys 1 and 2 of the desk are go and back"));
        cue(
                Cue.plain("0", "Before the doors"),
                CueFollow.BY_HAND,
                "Does nothing: a safe place to stand at",
                CueMark.NONE);
        cue(
                Cue.plain(
                        "1",
                        "Blank",
                        new CueAction.RecallLook(0, Optional.of(SILENT), 0, FadeCurve.EVEN),
                        say(EDDY, "/eddy/reset")),
                CueFollow.BY_HAND,
                "",
                CueMark.NONE);
        cue(
                Cue.plain(
                        "2",
                        "Dusk",
                        new CueAction.RecallLook(0, Optional.of(DUSK), 4, FadeCurve.SLOW_ENDS),
                        say(WICK, "/wick/look/1/go")),
                CueFollow.BY_HAND,
                "When the first guest is at the gate",
                SOUND);
        cue(Cue.plain("3", "Low water", say(SLUICE, "/sluice/scene", text("Low water"))), CueFollow.BY_HAND, "", WATER);
        cue(
                Cue.plain(
                        "4",
                        "Into the mill",
                        new CueAction.ShowPage(0, Optional.of(new PartId("quay")), List.of()),
                        say(WICK, "/wick/look/2/go")),
                CueFollow.BY_HAND,
                "",
                LIGHT);
        cue(Cue.plain("5", "The wheel turns", fade(EDDY, "/eddy/turbulence", 0.6, 5)), CueFollow.after(3), "", WATER);
        cue(Cue.plain("6", "Wheel, second lantern", lantern(2, 200, 2)), CueFollow.BY_HAND, "Follows by itself", LIGHT);
        cue(
                Cue.plain(
                        "7",
                        "Tide rises",
                        new CueAction.FadeLine(
                                0,
                                BELLOWS,
                                "/bellows/main/level",
                                List.of(number()),
                                Optional.empty(),
                                0.75,
                                4,
                                FadeCurve.SLOW_ENDS,
                                CueAction.FadeLine.Unknown.JUMP),
                        say(SLUICE, "/sluice/sheet/1/play"),
                        later(2, WICK, "/wick/look/3/go")),
                CueFollow.BY_HAND,
                "Sound over four seconds, the sheet at once, the lanterns two seconds later",
                CueMark.NONE);
        cue(Cue.plain("8", "Flood", say(SLUICE, "/sluice/scene", text("Flood"))), CueFollow.BY_HAND, "", WATER);
        cue(
                Cue.plain(
                        "9",
                        "The reel of the night",
                        say(
                                SLUICE,
                                "/sluice/sheet/2/next",
                                new ArgumentSource.OfNamedValue(ArgumentType.INT32, Optional.of(REEL)))),
                CueFollow.answered(2, false),
                "Goes on once the water server has it",
                WATER);
        cue(
                Cue.plain("10", "Take it", say(SLUICE, "/sluice/sheet/2/take")),
                CueFollow.BY_HAND,
                "Follows when 9 was answered",
                WATER);
        cue(
                Cue.plain("11", "Along the quay", lantern(3, 180, 3), lantern(4, 180, 3), lantern(5, 180, 3)),
                CueFollow.BY_HAND,
                "",
                LIGHT);
        cue(
                Cue.plain(
                        "12",
                        "Stair",
                        new CueAction.FadeLine(
                                0,
                                KEEL,
                                "/keel/cross/1/1/level",
                                List.of(number()),
                                Optional.empty(),
                                0.8,
                                3,
                                FadeCurve.EVEN,
                                CueAction.FadeLine.Unknown.JUMP)),
                CueFollow.BY_HAND,
                "",
                SOUND);
        cue(Cue.plain("13", "Calm", fade(EDDY, "/eddy/turbulence", 0.1, 6)), CueFollow.BY_HAND, "", WATER);
        cue(
                Cue.plain(
                        "14",
                        "Moonrise",
                        say(SLUICE, "/sluice/scene", text("Moonrise")),
                        later(1, WICK, "/wick/look/4/go")),
                CueFollow.BY_HAND,
                "When the boat is away",
                WATER);
        cue(Cue.plain("15", "Salt", say(SLUICE, "/sluice/scene", text("Salt"))), CueFollow.BY_HAND, "", WATER);
        cue(
                Cue.plain("16", "Dusk again", new CueAction.RecallLook(0, Optional.of(DUSK), 6, FadeCurve.SLOW_ENDS)),
                CueFollow.BY_HAND,
                "",
                SOUND);
        cue(
                Cue.plain(
                        "17",
                        "Good night",
                        new CueAction.RecallLook(0, Optional.of(SILENT), 8, FadeCurve.SLOW_END),
                        say(SLUICE, "/sluice/sheet/1/stop"),
                        later(6, WICK, "/wick/look/1/go")),
                CueFollow.BY_HAND,
                "",
                CueMark.NONE);
        return steps;
    }

    private static Look.Stand stand(int strip, double at) {
        return new Look.Stand(new PartId("level-" + strip), List.of(at));
    }

    private static Optional<Behaviour.Condition> key(int number) {
        return Optional.of(new Behaviour.Condition(BELLOWS, "/bellows/key/" + number, 0, "1"));
    }

    private static CueAction say(Optional<PartId> target, String address, ArgumentSource... arguments) {
        return new CueAction.SayLine(0, target, address, List.of(arguments));
    }

    private static CueAction later(double seconds, Optional<PartId> target, String address) {
        return new CueAction.SayLine(seconds, target, address, List.of());
    }

    private static CueAction fade(Optional<PartId> target, String address, double to, double seconds) {
        return new CueAction.FadeLine(
                0,
                target,
                address,
                List.of(number()),
                Optional.empty(),
                to,
                seconds,
                FadeCurve.SLOW_ENDS,
                CueAction.FadeLine.Unknown.JUMP);
    }

    private static CueAction lantern(int number, int level, double seconds) {
        return new CueAction.FadeLine(
                0,
                WICK,
                "/wick/lantern/" + number + "/level",
                List.of(new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)),
                Optional.empty(),
                level,
                seconds,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.JUMP);
    }

    private static ArgumentSource number() {
        return new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0);
    }

    private static ArgumentSource text(String said) {
        return new ArgumentSource.Fixed(ArgumentType.TEXT, said);
    }

    private void cue(Cue cue, CueFollow follow, String note, CueMark mark) {
        put(
                new PartId("walk-" + cue.number()),
                LIST,
                new Cue(cue.number(), cue.name(), note, mark, cue.actions(), follow, Optional.empty()));
    }

    private void put(PartId id, PartId parent, Body body) {
        steps.add(new EditRequest.Put(new Part(id, Optional.ofNullable(parent), steps.size(), body), 0));
    }
}
