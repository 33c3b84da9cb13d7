package imperan.show;

import imperan.show.form.Form;
import java.nio.charset.StandardCharsets;

/** How many bytes a message of a send may take on the wire (OSC 1.0, "OSC Messages": everything is filled up to four bytes). */
final class MessageSize {

    /** The largest UDP payload over IPv4. */
    static final int MOST = 65_507;

    private MessageSize() {}

    /** The most that it can take, whatever is chosen or typed; more than that where texts hold characters of several bytes. */
    static long most(Send send, Form form) {
        long bytes = padded(send.address())
                + padded("," + "x".repeat(send.arguments().size()));
        for (ArgumentSource source : send.arguments()) {
            if (source instanceof ArgumentSource.Fixed fixed && source.type() == ArgumentSource.ArgumentType.TEXT) {
                bytes += padded(fixed.text());
            } else if (source instanceof ArgumentSource.Chosen) {
                bytes += form.options().stream()
                        .mapToLong(option -> padded(option.text()))
                        .max()
                        .orElse(0);
            } else if (source instanceof ArgumentSource.Typed
                    || source instanceof ArgumentSource.LookedUp && source.type() == ArgumentSource.ArgumentType.TEXT) {
                bytes += PartRules.MOST_ARGUMENT;
            } else {
                bytes += Double.BYTES;
            }
        }
        return bytes;
    }

    private static long padded(String text) {
        return (text.getBytes(StandardCharsets.UTF_8).length + 4L) / 4 * 4;
    }
}
