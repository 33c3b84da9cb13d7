package imperan.live;

import imperan.show.PartId;
import java.util.List;

/**
 * What has to outlast a restart beside the values of controls: where everything that plays by itself stands, and which targets were away.
 *
 * @param away targets that were lost, or had their port closed
 */
public record Places(List<CueListView.Place> lists, List<TrackView.Place> tracks, List<SetView> sets, List<Away> away) {

    public static final Places NOTHING = new Places(List.of(), List.of(), List.of(), List.of());

    /** @param at when it was lost last, or its port closed, in nanoseconds since 1970 */
    public record Away(PartId target, long at) {}

    public Places {
        lists = List.copyOf(lists);
        tracks = List.copyOf(tracks);
        sets = List.copyOf(sets);
        away = List.copyOf(away);
    }

    public boolean isEmpty() {
        return lists.isEmpty() && tracks.isEmpty() && sets.isEmpty() && away.isEmpty();
    }
}
