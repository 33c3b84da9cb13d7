package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What one target said last on each address, as far as there is room for it. */
final class LastSaid {

    static final int MOST_ADDRESSES = 4_096;
    /** A message that takes more is data, and nothing that anybody would compare. */
    static final int MOST_BYTES = 1_024;

    /** Values that changed twice within this time, while nothing was answered, change by themselves. */
    static final long STREAM_NANOS = 2_000_000_000L;

    private static final long NEVER = Long.MIN_VALUE / 2;

    /**
     * What was said, and when.
     *
     * @param changed       when it became another value last, answering nothing; far in the past where it never did
     * @param changedBefore and when before that
     */
    record Said(List<OscArgument> arguments, long at, long changed, long changedBefore) {

        /** How often it changed lately, answering nothing: 0, 1, or 2 for more. */
        int changes(long now) {
            return changedBefore >= now - STREAM_NANOS ? 2 : changed >= now - STREAM_NANOS ? 1 : 0;
        }
    }

    private final Map<String, Said> said = new HashMap<>();

    /** @param answers whether something was awaited there */
    void heard(OscMessage message, boolean answers, long now) {
        if (message.memory() > MOST_BYTES) {
            said.remove(message.address());
        } else if (said.size() < MOST_ADDRESSES || said.containsKey(message.address())) {
            Said before = said.get(message.address());
            // what says nothing, such as a question that comes back, is no other value
            boolean changes = !answers
                    && before != null
                    && !before.arguments.isEmpty()
                    && !message.arguments().isEmpty()
                    && !before.arguments.equals(message.arguments());
            said.put(
                    message.address(),
                    new Said(
                            message.arguments(),
                            now,
                            changes ? now : before == null ? NEVER : before.changed,
                            changes ? before.changed : before == null ? NEVER : before.changedBefore));
        }
    }

    /** It may be another one than it was, or have forgotten. */
    void forget() {
        said.clear();
    }

    Optional<List<OscArgument>> on(String address) {
        return at(address).map(Said::arguments);
    }

    Optional<Said> at(String address) {
        return Optional.ofNullable(said.get(address));
    }

    /** All of it, by address. */
    Map<String, Said> all() {
        return Collections.unmodifiableMap(said);
    }
}
