package imperan.server.store;

import imperan.live.Places;
import imperan.live.SavedValue;
import java.util.List;

/** What is remembered of how a show stood when it ran last: where its controls, and all that plays by itself, stood. */
public record Remembered(List<SavedValue> values, Places places) {

    public static final Remembered NOTHING = new Remembered(List.of(), Places.NOTHING);

    public Remembered {
        values = List.copyOf(values);
    }
}
