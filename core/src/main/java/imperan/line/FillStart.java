package imperan.line;

import imperan.address.Run;
import imperan.show.Control;
import imperan.show.Held;
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

    /** @param row the controls to fill, in their order */
    public static FillStart of(List<Held> row) {
        int count = Math.max(1, row.size());
        Optional<Control> first =
                row.stream().findFirst().map(held -> (Control) held.part().body());
        return new FillStart(
                Run.from(first.flatMap(Rewriting::address).orElse("/address/1"), count),
                Run.from(first.map(Control::label).orElse(""), count),
                Run.from("", count));
    }
}
