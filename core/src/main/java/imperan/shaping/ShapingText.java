package imperan.shaping;

import imperan.shaping.Breakpoints.Breakpoint;
import imperan.shaping.Table.Entry;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Steps as one line of text, for tables: {@code curve 2 | scale 0 1 to 0 255 | smooth 0.25}. Texts that are no single word stand between double quotes, in which a quote and a
 * backslash have a backslash before them.
 */
public final class ShapingText {

    /** Characters that are words by themselves. */
    private static final String BREAKS = "|=";
    /** Characters of what was written that a sentence quotes. */
    private static final int MOST_QUOTED = 40;

    private static final Pattern PLAIN = Pattern.compile("[^\\s|=\"\\\\]+");

    private static final Map<String, Function<Words, ShapingStep>> STEPS = new TreeMap<>(Map.ofEntries(
            Map.entry("scale", words -> scale(words)),
            Map.entry("clamp", words -> new Clamp(words.number(), words.number())),
            Map.entry("flip", words -> new Flip()),
            Map.entry("curve", words -> new Power(words.number())),
            Map.entry("s-curve", words -> new SCurve(words.number())),
            Map.entry("breakpoints", words -> breakpoints(words)),
            Map.entry("decibels", words -> new Decibels(false)),
            Map.entry("factor", words -> new Decibels(true)),
            Map.entry("round", words -> new Round(words.number())),
            Map.entry("cut", words -> new Cut()),
            Map.entry("table", words -> table(words)),
            Map.entry("dead-zone", words -> new DeadZone(words.number(), words.number())),
            Map.entry("add", words -> new Add(words.number())),
            Map.entry("multiply", words -> new Multiply(words.number())),
            Map.entry("wrap", words -> new Wrap(words.number(), words.number())),
            Map.entry("hold", words -> new Hold(words.number())),
            Map.entry("smooth", words -> new Smooth(words.number())),
            Map.entry("rate-limit", words -> new RateLimit(words.number())),
            Map.entry("at-most-every", words -> new AtMostEvery((int) words.number())),
            Map.entry("threshold", words -> new Threshold(words.number(), words.number())),
            Map.entry("edge", words -> new Edge(way(words))),
            Map.entry("toggle", words -> new Toggle())));

    private ShapingText() {}

    /**
     * What came of reading a text.
     *
     * @param problem why it is none, in a sentence; empty where it is one
     */
    public record Read(List<ShapingStep> steps, Optional<String> problem) {}

    // ---- written

    public static String write(List<ShapingStep> steps) {
        return steps.stream().map(ShapingText::write).collect(Collectors.joining(" | "));
    }

    private static String write(ShapingStep step) {
        if (step instanceof Scale s) {
            return words("scale", s.fromLow(), s.fromHigh()) + " " + words("to", s.low(), s.high());
        } else if (step instanceof Clamp s) {
            return words("clamp", s.low(), s.high());
        } else if (step instanceof Flip) {
            return "flip";
        } else if (step instanceof Power s) {
            return words("curve", s.exponent());
        } else if (step instanceof SCurve s) {
            return words("s-curve", s.steepness());
        } else if (step instanceof Breakpoints s) {
            return s.points().stream()
                    .map(point -> " " + number(point.in()) + " " + number(point.out()))
                    .collect(Collectors.joining(
                            "", "breakpoints", s.lowest().isEmpty() ? "" : " lowest " + quoted(s.lowest())));
        } else if (step instanceof Decibels s) {
            return s.toFactor() ? "factor" : "decibels";
        } else if (step instanceof Round s) {
            return words("round", s.to());
        } else if (step instanceof Cut) {
            return "cut";
        } else if (step instanceof Table s) {
            return s.entries().stream()
                    .map(entry -> " " + quoted(entry.in()) + "=" + quoted(entry.out()))
                    .collect(Collectors.joining(
                            "",
                            "table",
                            s.otherwise().map(text -> " else " + quoted(text)).orElse("")));
        } else if (step instanceof DeadZone s) {
            return words("dead-zone", s.around(), s.near());
        } else if (step instanceof Add s) {
            return words("add", s.amount());
        } else if (step instanceof Multiply s) {
            return words("multiply", s.factor());
        } else if (step instanceof Wrap s) {
            return words("wrap", s.low(), s.high());
        } else if (step instanceof Hold s) {
            return words("hold", s.at());
        } else if (step instanceof Smooth s) {
            return words("smooth", s.seconds());
        } else if (step instanceof RateLimit s) {
            return words("rate-limit", s.perSecond());
        } else if (step instanceof AtMostEvery s) {
            return words("at-most-every", s.milliseconds());
        } else if (step instanceof Threshold s) {
            return words("threshold", s.level(), s.margin());
        } else if (step instanceof Edge s) {
            return "edge " + s.way().name().toLowerCase(Locale.ROOT);
        } else if (step instanceof Toggle) {
            return "toggle";
        }
        throw new IllegalArgumentException("A step without a text: " + step);
    }

    private static String words(String name, double... numbers) {
        StringBuilder text = new StringBuilder(name);
        for (double number : numbers) {
            text.append(' ').append(number(number));
        }
        return text.toString();
    }

    private static String number(double number) {
        BigDecimal decimal = BigDecimal.valueOf(number);
        return decimal.signum() == 0 ? "0" : decimal.stripTrailingZeros().toPlainString();
    }

