package imperan.server.run;

import imperan.show.PartId;
import java.util.List;

/**
 * Somebody who is building, and what they have selected.
 *
 * @param browser  theirs
 * @param controls empty where nothing is selected
 */
public record Presence(String browser, String name, List<PartId> controls) {

    public Presence {
        controls = List.copyOf(controls);
    }
}
