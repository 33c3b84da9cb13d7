package imperan.trial;

import imperan.live.Actor;
import imperan.live.Expectation;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SavedValue;
import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Held;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * A trial in a copy of a show that has no sockets, on a clock of its own: it is over at once, and nobody hears it. Targets take what is said at their pace and answer nothing, so nothing is awaited; where they
 * stand is what was known of them.
 */
public final class Rehearsal implements LiveSink {

    /** No list takes longer. */
    private static final long MOST_NANOS = 48 * 3600 * 1_000_000_000L;
    /** Many fades that go on for hours are many steps: it ends where whoever asked would wait too long for it. */
    private static final int MOST_TURNS = 1_000_000;

    private static final int MOST_SAID = 1_000_000;

    /** What a target said last on an address. */
    public record Known(PartId target, String address, List<OscArgument> said) {
        public Known {
            said = List.copyOf(said);
        }
    }

    /** An address on which a list has to know what a target said. */
    public record Place(PartId target, String address) {}

    private final Trial trial;
    private final LiveShow live = new LiveShow(this);
    private int said;

    private Rehearsal(Trial trial) {
        this.trial = trial;
    }

    /** What a list looks up: where its fades begin, and what targets are to have said. */
    public static Set<Place> lookedUp(Show show, PartId list) {
        Set<Place> places = new LinkedHashSet<>();
        for (PartId each : TrialScope.of(show, list).lists()) {
            for (Part part : CueList.cues(show, each)) {
                for (CueAction action : ((Cue) part.body()).actions()) {
                    if (action instanceof CueAction.FadeLine fade && fade.from().isEmpty()) {
                        fade.target()
                                .ifPresent(target -> places.add(new Place(
                                        target,
                                        Expectation.of(fade.address(), Vocabulary.of(show, target))
                                                .address()
                                                .orElse(fade.address()))));
                    }
                    action.sources()
                            .filter(ArgumentSource.Said.class::isInstance)
                            .map(ArgumentSource.Said.class::cast)
                            .forEach(said ->
                                    said.target().ifPresent(target -> places.add(new Place(target, said.address()))));
                }
            }
        }
        return places;
    }

    /**
     * Plays a list through.
     *
     * @param values where the controls stand
     * @param known  what the targets said last
     */
    public static TrialReport of(
            Show show, PartId list, TrialSpeed speed, List<SavedValue> values, List<Known> known, Actor by, long now) {
        Rehearsal rehearsal = new Rehearsal(new Trial(show, list, speed, true, by));
        rehearsal.begin(silenced(show), values, known, now);
        rehearsal.play(now);
        return rehearsal.trial.report();
    }

    private static Show silenced(Show show) {
        List<Held> parts = new ArrayList<>();
        for (Held held : show.parts()) {
            Part part = held.part();
            parts.add(
                    part.body() instanceof Target target
                            ? new Held(
                                    new Part(part.id(), part.parent(), part.order(), target.sayingNothing()),
                                    held.version(),
                                    held.author())
                            : held);
        }
        return Show.of(show.version(), parts);
    }

    private void begin(Show show, List<SavedValue> values, List<Known> known, long now) {
        live.load(show, now);
        show.all(Target.class).forEach(target -> live.socket(target.id(), SocketState.open("0.0.0.0"), now));
        live.restore(values);
        for (Known each : known) {
            live.received(
                    each.target(),
                    "",
                    0,
                    new byte[0],
                    new Decoded.Whole(new OscMessage(each.address(), each.said())),
                    now);
        }
    }

    private void play(long start) {
        long now = start;
        trial.act(live, now);
        for (int turns = 0; !trial.isEnded(); turns++) {
            long next = Math.max(now, Math.min(live.nextDue(), trial.nextDue()));
            if (next > start + MOST_NANOS || turns >= MOST_TURNS || said >= MOST_SAID) {
                trial.stop(TrialReport.End.ENDLESS);
            } else {
                now = next;
                live.takeDue(now);
            }
            trial.act(live, now);
        }
    }

    /** Nothing leaves. */
    @Override
    public boolean datagram(PartId target, byte[] packet) {
        said++;
        return true;
    }

    @Override
    public void happened(LiveEvent event) {
        trial.happened(event);
    }
}
