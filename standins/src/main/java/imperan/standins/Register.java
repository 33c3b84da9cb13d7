package imperan.standins;

import imperan.osc.OscArgument;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** One thing of a device that has a value and an address: a level, a switch, a name. */
final class Register {

    /** What a value is, and what becomes of one out of range. */
    enum Kind {
        /** Numbers with decimals; those out of range are brought to the nearest end. */
        DECIMAL,
        /** Whole numbers; those out of range are ignored. */
        WHOLE,
        /** Any text. */
        TEXT
    }

    final String address;
    private final Kind kind;
    private final double low;
    private final double high;
    private List<OscArgument> values;

    private Register(String address, Kind kind, double low, double high, OscArgument... values) {
        this.address = address;
        this.kind = kind;
        this.low = low;
        this.high = high;
        this.values = List.of(values);
    }

    static Register decimal(String address, double low, double high, double... values) {
        return new Register(
                address,
                Kind.DECIMAL,
                low,
                high,
                Arrays.stream(values)
                        .mapToObj(v -> new OscArgument.Float32((float) v))
                        .toArray(OscArgument[]::new));
    }

    static Register whole(String address, int low, int high, int... values) {
        return new Register(
                address,
                Kind.WHOLE,
                low,
                high,
                Arrays.stream(values).mapToObj(OscArgument.Int32::new).toArray(OscArgument[]::new));
    }

    static Register text(String address, String value) {
        return new Register(address, Kind.TEXT, 0, 0, new OscArgument.Text(value));
    }

    /** Takes what was sent, as far as it fits; false where it is ignored. */
    boolean take(List<OscArgument> sent) {
        if (sent.size() != values.size()) {
            return false;
        }
        List<OscArgument> taken = new ArrayList<>();
        for (OscArgument each : sent) {
            Optional<OscArgument> fit = fit(each);
            if (fit.isEmpty()) {
                return false;
            }
            taken.add(fit.get());
        }
        values = List.copyOf(taken);
        return true;
    }

    private Optional<OscArgument> fit(OscArgument sent) {
        if (kind == Kind.DECIMAL && sent instanceof OscArgument.Float32 f && !Float.isNaN(f.value())) {
            return Optional.of(new OscArgument.Float32((float) Math.max(low, Math.min(high, f.value()))));
        } else if (kind == Kind.WHOLE && sent instanceof OscArgument.Int32 i && i.value() >= low && i.value() <= high) {
            return Optional.of(sent);
        }
        return kind == Kind.TEXT && sent instanceof OscArgument.Text ? Optional.of(sent) : Optional.empty();
    }

    List<OscArgument> values() {
        return values;
    }

    /** The first value as a number. */
    double number() {
        return number(0);
    }

    double number(int place) {
        return values.get(place) instanceof OscArgument.Float32 f
                ? f.value()
                : ((OscArgument.Int32) values.get(place)).value();
    }

    String words() {
        return ((OscArgument.Text) values.get(0)).value();
    }

    /** Brings a number to another value that the device itself chose. */
    void set(double value) {
        values = List.of(
                kind == Kind.DECIMAL
                        ? new OscArgument.Float32((float) value)
                        : new OscArgument.Int32((int) Math.round(value)));
    }

    void set(String text) {
        values = List.of(new OscArgument.Text(text));
    }
}
