package imperan.live;

/**
 * How it stands with our socket to a target.
 *
 * @param trouble why it cannot be used, in one sentence without its full stop; empty where it can
 * @param ourHost our own address on it; empty where it cannot be used
 */
public record SocketState(Kind kind, String trouble, String ourHost) {

    /** What is the matter with it. */
    public enum Kind {
        /** Nothing: it can be used. */
        OPEN,
        /** It was asked for a moment ago. */
        OPENING,
        /** Another program has our port. */
        PORT_TAKEN,
        /** There is no network, no connection or no permission; it is tried again. */
        NO_WAY
    }

    public static SocketState open(String ourHost) {
        return new SocketState(Kind.OPEN, "", ourHost);
    }

    public static SocketState opening() {
        return new SocketState(Kind.OPENING, "It is being opened", "");
    }

    public static SocketState taken(String why) {
        return new SocketState(Kind.PORT_TAKEN, why, "");
    }

    public static SocketState noWay(String why) {
        return new SocketState(Kind.NO_WAY, why, "");
    }

    public boolean works() {
        return kind == Kind.OPEN;
    }
}
