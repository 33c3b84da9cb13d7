package imperan.server.socket;

import imperan.live.Actor;
import imperan.live.TrackView;
import imperan.server.run.ShowClock;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * How a track stands at this moment.
 *
 * @param seconds from its start
 * @param rolling whether it goes on from there
 * @param armed   whether what it passes is fired
 * @param heard   for a position that a target reports: whether it does
 * @param loop    what is played again and again
 * @param missed  what it passed while it was not armed
 * @param speaker the browser that plays its sound aloud; empty where none does
 */
public record TrackState(
        PartId track,
        double seconds,
        boolean rolling,
        boolean armed,
        boolean heard,
        Optional<TrackLoop> loop,
        List<MissedCue> missed,
        Optional<Speaker> speaker) {

    /** In seconds from the start. */
    public record TrackLoop(double from, double to) {}

    public record MissedCue(PartId list, PartId cue, double seconds) {}

    public record Speaker(String browser, String name) {}

    /** As it stands at this moment: a view may be older. */
    public static TrackState of(TrackView view) {
        long now = ShowClock.now();
        double gone = view.rolling() ? Math.max(0, (now - view.at()) / 1e9) : 0;
        return new TrackState(
                view.track(),
                view.position() + gone,
                view.rolling(),
                view.armed(),
                view.heard(),
                view.loop().map(loop -> new TrackLoop(loop.from(), loop.to())),
                view.missed().stream()
                        .map(each -> new MissedCue(each.list(), each.cue(), each.seconds()))
                        .toList(),
                view.speaker().map(TrackState::speaker));
    }

    private static Speaker speaker(Actor actor) {
        return new Speaker(actor.id(), actor.name());
    }
}
