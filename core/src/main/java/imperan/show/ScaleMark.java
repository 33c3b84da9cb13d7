package imperan.show;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A point of a scale, as it is written beside a fader.
 *
 * @param value the argument that stands there
 * @param text  what people call it, such as −10 dB
 */
public record ScaleMark(double value, String text) {

    /** Marks as people write them: {@code 0 off; 0.562 0 dB; 1 +10}. Empty where a mark does not begin with a finite number. */
    public static Optional<List<ScaleMark>> parse(String text) {
        List<ScaleMark> marks = new ArrayList<>();
        for (String each : text.split(";")) {
            if (each.isBlank()) {
                continue;
            }
            String[] words = each.strip().split("\\s+", 2);
            double value;
            try {
                value = Double.parseDouble(words[0]);
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
            if (!Double.isFinite(value)) {
                return Optional.empty();
            }
            marks.add(new ScaleMark(value, words.length == 1 ? words[0] : words[1]));
        }
        return Optional.of(marks);
    }

    /** Marks as {@link #parse} reads them. */
    public static String write(List<ScaleMark> marks) {
        return marks.stream()
                .map(mark -> CanonicalJson.number(mark.value()) + " " + mark.text())
                .collect(Collectors.joining("; "));
    }
}
