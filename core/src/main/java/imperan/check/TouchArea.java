package imperan.check;

import imperan.show.Cells;
import imperan.show.Page;

/**
 * The room of a control on the screen that its page is meant for, in CSS pixels.
 *
 * @param width of it, {@code height} likewise
 */
public record TouchArea(int width, int height) {

    /** What the bars of a played page take of the height of a screen: 52 px above with its keys, 45 px below. */
    public static final int BARS = 97;

    /** Narrower screens are phones, whose pages have smaller gaps (the web draws them so, by the same width). */
    private static final int PHONE_WIDTH = 640;

    /** WCAG 2.2, success criterion 2.5.5, "Target Size (Enhanced)". */
    static final int LEAST = 44;

    /** Cells are drawn equal, with gaps between them, and an edge around all but at the top. */
    public static TouchArea of(Page page, Cells cells) {
        boolean phone = page.screen().width() < PHONE_WIDTH;
        int gap = phone ? 4 : 6;
        int edge = phone ? 4 : 8;
        return new TouchArea(
                side(page.screen().width() - 2 * edge, page.columns(), gap, cells.width()),
                side(page.screen().height() - BARS - edge, page.rows(), gap, cells.height()));
    }

    private static int side(int room, int all, int gap, int cells) {
        return (int) Math.round(cells * Math.max(0, (double) (room - (all - 1) * gap) / all) + (cells - 1) * gap);
    }

    /** A finger hardly finds it. */
    public boolean isTooSmall() {
        return width < LEAST || height < LEAST;
    }
}
