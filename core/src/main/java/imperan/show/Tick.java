package imperan.show;

import java.time.Instant;
import java.time.format.DateTimeParseException;

/**
 * A step on the way to a proven link that a person has seen done.
 *
 * @param step what was done
 * @param by   who says so
 * @param at   when, as an instant in ISO 8601
 * @param fact what was true then, such as the address and port that were told to the other end; may be empty
 */
public record Tick(LinkStep step, String by, String at, String fact) {

    void check(PartRules rules) {
        rules.note("ticks", fact);
        rules.note("ticks", by);
        try {
            Instant.parse(at);
        } catch (DateTimeParseException e) {
            rules.problem("ticks", "“" + at + "” is not a time such as 2026-11-23T20:00:00Z");
        }
    }
}
