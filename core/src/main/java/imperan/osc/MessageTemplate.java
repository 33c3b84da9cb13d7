package imperan.osc;

import java.util.Arrays;
import java.util.List;

/**
 * A message whose address and types never change: both are encoded once, and only the arguments when it is sent. The
 * arguments given later have the types given here, in the same order.
 */
public final class MessageTemplate {

    private final byte[] head;

    private MessageTemplate(byte[] head) {
        this.head = head;
    }

    /** @param like a message of the address and the types wanted; its values do not matter */
    public static MessageTemplate like(OscMessage like) {
        byte[] whole = OscEncoder.encode(like);
        int head = whole.length - OscEncoder.argumentsSize(like.arguments());
        return new MessageTemplate(Arrays.copyOf(whole, head));
    }

    /** The whole packet. */
    public byte[] encode(List<OscArgument> arguments) {
        byte[] packet = Arrays.copyOf(head, head.length + OscEncoder.argumentsSize(arguments));
        OscEncoder.arguments(arguments, packet, head.length);
        return packet;
    }
}
