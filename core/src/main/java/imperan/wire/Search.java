package imperan.wire;

import imperan.osc.AddressPattern;
import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.show.Problem;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/** What somebody looks for on the wire: an address pattern as OSC writes it, or a piece of text. */
public final class Search {

    /** Finds everything. */
    public static final Search ALL = new Search("", address -> true, false);

    private final String text;
    private final Predicate<String> address;
    private final boolean pattern;

    private Search(String text, Predicate<String> address, boolean pattern) {
        this.text = text;
        this.address = address;
        this.pattern = pattern;
    }

    /** A search that can be made, or why not. */
    public sealed interface Read {
        record For(Search search) implements Read {}

        record Faulty(Problem problem) implements Read {}
    }

    /**
     * A text with {@code ? * [ ] { }} or {@code //} that begins with a slash is an address pattern (OSC 1.0, "OSC Message Dispatching and Pattern Matching"), and the
     * whole address has to match. Any other text occurs somewhere in what is searched, whatever its case.
     */
    public static Read of(String wanted) {
        String text = wanted.strip();
        if (text.isEmpty()) {
            return new Read.For(ALL);
        } else if (text.startsWith("/") && AddressPattern.isPattern(text)) {
            AddressPattern.Compiled compiled = AddressPattern.compile(text);
            return compiled instanceof AddressPattern.Compiled.Pattern found
                    ? new Read.For(new Search(text, found.pattern()::matches, true))
                    : new Read.Faulty(Problem.of(
                            "This is no address pattern: " + ((AddressPattern.Compiled.Faulty) compiled).reason()));
        }
        String lower = text.toLowerCase(Locale.ROOT);
        return new Read.For(
                new Search(lower, address -> address.toLowerCase(Locale.ROOT).contains(lower), false));
    }

    /** Whether an address is looked for. */
    public boolean matches(String candidate) {
        return address.test(candidate);
    }

    /** Whether a packet is looked for: by an address in it; a text also by its arguments, the other end, or why it cannot be read. */
    boolean matches(WireRecord record) {
        if (this == ALL) {
            return true;
        }
        List<OscMessage> messages = record.messages();
        if (messages.stream().anyMatch(message -> matches(message.address()))) {
            return true;
        }
        return !pattern
                && (contains(record.peer())
                        || record.says() instanceof Decoded.Malformed bad && contains(bad.reason())
                        || messages.stream().anyMatch(message -> contains(OscText.brief(message.arguments()))));
    }

    private boolean contains(String candidate) {
        return candidate.toLowerCase(Locale.ROOT).contains(text);
    }
}
