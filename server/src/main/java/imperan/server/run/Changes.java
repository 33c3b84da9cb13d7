package imperan.server.run;

import imperan.cue.ListRun;
import imperan.live.ControlValue;
import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.LinkTurn;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.Reason;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.watch.Watch;
import imperan.wire.ByAddress;
import imperan.wire.WireLog;
import imperan.wire.WireRecord;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Consumer;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Gathers what the live show puts out until the next batch leaves; packets leave at once. */
final class Changes implements LiveSink {

    /** Packets kept for the Wire, and about how much memory they take. */
    static final int WIRE_PACKETS = 50_000;

    static final long WIRE_MEMORY = 48L << 20;

    /** Parts of which it is remembered that they cannot be told. */
    private static final int MOST_FAILING = 100;

    /** Turns of links that are kept. */
    static final int TURNS = 200;

    private static final Logger LOG = LoggerFactory.getLogger(Changes.class);

    private final BiPredicate<PartId, byte[]> sender;
    private final Set<PartId> values = new LinkedHashSet<>();
    private final Set<PartId> links = new LinkedHashSet<>();
    private final Set<PartId> cues = new LinkedHashSet<>();
    private final Set<PartId> tracks = new LinkedHashSet<>();
    private final Set<PartId> sets = new LinkedHashSet<>();
    private boolean placesMoved;
    private final Set<PartId> traces = new LinkedHashSet<>();
    private final Set<PartId> unsaved = new LinkedHashSet<>();
    private final Deque<LinkTurn> turns = new ArrayDeque<>();
    private final WireLog wire = new WireLog(WIRE_PACKETS, WIRE_MEMORY);
    private final ByAddress addresses = new ByAddress();
    private final Watch watch = new Watch(0);
    private final Set<String> notices = new LinkedHashSet<>();
    private final Set<PartId> failing = new HashSet<>();
    private long told;
    private List<Edit> edits = new ArrayList<>();
    private long editBytes;
    private Optional<PageWanted> page = Optional.empty();
    private volatile Consumer<PartId> handed = control -> {};
    private volatile Consumer<WireRecord> heardOf = record -> {};
    private Optional<WireRecord> lastOut = Optional.empty();
    private Optional<WireRecord> lastIn = Optional.empty();
    /** Whether a packet left or came. */
    private boolean spoken;

    private long turnings;

    /** @param sender false where the system did not take the packet */
    Changes(BiPredicate<PartId, byte[]> sender) {
        this.sender = sender;
    }

    /** Is told, on the loop's thread, of each value as it is handed to the next batch: for measuring, as it delays the show. */
    void tap(Consumer<PartId> listener) {
        handed = listener;
    }

