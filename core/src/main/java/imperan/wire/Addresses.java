package imperan.wire;

import java.util.List;

/**
 * What was said, by its address.
 *
 * @param rows what moved last first
 * @param more that were looked for, too, and have no room here
 */
public record Addresses(List<AddressRow> rows, int more) {

    /** Nothing was said, or nothing is found. */
    public static final Addresses NONE = new Addresses(List.of(), 0);
}
