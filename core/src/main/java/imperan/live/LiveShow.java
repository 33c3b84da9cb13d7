package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Problem;
import imperan.show.Show;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiPredicate;

/**
 * The show that owns the sockets, while it runs. See the package description for threads and time.
 *
 * <p>An incoming message never triggers a send of the control it moves, so two programs that mirror each other cannot
 * chase a value in circles through us. Only a declared forward says something on arrival, and once round a ring at most.
 */
public final class LiveShow {

    /** A finger whose browser is silent for longer is lifted. */
    public static final long HEARTBEAT_NANOS = 2_000_000_000L;

    /** Hands are looked at again after as many. */
    private static final int MOST_DUE_AT_ONCE = 64;

    private final LiveState state;
    private final Sending sending;
    private final Receiving receiving;
    private final Movement movement;
    private final Hands hands;
    private final Following following;
    private final Door door;
    private final Observing observing;
    private final Forwards forwards;
    private final Playing playing;

    public LiveShow(LiveSink sink) {
        state = new LiveState(sink);
        sending = new Sending(state);
        movement = new Movement(state, sending);
        forwards = new Forwards(state, sending, movement);
        playing = new Playing(state, sending, movement);
        receiving = new Receiving(state, sending, forwards, playing);
        hands = new Hands(state, sending, movement, playing);
        following = new Following(state, sending, hands, forwards, playing);
        door = new Door(state, sending, movement, hands, following, playing);
        observing = new Observing(state);
    }

    /** Runs another show, or the same as somebody else left it. What is in use and is the same in both is not disturbed. */
    public void load(Show next, long now) {
        following.follow(next, following.show().changesTo(next), now);
    }

    /**
     * Follows an edit of the show that runs, at the cost of what it changes. What changes under a hand is let go first, with what its release sends.
     *
     * @param next the show as the edit leaves it
     */
    public void follow(Show next, Edit edit, long now) {
        if (edit.number() == following.show().version() + 1 && edit.number() == next.version()) {
            following.follow(next, edit.changes(), now);
        } else {
            load(next, now);
        }
    }

    /** Every hand lets go, with what its release sends: before another show gets the sockets. */
    public void letGoOfAll(long now) {
        state.because(Cause.Origin.ORDER, Actor.IMPERAN, now);
        door.letGo(control -> true, state.links.values(), now);
    }

    /** Brings back the values of an earlier run. Nothing is sent because of them. */
    public void restore(Collection<SavedValue> values) {
        for (SavedValue value : values) {
            LiveControl control = state.controls.get(value.control());
            if (control != null) {
                control.restore(value);
                state.changed(control);
            }
        }
    }

    public Optional<ControlValue> value(PartId control) {
        return Optional.ofNullable(state.controls.get(control)).map(LiveControl::value);
    }

    public List<ControlValue> values() {
        return state.controls.values().stream().map(LiveControl::value).toList();
    }

    /** The controls that are played, in no order that matters. */
    public Collection<PartId> controls() {
        return Collections.unmodifiableSet(state.controls.keySet());
    }

    /** What of these controls is kept for a restart. */
    public List<SavedValue> savedValues(Collection<PartId> of) {
        return of.stream()
                .map(state.controls::get)
                .filter(Objects::nonNull)
                .map(LiveControl::saved)
                .toList();
    }

    public Optional<LinkView> link(PartId target) {
        return Optional.ofNullable(state.links.get(target)).map(Link::view);
    }

    /** How it stands with a target, where nothing else of its link is wanted. */
    public Optional<LinkState> linkState(PartId target) {
        return Optional.ofNullable(state.links.get(target)).map(Link::state);
    }

    public List<LinkView> links() {
        return state.links.values().stream().map(Link::view).toList();
    }

    public Optional<Trace> trace(PartId control) {
        return Optional.ofNullable(state.controls.get(control)).map(found -> {
            Trace trace = state.paths.trace(control).orElseGet(() -> Trace.none(control, found.position.first()));
            return trace.shaped(found.stages(), trace.line().flatMap(line -> line.target()
                    .map(state.links::get)
                    .flatMap(link -> link.vocabulary().said(line.address()))));
        });
    }

