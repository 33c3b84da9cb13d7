package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The amplifier rack of the Salt Clock: three sources to six outputs.
 *
 * <p>{@code /keel/cross/<1..3>/<1..6>/level} (decimal, 0 to 1), {@code /keel/out/<1..6>/delay} (milliseconds), {@code …/polarity},
 * {@code …/mute}, {@code /keel/pair/<1..3>/joined} (outputs 1 and 2, 3 and 4, 5 and 6: what one is set to, the other is too),
 * {@code /keel/sleep}, {@code /keel/locate}, which lets a lamp blink. To everybody who is connected, or spoke to it within
 * {@value #REMEMBER_SECONDS} s, it reports once a second {@code /keel/supply} in volts, {@code /keel/out/<n>/temperature} in °C,
 * {@code …/overload} and {@code …/protect}, and everything that was changed since. An address without arguments asks.
 */
public final class Keel implements StandIn {

    public static final int SOURCES = 3;
    public static final int OUTPUTS = 6;
    private static final int REMEMBER_SECONDS = 10;

    private final Registers registers = new Registers();
    private final Map<Peer, Long> listeners = new LinkedHashMap<>();
    private final Set<Register> changed = new LinkedHashSet<>();
    private final double[] temperatures = new double[OUTPUTS + 1];
    private long reportDue = Long.MIN_VALUE;

    public Keel() {
        for (int output = 1; output <= OUTPUTS; output++) {
            for (int source = 1; source <= SOURCES; source++) {
                registers.add(Register.decimal(cross(source, output), 0, 1, source == (output + 1) / 2 ? 0.8 : 0));
            }
            registers.add(Register.decimal("/keel/out/" + output + "/delay", 0, 500, 0));
            registers.add(Register.whole("/keel/out/" + output + "/polarity", 0, 1, 0));
            registers.add(Register.whole("/keel/out/" + output + "/mute", 0, 1, 0));
            temperatures[output] = 31 + output;
        }
        for (int pair = 1; pair <= OUTPUTS / 2; pair++) {
            registers.add(Register.whole("/keel/pair/" + pair + "/joined", 0, 1, 0));
        }
        registers.add(Register.whole("/keel/sleep", 0, 1, 0));
        registers.add(Register.whole("/keel/locate", 0, 1, 0));
    }

    private static String cross(int source, int output) {
        return "/keel/cross/" + source + "/" + output + "/level";
    }

    @Override
    public String name() {
        return "Keel";
    }

    @Override
    public void receive(Heard heard, long now, Outbox outbox) {
        listeners.put(heard.from(), now + REMEMBER_SECONDS * 1_000_000_000L);
        OscMessage message = heard.message();
        if (message.arguments().isEmpty()) {
            registers
                    .at(message.address())
                    .ifPresent(register -> outbox.send(heard.from(), Registers.report(register)));
        } else {
            byHand(message, now, outbox);
        }
    }

    @Override
    public void byHand(OscMessage done, long now, Outbox outbox) {
        registers
                .at(done.address())
                .filter(register -> register.take(done.arguments()))
                .ifPresent(register -> {
                    changed.add(register);
                    twin(register).ifPresent(twin -> {
                        twin.take(register.values());
                        changed.add(twin);
                    });
                });
    }

    /** The same thing of the other output of a pair that is joined. */
    private Optional<Register> twin(Register register) {
        String[] path = register.address.split("/");
        int place = path[2].equals("cross") ? 4 : path[2].equals("out") ? 3 : 0;
        if (place == 0) {
            return Optional.empty();
        }
        int output = Integer.parseInt(path[place]);
        if (registers.get("/keel/pair/" + (output + 1) / 2 + "/joined").number() == 0) {
            return Optional.empty();
        }
        path[place] = String.valueOf(output % 2 == 1 ? output + 1 : output - 1);
        return registers.at(String.join("/", path));
    }

    @Override
    public void forgetListeners() {
        listeners.clear();
    }

    @Override
    public void pass(long now, Outbox outbox) {
        if (now < reportDue) {
            return;
        }
        reportDue = now + 1_000_000_000L;
        listeners.values().removeIf(until -> until < now);
        List<OscMessage> reports = new ArrayList<>();
        changed.forEach(register -> reports.add(Registers.report(register)));
        changed.clear();
        reports.add(OscMessage.of("/keel/supply", new OscArgument.Float32((float) supply(now))));
        for (int output = 1; output <= OUTPUTS; output++) {
            double load = load(output);
            temperatures[output] += (28 + 60 * load - temperatures[output]) * 0.02;
            reports.add(OscMessage.of(
                    "/keel/out/" + output + "/temperature", new OscArgument.Float32((float) temperatures[output])));
            reports.add(OscMessage.of("/keel/out/" + output + "/overload", new OscArgument.Int32(load > 1.6 ? 1 : 0)));
            reports.add(OscMessage.of(
                    "/keel/out/" + output + "/protect", new OscArgument.Int32(temperatures[output] > 85 ? 1 : 0)));
        }
        listeners.keySet().forEach(listener -> reports.forEach(report -> outbox.send(listener, report)));
    }

    private static double supply(long now) {
        return 230 + 1.5 * Math.sin(now / 7e9);
    }

    private double load(int output) {
        boolean silent = registers.get("/keel/sleep").number() > 0
                || registers.get("/keel/out/" + output + "/mute").number() > 0;
        double sum = 0;
        for (int source = 1; source <= SOURCES; source++) {
            sum += registers.get(cross(source, output)).number();
        }
        return silent ? 0 : sum;
    }

    @Override
    public Map<String, Object> picture(long now) {
        List<Map<String, Object>> outputs = new ArrayList<>();
        for (int output = 1; output <= OUTPUTS; output++) {
            List<Double> sources = new ArrayList<>();
            for (int source = 1; source <= SOURCES; source++) {
                sources.add(registers.get(cross(source, output)).number());
            }
            outputs.add(Map.of(
                    "sources",
                    sources,
                    "load",
                    load(output),
                    "temperature",
                    temperatures[output],
                    "mute",
                    registers.get("/keel/out/" + output + "/mute").number(),
                    "address",
                    "/keel/out/" + output));
        }
        return Map.of(
                "outputs",
                outputs,
                "supply",
                supply(now),
                "sleep",
                registers.get("/keel/sleep").number(),
                "locate",
                registers.get("/keel/locate").number(),
                "listeners",
                listeners.size());
    }
}
