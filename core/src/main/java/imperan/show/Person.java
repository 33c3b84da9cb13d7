package imperan.show;

/**
 * Who edits and touches: a browser and the name its user gave it.
 *
 * @param id   of the browser, for life
 * @param name as shown to others
 */
public record Person(String id, String name) {
}
