package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * The audio desk of the Salt Clock: twelve inputs, five mixes and a main, each with level, mute, solo, pan and name.
 *
 * <p>{@code /bellows/in/<1..12>/level}, {@code …/mute}, {@code …/solo}, {@code …/pan}, {@code …/name} and the same under
 * {@code /bellows/mix/<1..5>} and {@code /bellows/main}. An address without arguments asks for the present value and is answered
 * to the sender. A change is reported to every client as it is stored, to the one who made it too. A client is who sends
 * {@code /bellows/stay}, for {@value #STAY_SECONDS} seconds; one that also sends {@code /bellows/meters 1} gets the meters of the
 * inputs, {@value #METERS_A_SECOND} times a second, as {@code /bellows/in/<1..12>/meter}. Six keys report presses as
 * {@code /bellows/key/<1..6>}. Decimals beyond their range are clamped; anything else that does not fit is ignored.
 */
public final class Bellows implements StandIn {

    public static final int INPUTS = 12;
    public static final int MIXES = 5;
    public static final int KEYS = 6;
    public static final int STAY_SECONDS = 7;
    private static final int METERS_A_SECOND = 5;

    private static final String[] NAMES = {
        "Wheel",
        "Sluice gate",
        "Miller",
        "Gulls",
        "Tide bell",
        "Rope",
        "Choir L",
        "Choir R",
        "Rain",
        "Engine",
        "Talkback",
        "Spare"
    };

    private static final class Client {
        private long until;
        private boolean meters;
    }

    private final Registers registers = new Registers();
    private final Map<Peer, Client> clients = new LinkedHashMap<>();
    private long metersDue = Long.MIN_VALUE;

    public Bellows() {
        for (int i = 1; i <= INPUTS; i++) {
            strip("/bellows/in/" + i, NAMES[i - 1]);
        }
        for (int i = 1; i <= MIXES; i++) {
            strip("/bellows/mix/" + i, "Mix " + i);
        }
        strip("/bellows/main", "Main");
        for (int i = 1; i <= KEYS; i++) {
            registers.add(Register.whole("/bellows/key/" + i, 0, 1, 0));
        }
    }

    private void strip(String path, String name) {
        registers.add(Register.decimal(path + "/level", 0, 1, 0));
        registers.add(Register.whole(path + "/mute", 0, 1, 0));
        registers.add(Register.whole(path + "/solo", 0, 1, 0));
        registers.add(Register.decimal(path + "/pan", -1, 1, 0));
        registers.add(Register.text(path + "/name", name));
    }

    @Override
    public String name() {
        return "Bellows";
    }

    @Override
    public void receive(Heard heard, long now, Outbox outbox) {
        OscMessage message = heard.message();
        if (message.address().equals("/bellows/stay")) {
            clients.computeIfAbsent(heard.from(), from -> new Client()).until = now + STAY_SECONDS * 1_000_000_000L;
            outbox.send(heard.from(), OscMessage.of(message.address(), new OscArgument.Int32(STAY_SECONDS)));
        } else if (message.address().equals("/bellows/meters") && clients.containsKey(heard.from())) {
            clients.get(heard.from()).meters =
                    !message.arguments().isEmpty() && message.arguments().get(0).equals(new OscArgument.Int32(1));
        } else if (message.arguments().isEmpty()) {
            registers.at(message.address()).ifPresent(register -> outbox.send(heard.from(), report(register)));
        } else if (!message.address().startsWith("/bellows/key/")) {
            change(message, now, outbox);
        }
    }

    private void change(OscMessage message, long now, Outbox outbox) {
        registers
                .at(message.address())
                .filter(register -> register.take(message.arguments()))
                .ifPresent(register -> {
                    forget(now);
                    clients.keySet().forEach(client -> outbox.send(client, report(register)));
                });
    }

    private void forget(long now) {
        clients.values().removeIf(client -> client.until < now);
    }

    @Override
    public void byHand(OscMessage done, long now, Outbox outbox) {
        change(done, now, outbox);
    }

    @Override
    public void forgetListeners() {
        clients.clear();
    }

    @Override
    public void pass(long now, Outbox outbox) {
        if (now < metersDue) {
            return;
        }
        metersDue = now + 1_000_000_000L / METERS_A_SECOND;
        forget(now);
        clients.forEach((client, state) -> {
            for (int i = 1; state.meters && i <= INPUTS; i++) {
                outbox.send(client, OscMessage.of("/bellows/in/" + i + "/meter", new OscArgument.Float32((float)
                        meter(i, now))));
            }
        });
    }

    /** What is played to an input, as loud as its fader and its mute let it through. */
    private double meter(int input, long now) {
        String path = "/bellows/in/" + input;
        double played = 0.55 + 0.45 * Math.sin(now / 1e9 * (0.7 + 0.13 * input) + input);
        return registers.get(path + "/mute").number() > 0
                ? 0
                : played * registers.get(path + "/level").number();
    }

    @Override
    public Map<String, Object> picture(long now) {
        List<Map<String, Object>> strips = new ArrayList<>();
        for (int i = 1; i <= INPUTS; i++) {
            strips.add(strip(i, "/bellows/in/" + i, meter(i, now)));
        }
        strips.add(
                strip(0, "/bellows/main", registers.get("/bellows/main/level").number() * 0.8));
        List<Double> keys = new ArrayList<>();
        for (int i = 1; i <= KEYS; i++) {
            keys.add(registers.get("/bellows/key/" + i).number());
        }
        return Map.of("strips", strips, "keys", keys, "clients", clients.size());
    }

    private Map<String, Object> strip(int number, String path, double meter) {
        return Map.of(
                "number",
                number,
                "name",
                registers.get(path + "/name").words(),
                "address",
                path,
                "level",
                registers.get(path + "/level").number(),
                "mute",
                registers.get(path + "/mute").number(),
                "meter",
                meter);
    }

    private static OscMessage report(Register register) {
        if (register.address.endsWith("/level")) {
            return OscMessage.of(register.address, register.values().get(0), new OscArgument.Text(decibels((float)
                    register.number())));
        }
        return Registers.report(register);
    }

    /** The desk's own fader law: +10 dB at the top, 40 dB for each factor of ten below. */
    private static String decibels(float level) {
        return level == 0 ? "off" : String.format(Locale.ROOT, "%+.1f dB", 40 * Math.log10(level) + 10);
    }
}
