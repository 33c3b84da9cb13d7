package imperan.live;

import imperan.show.PartId;
import java.util.List;

/** What is kept of a control's value while nothing runs. */
public record SavedValue(PartId control, List<ControlValue.Axis> axes, Belief belief, String movedBy) {}