    private static String quoted(String text) {
        boolean plain = PLAIN.matcher(text).matches() && !text.equals("else");
        return plain ? text : "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    // ---- read

    /** Reads steps; whether they work together is not asked here. */
    public static Read read(String text) {
        try {
            Words words = new Words(text);
            List<ShapingStep> steps = new ArrayList<>();
            while (words.more()) {
                steps.add(step(words));
                if (words.more()) {
                    words.separator();
                }
            }
            return new Read(List.copyOf(steps), Optional.empty());
        } catch (Refused refused) {
            return new Read(List.of(), Optional.of(refused.getMessage()));
        }
    }

    private static ShapingStep step(Words words) {
        String name = words.next("the name of a step");
        Function<Words, ShapingStep> step = STEPS.get(name.toLowerCase(Locale.ROOT));
        if (step == null) {
            throw new Refused("There is no step “" + shortened(name) + "”: " + String.join(", ", STEPS.keySet()));
        }
        return step.apply(words);
    }

    private static Scale scale(Words words) {
        double fromLow = words.number();
        double fromHigh = words.number();
        words.expect("to");
        return new Scale(fromLow, fromHigh, words.number(), words.number());
    }

    private static Breakpoints breakpoints(Words words) {
        List<Breakpoint> points = new ArrayList<>();
        while (words.more() && !words.is("|") && !words.is("lowest")) {
            points.add(new Breakpoint(words.number(), words.number()));
        }
        return new Breakpoints(points, words.take("lowest") ? words.next("what the lowest point is called") : "");
    }

    private static Table table(Words words) {
        List<Entry> entries = new ArrayList<>();
        while (words.more() && !words.is("|") && !words.is("else")) {
            String in = words.next("what comes in");
            words.expect("=");
            entries.add(new Entry(in, words.next("what becomes of " + shortened(in))));
        }
        return new Table(
                entries,
                words.take("else") ? Optional.of(words.next("what everything else becomes")) : Optional.empty());
    }

    private static Edge.Way way(Words words) {
        String way = words.next("rising, falling or both");
        try {
            return Edge.Way.valueOf(way.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new Refused("“" + shortened(way) + "” is no edge: rising, falling or both");
        }
    }

    private static String shortened(String text) {
        return text.length() > MOST_QUOTED ? text.substring(0, MOST_QUOTED) + "…" : text;
    }

    /** The words of a text, one after the other. */
    private static final class Words {

        private record Word(String text, boolean isQuoted) {}

        private final List<Word> words = new ArrayList<>();
        private int at;

        private Words(String text) {
            int place = 0;
            while (place < text.length()) {
                char first = text.charAt(place);
                if (Character.isWhitespace(first)) {
                    place++;
                } else if (first == '"') {
                    place = quoted(text, place + 1);
                } else if (BREAKS.indexOf(first) >= 0) {
                    words.add(new Word(String.valueOf(first), false));
                    place++;
                } else {
                    int end = place;
                    while (end < text.length()
                            && !Character.isWhitespace(text.charAt(end))
                            && BREAKS.indexOf(text.charAt(end)) < 0
                            && text.charAt(end) != '"') {
                        end++;
                    }
                    words.add(new Word(text.substring(place, end), false));
                    place = end;
                }
            }
        }

        /** @return the place behind the closing quote */
        private int quoted(String text, int from) {
            StringBuilder word = new StringBuilder();
            for (int place = from; place < text.length(); place++) {
                char each = text.charAt(place);
                if (each == '"') {
                    words.add(new Word(word.toString(), true));
                    return place + 1;
                } else if (each == '\\' && place + 1 < text.length()) {
                    place++;
                }
                word.append(text.charAt(place));
            }
            throw new Refused("A double quote is missing after “" + shortened(text.substring(from)) + "”");
        }

        private boolean more() {
            return at < words.size();
        }

        private boolean is(String word) {
            return more() && !words.get(at).isQuoted() && words.get(at).text().equals(word);
        }

        private boolean take(String word) {
            boolean there = is(word);
            at += there ? 1 : 0;
            return there;
        }

        private void expect(String word) {
            if (!take(word)) {
                throw new Refused("“" + word + "” is missing" + place());
            }
        }

        private void separator() {
            if (!take("|")) {
                throw new Refused(
                        "“" + shortened(words.get(at).text()) + "” is one word too many; a stroke | parts the steps");
            }
            if (!more()) {
                throw new Refused("A step is missing after the last stroke");
            }
        }

        private String next(String what) {
            if (!more() || is("|") || is("=")) {
                throw new Refused("Here is missing" + place() + ": " + what);
            }
            return words.get(at++).text();
        }

        private double number() {
            String text = next("a number");
            Signal signal = Signal.read(text);
            if (!signal.isNumber()) {
                throw new Refused("“" + shortened(text) + "” is not a number"
                        + (text.indexOf(',') >= 0 ? "; write a decimal with a dot" : ""));
            }
            return signal.number();
        }

        private String place() {
            return at == 0
                    ? " at the beginning"
                    : " after “" + shortened(words.get(at - 1).text()) + "”";
        }
    }

    /** A text that is none; its message says why. */
    private static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1;

        private Refused(String message) {
            super(message, null, false, false);
        }
    }
}
