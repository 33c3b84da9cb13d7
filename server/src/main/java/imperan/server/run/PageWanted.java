package imperan.server.run;

import imperan.show.PartId;
import java.util.List;

/**
 * A page that is to be shown.
 *
 * @param people on whose devices, by name; empty for all that follow
 */
public record PageWanted(PartId page, List<String> people) {

    public PageWanted {
        people = List.copyOf(people);
    }
}
