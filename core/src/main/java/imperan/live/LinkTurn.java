package imperan.live;

import imperan.show.PartId;

/**
 * A link that turned from one state to another.
 *
 * @param number counts from 1
 * @param at     when, in nanoseconds since 1970
 * @param state  the new one
 * @param why    what was seen, in a few words
 */
public record LinkTurn(long number, long at, PartId target, LinkState state, String why) {}
