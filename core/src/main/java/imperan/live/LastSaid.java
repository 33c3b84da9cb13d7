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

    /** What was said, and when. */
    record Said(List<OscArgument> arguments, long at) {}

    private final Map<String, Said> said = new HashMap<>();

    void heard(OscMessage message, long now) {
        if (message.memory() > MOST_BYTES) {
            said.remove(message.address());
        } else if (said.size() < MOST_ADDRESSES || said.containsKey(message.address())) {
            said.put(message.address(), new Said(message.arguments(), now));
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
