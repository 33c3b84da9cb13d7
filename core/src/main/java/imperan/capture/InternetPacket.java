package imperan.capture;

import imperan.rig.Ipv4;
import java.nio.ByteBuffer;

/** Headers of IPv4, UDP and TCP around bytes, as they stood on the wire or would have (RFC 791, RFC 768, RFC 9293). */
final class InternetPacket {

    static final int IP_HEADER = 20;
    static final int UDP_HEADER = 8;
    static final int TCP_HEADER = 20;
    static final int UDP = 17;
    static final int TCP = 6;
    static final int FIN = 1;
    static final int SYN = 2;
    static final int RST = 4;
    static final int PUSH = 8;
    static final int ACK = 16;

    private static final int VERSION_AND_LENGTH = 0x45;
    private static final int WHOLE = 0x4000;
    private static final int HOPS = 64;
    private static final int WINDOW = 0xFFFF;

    /** One end. An address that is none counts as 0.0.0.0. */
    record End(String host, int port) {
        int address() {
            return Ipv4.parse(host).map(Ipv4::bits).orElse(0);
        }
    }

    private InternetPacket() {}

    static byte[] udp(End from, End to, int number, byte[] payload) {
        ByteBuffer packet = ip(from, to, UDP, number, UDP_HEADER + payload.length);
        packet.putShort((short) from.port())
                .putShort((short) to.port())
                .putShort((short) (UDP_HEADER + payload.length))
                .putShort((short) 0)
                .put(payload);
        int sum = checksum(packet, from, to, UDP);
        // a sum of nothing means that there is none, so it is written as its other form
        packet.putShort(IP_HEADER + 6, (short) (sum == 0 ? 0xFFFF : sum));
        return packet.array();
    }

    static byte[] tcp(
            End from,
            End to,
            int number,
            long sequence,
            long acknowledged,
            int flags,
            byte[] payload,
            int offset,
            int length) {
        ByteBuffer packet = ip(from, to, TCP, number, TCP_HEADER + length);
        packet.putShort((short) from.port())
                .putShort((short) to.port())
                .putInt((int) sequence)
                .putInt((int) acknowledged)
                .put((byte) (TCP_HEADER / 4 << 4))
                .put((byte) flags)
                .putShort((short) WINDOW)
                .putShort((short) 0)
                .putShort((short) 0)
                .put(payload, offset, length);
        packet.putShort(IP_HEADER + 16, (short) checksum(packet, from, to, TCP));
        return packet.array();
    }

    private static ByteBuffer ip(End from, End to, int protocol, int number, int length) {
        ByteBuffer packet = ByteBuffer.allocate(IP_HEADER + length);
        packet.put((byte) VERSION_AND_LENGTH)
                .put((byte) 0)
                .putShort((short) (IP_HEADER + length))
                .putShort((short) number)
                .putShort((short) WHOLE)
                .put((byte) HOPS)
                .put((byte) protocol)
                .putShort((short) 0)
                .putInt(from.address())
                .putInt(to.address());
        packet.putShort(10, (short) folded(sum(packet, 0, IP_HEADER)));
        return packet;
    }

    /** Over the addresses, the protocol, the length, and all that follows the header of IP. */
    private static int checksum(ByteBuffer packet, End from, End to, int protocol) {
        int length = packet.capacity() - IP_HEADER;
        long pseudo = (from.address() >>> 16)
                + (from.address() & 0xFFFF)
                + (to.address() >>> 16)
                + (to.address() & 0xFFFF)
                + protocol
                + length;
        return folded(pseudo + sum(packet, IP_HEADER, length));
    }

    private static long sum(ByteBuffer packet, int from, int length) {
        long sum = 0;
        for (int i = 0; i + 1 < length; i += 2) {
            sum += packet.getShort(from + i) & 0xFFFF;
        }
        return length % 2 == 0 ? sum : sum + ((packet.get(from + length - 1) & 0xFF) << 8);
    }

    /** The ones' complement of a ones' complement sum (RFC 1071). */
    private static int folded(long sum) {
        long folded = sum;
        while (folded > 0xFFFF) {
            folded = (folded & 0xFFFF) + (folded >>> 16);
        }
        return (int) ~folded & 0xFFFF;
    }
}
