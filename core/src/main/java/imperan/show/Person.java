package imperan.show;

import java.util.Optional;

/**
 * Who edits and touches: a browser and the name its user gave it.
 *
 * @param id   of the browser, for life
 * @param name as shown to others
 */
public record Person(String id, String name) {

    /** Characters of any name that people give: of themselves, of a show, of a part. */
    public static final int MOST_NAME = 200;

    private static final int MOST_ID = 100;

    /** Why nobody can be called so, in one sentence; empty where somebody can. */
    public Optional<String> problem() {
        if (id.isEmpty() || id.length() > MOST_ID || isUnshowable(id)) {
            return Optional.of("A browser names itself with 1 to " + MOST_ID + " characters that can be shown");
        } else if (name.length() > MOST_NAME) {
            return Optional.of("A name has at most " + MOST_NAME + " characters");
        }
        return isUnshowable(name)
                ? Optional.of("A name is one line of characters that can be shown")
                : Optional.empty();
    }

    private static boolean isUnshowable(String text) {
        return text.codePoints().anyMatch(Characters::isUnshowable);
    }
}
