package imperan.show.cue;

/**
 * What marks a cue for the eye: a colour, and a word for who cannot tell colours apart.
 *
 * @param word may be empty where there is no colour
 */
public record CueMark(Shade shade, String word) {

    public static final CueMark NONE = new CueMark(Shade.NONE, "");

    public enum Shade {
        NONE,
        BLUE,
        GREEN,
        YELLOW,
        RED,
        VIOLET
    }
}
