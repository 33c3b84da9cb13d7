package imperan.live;

import java.util.List;

/** Where everything that plays by itself stands, for a restart: cue lists, tracks and set lists. */
public record Places(List<CueListView.Place> lists, List<TrackView.Place> tracks, List<SetView> sets) {

    public static final Places NOTHING = new Places(List.of(), List.of(), List.of());

    public Places {
        lists = List.copyOf(lists);
        tracks = List.copyOf(tracks);
        sets = List.copyOf(sets);
    }

    public boolean isEmpty() {
        return lists.isEmpty() && tracks.isEmpty() && sets.isEmpty();
    }
}
