package imperan.live;

import imperan.osc.OscMessage;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Song;
import imperan.show.form.SongKey;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The set lists of the running show. A song is made ready, which changes the page and opens its cue list, and then put on air, which starts
 * its cues: two events, and never one. What a song does besides is done by a cue list of its own that nobody sees, so it is paced, verified
 * and shown like that of any cue.
 */
final class Songs {

    /** Of the two cues that a song is to the list behind its set. */
    private static final String READY = "r";

    private static final String ON_AIR = "a";

    private static final class Kept {
        private SetList body;
        private Map<PartId, Song> songs = Map.of();
        private Optional<PartId> ready = Optional.empty();
        private Optional<PartId> onAir = Optional.empty();
    }

    private final LiveState state;
    private final Sending sending;
    private final Cues cues;
    private final Tracks tracks;
    private final Map<PartId, Kept> sets = new LinkedHashMap<>();
    private Show show = Show.empty();

    Songs(LiveState state, Sending sending, Cues cues, Tracks tracks) {
        this.state = state;
        this.sending = sending;
        this.cues = cues;
        this.tracks = tracks;
    }

    // ---- what there is

    /** Pages, cue lists and tracks are looked up in this one from now on. */
    void show(Show next) {
        show = next;
    }

    /** A set list, or what lies in it, is another one. */
    void follow(PartId id) {
        Optional<SetList> body =
                show.part(id).map(Part::body).filter(SetList.class::isInstance).map(SetList.class::cast);
        cues.behind(
                id,
                body.map(SetList::name),
                body.isEmpty()
                        ? List.of()
                        : SetList.songs(show, id).stream()
                                .flatMap(part -> {
                                    Song song = (Song) part.body();
                                    Cue ready = Cue.plain("1", song.name() + " ready")
                                            .doing(song.ready());
                                    Cue onAir = Cue.plain("2", song.name() + " on air")
                                            .doing(song.onAir());
                                    return Stream.of(
                                            Map.entry(of(part.id(), READY), ready),
                                            Map.entry(of(part.id(), ON_AIR), onAir));
                                })
                                .toList());
        if (body.isEmpty()) {
            sets.remove(id);
            return;
        }
        Kept set = sets.computeIfAbsent(id, fresh -> new Kept());
        set.body = body.get();
        Map<PartId, Song> songs = new LinkedHashMap<>();
        SetList.songs(show, id).forEach(part -> songs.put(part.id(), (Song) part.body()));
        set.songs = songs;
        set.ready = set.ready.filter(songs::containsKey);
        set.onAir = set.onAir.filter(songs::containsKey);
        changed(id);
    }

    private static PartId of(PartId song, String event) {
        // an id has room for that: parts are named by 36 characters
        String name = song.value() + "-" + event;
        return new PartId(name.substring(Math.max(0, name.length() - 64)));
    }

    List<SetView> views() {
        return sets.keySet().stream().map(id -> view(id).orElseThrow()).toList();
    }

    Optional<SetView> view(PartId id) {
        return Optional.ofNullable(sets.get(id)).map(set -> new SetView(id, set.ready, set.onAir, beside(set, 1)));
    }

    /** Where a set list stood before a restart; nothing is done because of that. */
    void stood(SetView place) {
        Optional.ofNullable(sets.get(place.set())).ifPresent(set -> {
            set.ready = place.ready().filter(set.songs::containsKey);
            set.onAir = place.onAir().filter(set.songs::containsKey);
        });
    }

    // ---- orders

    /** Does what somebody wants of a set list, or tells why not; empty where there is no such one. */
    Optional<Optional<PlayRefusal>> order(Command.StepSongs order, Actor actor) {
        return Optional.ofNullable(sets.get(order.set())).map(set -> {
            Cause inHand = state.cause();
            Optional<PlayRefusal> refused = order(order.set(), set, order, actor);
            state.because(inHand, state.now());
            changed(order.set());
            return refused;
        });
    }

    private Optional<PlayRefusal> order(PartId id, Kept set, Command.StepSongs order, Actor actor) {
        switch (order.deed()) {
            case READY -> {
                if (order.song().filter(set.songs::containsKey).isEmpty()) {
                    return Optional.of(PlayRefusal.SONG_GONE);
                }
                ready(id, set, order.song().get(), actor);
            }
            case ON_AIR -> {
                if (set.ready.isEmpty()) {
                    return Optional.of(PlayRefusal.NOTHING_READY);
                }
                onAir(id, set, set.ready.get(), actor);
            }
            default -> {
                boolean forward = order.deed() == Command.StepSongs.Deed.NEXT;
                Optional<PartId> beside = beside(set, forward ? 1 : -1);
                if (beside.isEmpty()) {
                    return Optional.of(forward ? PlayRefusal.AT_END : PlayRefusal.AT_START);
                }
                ready(id, set, beside.get(), actor);
            }
        }
        return Optional.empty();
    }

    /** The song so far from the one that is ready, or else on air; before both it is the first. */
    private static Optional<PartId> beside(Kept set, int by) {
        List<PartId> order = List.copyOf(set.songs.keySet());
        int at = set.ready.or(() -> set.onAir).map(order::indexOf).orElse(by > 0 ? -1 : 0) + by;
        return at < 0 || at >= order.size() ? Optional.empty() : Optional.of(order.get(at));
    }

