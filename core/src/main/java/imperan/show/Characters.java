package imperan.show;

/** Characters that no text of a show may hold, as a reader would be shown something else than what is there. */
public final class Characters {

    private Characters() {}

    /** Control characters, line ends among them, half characters, and those that turn the text behind them round. */
    public static boolean isUnshowable(int code) {
        return Character.isISOControl(code) || isHalf(code) || turnsRound(code);
    }

    /** Half of a character that takes two. */
    static boolean isHalf(int code) {
        return code >= Character.MIN_SURROGATE && code <= Character.MAX_SURROGATE;
    }

    /**
     * Embeddings, overrides and isolates (Unicode Standard Annex 9, section 2): with one of them a name looks like another name. Scripts
     * that run from right to left need none of them.
     */
    static boolean turnsRound(int code) {
        return code >= 0x202A && code <= 0x202E || code >= 0x2066 && code <= 0x2069;
    }

    /** A name as it came with a file, without what cannot be shown. */
    public static String shown(String name) {
        return name.codePoints()
                .filter(code -> !isUnshowable(code))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString()
                .strip();
    }
}
