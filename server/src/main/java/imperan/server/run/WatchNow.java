package imperan.server.run;

import imperan.watch.Incident;
import java.util.List;

/**
 * What went wrong since the watch began, at one moment.
 *
 * @param since     in nanoseconds since 1970
 * @param incidents what happened last first
 * @param links     how many targets there are, {@code well} how many of them are there as far as we know
 */
public record WatchNow(long since, List<Incident> incidents, int links, int well) {}
