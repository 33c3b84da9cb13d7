package imperan.osc;

import java.util.List;

/**
 * Packets that take effect together, at a time (OSC 1.0, "OSC Bundles").
 *
 * @param time     when; {@link TimeTag#IMMEDIATELY} for at once
 * @param elements messages and bundles in order, may be empty. The time of an inner bundle is not before the time of
 *                 its outer one ("OSC Bundles", last paragraph of "Temporal Semantics")
 */
public record OscBundle(TimeTag time, List<OscPacket> elements) implements OscPacket {

    public OscBundle {
        elements = List.copyOf(elements);
    }

    @Override
    public int memory() {
        return 64 + elements.stream().mapToInt(element -> 8 + element.memory()).sum();
    }
}
