package imperan.osc;

import java.util.ArrayList;
import java.util.List;

/** What came of reading bytes as a packet: the packet, or where and why it is none. */
public sealed interface Decoded {

    /** The messages in it, in order, those in bundles too; none where it says nothing. */
    default List<OscMessage> messages() {
        return List.of();
    }

    /** The bytes are a packet, whole and exactly. */
    record Whole(OscPacket packet) implements Decoded {

        @Override
        public List<OscMessage> messages() {
            if (packet instanceof OscMessage message) {
                return List.of(message);
            }
            List<OscMessage> messages = new ArrayList<>();
            collect(packet, messages);
            return messages;
        }

        private static void collect(OscPacket packet, List<OscMessage> into) {
            if (packet instanceof OscMessage message) {
                into.add(message);
            } else if (packet instanceof OscBundle bundle) {
                bundle.elements().forEach(element -> collect(element, into));
            }
        }
    }

    /** The bytes are the beginning of something that is said in several packets, in a dialect that does so. */
    record Begun() implements Decoded {}

    /**
     * The bytes are no packet.
     *
     * @param offset in bytes from the start of the packet, where reading failed
     * @param reason one sentence for the person at the wire
     */
    record Malformed(int offset, String reason) implements Decoded {}
}
