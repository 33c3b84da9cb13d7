package imperan.osc;

import java.util.List;

/**
 * One message: an address (or, when sent to us, perhaps an address pattern) and its typed arguments.
 *
 * @param address   the text before the type tags; never empty and without a NUL character
 * @param arguments in the order of the type tags. {@link OscArgument.Untyped} stands alone or not at all
 */
public record OscMessage(String address, List<OscArgument> arguments) implements OscPacket {

    /** @throws IllegalArgumentException where the address is empty or holds NUL, or untyped data has company */
    public OscMessage {
        if (address.isEmpty() || address.indexOf('\0') >= 0) {
            throw new IllegalArgumentException("An address has at least one character and no NUL");
        }
        arguments = List.copyOf(arguments);
        if (arguments.size() > 1) {
            for (OscArgument argument : arguments) {
                if (argument instanceof OscArgument.Untyped) {
                    throw new IllegalArgumentException("Untyped data is the only argument of its message");
                }
            }
        }
    }

    @Override
    public int memory() {
        int bytes = 96 + address.length();
        for (OscArgument argument : arguments) {
            bytes += memory(argument);
        }
        return bytes;
    }

    private static int memory(OscArgument argument) {
        if (argument instanceof OscArgument.Array array) {
            return 64 + array.elements().stream().mapToInt(OscMessage::memory).sum();
        } else if (argument instanceof OscArgument.Text text) {
            return 64 + 2 * text.value().length();
        } else if (argument instanceof OscArgument.Symbol symbol) {
            return 64 + 2 * symbol.value().length();
        } else if (argument instanceof OscArgument.Blob blob) {
            return 64 + blob.value().length;
        } else if (argument instanceof OscArgument.Untyped untyped) {
            return 64 + untyped.value().length;
        }
        return argument instanceof OscArgument.Bare ? 8 : 40;
    }

    /** A message from its parts, for callers that have them at hand. */
    public static OscMessage of(String address, OscArgument... arguments) {
        return new OscMessage(address, List.of(arguments));
    }
}
