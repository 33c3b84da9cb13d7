package imperan.show;

import imperan.address.MessageLine;
import imperan.dialect.Osc;
import java.util.Optional;

/**
 * A message that somebody sends by hand now and then, and saved for it.
 *
 * @param name   what people call it; may be empty
 * @param target to which it goes; empty where that target is gone
 * @param line   the message as one line of text ({@link MessageLine})
 */
public record SavedMessage(String name, Optional<PartId> target, String line) implements Body {

    @Override
    public String called() {
        return name.isEmpty() ? line : name;
    }

    @Override
    public void check(PartRules rules) {
        rules.note("name", name);
        rules.message(
                "line",
                line,
                target.map(id -> Phrasebook.spokenWith(rules.show(), id)).orElse(Osc.STRICT));
    }
}
