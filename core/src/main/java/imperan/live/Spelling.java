package imperan.live;

import imperan.osc.OscArgument;

import java.util.Optional;

/** Whether an argument says what somebody wrote down: a number as it counts, a text with its exact spelling. */
public final class Spelling {

    private Spelling() {
    }

    static boolean means(OscArgument said, String written) {
        if (said instanceof OscArgument.Text text) {
            return text.value().equals(written);
        }
        Optional<Double> number = number(said);
        return number.isPresent() && number.equals(number(written));
    }

    private static Optional<Double> number(String written) {
        return switch (written.strip()) {
            case "true" -> Optional.of(1.0);
            case "false" -> Optional.of(0.0);
            default -> {
                try {
                    yield Optional.of(Double.valueOf(written.strip()));
                } catch (NumberFormatException e) {
                    yield Optional.empty();
                }
            }
        };
    }

    /** The number that an argument is; empty where it is none. */
    public static Optional<Double> number(OscArgument argument) {
        if (argument instanceof OscArgument.Float32 f) {
            return finite(f.value());
        } else if (argument instanceof OscArgument.Int32 i) {
            return finite(i.value());
        } else if (argument instanceof OscArgument.Float64 d) {
            return finite(d.value());
        } else if (argument instanceof OscArgument.Int64 h) {
            return finite(h.value());
        } else if (argument == OscArgument.Bare.TRUE) {
            return Optional.of(1.0);
        } else if (argument == OscArgument.Bare.FALSE) {
            return Optional.of(0.0);
        }
        return Optional.empty();
    }

    private static Optional<Double> finite(double value) {
        return Double.isFinite(value) ? Optional.of(value) : Optional.empty();
    }
}
