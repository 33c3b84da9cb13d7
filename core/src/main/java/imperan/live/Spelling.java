package imperan.live;

import imperan.osc.OscArgument;
import imperan.shaping.Signal;
import java.util.List;
import java.util.Optional;

/** Whether an argument says what somebody wrote down: a number as it counts, a text with its exact spelling. */
public final class Spelling {

    private Spelling() {}

    /** Whether what was said is what somebody wrote: the same number, or the same text. */
    public static boolean means(OscArgument said, String written) {
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

    /** What comes of an argument at the first step of a shaping: its number, or its text; empty where it is neither. */
    static Optional<Signal> signal(OscArgument argument) {
        return argument instanceof OscArgument.Text text
                ? Optional.of(Signal.text(text.value()))
                : number(argument).map(Signal::of);
    }

    /** Whether each answers the other in kind: no text to a number, no number to a text, and no whole number to a decimal. */
    public static boolean isSameKind(List<OscArgument> sent, List<OscArgument> said) {
        for (int i = 0; i < Math.min(sent.size(), said.size()); i++) {
            boolean cut = isDecimal(sent.get(i)) && isWhole(said.get(i));
            if (cut || number(sent.get(i)).isPresent() != number(said.get(i)).isPresent()) {
                return false;
            }
        }
        return true;
    }

    private static boolean isDecimal(OscArgument argument) {
        return argument instanceof OscArgument.Float32 || argument instanceof OscArgument.Float64;
    }

    private static boolean isWhole(OscArgument argument) {
        return argument instanceof OscArgument.Int32 || argument instanceof OscArgument.Int64;
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