    /** What was seen of what a control says; empty where it says nothing to any target. */
    public Optional<Observed> observed(PartId control, long now) {
        return Optional.ofNullable(state.controls.get(control)).flatMap(found -> observing.control(found, now));
    }

    /** Those of these controls that have no effect now. */
    public List<MaskedControl> masked(Collection<PartId> controls) {
        return controls.stream()
                .map(state.controls::get)
                .filter(Objects::nonNull)
                .flatMap(control -> observing.masked(control).stream())
                .toList();
    }

    /** What became of what the forwards heard, in no order that matters. */
    public List<ForwardView> forwards() {
        return forwards.views();
    }

    /** How the cue lists stand, in no order that matters. */
    public List<CueListView> cueLists() {
        return playing.cues().views();
    }

    /** How one of them stands; empty where it is not in the show. */
    public Optional<CueListView> cueList(PartId list) {
        return playing.cues().view(list);
    }

    /**
     * What arrives goes through forwards, steps cue lists and moves tracks, but for what a proof makes targets say.
     *
     * @param here whether one moves or asks something at a target, on an address, now
     */
    public void proves(BiPredicate<PartId, String> here) {
        state.proved = here;
    }

    /** No proof moves anything any more. */
    public void provesNothing() {
        proves((target, address) -> false);
    }

    /** Which targets were lost, or had their port closed, and when last. */
    public List<Places.Away> away() {
        return links().stream()
                .flatMap(link -> link.awayAt().stream().map(at -> new Places.Away(link.target(), at)))
                .toList();
    }

    /** The same of before a restart: what was proved before that is not known to hold. */
    public void restoreAway(List<Places.Away> away) {
        away.forEach(
                one -> Optional.ofNullable(state.links.get(one.target())).ifPresent(link -> link.wasAway(one.at())));
    }

    /**
     * When a message that waits for nobody may leave to a target, as far as its pace goes. While something of a hand waits for its turn,
     * that is when it may be looked again.
     */
    public long roomAt(PartId target, long now) {
        return Optional.ofNullable(state.links.get(target))
                .map(link -> link.lane().roomAt(now))
                .orElse(now);
    }

    /** How often what a target says on an address changed in the last two seconds, answering nothing: 0, 1, or 2 for more. */
    public int changes(PartId target, String address, long now) {
        return Optional.ofNullable(state.links.get(target))
                .flatMap(link -> link.lastSaid().at(address))
                .map(said -> said.changes(now))
                .orElse(0);
    }

    /** How many times as fast as the show a list goes from its next cue on, for a trial: its waits, fades and guard. */
    public void cueSpeed(PartId list, double times) {
        playing.cues().speed(list, times);
    }

    /** Where the cue lists stand, for a restart. */
    public List<CueListView.Place> cuePlaces() {
        return playing.cues().places();
    }

    /** Brings back where cue lists stood in an earlier run. Nothing plays because of that. */
    public void restoreCues(Collection<CueListView.Place> places) {
        places.forEach(playing.cues()::stood);
    }

    /** How the tracks stand, in no order that matters. */
    public List<TrackView> tracks() {
        return playing.tracks().views();
    }

    /** How one of them stands; empty where it is not in the show. */
    public Optional<TrackView> track(PartId track) {
        return playing.tracks().view(track);
    }

    /** How the set lists stand, in no order that matters. */
    public List<SetView> sets() {
        return playing.songs().views();
    }

    /** How one of them stands; empty where it is not in the show. */
    public Optional<SetView> set(PartId set) {
        return playing.songs().view(set);
    }

    /** Whether a track goes on by itself, and fires what it passes. */
    public boolean isAnyTrackFiring() {
        return playing.tracks().isAnyFiring();
    }

    /** Where the tracks are, for a restart. */
    public List<TrackView.Place> trackPlaces(long now) {
        state.because(Cause.Origin.TIME, Actor.IMPERAN, now);
        return playing.tracks().places();
    }

