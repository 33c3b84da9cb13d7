package imperan.live;

import imperan.show.PartId;
import java.util.Optional;

/**
 * A link at one moment, with its evidence.
 *
 * @param since         when it entered its state
 * @param gate          whether what is meant for it leaves
 * @param socket        how it stands with our own end of it
 * @param silentHost    whether the network says that no machine has its address
 * @param sent          messages sent since the start
 * @param heard         packets heard since the start
 * @param lastSentAt    when the last message left, in nanoseconds since 1970; empty before the first
 * @param lastHeardAt   when the last packet came, likewise
 * @param unanswered    messages whose answer did not come in time
 * @param repeats       changes that were not sent, because they said the same as the one before
 * @param merged        changes that were not sent, because a later one of the same address overtook them in the queue
 * @param dropped       presses that were not sent, because too many waited
 * @param awayAt        when it was lost last, or its port closed, in nanoseconds since 1970; empty where it never was since the start
 * @param startOffered  whether it is there, and its start list was neither sent nor declined since it came
 * @param answers       how long its answers took; empty before the first
 */
public record LinkView(
        PartId target,
        LinkState state,
        long since,
        Gate gate,
        SocketState socket,
        boolean silentHost,
        long sent,
        long heard,
        Optional<Long> lastSentAt,
        Optional<Long> lastHeardAt,
        long unanswered,
        long repeats,
        long merged,
        long dropped,
        Optional<Long> awayAt,
        boolean startOffered,
        Optional<AnswerTimes> answers) {

    /** In nanoseconds, of the last few hundred answers: the last one, the median, and what 99 of 100 do not exceed. */
    public record AnswerTimes(long last, long median, long p99) {}
}
