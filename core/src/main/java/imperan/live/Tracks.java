package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.Cue;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Track;
import imperan.show.TrackMark;
import imperan.show.form.TrackKey;
import imperan.show.song.TimeFrom;
import imperan.track.OutsideClock;
import imperan.track.Time;
import imperan.track.Transport;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** The tracks of the running show: where each is, by whichever clock, and the cues that it passes. */
final class Tracks {

    /** Of one track in a turn: hands are looked at in between. */
    private static final int MOST_AT_ONCE = 64;
    /** Screens go on by themselves; so often they are told where a track is, so that they do not drift. */
    private static final long TOLD_NANOS = 1_000_000_000L;
    /** What is off by less nobody sees. */
    private static final double FELT_SECONDS = 0.015;
    /** By what the clock on the wall and ours may differ before it counts as set anew. */
    private static final double WALL_TOLERANCE = 0.5;

    /** A cue on a track. */
    private record Timed(PartId list, PartId cue) {}

    private static final class Tracked {
        private final Transport<Timed> transport = new Transport<>();
        private final OutsideClock outside = new OutsideClock(transport);
        private final Map<PartId, TrackMark> marks = new HashMap<>();
        private Track body;
        /** Who let it play, or armed it. */
        private Actor by = Actor.IMPERAN;

        private Optional<Actor> speaker = Optional.empty();
        private boolean heard;
        /** Where it was before a restart. */
        private Optional<Double> stood = Optional.empty();

        private double toldPosition;
        private long toldAt;
        private boolean toldRolling;
        /** Whether the clock on the wall has been followed since it came. */
        private boolean begun;

        private boolean isOwn() {
            return body.from().source() == TimeFrom.Source.OWN;
        }
    }

    private final LiveState state;
    private final Sending sending;
    private final Cues cues;
    private final Map<PartId, Tracked> tracks = new LinkedHashMap<>();

    Tracks(LiveState state, Sending sending, Cues cues) {
        this.state = state;
        this.sending = sending;
        this.cues = cues;
    }

    // ---- what there is

    /** A track, or what lies on it, is another one. */
    void follow(Show show, PartId id) {
        Optional<Track> body =
                show.part(id).map(Part::body).filter(Track.class::isInstance).map(Track.class::cast);
        if (body.isEmpty()) {
            tracks.remove(id);
            return;
        }
        Tracked track = tracks.computeIfAbsent(id, fresh -> new Tracked());
        boolean another = track.body == null
                || track.body.from().source() != body.get().from().source();
        track.body = body.get();
        track.marks.clear();
        show.children(id)
                .filter(part -> part.body() instanceof TrackMark)
                .forEach(part -> track.marks.put(part.id(), (TrackMark) part.body()));
        track.outside.follow(track.body.from().tolerance(), track.body.from().freewheel());
        track.transport.follow(
                Track.lists(show, id).stream()
                        .flatMap(list -> points(show, list.id()))
                        .toList(),
                track.body.length(),
                track.body.passesJumps(),
                state.now());
        if (another) {
            track.transport.pause(state.now());
            track.outside.forget();
            track.begun = false;
            // a clock of somebody else's fires nothing until somebody says so
            track.transport.arm(track.isOwn(), state.now());
        }
        awaits(id, track);
        changed(id, track);
    }

    private static Stream<Transport.Point<Timed>> points(Show show, PartId list) {
        return show.children(list)
                .filter(part -> part.body() instanceof Cue cue && cue.at().isPresent())
                .map(part -> new Transport.Point<>(
                        new Timed(list, part.id()), ((Cue) part.body()).at().orElseThrow()));
    }

    List<TrackView> views() {
        return tracks.keySet().stream().map(id -> view(id).orElseThrow()).toList();
    }

    Optional<TrackView> view(PartId id) {
        return Optional.ofNullable(tracks.get(id))
                .map(track -> new TrackView(
                        id,
                        track.transport.position(state.now()),
                        state.now(),
                        track.transport.isRolling(),
                        track.transport.isArmed(),
                        track.outside.isHeard(state.now()),
                        track.transport.loop(),
                        track.transport.missed().stream()
                                .map(point -> new TrackView.Missing(
                                        point.what().list(), point.what().cue(), point.seconds()))
                                .toList(),
                        track.speaker));
    }

    /** Whether one goes on by itself, and fires what it passes. */
    boolean isAnyFiring() {
        return tracks.values().stream().anyMatch(track -> track.transport.isRolling() && track.transport.isArmed());
    }

    List<TrackView.Place> places() {
        return tracks.entrySet().stream()
                .map(each -> new TrackView.Place(
                        each.getKey(), each.getValue().transport.position(state.now())))
                .toList();
    }

