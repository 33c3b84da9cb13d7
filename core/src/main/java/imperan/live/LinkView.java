package imperan.live;

import imperan.show.PartId;

import java.util.Optional;

/**
 * A link at one moment, with its evidence.
 *
 * @param since         when it entered its state
 * @param trouble       why we cannot speak on it at all, such as a port that another program has; or empty
 * @param ourHost       our own address as this target sees it; empty while no socket is open
 * @param sent          messages sent since the start
 * @param heard         packets heard since the start
 * @param unanswered    messages whose answer did not come in time
 * @param repeats       changes that were not sent, because they said the same as the one before
 * @param merged        changes that were not sent, because a later one of the same address overtook them in the queue
 * @param dropped       presses that were not sent, because too many waited
 * @param roundTripNanos of the last answer; empty before the first
 */
public record LinkView(PartId target, LinkState state, long since, String trouble, String ourHost, long sent, long heard,
                       long unanswered, long repeats, long merged, long dropped, Optional<Long> roundTripNanos) {
}
