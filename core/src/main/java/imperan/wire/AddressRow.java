package imperan.wire;

import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * What was said on one address, to one target or by it.
 *
 * @param out       true from us, false to us
 * @param target    to or by which target; empty for who is none
 * @param peer      the other end, {@code host:port}
 * @param typeTags  of the last message, with their comma
 * @param arguments of the last message, in words; long ones are shortened
 * @param count     messages since it was first seen
 * @param perSecond of the last ten seconds
 * @param low       the least number that its first number was, {@code high} the greatest; empty where it has none
 * @param trail     the last of these numbers, oldest first
 * @param lastAt    when something was said last, {@code movedAt} when it was something else than before, in nanoseconds since 1970
 * @param restless  whether it moves all the while: a meter or a clock, and no hand
 */
public record AddressRow(
        boolean out,
        Optional<PartId> target,
        String peer,
        String address,
        String typeTags,
        String arguments,
        long count,
        double perSecond,
        Optional<Double> low,
        Optional<Double> high,
        List<Double> trail,
        long lastAt,
        long movedAt,
        boolean moving,
        boolean restless) {
    public AddressRow {
        trail = List.copyOf(trail);
    }
}
