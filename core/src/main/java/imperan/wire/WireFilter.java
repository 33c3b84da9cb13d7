package imperan.wire;

import imperan.live.Reason;
import imperan.osc.Decoded;
import imperan.osc.OscText;
import imperan.show.PartId;
import java.util.Optional;
import java.util.Set;

/**
 * Which packets a list shows.
 *
 * @param source  the other end as {@link WireRecord#source} has it, {@link #STRANGERS} for all that no target claims; empty for everybody
 * @param out     only what left, or only what came; empty for both
 * @param search  what is looked for
 * @param types   type tag letters of which a message has at least one; empty for any
 * @param only    whether only what went wrong is shown
 * @param muted   what nobody wants to see
 * @param repeats whether what comes again and again is shown as well
 */
public record WireFilter(
        String source,
        Optional<Boolean> out,
        Search search,
        String types,
        Only only,
        Set<Mute> muted,
        boolean repeats) {

    /** All that no target claims. */
    public static final String STRANGERS = "strangers";

    /** Shows everything. */
    public static final WireFilter ALL = new WireFilter("", Optional.empty(), Search.ALL, "", Only.ALL, Set.of(), true);

    /** What is left of what passes otherwise. */
    public enum Only {
        ALL,
        /** What could not be read, did not leave, was not taken, or was not answered as it should. */
        PROBLEMS,
        /** What was not answered as it should. */
        UNANSWERED
    }

    /**
     * A stream that nobody wants to see.
     *
     * @param source  as {@link WireRecord#source} has it
     * @param address empty for all of its source
     */
    public record Mute(String source, String address) {}

    public WireFilter {
        muted = Set.copyOf(muted);
    }

    /** Whether a packet passes, whether or not it repeats. */
    boolean passesUnfolded(WireRecord record) {
        return passes(record.out(), record.target(), record.source())
                && passesOnly(record)
                && !isMuted(record)
                && hasType(record)
                && search.matches(record);
    }

    /** Whether what was said on an address passes: by its direction, its other end, what is muted, and what is looked for. */
    boolean passes(boolean outwards, Optional<PartId> target, String from, String address) {
        return passes(outwards, target, from) && !isMuted(from, address) && search.matches(address);
    }

    private boolean passes(boolean outwards, Optional<PartId> target, String from) {
        return (out.isEmpty() || out.get() == outwards)
                && (source.isEmpty() || (source.equals(STRANGERS) ? target.isEmpty() : source.equals(from)));
    }

    public boolean passes(WireRecord record) {
        return (repeats || !record.repeats()) && passesUnfolded(record);
    }

    private boolean passesOnly(WireRecord record) {
        boolean unanswered = record.fate().filter(Fate::isUnanswered).isPresent();
        return switch (only) {
            case ALL -> true;
            case UNANSWERED -> unanswered;
            case PROBLEMS -> unanswered
                    || record.says() instanceof Decoded.Malformed
                    || record.reason().filter(WireFilter::isProblem).isPresent();
        };
    }

    /** What is held or rehearsed on purpose, or waits for its time, is none. */
    private static boolean isProblem(Reason reason) {
        return !(reason instanceof Reason.Gated || reason instanceof Reason.WaitsForItsTime);
    }

    private boolean isMuted(WireRecord record) {
        return !muted.isEmpty()
                && isMuted(
                        record.source(),
                        record.messages().stream()
                                .findFirst()
                                .map(message -> message.address())
                                .orElse(""));
    }

    private boolean isMuted(String from, String address) {
        return muted.contains(new Mute(from, "")) || muted.contains(new Mute(from, address));
    }

    private boolean hasType(WireRecord record) {
        return types.isEmpty()
                || record.messages().stream().anyMatch(message -> OscText.typeTags(message.arguments())
                        .chars()
                        .anyMatch(tag -> tag != ',' && types.indexOf(tag) >= 0));
    }
}
