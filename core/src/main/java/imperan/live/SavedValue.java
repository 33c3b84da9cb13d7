package imperan.live;

import imperan.show.PartId;

import java.util.Optional;

/** What is kept of a control's value while nothing runs. */
public record SavedValue(PartId control, double position, Optional<Double> echo, Belief belief, String movedBy) {
}
