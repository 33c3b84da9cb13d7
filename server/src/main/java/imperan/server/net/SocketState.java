package imperan.server.net;

/**
 * How it stands with our socket to a target.
 *
 * @param trouble why it cannot be used, in one sentence; empty where it can
 * @param ourHost our own address on it; empty where it cannot be used
 */
public record SocketState(String trouble, String ourHost) {

    static SocketState troubled(String why) {
        return new SocketState(why, "");
    }
}
