package imperan.show;

import java.util.Optional;

/**
 * A grid of cells that fills a screen.
 *
 * @param screen  what it is meant for
 * @param strip   whether it is a strip that all other pages of its layout show at their top, and no page to go to
 * @param follows what a target says when this page is to be shown; empty where only hands change pages
 */
public record Page(
        String name, int columns, int rows, Screen screen, boolean strip, Optional<Behaviour.Condition> follows)
        implements Body {

    /** More cells than a finger could tell apart on the largest wall panel. */
    public static final int MAX_CELLS = 64;

    /** A side of a screen in CSS pixels is at most this. */
    public static final int MAX_PIXELS = 8192;

    /** A page for a desk that no target changes. */
    public static Page plain(String name, int columns, int rows) {
        return new Page(name, columns, rows, Screen.DESK, false, Optional.empty());
    }

    /**
     * The screen that a page is meant for, in CSS pixels; its short side may be any of the two.
     *
     * @param kind one of the usual ones, whose size it then has whatever is said, or {@link Kind#OWN}
     */
    public record Screen(Kind kind, int width, int height) {

        public static final Screen DESK = of(Kind.DESK);

        public Screen {
            width = kind == Kind.OWN ? width : kind.width;
            height = kind == Kind.OWN ? height : kind.height;
        }

        /** Usual screens (common practice, no source). */
        public enum Kind {
            PHONE(390, 844),
            TABLET(1180, 820),
            DESK(1280, 800),
            WALL(1920, 1080),
            OWN(1280, 800);

            private final int width;
            private final int height;

            Kind(int width, int height) {
                this.width = width;
                this.height = height;
            }
        }

        /** The usual screen of a kind. */
        public static Screen of(Kind kind) {
            return new Screen(kind, kind.width, kind.height);
        }
    }

    public Page named(String other) {
        return new Page(other, columns, rows, screen, strip, follows);
    }

    /** The same with so many cells. */
    public Page sized(Grid cells) {
        return new Page(name, cells.columns(), cells.rows(), screen, strip, follows);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        side(rules, "columns", columns);
        side(rules, "rows", rows);
        if (screen.width < 1 || screen.width > MAX_PIXELS || screen.height < 1 || screen.height > MAX_PIXELS) {
            rules.problem("screen", "A side of a screen has 1 to " + MAX_PIXELS + " pixels");
        }
        follows.ifPresent(when -> when.check(rules, "follows"));
    }

    private static void side(PartRules rules, String field, int cells) {
        if (cells < 1 || cells > MAX_CELLS) {
            rules.problem(field, "A page has 1 to " + MAX_CELLS + " " + field);
        }
    }
}