    /** Is told, on the loop's thread, of each packet: for recording and measuring. */
    void tapWire(Consumer<WireRecord> listener) {
        heardOf = listener;
    }

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        return sender.test(target, packet);
    }

    @Override
    public void happened(LiveEvent event) {
        watch.happened(event);
        if (event instanceof LiveEvent.ValueChanged value) {
            values.add(value.control());
            unsaved.add(value.control());
            handed.accept(value.control());
        } else if (event instanceof LiveEvent.LinkChanged link) {
            links.add(link.target());
        } else if (event instanceof LiveEvent.PageWanted wanted) {
            page = Optional.of(new PageWanted(wanted.page(), wanted.people()));
        } else if (event instanceof LiveEvent.CuesChanged changed) {
            cues.add(changed.list());
            placesMoved = true;
        } else if (event instanceof LiveEvent.TrackChanged changed) {
            tracks.add(changed.track());
            placesMoved = true;
        } else if (event instanceof LiveEvent.SetChanged changed) {
            sets.add(changed.set());
            placesMoved = true;
        } else if (event instanceof LiveEvent.SoundLost lost) {
            notice(lost.device() + "’s device played the sound of “" + lost.name()
                    + "”, and is gone: the track goes on without sound. Let another device play it, in Cues");
        } else if (event instanceof LiveEvent.ListBrokenOff broken) {
            notice("“" + broken.name() + "” is broken off: it steps itself. " + broken.target() + " sends "
                    + broken.address() + " when a cue is sent. Change its Go message, or arm it, in Cues");
        } else if (event instanceof LiveEvent.CueNotBegun not) {
            if (not.first()) {
                notice("“" + not.cue() + "” did not begin: " + ListRun.MOST_RUNNING + " cues of “" + not.name()
                        + "” run already. Look what fires them so often; Watch counts the others");
            }
        } else if (event instanceof LiveEvent.StepIgnored ignored) {
            notice("“" + ignored.name() + "” ignored " + ignored.address() + " from " + ignored.target()
                    + ": everything was stopped less than 1 s ago");
        } else if (event instanceof LiveEvent.LinkTurned turned) {
            turn(new LinkTurn(++turnings, turned.at(), turned.target(), turned.state(), turned.why()));
            placesMoved |= turned.state() == LinkState.LOST || turned.state() == LinkState.PORT_CLOSED;
        } else if (event instanceof LiveEvent.AnsweredElsewhere) {
            placesMoved = true;
        } else {
            pathOf(event).ifPresent(traces::add);
            linkOf(event).ifPresent(links::add);
            wire.happened(event).ifPresentOrElse(this::last, this::lastAnswered);
            addresses.happened(event);
        }
    }

    /** The control whose path is another one because of this. */
    private static Optional<PartId> pathOf(LiveEvent event) {
        return event instanceof LiveEvent.LineLeft left
                ? left.line().control()
                : event instanceof LiveEvent.Stopped stopped
                        ? stopped.control()
                        : event instanceof LiveEvent.Opened opened
                                ? opened.control()
                                : event instanceof LiveEvent.Differed differed
                                        ? differed.control()
                                        : event instanceof LiveEvent.Ended ended ? ended.control() : Optional.empty();
    }

    /** The link of which something was counted because of this. */
    private static Optional<PartId> linkOf(LiveEvent event) {
        return event instanceof LiveEvent.PacketOut out
                ? Optional.of(out.target())
                : event instanceof LiveEvent.PacketIn in
                        ? in.target()
                        : event instanceof LiveEvent.NotQueued not
                                ? Optional.of(not.target())
                                : event instanceof LiveEvent.Ended ended
                                        ? Optional.of(ended.target())
                                        : event instanceof LiveEvent.Stopped stopped
                                                        && stopped.reason() instanceof Reason.SameValue
                                                ? stopped.line().flatMap(Line::target)
                                                : Optional.empty();
    }

    private void turn(LinkTurn turn) {
        turns.addLast(turn);
        if (turns.size() > TURNS) {
            turns.removeFirst();
        }
    }

    /** Somebody looks at this path now, as it is. */
    void lookedAt(PartId control) {
        traces.add(control);
    }

    /** The newest turns of the links, oldest first. */
    List<LinkTurn> turns() {
        return List.copyOf(turns);
    }

    private void last(WireRecord record) {
        spoken = true;
        heardOf.accept(record);
        if (record.out()) {
            lastOut = newest(lastOut, record);
        } else {
            lastIn = newest(lastIn, record);
        }
    }

    /** What comes again and again does not push away what somebody did. */
    private static Optional<WireRecord> newest(Optional<WireRecord> last, WireRecord record) {
        return record.repeats() && last.filter(before -> !before.repeats()).isPresent() ? last : Optional.of(record);
    }

    /** What left last may have been answered by what came after it. */
    private void lastAnswered() {
        lastOut.flatMap(last -> wire.packet(last.number()))
                .filter(now -> now.change() != lastOut.get().change())
                .ifPresent(now -> {
                    lastOut = Optional.of(now);
                    spoken = true;
                });
    }

    /** @param bytes about how large it is */
    void edit(Edit edit, long bytes) {
        edits.add(edit);
        editBytes += bytes;
    }

    /** Everybody is told, with the next batch. */
    void notice(String sentence) {
        notices.add(sentence);
    }

    boolean isEmpty() {
        return values.isEmpty()
                && links.isEmpty()
                && cues.isEmpty()
                && tracks.isEmpty()
                && sets.isEmpty()
                && traces.isEmpty()
                && !spoken
                && edits.isEmpty()
                && page.isEmpty()
                && notices.isEmpty();
    }

    /** Whether there is something to tell, the number of missed packets among it. */
    boolean isUntold(long missed) {
        return !isEmpty() || missed != told;
    }

    Optional<WireRecord> lastOut() {
        return lastOut;
    }

    Optional<WireRecord> lastIn() {
        return lastIn;
    }

    /** The packets of the Wire. */
    Watch watch() {
        return watch;
    }

    WireLog wire() {
        return wire;
    }

    /** What was said, by its address. */
    ByAddress addresses() {
        return addresses;
    }

    /** Another show runs: what was said before is none of its. */
    void another(long now) {
        watch.forget(now);
        wire.forget();
        addresses.forget();
    }

    boolean isUnsaved() {
        return !unsaved.isEmpty();
    }

    /** Whether a cue list, a track or a set list stands elsewhere since this was last asked, or a target went away. */
    boolean takePlacesMoved() {
        boolean moved = placesMoved;
        placesMoved = false;
        return moved;
    }

    /** The controls whose values changed since this was last asked. */
    Set<PartId> takeUnsaved() {
        Set<PartId> taken = Set.copyOf(unsaved);
        unsaved.clear();
        return taken;
    }

    /** Everything gathered, with the values as they are now; afterwards nothing is gathered. */
    Batch take(LiveShow live, Collection<PartId> watchedTraces, long missed) {
        Batch batch = new Batch(
                each(values, live::value),
                each(links, live::link),
                each(cues, live::cueList),
                each(tracks, live::track),
                each(sets, live::set),
                each(traces.stream().filter(watchedTraces::contains).toList(), live::trace),
                lastOut,
                lastIn,
                edits,
                editBytes,
                page,
                missed,
                List.copyOf(notices));
        told = missed;
        notices.clear();
        values.clear();
        links.clear();
        cues.clear();
        tracks.clear();
        sets.clear();
        traces.clear();
        spoken = false;
        edits = new ArrayList<>();
        editBytes = 0;
        page = Optional.empty();
        return batch;
    }

    /** All values as they are now. */
    List<ControlValue> values(LiveShow live) {
        return each(live.controls(), live::value);
    }

    /** All of them but those that fail: one control that cannot be told must not silence the others. */
    private <T> List<T> each(Collection<PartId> ids, Function<PartId, Optional<T>> reading) {
        List<T> read = new ArrayList<>();
        for (PartId id : ids) {
            try {
                reading.apply(id).ifPresent(read::add);
            } catch (RuntimeException e) {
                // said once: it comes again with each batch
                if (failing.size() < MOST_FAILING && failing.add(id)) {
                    LOG.error("{} cannot be told to browsers", id, e);
                }
            }
        }
        return read;
    }
}
