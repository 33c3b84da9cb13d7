package imperan.live;

import java.util.Optional;

/**
 * An answer that did not come in time, and what was seen of it otherwise.
 *
 * @param address    on which it was awaited
 * @param limitNanos how long it might have taken
 * @param bundled    whether its message left in one packet with others
 * @param arrivedAs  the address under which the same value came from the target instead
 * @param cameFrom   where the same came from instead of the target
 * @param lateNanos  after which time it came after all
 */
public record Missed(
        String address,
        long limitNanos,
        boolean bundled,
        Optional<String> arrivedAs,
        Optional<CameFrom> cameFrom,
        Optional<Long> lateNanos) {

    /**
     * A message on the awaited address, with the awaited value, that is not from the target as we know it.
     *
     * @param host    it came from this address, {@code port} and port
     * @param ourPort on this port of ours
     * @param claimed the name of the target that it was taken for; empty where it was taken for none
     */
    public record CameFrom(String host, int port, int ourPort, Optional<String> claimed) {}
}
