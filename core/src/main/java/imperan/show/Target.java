package imperan.show;

import java.util.Optional;

/**
 * A piece of software or hardware that understands messages.
 *
 * @param name       what people call it
 * @param host       its IPv4 address, four decimal numbers with dots
 * @param port       the UDP port it receives on, 1 to 65535
 * @param answerPort the UDP port on which its answers reach us, 1 to 65535; also the port we send from
 * @param answering  what it says of itself
 * @param keepAlive  the message that keeps it talking to us, where it needs one
 * @param messagesPerSecond how many it can take; empty for as many as there are
 */
public record Target(String name, String host, int port, int answerPort, Answering answering,
                     Optional<KeepAlive> keepAlive, Optional<Integer> messagesPerSecond) implements Body {

    /** More than any target takes, so that a slip of the finger is noticed. */
    public static final int MAX_MESSAGES_PER_SECOND = 100_000;

    /** What a target says without being one of its own controls. */
    public enum Answering {
        /** Nothing: it is one-way by nature. */
        NONE,
        /** It reports changes. */
        REPORTS,
        /** It reports changes, and answers an address without arguments with its present value. */
        QUERIES
    }

    @Override
    public String called() {
        return name;
    }
}
