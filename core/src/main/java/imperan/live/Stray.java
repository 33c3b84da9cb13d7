package imperan.live;

/**
 * Packets that no target of the rig claims, by where they came from.
 *
 * @param host    the sender's address
 * @param port    the sender's port
 * @param ourPort the port of ours on which they arrive
 * @param count   how many there were
 * @param lastAt  when the last one came, in nanoseconds since 1970
 * @param address of the last message among them; empty where it could not be read
 */
public record Stray(String host, int port, int ourPort, long count, long lastAt, String address) {}