    /** Where a track was before a restart; it stands there. */
    void stood(TrackView.Place place) {
        Optional.ofNullable(tracks.get(place.track())).ifPresent(track -> {
            track.stood = Optional.of(place.position());
            if (track.isOwn()) {
                track.transport.begin(place.position(), state.now());
                changed(place.track(), track);
            }
        });
    }

    /** Whether its time comes from somebody else. */
    boolean isOthers(PartId id) {
        return Optional.ofNullable(tracks.get(id))
                .filter(track -> !track.isOwn())
                .isPresent();
    }

    // ---- orders

    /** Does what somebody wants of a track, or tells why not; empty where there is no such track. */
    Optional<Optional<PlayRefusal>> order(Command.StepTrack order, Actor actor) {
        return Optional.ofNullable(tracks.get(order.track())).map(track -> {
            Optional<PlayRefusal> refused = order(track, order, actor);
            // what is passed by it is fired when its turn comes: a cue may have given the order
            awaits(order.track(), track);
            changed(order.track(), track);
            return refused;
        });
    }

    private Optional<PlayRefusal> order(Tracked track, Command.StepTrack order, Actor actor) {
        Transport<Timed> transport = track.transport;
        long now = state.now();
        switch (order.deed()) {
            case SPEAK -> track.speaker = Optional.of(actor);
            case SILENT -> track.speaker = Optional.empty();
            case ARM -> {
                track.by = actor;
                transport.arm(true, now);
            }
            case DISARM -> transport.arm(false, now);
            default -> {
                if (!track.isOwn()) {
                    return Optional.of(PlayRefusal.ANOTHER_CLOCK);
                }
                track.by = actor;
                return move(track, order, now);
            }
        }
        return Optional.empty();
    }

    private static Optional<PlayRefusal> move(Tracked track, Command.StepTrack order, long now) {
        Transport<Timed> transport = track.transport;
        Optional<TrackMark> mark = order.mark().map(track.marks::get);
        switch (order.deed()) {
            case PLAY -> transport.play(now);
            case PAUSE -> transport.pause(now);
            case LEAVE -> transport.leaveLoop(now);
            case LOOP -> {
                if (mark.filter(TrackMark::lasts).isEmpty()) {
                    return Optional.of(PlayRefusal.NO_SECTION);
                }
                transport.loop(new Transport.Loop(mark.get().at(), mark.get().end()), now);
            }
            default -> {
                if (mark.isEmpty() && order.mark().isPresent()) {
                    return Optional.of(PlayRefusal.MARK_GONE);
                }
                transport.place(
                        mark.map(TrackMark::at).orElseGet(() -> order.seconds().orElse(0.0)), now);
            }
        }
        return Optional.empty();
    }

    /** Somebody pressed a key that plays or places a track. What that cannot do now, its path says. */
    void press(LiveControl control, TrackKey key, Actor actor) {
        Optional<Tracked> track = key.track().map(tracks::get);
        if (track.isEmpty()) {
            sending.stop(control, new Reason.NothingChosen("track"));
            return;
        }
        Command.StepTrack.Deed deed =
                switch (key.order()) {
                    case PLAY -> track.get().transport.isRolling()
                            ? Command.StepTrack.Deed.PAUSE
                            : Command.StepTrack.Deed.PLAY;
                    case START, MARK -> Command.StepTrack.Deed.PLACE;
                    case LOOP -> Command.StepTrack.Deed.LOOP;
                    case LEAVE -> Command.StepTrack.Deed.LEAVE;
                };
        if (key.needsMark() && key.mark().isEmpty()) {
            sending.stop(control, new Reason.NothingChosen("mark"));
            return;
        }
        Cause inHand = state.cause();
        Optional<PlayRefusal> refused = order(
                        new Command.StepTrack(
                                key.track().get(),
                                deed,
                                Optional.empty(),
                                key.needsMark() ? key.mark() : Optional.empty()),
                        actor)
                .flatMap(each -> each);
        state.because(inHand, state.now());
        refused.ifPresent(refusal -> sending.stop(control, new Reason.PlayRefused(refusal)));
    }

    /** What plays here pauses, and what follows somebody else fires nothing until it is armed again. */
    void stopAll() {
        tracks.forEach((id, track) -> {
            if (track.isOwn()) {
                track.transport.pause(state.now());
            } else {
                track.transport.arm(false, state.now());
            }
            awaits(id, track);
            changed(id, track);
        });
    }

    /** A device is gone: the sound that it played is heard no more, and everybody is told. */
    void left(String device) {
        tracks.forEach((id, track) -> {
            if (track.speaker.filter(actor -> actor.id().equals(device)).isPresent()) {
                String name = track.speaker.get().name();
                track.speaker = Optional.empty();
                state.happened(new LiveEvent.SoundLost(state.now(), state.cause(), id, track.body.name(), name));
                changed(id, track);
            }
        });
    }

