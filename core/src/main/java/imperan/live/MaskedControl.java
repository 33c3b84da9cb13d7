package imperan.live;

import imperan.show.PartId;

/**
 * A control that can be moved and is answered, and has no effect now.
 *
 * @param target that says what stands in the way
 */
public record MaskedControl(PartId control, PartId target, Observed.StandingMask mask) {}
