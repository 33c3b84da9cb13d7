package imperan.show;

import java.util.Optional;

/**
 * Why something a person asked for cannot be, in words.
 *
 * @param part    the part it concerns, where it concerns one
 * @param field   the path of the field within the part's body, such as {@code host} or {@code sends/0/address}; empty
 *                where no single field is at fault
 * @param message one sentence
 * @param mend    what to put there instead, where we can tell
 */
public record Problem(Optional<PartId> part, String field, String message, Optional<String> mend) {

    public static Problem at(PartId part, String field, String message) {
        return new Problem(Optional.of(part), field, message, Optional.empty());
    }

    public static Problem of(String message) {
        return new Problem(Optional.empty(), "", message, Optional.empty());
    }
}