    // ---- clocks of others

    /** A target said something: it may be where it is. */
    void heard(Link from, OscMessage message) {
        for (Map.Entry<PartId, Tracked> each : tracks.entrySet()) {
            Tracked track = each.getValue();
            TimeFrom clock = track.body.from();
            if (clock.source() == TimeFrom.Source.REPORTED
                    && clock.target().filter(from.id()::equals).isPresent()
                    && clock.address().equals(message.address())) {
                Reading.argument(message.arguments(), clock.argument())
                        .flatMap(said -> seconds(track.body, said))
                        .ifPresent(seconds -> {
                            Cause inHand = state.cause();
                            track.by = track.by == Actor.IMPERAN
                                    ? new Actor(
                                            Actor.Kind.REMOTE,
                                            from.id().value(),
                                            from.target().name(),
                                            EnumSet.of(Right.OPERATE))
                                    : track.by;
                            track.outside.reported(seconds, state.now());
                            work(each.getKey(), track);
                            state.because(inHand, state.now());
                        });
            }
        }
    }

    private static Optional<Double> seconds(Track body, OscArgument said) {
        if (body.from().unit() == TimeFrom.Unit.TEXT) {
            return said instanceof OscArgument.Text text
                            && Time.seconds(text.value(), body.rate()) instanceof Time.Read.Good<Double> good
                    ? Optional.of(good.value())
                    : Optional.empty();
        }
        return Spelling.number(said)
                .map(number ->
                        body.from().unit() == TimeFrom.Unit.FRAMES ? body.rate().seconds(Math.round(number)) : number)
                .filter(seconds -> seconds >= 0 && seconds <= Time.DAY);
    }

    /** What the clock on the wall says, in seconds since midnight. */
    void wall(double secondsOfDay) {
        tracks.forEach((id, track) -> {
            if (track.body.from().source() != TimeFrom.Source.DAY) {
                return;
            }
            Transport<Timed> transport = track.transport;
            double off = Math.abs(secondsOfDay - transport.position(state.now()));
            if (!track.begun) {
                track.begun = true;
                // what was due while nobody ran is missed, and listed
                track.stood.ifPresent(stood -> {
                    transport.begin(stood, state.now());
                    transport.passUntil(secondsOfDay, state.now());
                });
                transport.begin(secondsOfDay, state.now());
                transport.play(state.now());
                // midnight is where the day begins anew
                transport.loop(new Transport.Loop(0, Time.DAY), state.now());
            } else if (off > WALL_TOLERANCE && Time.DAY - off > WALL_TOLERANCE) {
                transport.place(secondsOfDay, state.now());
                transport.loop(new Transport.Loop(0, Time.DAY), state.now());
            }
            work(id, track);
        });
    }

    // ---- what is due

    void due(PartId id) {
        Optional.ofNullable(tracks.get(id)).ifPresent(track -> work(id, track));
    }

    private void work(PartId id, Tracked track) {
        track.outside.proceed(state.now());
        Cause inHand = state.cause();
        int missed = track.transport.missed().size();
        Optional<Transport.Point<Timed>> next = track.transport.next(state.now());
        for (int done = 0; next.isPresent() && done < MOST_AT_ONCE; done++) {
            cues.passed(next.get().what().list(), next.get().what().cue(), track.by);
            next = done + 1 < MOST_AT_ONCE ? track.transport.next(state.now()) : Optional.empty();
        }
        state.because(inHand, state.now());
        awaits(id, track);
        if (isOtherwise(track) || track.transport.missed().size() != missed) {
            changed(id, track);
        }
    }

    /** Whether screens that go on by themselves would show something else. */
    private boolean isOtherwise(Tracked track) {
        long now = state.now();
        double shown = track.toldPosition + (track.toldRolling ? (now - track.toldAt) / 1e9 : 0);
        return track.transport.isRolling() != track.toldRolling
                || track.outside.isHeard(now) != track.heard
                || Math.abs(track.transport.position(now) - shown) > FELT_SECONDS
                || track.transport.isRolling() && now - track.toldAt >= TOLD_NANOS;
    }

    private void awaits(PartId id, Tracked track) {
        long due = Math.min(track.transport.due(), track.outside.due());
        state.due.noLaterThan(
                new Due.OfTrack(id), track.transport.isRolling() ? Math.min(due, state.now() + TOLD_NANOS) : due);
    }

    private void changed(PartId id, Tracked track) {
        track.toldPosition = track.transport.position(state.now());
        track.toldAt = state.now();
        track.toldRolling = track.transport.isRolling();
        track.heard = track.outside.isHeard(state.now());
        state.happened(new LiveEvent.TrackChanged(state.now(), state.cause(), id));
    }
}
