package imperan.show;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * What a control shows beside its value.
 *
 * @param icon      the name of one of the icons that come along; empty for none
 * @param picture   the {@link imperan.picture.Picture#hash() hash} of a picture, which takes the place of the icon
 * @param textSize  of its label
 * @param textPlace where its label stands
 * @param meaning   what it means that it is on, which then has a colour and a word of its own
 */
public record Face(String icon, Optional<String> picture, TextSize textSize, TextPlace textPlace, Meaning meaning) {

    public static final Face PLAIN = new Face("", Optional.empty(), TextSize.NORMAL, TextPlace.BELOW, Meaning.NONE);

    /** What it means that a button is on, in the words of the trade. */
    public enum Meaning {
        /** No more than that: on. */
        NONE,
        MUTE("mute", "muted"),
        SOLO("solo"),
        RECORD("record", "rec", "arm"),
        /** A device shows where it is. */
        LOCATE("locate", "identify", "find", "here"),
        /** It takes something away from all, such as the light or the sound. */
        ALL_OUT("blackout", "panic", "kill");

        private final Set<String> words;

        Meaning(String... words) {
            this.words = Set.of(words);
        }

        /** What an address says by one of its last two words, which may stand before a number: {@code /in/3/mute}, {@code /mute/3}. */
        public static Meaning of(String address) {
            String[] all = address.toLowerCase(Locale.ROOT).split("/");
            return Arrays.stream(all)
                    .skip(Math.max(0, all.length - 2))
                    .flatMap(word -> Arrays.stream(values()).filter(each -> each.words.contains(word)))
                    .reduce((first, last) -> last)
                    .orElse(NONE);
        }
    }

    /** Each a step that can be told apart from two metres. */
    public enum TextSize {
        SMALL,
        NORMAL,
        LARGE,
        HUGE
    }

    /** To the rest of the control. */
    public enum TextPlace {
        BELOW,
        ABOVE,
        HIDDEN
    }

    /** Without a picture, with an icon that comes along. */
    public static Face icon(String name) {
        return new Face(name, Optional.empty(), TextSize.NORMAL, TextPlace.BELOW, Meaning.NONE);
    }

    public Face showing(String hash) {
        return new Face(icon, Optional.of(hash), textSize, textPlace, meaning);
    }

    public Face meaning(Meaning other) {
        return new Face(icon, picture, textSize, textPlace, other);
    }

    void check(PartRules rules) {
        if (icon.length() > PartRules.MAX_LABEL) {
            rules.problem("face/icon", "There is no icon of that name");
        }
        picture.filter(hash -> !hash.matches("[0-9a-f]{64}"))
                .ifPresent(hash -> rules.problem(
                        "face/picture",
                        "A picture is named by the SHA-256 of what it holds; choose one from the list or upload one"));
    }
}
