package imperan.show;

import java.util.Optional;

/**
 * One incoming message that moves or lights a control.
 *
 * @param target   from whom; empty while nobody is chosen
 * @param address  what it says
 * @param argument the position of the argument that counts, from 0
 * @param low      the argument at position 0 of the control
 * @param high     the argument at position 1 of the control; differs from {@code low}
 */
public record Listen(Optional<PartId> target, String address, int argument, double low, double high) {
}
