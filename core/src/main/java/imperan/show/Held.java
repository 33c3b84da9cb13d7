package imperan.show;

/**
 * A part as the show holds it now.
 *
 * @param version the number of the edit that last changed it
 * @param author  who made that edit
 */
public record Held(Part part, long version, Person author) {}
