package imperan.show.song;

import imperan.show.PartRules;
import java.util.regex.Pattern;

/**
 * A sound file that is kept beside the shows.
 *
 * @param hash     the SHA-256 of its bytes, in lower case: the file itself is kept once
 * @param fileName under which it was loaded
 */
public record Sound(String hash, String fileName) {

    private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

    /** Whether a text can be the hash of one. */
    public static boolean isHash(String text) {
        return HASH.matcher(text).matches();
    }

    /** Tells what is wrong with it. */
    public void check(PartRules rules, String field) {
        if (!isHash(hash)) {
            rules.problem(field + "/hash", "A sound is known by 64 hexadecimal digits");
        }
        rules.note(field + "/fileName", fileName);
    }
}
