package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The packets that nobody claims, by their senders; the senders heard longest ago are forgotten first. */
final class Strays {

    static final int MAX_SENDERS = 100;

    private static final int LONGEST_ADDRESS = 1_000;

    private record From(String host, int port, int ourPort) {}

    private final Map<From, Stray> byFrom = new LinkedHashMap<>();

    void heard(String host, int port, int ourPort, Decoded decoded, long now) {
        From from = new From(host, port, ourPort);
        // put at the end again: the order is that of the last packet
        Stray before = byFrom.remove(from);
        String address = decoded instanceof Decoded.Whole whole && whole.packet() instanceof OscMessage message
                ? message.address().substring(0, Math.min(message.address().length(), LONGEST_ADDRESS))
                : "";
        byFrom.put(from, new Stray(host, port, ourPort, before == null ? 1 : before.count() + 1, now, address));
        if (byFrom.size() > MAX_SENDERS) {
            byFrom.remove(byFrom.keySet().iterator().next());
        }
    }

    /** The rig changed, so others may be claimed now. */
    void forget() {
        byFrom.clear();
    }

    List<Stray> all() {
        return List.copyOf(byFrom.values());
    }
}
