package imperan.server.socket;

import imperan.live.ControlValue;
import imperan.live.LinkView;
import imperan.server.run.PageWanted;
import imperan.server.run.Presence;
import imperan.show.Edit;
import imperan.show.Held;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * What the server says: everything once, then what changed.
 *
 * @param welcome the whole show; what the browser knew before is void
 * @param cues    cue lists that stand otherwise
 * @param tracks  tracks that stand otherwise, likewise the {@code sets}
 * @param lastOut the newest packet from us that is no repeat, {@code lastIn} the newest to us
 * @param missed  packets so far that came faster than the server could handle them
 * @param goesOn  whether the changes of its last edit go on in the next frame; they count together
 * @param page    the page that a target, or a cue, wants shown, where one does
 * @param presences who is building, where that changed
 * @param findings the number of the findings of the show, where they are others now
 * @param notices what was asked for and cannot be, and what everybody has to know; each one sentence
 */
public record ServerFrame(
        Optional<Welcome> welcome,
        List<ControlValue> values,
        List<LinkView> links,
        List<CueListState> cues,
        List<TrackState> tracks,
        List<SetState> sets,
        List<TraceView> traces,
        Optional<WireRow> lastOut,
        Optional<WireRow> lastIn,
        List<Edit> edits,
        boolean goesOn,
        Optional<PageWanted> page,
        Optional<List<Presence>> presences,
        Optional<Long> findings,
        long missed,
        List<String> notices) {

    /** More changes than this are a frame that a browser notices while it reads it. */
    private static final int MOST_CHANGES = 400;

    public record Welcome(String showId, String showName, boolean live, long version, Collection<Held> parts) {}

    /** The same in frames that are read without a stutter. A welcome comes with the first, what is not an edit with the last one. */
    List<ServerFrame> inPieces() {
        if (edits.stream().mapToInt(edit -> edit.changes().size()).sum() <= MOST_CHANGES) {
            return List.of(this);
        }
        List<ServerFrame> frames = new ArrayList<>();
        for (Edit edit : edits) {
            int size = edit.changes().size();
            for (int from = 0; from == 0 || from < size; from += MOST_CHANGES) {
                int to = Math.min(size, from + MOST_CHANGES);
                Edit piece = new Edit(
                        edit.number(),
                        edit.author(),
                        edit.title(),
                        edit.changes().subList(from, to),
                        edit.role());
                frames.add(new ServerFrame(
                        Optional.empty(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        List.of(piece),
                        to < size,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        missed,
                        List.of()));
            }
        }
        ServerFrame first = frames.get(0);
        frames.set(
                0,
                new ServerFrame(
                        welcome,
                        first.values,
                        first.links,
                        first.cues,
                        first.tracks,
                        first.sets,
                        first.traces,
                        first.lastOut,
                        first.lastIn,
                        first.edits,
                        first.goesOn,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        missed,
                        List.of()));
        frames.add(new ServerFrame(
                Optional.empty(),
                values,
                links,
                cues,
                tracks,
                sets,
                traces,
                lastOut,
                lastIn,
                List.of(),
                false,
                page,
                presences,
                findings,
                missed,
                notices));
        return frames;
    }
}
