package imperan.server.trial;

import imperan.trial.TrialSpeed;
import java.util.List;

/**
 * What trial somebody wants.
 *
 * @param rehearsed in a copy of the show that nobody hears; else at the targets
 * @param venues    the names of the targets whose venue end may be spoken to
 */
public record TrialWish(boolean rehearsed, TrialSpeed speed, List<String> venues) {
    public TrialWish {
        venues = List.copyOf(venues);
    }
}
