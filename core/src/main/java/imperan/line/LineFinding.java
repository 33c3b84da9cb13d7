package imperan.line;

import imperan.show.ArgumentSource;

import java.util.List;
import java.util.Optional;

/**
 * Something about a line that its target's phrasebook speaks against.
 *
 * @param message one sentence, with the evidence
 * @param mend    what would set it right, where that can be told
 */
public record LineFinding(String message, Optional<Mend> mend) {

    /**
     * What sets a line right.
     *
     * @param says      in words, such as “Use /in/2/level”
     * @param address   the address that was probably meant, where that is what is wrong
     * @param arguments all arguments of the send as they would be, where one of them is what is wrong
     */
    public record Mend(String says, Optional<String> address, Optional<List<ArgumentSource>> arguments) {

        public Mend {
            arguments = arguments.map(List::copyOf);
        }

        static Mend address(String address) {
            return new Mend("Use " + address, Optional.of(address), Optional.empty());
        }

        static Mend arguments(String says, List<ArgumentSource> arguments) {
            return new Mend(says, Optional.empty(), Optional.of(arguments));
        }
    }

    static LineFinding of(String message) {
        return new LineFinding(message, Optional.empty());
    }
}
