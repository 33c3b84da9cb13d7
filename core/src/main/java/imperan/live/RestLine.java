package imperan.live;

import imperan.show.PartId;

/** A message that would leave if a control went to its rest value: whose, to whom, where and with what. */
public record RestLine(PartId control, String label, String target, String address, String arguments) {}
