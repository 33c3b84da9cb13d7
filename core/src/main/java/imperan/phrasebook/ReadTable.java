package imperan.phrasebook;

import java.util.List;

/**
 * A message list as it was read.
 *
 * @param rows    what became of each line
 * @param columns what each column was taken as, from left to right
 */
public record ReadTable(List<ReadRow> rows, List<Column> columns) {

    public ReadTable {
        rows = List.copyOf(rows);
        columns = List.copyOf(columns);
    }

    /**
     * What somebody says that a column is.
     *
     * @param column from the left, from 0; one that is not there holds nothing
     */
    public record Told(int column, TableColumn is) {}

    /**
     * @param title   as it stands in the first line; empty where the list has no titles
     * @param example what stands in it in the first line that is a message
     * @param taken   what it is read as
     */
    public record Column(String title, String example, TableColumn taken) {}
}
