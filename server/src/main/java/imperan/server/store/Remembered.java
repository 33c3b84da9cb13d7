package imperan.server.store;

import imperan.live.CueListView;
import imperan.live.SavedValue;

import java.util.List;

/** What is remembered of how a show stood when it ran last: where its controls and its cue lists stood. */
public record Remembered(List<SavedValue> values, List<CueListView.Place> places) {

    public static final Remembered NOTHING = new Remembered(List.of(), List.of());

    public Remembered {
        values = List.copyOf(values);
        places = List.copyOf(places);
    }
}
