package imperan.show;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.UUID;
import java.util.regex.Pattern;

/** Names a part for its whole life, also through undo and export. Letters, digits, {@code -} and {@code _}. */
public record PartId(@JsonValue String value) implements Comparable<PartId> {

    private static final Pattern FORM = Pattern.compile("[A-Za-z0-9_-]{1,64}");

    /** @throws IllegalArgumentException where the text is not 1 to 64 of the characters allowed */
    @JsonCreator
    public PartId {
        if (!FORM.matcher(value).matches()) {
            throw new IllegalArgumentException("A part id has 1 to 64 letters, digits, '-' or '_'");
        }
    }

    /** Whether a text can be one. */
    public static boolean isOne(String text) {
        return FORM.matcher(text).matches();
    }

    public static PartId random() {
        return new PartId(UUID.randomUUID().toString());
    }

    @Override
    public int compareTo(PartId other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
