package imperan.phrasebook;

import imperan.show.ProofRule;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a proof may do with a phrase, as the cell of a table has it:
 * {@code 0.2 to 0.4; full sweep; every 2 s; pressed for 0.5 s; at most 3}.
 */
final class ProofText {

    private static final Pattern EVERY = Pattern.compile("every ([0-9.]+) s");
    private static final Pattern PRESSED = Pattern.compile("pressed for ([0-9.]+) s");
    private static final Pattern MOST = Pattern.compile("at most (\\d{1,4})");
    private static final String SWEEP = "full sweep";

    private ProofText() {}

    static String write(ProofRule rule) {
        List<String> words = new ArrayList<>();
        rule.low()
                .ifPresent(low -> words.add(AnswerText.number(low) + " to "
                        + AnswerText.number(rule.high().orElseThrow())));
        if (rule.sweep()) {
            words.add(SWEEP);
        }
        rule.spacing().ifPresent(seconds -> words.add("every " + AnswerText.number(seconds) + " s"));
        rule.pressed().ifPresent(seconds -> words.add("pressed for " + AnswerText.number(seconds) + " s"));
        rule.most().ifPresent(times -> words.add("at most " + times));
        return String.join("; ", words);
    }

    /** Empty where it is something else. */
    static Optional<ProofRule> read(String cell) {
        ProofRule rule = ProofRule.USUAL;
        for (String word : cell.isBlank() ? new String[0] : cell.strip().split("\\s*;\\s*")) {
            Matcher every = EVERY.matcher(word);
            Matcher most = MOST.matcher(word);
            Matcher hold = PRESSED.matcher(word);
            Optional<Double> pressed = hold.matches()
                    ? PhraseValues.number(hold.group(1))
                            .filter(seconds -> seconds >= ProofRule.LEAST_PRESSED && seconds <= ProofRule.MOST_PRESSED)
                    : Optional.empty();
            Optional<Double> spacing = every.matches()
                    ? PhraseValues.number(every.group(1))
                            .filter(seconds -> seconds > 0 && seconds <= ProofRule.MOST_SPACING)
                    : Optional.empty();
            Optional<PhraseValues> range = PhraseValues.range(word)
                    .filter(values -> values.low().isPresent()
                            && values.high().isPresent()
                            && values.low().get() < values.high().get());
            if (word.equals(SWEEP)) {
                rule = rule.sweeping();
            } else if (spacing.isPresent()) {
                rule = rule.spaced(spacing.get());
            } else if (pressed.isPresent()) {
                rule = rule.pressed(pressed.get());
            } else if (most.matches()
                    && Integer.parseInt(most.group(1)) > 0
                    && Integer.parseInt(most.group(1)) <= ProofRule.MOST_TIMES) {
                rule = rule.atMost(Integer.parseInt(most.group(1)));
            } else if (range.isPresent()) {
                rule = rule.within(
                        range.get().low().orElseThrow(), range.get().high().orElseThrow());
            } else {
                return Optional.empty();
            }
        }
        return Optional.of(rule);
    }
}
