package imperan.live;

import imperan.osc.OscMessage;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Edit;
import imperan.show.Look;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Song;
import imperan.show.Target;
import imperan.show.Track;
import imperan.show.TrackMark;
import imperan.show.form.Form;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** All that plays without a hand: cue lists, the tracks on which they lie, and the set lists of both. */
final class Playing {

    private final LiveState state;
    private final Cues cues;
    private final Tracks tracks;
    private final Songs songs;

    Playing(LiveState state, Sending sending, Movement movement) {
        this.state = state;
        this.cues = new Cues(state, sending, movement);
        this.tracks = new Tracks(state, sending, cues);
        this.songs = new Songs(state, sending, cues, tracks);
        cues.players(new CueDeeds.Players() {
            @Override
            public Optional<Optional<PlayRefusal>> track(Command.StepTrack order, Actor actor) {
                return tracks.order(order, actor);
            }

            @Override
            public Optional<Optional<PlayRefusal>> songs(Command.StepSongs order, Actor actor) {
                return songs.order(order, actor);
            }
        });
    }

    Cues cues() {
        return cues;
    }

    Tracks tracks() {
        return tracks;
    }

    Songs songs() {
        return songs;
    }

    /** A control was pressed: it may step a list, a track or a set list. */
    void press(LiveControl control, LiveControl.Grip grip) {
        Form form = control.control.form();
        form.listSteps().ifPresent(key -> cues.press(control, key, grip.landed().words(), grip.actor()));
        form.trackSteps().ifPresent(key -> tracks.press(control, key, grip.actor()));
        form.songSteps().ifPresent(key -> songs.press(control, key, grip.actor()));
    }

    /**
     * A target said something: a key of it may step something, or it may tell where it is.
     *
     * @return why it steps nothing, though something hears it
     */
    Optional<Reason> heard(Link from, OscMessage message, Asked.Heard as) {
        Optional<Reason> ofLists = cues.heard(from, message, as);
        Optional<Reason> ofSets = songs.heard(from, message, as);
        if (as != Asked.Heard.OF_PROOF) {
            tracks.heard(from, message);
        }
        return ofLists.or(() -> ofSets);
    }

    /** Everything that plays by itself stops. */
    void stopAll(Actor actor) {
        tracks.stopAll();
        cues.stopAll(actor);
    }

    /**
     * Follows an edit.
     *
     * @param newlyHeard is given what is looked up from now on
     */
    void follow(Show next, Collection<Edit.Change> changes, Set<Listeners.Key> newlyHeard) {
        Set<PartId> lists = new LinkedHashSet<>();
        Set<PartId> onTracks = new LinkedHashSet<>();
        Set<PartId> sets = new LinkedHashSet<>();
        songs.show(next);
        for (Edit.Change change : changes) {
            for (Part part : Stream.of(change.before(), change.after())
                    .flatMap(Optional::stream)
                    .toList()) {
                if (part.body() instanceof CueList list) {
                    lists.add(part.id());
                    list.track().ifPresent(onTracks::add);
                } else if (part.body() instanceof Cue) {
                    part.parent().ifPresent(lists::add);
                } else if (part.body() instanceof Track) {
                    onTracks.add(part.id());
                } else if (part.body() instanceof TrackMark) {
                    part.parent().ifPresent(onTracks::add);
                } else if (part.body() instanceof SetList) {
                    sets.add(part.id());
                } else if (part.body() instanceof Song) {
                    part.parent().ifPresent(sets::add);
                } else if (part.body() instanceof Look) {
                    cues.look(
                            part.id(),
                            next.part(part.id())
                                    .map(Part::body)
                                    .filter(Look.class::isInstance)
                                    .map(Look.class::cast));
                }
            }
            lookUp(change, newlyHeard);
        }
        lists.forEach(list -> cues.follow(next, list));
        lists.stream()
                .flatMap(list -> next.part(list).stream())
                .filter(part -> part.body() instanceof CueList)
                .flatMap(part -> ((CueList) part.body()).track().stream())
                .forEach(onTracks::add);
        onTracks.forEach(track -> tracks.follow(next, track));
        sets.forEach(songs::follow);
        if (!lists.isEmpty() || !sets.isEmpty()) {
            state.echoes.listen(
                    Stream.concat(cues.steppedOn(), songs.steppedOn()).toList());
        }
        if (changes.stream().anyMatch(Playing::changesLoad)) {
            cues.loadChanged();
        }
    }

    private void lookUp(Edit.Change change, Set<Listeners.Key> newlyHeard) {
        change.before().filter(Playing::says).ifPresent(part -> state.listeners.forgetLookUp(part.id()));
        change.after().filter(Playing::says).ifPresent(part -> {
            state.listeners.lookUp(part.id(), part.body().sources());
            Listeners.said(part.body().sources()).forEach(newlyHeard::add);
        });
    }

    private static boolean says(Part part) {
        return part.body() instanceof Cue || part.body() instanceof Song;
    }

    /** Whether cues may say other messages after it, or need longer for them. */
    private static boolean changesLoad(Edit.Change change) {
        Body after = change.after().map(Part::body).orElse(null);
        Body before = change.before().map(Part::body).orElse(null);
        return after instanceof Target
                || after instanceof Look
                || after instanceof Control now
                        && !(before instanceof Control was && was.sends().equals(now.sends()));
    }
}
