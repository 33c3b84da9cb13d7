package imperan.capture;

import imperan.capture.InternetPacket.End;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Writes captures in the format that network analysers read (the "PCAP Next Generation Capture File Format" of the IETF's opsawg): bare IPv4 packets with times
 * to the nanosecond, which way each went, and who was behind it as its comment. What travelled in a stream is written as the segments of a connection that is
 * opened before them. Not safe for several threads.
 */
public final class PcapNg {

    static final int SECTION = 0x0A0D0D0A;
    static final int BYTE_ORDER = 0x1A2B3C4D;
    static final int INTERFACE = 1;
    static final int PACKET = 6;
    static final int RAW_IP = 101;
    static final int OPTION_COMMENT = 1;
    static final int OPTION_FLAGS = 2;
    static final int OPTION_RESOLUTION = 9;
    static final int INBOUND = 1;
    static final int OUTBOUND = 2;

    private static final int OPTION_APPLICATION = 4;
    private static final int NANOSECONDS = 9;
    private static final int MOST_COMMENT = 1_000;
    private static final int SEGMENT = 16 << 10;
    private static final long FIRST_SEQUENCE = 1_000;

    /** How far a connection has got, in bytes of each end. */
    private static final class Stream {
        private long ours = FIRST_SEQUENCE;
        private long theirs = FIRST_SEQUENCE;
    }

    private final Map<String, Stream> streams = new HashMap<>();
    private int number;

    /** What a file begins with. */
    public byte[] head() {
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        head.writeBytes(block(
                SECTION,
                little(16)
                        .putInt(BYTE_ORDER)
                        .putShort((short) 1)
                        .putShort((short) 0)
                        .putLong(-1)
                        .array(),
                option(OPTION_APPLICATION, "Imperan".getBytes(StandardCharsets.UTF_8))));
        head.writeBytes(block(
                INTERFACE,
                little(8).putShort((short) RAW_IP).putShort((short) 0).putInt(0).array(),
                option(OPTION_RESOLUTION, new byte[] {NANOSECONDS})));
        return head.toByteArray();
    }

    /** A packet, and what has to stand before it. */
    public byte[] packet(Captured captured) {
        ByteArrayOutputStream written = new ByteArrayOutputStream();
        End ours = new End(captured.ourHost(), captured.ourPort());
        End peer = new End(captured.peerHost(), captured.peerPort());
        if (captured.reach().isConnection()) {
            segments(captured, ours, peer, written);
        } else {
            written.writeBytes(block(
                    captured,
                    captured.out()
                            ? InternetPacket.udp(ours, peer, number++, captured.bytes())
                            : InternetPacket.udp(peer, ours, number++, captured.bytes()),
                    captured.out(),
                    captured.note()));
        }
        return written.toByteArray();
    }

    private void segments(Captured captured, End ours, End peer, ByteArrayOutputStream into) {
        Stream stream = streams.computeIfAbsent(ours + " " + peer, key -> {
            Stream opened = new Stream();
            into.writeBytes(block(
                    captured, tcp(ours, peer, opened.ours++, 0, InternetPacket.SYN, new byte[0], 0, 0), true, ""));
            into.writeBytes(block(
                    captured,
                    tcp(
                            peer,
                            ours,
                            opened.theirs++,
                            opened.ours,
                            InternetPacket.SYN | InternetPacket.ACK,
                            new byte[0],
                            0,
                            0),
                    false,
                    ""));
            into.writeBytes(block(
                    captured,
                    tcp(ours, peer, opened.ours, opened.theirs, InternetPacket.ACK, new byte[0], 0, 0),
                    true,
                    ""));
            return opened;
        });
        byte[] framed = captured.reach().framing().orElseThrow().frame(captured.bytes());
        for (int at = 0; at < framed.length; at += SEGMENT) {
            int length = Math.min(SEGMENT, framed.length - at);
            int flags = InternetPacket.ACK | (at + length == framed.length ? InternetPacket.PUSH : 0);
            if (captured.out()) {
                into.writeBytes(block(
                        captured,
                        tcp(ours, peer, stream.ours, stream.theirs, flags, framed, at, length),
                        true,
                        captured.note()));
                stream.ours += length;
            } else {
                into.writeBytes(block(
                        captured,
                        tcp(peer, ours, stream.theirs, stream.ours, flags, framed, at, length),
                        false,
                        captured.note()));
                stream.theirs += length;
            }
        }
    }

    private byte[] tcp(
            End from, End to, long sequence, long acknowledged, int flags, byte[] bytes, int offset, int length) {
        return InternetPacket.tcp(from, to, number++, sequence, acknowledged, flags, bytes, offset, length);
    }

    private static byte[] block(Captured captured, byte[] packet, boolean out, String note) {
        ByteBuffer body = little(20 + padded(packet.length))
                .putInt(0)
                .putInt((int) (captured.at() >>> 32))
                .putInt((int) captured.at())
                .putInt(packet.length)
                .putInt(packet.length)
                .put(packet);
        byte[] flags =
                option(OPTION_FLAGS, little(4).putInt(out ? OUTBOUND : INBOUND).array());
        byte[] comment = note.isEmpty()
                ? new byte[0]
                : option(
                        OPTION_COMMENT,
                        note.substring(0, Math.min(MOST_COMMENT, note.length())).getBytes(StandardCharsets.UTF_8));
        byte[] options = Arrays.copyOf(comment, comment.length + flags.length);
        System.arraycopy(flags, 0, options, comment.length, flags.length);
        return block(PACKET, body.array(), options);
    }

    private static byte[] option(int code, byte[] value) {
        return little(4 + padded(value.length))
                .putShort((short) code)
                .putShort((short) value.length)
                .put(value)
                .array();
    }

    /** A block with its length at both ends, and the end of its options. */
    private static byte[] block(int type, byte[] body, byte[] options) {
        int length = 12 + body.length + options.length + 4;
        return little(length)
                .putInt(type)
                .putInt(length)
                .put(body)
                .put(options)
                .putInt(0)
                .putInt(length)
                .array();
    }

    private static ByteBuffer little(int length) {
        return ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static int padded(int length) {
        return (length + 3) / 4 * 4;
    }
}
