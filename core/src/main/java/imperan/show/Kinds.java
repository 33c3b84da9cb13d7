package imperan.show;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** All kinds of parts, in the order in which documents have them. Whoever goes through all kinds goes through this list. */
public final class Kinds {

    public static final List<Kind> ALL = List.of(
            Kind.inShow("phrasebook", Phrasebook.class),
            Kind.inside("phrase", Phrase.class, List.of(Phrasebook.class)),
            Kind.inShow("host", Host.class),
            Kind.inShow("target", Target.class),
            Kind.inShow("acceptance", Acceptance.class),
            Kind.inShow("message", SavedMessage.class),
            Kind.inShow("forward", Forward.class),
            Kind.inShow("value", NamedValue.class),
            Kind.inShow("look", Look.class),
            Kind.inShow("track", Track.class),
            Kind.inside("trackMark", TrackMark.class, List.of(Track.class)),
            Kind.inShow("cueList", CueList.class),
            Kind.inside("cue", Cue.class, List.of(CueList.class)),
            Kind.inShow("setList", SetList.class),
            Kind.inside("song", Song.class, List.of(SetList.class)),
            Kind.inShow("layout", Layout.class),
            Kind.inside("page", Page.class, List.of(Layout.class)),
            Kind.inside("tray", Tray.class, List.of(Page.class)),
            Kind.inside("control", Control.class, List.of(Page.class, Tray.class)),
            Kind.inside("twin", Twin.class, List.of(Page.class, Tray.class)),
            Kind.inShow("lock", Lock.class).notInFiles());

    private static final Map<Class<? extends Body>, Kind> BY_TYPE =
            ALL.stream().collect(Collectors.toMap(Kind::type, Function.identity()));

    private Kinds() {}

    public static Kind of(Body body) {
        return BY_TYPE.get(body.getClass());
    }
}