    /** Brings back where tracks and set lists stood in an earlier run. Nothing plays because of that. */
    public void restorePlaying(Collection<TrackView.Place> tracks, Collection<SetView> sets, long now) {
        state.because(Cause.Origin.ORDER, Actor.IMPERAN, now);
        tracks.forEach(playing.tracks()::stood);
        sets.forEach(playing.songs()::stood);
    }

    /**
     * What the clock on the wall says: for tracks that follow it, and for bundles that say when they are due.
     * Whoever runs the show tells it once a second,
     * or more often.
     */
    public void wall(WallTime wall, long now) {
        state.because(Cause.Origin.TIME, Actor.IMPERAN, now);
        state.wallAhead = wall.sinceEpoch() - now;
        playing.tracks().wall(wall.secondsOfDay());
        sending.flush();
    }

    /** A device is gone, and with it the sound that it played. */
    public void left(String device, long now) {
        state.because(Cause.Origin.ORDER, Actor.IMPERAN, now);
        playing.tracks().left(device);
    }

    /** What was seen of a target. */
    public Optional<Observed> observedTarget(PartId target, long now) {
        return Optional.ofNullable(state.links.get(target)).map(link -> observing.target(link, now));
    }

    /** What was seen of a line that is said to a target, whichever line its control said last. */
    public Optional<Observed> observed(Line line, long now) {
        return line.target().map(state.links::get).map(link -> observing.line(line, link, now));
    }

    /** Whether something stands in the way of what a line does, as its target said last. */
    public boolean isMasked(Line line) {
        return line.target()
                .map(state.links::get)
                .filter(link -> observing.isMasked(line, link))
                .isPresent();
    }

    /** What a target said last on an address; empty where it said nothing since it came. */
    public Optional<List<OscArgument>> said(PartId target, String address) {
        return Optional.ofNullable(state.links.get(target))
                .flatMap(link -> link.lastSaid().on(address));
    }

    // ---- commands

    /** Does what an actor wants, or says why it cannot be done. */
    public Optional<Problem> carryOut(Command command, Actor actor, long now) {
        return door.carryOut(command, actor, now);
    }

    /** A browser says that it is still there. */
    public void heartbeat(String browser, long now) {
        hands.heartbeat(browser, now);
    }

    /** The browsers that hold a control. */
    public int hands() {
        return hands.hands();
    }

    // ---- receiving

    /**
     * A packet arrived.
     *
     * @param ourPort  the port it arrived on
     * @param peerHost where it came from, as a dotted address
     * @param bytes    the packet, for the wire
     * @param decoded  what it says
     */
    public void received(int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded, long now) {
        state.because(Cause.Origin.ARRIVAL, Actor.IMPERAN, now);
        receiving.received(ourPort, peerHost, peerPort, bytes, decoded, now);
        sending.flush();
    }

    /** A packet of a target arrived over its own connection, so nobody has to guess whose it is. */
    public void received(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded, long now) {
        Link link = state.links.get(target);
        if (link != null) {
            state.because(Cause.Origin.ARRIVAL, Actor.IMPERAN, now);
            receiving.received(Optional.of(link), link.target().answerPort(), peerHost, peerPort, bytes, decoded, now);
            sending.flush();
        }
    }

    /** Packets that no target of the rig claims, by their senders. */
    public List<Stray> strays() {
        return state.strays.all();
    }

    /** What a target was heard to say, as phrases. */
    public List<Phrase> collected(PartId target) {
        Link link = state.links.get(target);
        return link == null ? List.of() : link.collector().phrases();
    }

    /** What was heard since this browser began to learn, the busiest first. Who does not ask for ten seconds learns no more. */
    public List<Learning.Learned> learned(String browser, long now) {
        List<Learning.Learned> learned = state.learners.learned(browser, now);
        state.due.noLaterThan(Due.OfAll.LEARNERS, state.learners.nextDue());
        return learned;
    }

    // ---- to rest

    /** What would leave if these controls went to their rest values; those that a hand holds, or that stand there, are left out. */
    public List<RestLine> restPreview(Collection<PartId> controls) {
        return movement.restPreview(controls);
    }

    // ---- sockets and time

