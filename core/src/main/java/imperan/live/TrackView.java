package imperan.live;

import imperan.show.PartId;
import imperan.track.Transport;
import java.util.List;
import java.util.Optional;

/**
 * How a track stands.
 *
 * @param position seconds from its start at {@code at}, in nanoseconds like all times here
 * @param rolling  whether it goes on from there
 * @param armed    whether what it passes is fired
 * @param heard    for a position that a target reports: whether it does
 * @param missed   what it passed while it was not armed, the earliest first
 * @param speaker  who plays its sound aloud; empty where nobody does
 */
public record TrackView(
        PartId track,
        double position,
        long at,
        boolean rolling,
        boolean armed,
        boolean heard,
        Optional<Transport.Loop> loop,
        List<Missing> missed,
        Optional<Actor> speaker) {

    public TrackView {
        missed = List.copyOf(missed);
    }

    /** A cue that was not fired. */
    public record Missing(PartId list, PartId cue, double seconds) {}

    /** Where a track was, for a restart: seconds from its start. */
    public record Place(PartId track, double position) {}
}
