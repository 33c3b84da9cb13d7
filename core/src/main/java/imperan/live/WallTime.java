package imperan.live;

/**
 * What the clock on the wall says. People and time servers set it, forwards and back; the time that the running
 * show counts by never does that.
 *
 * @param sinceEpoch  nanoseconds since 1970 in UTC, as far as it knows
 * @param secondsOfDay since midnight where the show plays
 */
public record WallTime(long sinceEpoch, double secondsOfDay) {}