    /** A packet that the system had taken did not leave after all. */
    public void notSent(PartId target, byte[] packet, long now) {
        Link link = state.links.get(target);
        if (link != null) {
            state.because(Cause.Origin.TIME, Actor.IMPERAN, now);
            sending.notSent(link, packet);
        }
    }

    /** The host of a target says that nobody has its port open. */
    public void portClosed(PartId target, long now) {
        Link link = state.links.get(target);
        state.because(Cause.Origin.ARRIVAL, Actor.IMPERAN, now);
        if (link != null && link.portClosed(now)) {
            state.doubtValuesOf(link);
            state.turned(link);
        }
    }

    /** The network says whether any machine has the address of a target. */
    public void silentHost(PartId target, boolean silent) {
        Link link = state.links.get(target);
        if (link != null && link.silentHost(silent)) {
            state.changed(link);
        }
    }

    /** How it stands with our socket to a target. */
    public void socket(PartId target, SocketState socket, long now) {
        Link link = state.links.get(target);
        state.because(Cause.Origin.ORDER, Actor.IMPERAN, now);
        if (link != null && link.socket(socket)) {
            state.changed(link);
            if (socket.works() && link.target().keepAlive().isEmpty()) {
                // nothing else would ever make it speak; with a keep-alive it is asked once it answers that
                sending.askAll(link);
                sending.flush();
            }
            if (link.cutOff(now)) {
                state.doubtValuesOf(link);
                state.turned(link);
            }
        }
    }

    /** When something is due next, in the nanoseconds of all other times; {@code Long.MAX_VALUE} where nothing waits. */
    public long nextDue() {
        return state.due.next();
    }

    /** Does what is due by now, but no more than hands should wait for: where more is due, {@link #nextDue} says so. */
    public void takeDue(long now) {
        for (int i = 0; i < MOST_DUE_AT_ONCE && takeOneDue(now); i++) {
            // on with it
        }
        flush();
    }

    /**
     * Does one thing that is due by now, for those who look between whether a hand waits; {@link #flush} ends it.
     *
     * @return whether there was one
     */
    public boolean takeOneDue(long now) {
        Optional<Due> next = state.due.poll(now);
        next.ifPresent(due -> {
            state.because(Cause.Origin.TIME, Actor.IMPERAN, now);
            due(due, now);
        });
        return next.isPresent();
    }

    /** What was put together while due things were done leaves. */
    public void flush() {
        sending.flush();
    }

    private void due(Due due, long now) {
        if (due instanceof Due.OfLink of) {
            Optional.ofNullable(state.links.get(of.target())).ifPresent(link -> linkDue(link, now));
        } else if (due instanceof Due.OfControl of) {
            Optional.ofNullable(state.controls.get(of.control())).ifPresent(control -> hands.controlDue(control, now));
        } else if (due instanceof Due.OfForward of) {
            forwards.due(of.forward());
        } else if (due instanceof Due.OfCueList of) {
            playing.cues().due(of.list());
        } else if (due instanceof Due.OfTrack of) {
            playing.tracks().due(of.track());
        } else if (due instanceof Due.OfBrowser of) {
            hands.browserDue(of.browser(), now);
        } else {
            switch ((Due.OfAll) due) {
                case ANSWERS -> {
                    state.exchanges.expire(now);
                    state.due.noLaterThan(Due.OfAll.ANSWERS, state.exchanges.nextDue());
                }
                case BUNDLES -> receiving.takeDueBundles(now);
                case LEARNERS -> {
                    state.learners.forgetGone(now);
                    state.due.noLaterThan(Due.OfAll.LEARNERS, state.learners.nextDue());
                }
            }
        }
    }

    private void linkDue(Link link, long now) {
        link.keepAlive(now).ifPresent(message -> {
            state.by(Cause.Origin.KEEP_ALIVE);
            sending.emit(link, message);
            state.by(Cause.Origin.TIME);
        });
        link.refresh(now).forEach(packet -> state.datagram(link, packet));
        sending.drain(link);
        sending.askSettled(link);
        if (link.passes(now)) {
            state.doubtValuesOf(link);
            state.turned(link);
        }
        state.due.noLaterThan(new Due.OfLink(link.id()), link.nextDue());
    }
}
