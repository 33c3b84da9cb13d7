package imperan.layout.lines;

import imperan.address.Run;
import imperan.layout.Grids;
import imperan.line.Rewriting;
import imperan.show.Control;
import imperan.show.Held;
import imperan.show.PartId;
import imperan.show.Show;

import java.util.List;
import java.util.Optional;

/**
 * What filling across a row begins with: a run as long as the row, from what its first control has.
 *
 * @param address the first control's, running on from its last number; see {@link Run}
 * @param label   the same of its label
 * @param value   for fixed values
 */
public record FillStart(String address, String label, String value) {

    /** @param controls those to fill, in any order, and trays of them */
    public static FillStart of(Show show, List<PartId> controls) {
        Grids grids = new Grids(show);
        List<Held> row = grids.inReadingOrder(grids.controls(controls));
        int count = Math.max(1, row.size());
        Optional<Control> first = row.stream().findFirst().map(held -> (Control) held.part().body());
        return new FillStart(Run.from(first.flatMap(Rewriting::address).orElse("/address/1"), count),
                Run.from(first.map(Control::label).orElse(""), count), Run.from("", count));
    }
}