    private void ready(PartId id, Kept set, PartId song, Actor actor) {
        Song body = set.songs.get(song);
        set.ready = Optional.of(song);
        body.page()
                .flatMap(show::part)
                .filter(part -> part.body() instanceof Page)
                .ifPresent(page ->
                        state.happened(new LiveEvent.PageWanted(state.now(), state.cause(), page.id(), List.of())));
        if (!isOnAir(set, body.list())) {
            // its cues begin at their first, and its track at its start
            toFirst(body, actor);
            track(body).ifPresent(track -> tracks.order(Command.StepTrack.toStart(track), actor));
        }
        cues.order(new Command.StepCues(id, Command.StepCues.Deed.FIRE, Optional.of(of(song, READY))), actor);
    }

    private void toFirst(Song body, Actor actor) {
        body.list().ifPresent(list -> first(list)
                .ifPresent(cue ->
                        cues.order(new Command.StepCues(list, Command.StepCues.Deed.JUMP, Optional.of(cue)), actor)));
    }

    private static boolean isOnAir(Kept set, Optional<PartId> list) {
        return list.isPresent()
                && set.onAir.map(set.songs::get).flatMap(Song::list).equals(list);
    }

    private Optional<PartId> first(PartId list) {
        return CueList.cues(show, list).stream().map(Part::id).findFirst();
    }

    private Optional<PartId> track(Song song) {
        return song.list()
                .flatMap(show::part)
                .filter(part -> part.body() instanceof CueList)
                .flatMap(part -> ((CueList) part.body()).track());
    }

    private void onAir(PartId id, Kept set, PartId song, Actor actor) {
        Song body = set.songs.get(song);
        // its list was not put to the first cue when it was made ready, as it was being played
        boolean again = isOnAir(set, body.list());
        set.onAir.map(set.songs::get).ifPresent(before -> leave(before, actor));
        set.onAir = Optional.of(song);
        set.ready = Optional.empty();
        cues.order(new Command.StepCues(id, Command.StepCues.Deed.FIRE, Optional.of(of(song, ON_AIR))), actor);
        Optional<PartId> track = track(body);
        if (track.isPresent()) {
            tracks.order(Command.StepTrack.toStart(track.get()), actor);
            tracks.order(Command.StepTrack.of(track.get(), Command.StepTrack.Deed.ARM), actor);
            tracks.order(Command.StepTrack.of(track.get(), Command.StepTrack.Deed.PLAY), actor);
        } else {
            if (again) {
                toFirst(body, actor);
            }
            body.list()
                    .ifPresent(list ->
                            cues.order(new Command.StepCues(list, Command.StepCues.Deed.GO, Optional.empty()), actor));
        }
    }

    /** One song is on air at most: nothing follows by itself in the one before. */
    private void leave(Song before, Actor actor) {
        track(before).ifPresent(track -> {
            tracks.order(Command.StepTrack.of(track, Command.StepTrack.Deed.PAUSE), actor);
            if (tracks.isOthers(track)) {
                tracks.order(Command.StepTrack.of(track, Command.StepTrack.Deed.DISARM), actor);
            }
        });
        before.list()
                .ifPresent(list ->
                        cues.order(new Command.StepCues(list, Command.StepCues.Deed.STOP, Optional.empty()), actor));
    }

    /** Somebody pressed a key of a set list. What that cannot do now, its path says. */
    void press(LiveControl control, SongKey key, Actor actor) {
        Optional<Optional<PlayRefusal>> ordered = key.set()
                .flatMap(set -> order(
                        new Command.StepSongs(
                                set, Command.StepSongs.Deed.valueOf(key.order().name()), key.song()),
                        actor));
        if (ordered.isEmpty()) {
            sending.stop(control, new Reason.NothingChosen("set list"));
        } else {
            ordered.get().ifPresent(refusal -> sending.stop(control, new Reason.PlayRefused(refusal)));
        }
    }

    /**
     * A target said something: a key of it may step a set list.
     *
     * @return why it steps none, though one hears it
     */
    Optional<Reason> heard(Link from, OscMessage message, Asked.Heard as) {
        if (sets.isEmpty() || as == Asked.Heard.ANSWER || as == Asked.Heard.ANSWER_TO_FORWARD) {
            return Optional.empty();
        }
        Optional<Reason> notCounted = Optional.empty();
        for (Map.Entry<PartId, Kept> each : List.copyOf(sets.entrySet())) {
            SetList body = each.getValue().body;
            boolean next = Reading.isPressed(body.next(), from, message);
            if (next || Reading.isPressed(body.onAir(), from, message)) {
                notCounted = notCounted(body.name(), as);
                if (notCounted.isEmpty()) {
                    order(
                            new Command.StepSongs(
                                    each.getKey(),
                                    next ? Command.StepSongs.Deed.NEXT : Command.StepSongs.Deed.ON_AIR,
                                    Optional.empty()),
                            new Actor(
                                    Actor.Kind.REMOTE,
                                    from.id().value(),
                                    from.target().name(),
                                    EnumSet.of(Right.OPERATE)));
                }
            }
        }
        return notCounted;
    }

    private Optional<Reason> notCounted(String name, Asked.Heard as) {
        return switch (as) {
            case OF_PROOF -> Optional.of(new Reason.ProofMovesIt());
            case ECHO -> Optional.of(new Reason.EchoNotCounted(name));
            case NEWS, ANSWER, ANSWER_TO_FORWARD -> state.now() < state.stoppedUntil
                    ? Optional.of(new Reason.JustStopped(name))
                    : Optional.empty();
        };
    }

    /** The addresses on which targets step set lists. */
    Stream<Listeners.Key> steppedOn() {
        return sets.values().stream()
                .flatMap(each -> Stream.of(each.body.next(), each.body.onAir()))
                .flatMap(Optional::stream)
                .flatMap(when -> when.target().stream().map(target -> new Listeners.Key(target, when.address())));
    }

    private void changed(PartId set) {
        state.happened(new LiveEvent.SetChanged(state.now(), state.cause(), set));
    }
}
