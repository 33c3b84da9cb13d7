package imperan.show;

import java.util.Optional;

/**
 * What a control shows beside its value.
 *
 * @param icon      the name of one of the icons that come along; empty for none
 * @param picture   the {@link imperan.picture.Picture#hash() hash} of a picture, which takes the place of the icon
 * @param textSize  of its label
 * @param textPlace where its label stands
 */
public record Face(String icon, Optional<String> picture, TextSize textSize, TextPlace textPlace) {

    public static final Face PLAIN = new Face("", Optional.empty(), TextSize.NORMAL, TextPlace.BELOW);

    /** Each a step that can be told apart from two metres. */
    public enum TextSize { SMALL, NORMAL, LARGE, HUGE }

    /** To the rest of the control. */
    public enum TextPlace { BELOW, ABOVE, HIDDEN }

    /** Without a picture, with an icon that comes along. */
    public static Face icon(String name) {
        return new Face(name, Optional.empty(), TextSize.NORMAL, TextPlace.BELOW);
    }

    public Face showing(String hash) {
        return new Face(icon, Optional.of(hash), textSize, textPlace);
    }
}
