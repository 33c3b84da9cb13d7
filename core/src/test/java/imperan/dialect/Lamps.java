package imperan.dialect;

import imperan.address.AddressText;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A dialect made for tests, as unlike OSC as can be: addresses such as {@code lamp #3}, which OSC forbids and which are not on the wire; two packets for a line, one
 * that chooses the lamp and one with its level, 0 to 255; and what was said is said again twice a second. A lamp that is chosen and given nothing is asked for.
 */
public final class Lamps implements Dialect {

    public static final long REFRESH_NANOS = 500_000_000L;
    private static final String LAMP = "lamp #";
    private static final byte CHOOSE = 1;
    private static final byte LEVEL = 2;

    @Override
    public String id() {
        return "lamps";
    }

    @Override
    public String called() {
        return "lamps of the tests";
    }

    @Override
    public Optional<AddressText.Fault> fault(String address) {
        return address.matches(LAMP + "[1-9]\\d?")
                ? Optional.empty()
                : Optional.of(new AddressText.Fault("A lamp is written lamp #3", Optional.empty()));
    }

    @Override
    public boolean isOrdinary(String address) {
        return true;
    }

    @Override
    public boolean hasPatterns() {
        return false;
    }

    @Override
    public boolean hasBundles() {
        return false;
    }

    @Override
    public Codec codec() {
        return new Codec() {
            private final Map<Integer, Integer> levels = new TreeMap<>();
            private int chosen;

            @Override
            public List<byte[]> write(OscMessage line) {
                int lamp = Integer.parseInt(line.address().substring(LAMP.length()));
                if (line.arguments().isEmpty()) {
                    return List.of(choose(lamp));
                }
                levels.put(lamp, ((OscArgument.Int32) line.arguments().get(0)).value());
                return both(lamp);
            }

            private List<byte[]> both(int lamp) {
                return List.of(choose(lamp), new byte[] {LEVEL, (byte) (int) levels.get(lamp)});
            }

            private byte[] choose(int lamp) {
                return new byte[] {CHOOSE, (byte) lamp};
            }

            @Override
            public Decoded read(byte[] packet) {
                if (packet.length != 2 || packet[0] != CHOOSE && packet[0] != LEVEL) {
                    return new Decoded.Malformed(0, "A packet chooses a lamp or gives it a level");
                } else if (packet[0] == CHOOSE) {
                    chosen = packet[1];
                    return new Decoded.Begun();
                }
                return new Decoded.Whole(OscMessage.of(LAMP + chosen, new OscArgument.Int32(packet[1] & 0xff)));
            }

            @Override
            public long refreshNanos() {
                return REFRESH_NANOS;
            }

            @Override
            public List<byte[]> refresh() {
                List<byte[]> packets = new ArrayList<>();
                levels.keySet().forEach(lamp -> packets.addAll(both(lamp)));
                return packets;
            }
        };
    }
}
