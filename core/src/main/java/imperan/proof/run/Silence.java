package imperan.proof.run;

import imperan.live.LinkState;
import imperan.live.MessageResult;
import imperan.proof.report.TargetState;
import imperan.proof.run.Flight.For;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/**
 * Whether a target is there: what it left unanswered since something came from it last. One that answers nothing is given up, so that a
 * dead target does not hold a proof up line by line. One that answered a question before is asked it once more first: it may be there,
 * and not know what it was sent.
 */
final class Silence {

    /** After so many addresses without an answer it is given up. */
    static final int MOST_UNANSWERED = 10;
    /** Where each takes long, as few messages are enough once it was silent for so long. */
    static final int ENOUGH_UNANSWERED = 3;

    static final long SILENT_NANOS = 8_000_000_000L;

    private final boolean answers;
    private final boolean standIn;
    /** A question that it answered, so that it will again if it is there. */
    private Optional<Saying> known = Optional.empty();

    private boolean heard;
    private boolean closed;
    private boolean inDoubt;
    private boolean asked;
    private boolean givenUp;
    private final Set<String> addresses = new HashSet<>();
    private int unanswered;
    private Optional<Long> since = Optional.empty();

    /**
     * @param answers whether it answers anything, by its settings
     * @param standIn whether it is a stand-in: then it takes a message that is judged, so that some line tells of the closed port
     */
    Silence(boolean answers, boolean standIn) {
        this.answers = answers;
        this.standIn = standIn;
    }

    /** Something came from it. */
    void isHeard() {
        heard = true;
        closed = false;
        inDoubt = false;
        asked = false;
        addresses.clear();
        unanswered = 0;
        since = Optional.empty();
    }

    /** It is known what came of something that was said to it. */
    void landed(Saying saying, For why, MessageResult result, long now) {
        if (result instanceof MessageResult.PortClosed) {
            closed = true;
            givenUp |= !standIn || why == For.PROBE;
        } else if (result instanceof MessageResult.NoAnswer none
                && none.arrivedAs().isEmpty()) {
            addresses.add(saying.line().address());
            unanswered++;
            since = since.or(() -> Optional.of(now));
            boolean isLong = unanswered >= ENOUGH_UNANSWERED
                    && now - since.get() >= SILENT_NANOS
                    && (!heard || known.isPresent());
            if (isLong || addresses.size() >= MOST_UNANSWERED) {
                givenUp |= asked || known.isEmpty();
                inDoubt = !givenUp;
            }
        } else if (saying.asks()
                && (result instanceof MessageResult.Answered || result instanceof MessageResult.Late)) {
            known = Optional.of(saying);
        }
    }

    /** What it is to be asked before it is given up. */
    Optional<Saying> question() {
        return inDoubt && !asked ? known : Optional.empty();
    }

    /** It is asked that. */
    void asks() {
        asked = true;
    }

    /** Whether its machine said, since something came from it last, that nobody has the port open. */
    boolean isClosed() {
        return closed;
    }

    /** No more is said to it in this proof. */
    boolean isGivenUp() {
        return givenUp;
    }

    /** @param link how it stands at the end; empty where it is gone */
    TargetState state(Optional<LinkState> link) {
        if (!answers) {
            return TargetState.SENT_ONLY;
        } else if (closed || link.filter(LinkState.PORT_CLOSED::equals).isPresent()) {
            return TargetState.PORT_CLOSED;
        } else if (heard && !givenUp) {
            return TargetState.ANSWERED;
        }
        boolean lost = link.filter(LinkState.LOST::equals).isPresent();
        return givenUp || lost || unanswered >= ENOUGH_UNANSWERED ? TargetState.SILENT : TargetState.NOT_TRIED;
    }
}
