package imperan.address;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text with numbers that run: {@code Lamp <1..8>} is eight texts. {@code <01..16>} keeps two digits, {@code <10..80/10>} goes in
 * steps, {@code <8..1>} downwards; a literal {@code <} is written {@code <<}. Several runs of one text run together.
 *
 * @param texts   in order; a text without a run stands there once
 * @param problem empty where the text is such a one
 */
public record Run(List<String> texts, Optional<String> problem) {

    /** More than any page has controls. */
    public static final int MOST = 4096;

    private static final Pattern NUMBER = Pattern.compile("\\d{1,8}");
    private static final Pattern RUN = Pattern.compile("(\\d{1,9})\\.\\.(\\d{1,9})(?:/(\\d{1,9}))?");

    public Run {
        texts = List.copyOf(texts);
    }

    /** A text that runs on from its last number, so many times; one without a number runs from 1. */
    public static String from(String text, int count) {
        Matcher number = NUMBER.matcher(text);
        int start = text.length();
        int end = start;
        while (number.find()) {
            start = number.start();
            end = number.end();
        }
        String first = start == end ? "1" : text.substring(start, end);
        String last = String.format("%0" + first.length() + "d", Long.parseLong(first) + count - 1);
        return literal(text.substring(0, start)) + "<" + first + ".." + last + ">" + literal(text.substring(end));
    }

    private static String literal(String text) {
        return text.replace("<", "<<");
    }

    private sealed interface Piece {
        record Fixed(String text) implements Piece {}

        record Numbers(long first, long last, long step, int digits) implements Piece {
            long count() {
                return Math.abs(last - first) / step + 1;
            }

            String at(int index) {
                return String.format("%0" + digits + "d", first + (first <= last ? index * step : -index * step));
            }
        }
    }

    /** Whether a text has a run in it. */
    public boolean runs() {
        return texts.size() > 1;
    }

    public static Run parse(String text) {
        List<Piece> pieces = new ArrayList<>();
        StringBuilder fixed = new StringBuilder();
        int at = 0;
        while (at < text.length()) {
            if (text.charAt(at) != '<') {
                fixed.append(text.charAt(at++));
            } else if (text.startsWith("<<", at)) {
                fixed.append('<');
                at += 2;
            } else {
                int end = text.indexOf('>', at);
                Matcher run = end < 0 ? null : RUN.matcher(text.substring(at + 1, end));
                if (run == null || !run.matches()) {
                    return bad("A run is written <1..8>, <01..16> or <10..80/10>; a literal < is written <<");
                }
                long step = run.group(3) == null ? 1 : Long.parseLong(run.group(3));
                if (step == 0) {
                    return bad("A run needs a step other than 0");
                }
                pieces.add(new Piece.Fixed(fixed.toString()));
                fixed.setLength(0);
                pieces.add(new Piece.Numbers(
                        Long.parseLong(run.group(1)),
                        Long.parseLong(run.group(2)),
                        step,
                        run.group(1).startsWith("0") ? run.group(1).length() : 1));
                at = end + 1;
            }
        }
        pieces.add(new Piece.Fixed(fixed.toString()));
        List<Piece.Numbers> runs = pieces.stream()
                .filter(Piece.Numbers.class::isInstance)
                .map(Piece.Numbers.class::cast)
                .toList();
        long count = runs.stream().mapToLong(Piece.Numbers::count).min().orElse(1);
        if (runs.stream().anyMatch(run -> run.count() != count)) {
            return bad("The runs of this text are not equally long");
        } else if (count > MOST) {
            return bad("A run of " + count + " is longer than anything can take; at most " + MOST);
        }
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            StringBuilder filled = new StringBuilder();
            for (Piece piece : pieces) {
                filled.append(piece instanceof Piece.Fixed f ? f.text() : ((Piece.Numbers) piece).at(i));
            }
            texts.add(filled.toString());
        }
        return new Run(texts, Optional.empty());
    }

    private static Run bad(String problem) {
        return new Run(List.of(), Optional.of(problem));
    }
}
