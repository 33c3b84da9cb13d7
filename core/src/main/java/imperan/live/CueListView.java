package imperan.live;

import imperan.cue.CueLoad;
import imperan.osc.OscArgument;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * How a cue list stands.
 *
 * @param next    the cue that go fires; empty at the end
 * @param last    the one that was fired last; empty before the first
 * @param guardedUntil until when another go does nothing, in nanoseconds since 1970
 * @param broken  whether more cues than may would have begun without any time between
 * @param deafTo  what stepped it until it was broken off for stepping itself: it hears no target until somebody arms it; else empty
 * @param targets  to which the next cue says something, itself or by the controls that it moves
 * @param slowest the target that needs longest for the next cue; empty where none sets a pace that is felt
 * @param running what runs, the earliest first
 * @param over    what is over, the latest first
 */
public record CueListView(
        PartId list,
        Optional<PartId> next,
        Optional<PartId> last,
        long guardedUntil,
        boolean paused,
        boolean broken,
        Optional<Stepped> deafTo,
        List<PartId> targets,
        Optional<CueLoad.Slowest> slowest,
        List<FiredCue> running,
        List<FiredCue> over) {

    public CueListView {
        targets = List.copyOf(targets);
        running = List.copyOf(running);
        over = List.copyOf(over);
    }

    /**
     * What a target said that steps a list.
     *
     * @param target its name
     */
    public record Stepped(String target, String address, List<OscArgument> arguments) {
        public Stepped {
            arguments = List.copyOf(arguments);
        }
    }

    /** Where a list stands, for a restart. */
    public record Place(PartId list, Optional<PartId> next, Optional<PartId> last) {}
}
