package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;

import java.net.InetSocketAddress;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The audio desk of the Salt Clock: twelve inputs and a main, each with level, mute and name.
 *
 * <p>{@code /bellows/in/<1..12>/level}, {@code …/mute}, {@code …/name} and the same under {@code /bellows/main}. An
 * address without arguments asks for the present value and is answered to the sender. A change is reported to every
 * client as it is stored, to the one who made it too. A client is who sends {@code /bellows/stay}, for
 * {@value #STAY_SECONDS} seconds. Levels beyond 0..1 are clamped; anything else that does not fit is ignored.
 */
public final class Bellows implements StandIn {

    public static final int INPUTS = 12;
    public static final int STAY_SECONDS = 7;

    private static final String[] NAMES = {"Wheel", "Sluice gate", "Miller", "Gulls", "Tide bell", "Rope", "Choir L",
        "Choir R", "Rain", "Engine", "Talkback", "Spare"};

    private static final class Strip {
        private float level;
        private int mute;
        private String name;

        Strip(String name) {
            this.name = name;
        }
    }

    private final Map<String, Strip> strips = new LinkedHashMap<>();
    private final Map<InetSocketAddress, Long> clientsUntil = new LinkedHashMap<>();

    public Bellows() {
        for (int i = 1; i <= INPUTS; i++) {
            strips.put("/bellows/in/" + i, new Strip(NAMES[i - 1]));
        }
        strips.put("/bellows/main", new Strip("Main"));
    }

    @Override
    public String name() {
        return "Bellows";
    }

    @Override
    public void receive(InetSocketAddress from, OscMessage message, long now, Outbox outbox) {
        String address = message.address();
        if (address.equals("/bellows/stay")) {
            clientsUntil.put(from, now + STAY_SECONDS * 1_000_000_000L);
            outbox.send(from, OscMessage.of(address, new OscArgument.Int32(STAY_SECONDS)));
            return;
        }
        int slash = address.lastIndexOf('/');
        Strip strip = strips.get(address.substring(0, Math.max(0, slash)));
        String property = address.substring(slash + 1);
        if (strip == null) {
            return;
        }
        if (message.arguments().isEmpty()) {
            report(address, strip, property).ifPresent(reply -> outbox.send(from, reply));
        } else if (change(strip, property, message.arguments().get(0))) {
            clientsUntil.values().removeIf(until -> until < now);
            report(address, strip, property).ifPresent(report ->
                    clientsUntil.keySet().forEach(client -> outbox.send(client, report)));
        }
    }

    private static boolean change(Strip strip, String property, OscArgument to) {
        if (property.equals("level") && to instanceof OscArgument.Float32 level && !Float.isNaN(level.value())) {
            strip.level = Math.max(0, Math.min(1, level.value()));
            return true;
        } else if (property.equals("mute") && to instanceof OscArgument.Int32 mute
                && (mute.value() == 0 || mute.value() == 1)) {
            strip.mute = mute.value();
            return true;
        } else if (property.equals("name") && to instanceof OscArgument.Text name) {
            strip.name = name.value();
            return true;
        }
        return false;
    }

    private static Optional<OscMessage> report(String address, Strip strip, String property) {
        return switch (property) {
            case "level" -> Optional.of(OscMessage.of(address, new OscArgument.Float32(strip.level),
                    new OscArgument.Text(decibels(strip.level))));
            case "mute" -> Optional.of(OscMessage.of(address, new OscArgument.Int32(strip.mute)));
            case "name" -> Optional.of(new OscMessage(address, List.of(new OscArgument.Text(strip.name))));
            default -> Optional.empty();
        };
    }

    /** The desk's own fader law: +10 dB at the top, 40 dB for each factor of ten below. */
    private static String decibels(float level) {
        return level == 0 ? "off" : String.format(Locale.ROOT, "%+.1f dB", 40 * Math.log10(level) + 10);
    }
}
