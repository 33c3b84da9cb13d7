package imperan.line;

import java.util.Optional;

/**
 * Something about a line that its target's phrasebook speaks against.
 *
 * @param message one sentence, with the evidence
 * @param mend    the address that was probably meant, where that is what is wrong
 */
public record LineFinding(String message, Optional<String> mend) {

    static LineFinding of(String message) {
        return new LineFinding(message, Optional.empty());
    }
}
