package imperan.osc;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Packets in a stream of bytes, which has no borders of its own. {@link #frame} makes bytes that can be written one after the
 * other; a {@link Reader} finds the packets again, however the stream was cut.
 */
public enum StreamFraming {

    /** The length of a packet, as a 32-bit big-endian number, before it (OSC 1.0, "OSC Packets"). */
    LENGTH {
        @Override
        public byte[] frame(byte[] packet) {
            byte[] framed = new byte[packet.length + 4];
            for (int i = 0; i < 4; i++) {
                framed[i] = (byte) (packet.length >>> 24 - 8 * i);
            }
            System.arraycopy(packet, 0, framed, 4, packet.length);
            return framed;
        }

        @Override
        public Reader reader() {
            return new LengthReader();
        }
    },

    /** A packet between two END marks, and those that occur in it replaced (OSC 1.1; RFC 1055). */
    SLIP {
        @Override
        public byte[] frame(byte[] packet) {
            ByteArrayOutputStream framed = new ByteArrayOutputStream(packet.length + 8);
            framed.write(END);
            for (byte b : packet) {
                if (b == (byte) END) {
                    framed.write(ESC);
                    framed.write(ESC_END);
                } else if (b == (byte) ESC) {
                    framed.write(ESC);
                    framed.write(ESC_ESC);
                } else {
                    framed.write(b);
                }
            }
            framed.write(END);
            return framed.toByteArray();
        }

        @Override
        public Reader reader() {
            return new SlipReader();
        }
    };

    /** Longer packets are taken for a stream that is framed otherwise. */
    public static final int MAX_PACKET = 1 << 20;

    private static final int END = 0xC0;
    private static final int ESC = 0xDB;
    private static final int ESC_END = 0xDC;
    private static final int ESC_ESC = 0xDD;

    /** The bytes that carry a packet. */
    public abstract byte[] frame(byte[] packet);

    /** For one stream, from its start. */
    public abstract Reader reader();

    /** Finds packets in a stream. Not for several threads. */
    public interface Reader {

        /**
         * The packets that end within these bytes.
         *
         * @throws BrokenStreamException where the stream cannot be framed like this; nothing more can be read from it
         */
        List<byte[]> read(byte[] bytes) throws BrokenStreamException;
    }

    /** A stream that is not framed as it should be. */
    public static final class BrokenStreamException extends Exception {
        private static final long serialVersionUID = 1;

        BrokenStreamException(String message) {
            super(message);
        }
    }

    private static final class LengthReader implements Reader {
        private byte[] open = new byte[0];

        @Override
        public List<byte[]> read(byte[] bytes) throws BrokenStreamException {
            byte[] all = new byte[open.length + bytes.length];
            System.arraycopy(open, 0, all, 0, open.length);
            System.arraycopy(bytes, 0, all, open.length, bytes.length);
            List<byte[]> packets = new ArrayList<>();
            int at = 0;
            while (all.length - at >= 4) {
                int length = (all[at] & 255) << 24
                        | (all[at + 1] & 255) << 16
                        | (all[at + 2] & 255) << 8
                        | all[at + 3] & 255;
                if (length < 0 || length > MAX_PACKET) {
                    throw new BrokenStreamException("a packet of " + Integer.toUnsignedString(length)
                            + " bytes is announced; is the stream framed otherwise?");
                }
                if (all.length - at - 4 < length) {
                    break;
                }
                packets.add(Arrays.copyOfRange(all, at + 4, at + 4 + length));
                at += 4 + length;
            }
            open = Arrays.copyOfRange(all, at, all.length);
            return packets;
        }
    }

    private static final class SlipReader implements Reader {
        private final ByteArrayOutputStream open = new ByteArrayOutputStream();
        private boolean escaped;

        @Override
        public List<byte[]> read(byte[] bytes) throws BrokenStreamException {
            List<byte[]> packets = new ArrayList<>();
            for (byte b : bytes) {
                int value = b & 255;
                if (escaped) {
                    // RFC 1055: what else follows an ESC is a protocol violation, best taken as it is
                    open.write(value == ESC_END ? END : value == ESC_ESC ? ESC : value);
                    escaped = false;
                } else if (value == END) {
                    // two marks with nothing between them are no packet
                    if (open.size() > 0) {
                        packets.add(open.toByteArray());
                        open.reset();
                    }
                } else if (value == ESC) {
                    escaped = true;
                } else {
                    open.write(value);
                }
                if (open.size() > MAX_PACKET) {
                    throw new BrokenStreamException(
                            "no packet ends within " + MAX_PACKET + " bytes; is the stream framed otherwise?");
                }
            }
            return packets;
        }
    }
}
