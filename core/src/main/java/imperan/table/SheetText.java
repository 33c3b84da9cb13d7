package imperan.table;

import java.util.Arrays;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;

/**
 * A cell of a table that a spreadsheet shows as the text it is. A cell that begins with {@code =}, {@code +}, {@code -}, {@code @}, a tab or a
 * return, and is no number, would be taken for a formula there: so an apostrophe goes before it, as a person types it, and is taken off again when
 * the table comes back. (OWASP, "CSV Injection", names these characters.)
 */
public final class SheetText {

    private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@\\t\\r].*", Pattern.DOTALL);
    private static final Pattern NUMBER = Pattern.compile("[+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d{1,3})?");

    private SheetText() {}

    /** One row, without its line end. */
    public static String row(Object... cells) {
        return CSVFormat.RFC4180.format(Arrays.stream(cells)
                .map(cell -> cell instanceof String text ? written(text) : cell)
                .toArray());
    }

    /** How a cell is written. */
    public static String written(String cell) {
        return FORMULA.matcher(cell).matches() && !NUMBER.matcher(cell).matches() ? "'" + cell : cell;
    }

    /** What a cell says that was written so. */
    public static String read(String cell) {
        return cell.startsWith("'") && FORMULA.matcher(cell).matches() ? cell.substring(1) : cell;
    }
}
