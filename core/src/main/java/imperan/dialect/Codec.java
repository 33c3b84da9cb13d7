package imperan.dialect;

import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import java.util.List;

/** Writes and reads the packets of one link, with the state that its protocol needs. Not safe for several threads. */
public interface Codec {

    /** The packets of a line, in order; at least one. */
    List<byte[]> write(OscMessage line);

    /** What a packet says. */
    Decoded read(byte[] packet);

    /** How often what was written is to be said again without being asked, in nanoseconds; 0 for never. */
    default long refreshNanos() {
        return 0;
    }

    /** What is to be said again; empty where nothing was written yet. It bypasses pace, exchanges and the Wire. */
    default List<byte[]> refresh() {
        return List.of();
    }

    /** Bytes that a bundle needs beside those of its messages. */
    default int bundleBytes(int messages) {
        throw new UnsupportedOperationException("This dialect has no bundles");
    }

    /** Several messages that are written already, in one packet. */
    default byte[] bundle(List<byte[]> messages) {
        throw new UnsupportedOperationException("This dialect has no bundles");
    }
}
