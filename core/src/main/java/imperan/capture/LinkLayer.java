package imperan.capture;

import imperan.osc.StreamFraming;
import imperan.rig.Ipv4;
import imperan.show.Reach;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * From what an interface carried to the packets of programs: takes off what the kind of interface puts before IPv4 (the LINKTYPE_ values of
 * tcpdump.org), then IPv4, then UDP, or TCP whose segments are put together again in the order of their numbers.
 */
final class LinkLayer {

    private static final int ETHERNET = 1;
    private static final int NULL = 0;
    private static final int LOOP = 108;
    private static final int LINUX = 113;
    private static final int LINUX_2 = 276;
    private static final int IPV4 = 228;
    private static final int TYPE_IPV4 = 0x0800;
    private static final int TYPE_VLAN = 0x8100;
    private static final int FRAGMENT = 0x3FFF;
    private static final int END_MARK = 0xC0;

    /** Directions of connections that are put together; the packets of more are passed over. */
    private static final int MOST_STREAMS = 10_000;

    /** One direction of a connection. */
    private static final class Stream {
        private long next = -1;
        private StreamFraming.Reader reader;
        private Reach reach = Reach.TCP_LENGTH;
    }

    private final List<Captured> packets = new ArrayList<>();
    private final Map<String, Stream> streams = new HashMap<>();
    /** The addresses as text, once each: a capture names the same few a million times. */
    private final Map<Integer, String> hosts = new HashMap<>();

    private final int most;
    private long passedOver;

    /** @param most packets that are taken */
    LinkLayer(int most) {
        this.most = most;
    }

    CaptureFile.Read.Good read() {
        return new CaptureFile.Read.Good(List.copyOf(packets), passedOver);
    }

    void passOver() {
        passedOver++;
    }

    /** @param whole whether nothing of it was cut off when it was recorded */
    void take(int link, ByteBuffer file, int from, int length, boolean whole, long at, boolean out, String note) {
        // headers of networks have their greatest byte first, whatever the file does
        ByteBuffer packet = ByteBuffer.wrap(file.array(), from, length).slice();
        int ip = whole ? beforeIp(link, packet) : -1;
        if (ip < 0 || !ip(packet, ip, at, out, note)) {
            passOver();
        }
    }

    /** Where IPv4 begins; -1 where it is another protocol. */
    private static int beforeIp(int link, ByteBuffer packet) {
        int length = packet.capacity();
        return switch (link) {
            case PcapNg.RAW_IP, IPV4 -> 0;
            case NULL, LOOP -> length > 4 && (packet.getInt(0) == 2 || packet.getInt(0) == 2 << 24) ? 4 : -1;
            case ETHERNET -> length > 18 && packet.getShort(12) == TYPE_IPV4
                    ? 14
                    : length > 18 && (packet.getShort(12) & 0xFFFF) == TYPE_VLAN && packet.getShort(16) == TYPE_IPV4
                            ? 18
                            : -1;
            case LINUX -> length > 16 && packet.getShort(14) == TYPE_IPV4 ? 16 : -1;
            case LINUX_2 -> length > 20 && packet.getShort(0) == TYPE_IPV4 ? 20 : -1;
            default -> -1;
        };
    }

    private boolean ip(ByteBuffer packet, int ip, long at, boolean out, String note) {
        int left = packet.capacity() - ip;
        if (left < InternetPacket.IP_HEADER || packet.get(ip) >>> 4 != 4) {
            return false;
        }
        int header = (packet.get(ip) & 15) * 4;
        int total = packet.getShort(ip + 2) & 0xFFFF;
        boolean fragment = (packet.getShort(ip + 6) & FRAGMENT) != 0;
        if (header < InternetPacket.IP_HEADER || total < header || total > left || fragment) {
            return false;
        }
        Flow flow = new Flow(at, out, note, host(packet.getInt(ip + 12)), host(packet.getInt(ip + 16)));
        int protocol = packet.get(ip + 9) & 0xFF;
        return protocol == InternetPacket.UDP
                ? udp(packet, ip + header, total - header, flow)
                : protocol == InternetPacket.TCP && tcp(packet, ip + header, total - header, flow);
    }

    private String host(int address) {
        if (hosts.size() == MOST_STREAMS) {
            hosts.clear();
        }
        return hosts.computeIfAbsent(address, bits -> new Ipv4(bits).toString());
    }

    private void add(Captured captured) {
        if (packets.size() == most) {
            throw CaptureFile.BadException.tooMany(most);
        }
        packets.add(captured);
    }

    /** From whom to whom, when, and which way that was. */
    private record Flow(long at, boolean out, String note, String from, String to) {
        Captured captured(int fromPort, int toPort, Reach reach, byte[] bytes) {
            return out
                    ? new Captured(at, true, from, fromPort, to, toPort, reach, bytes, note)
                    : new Captured(at, false, to, toPort, from, fromPort, reach, bytes, note);
        }
    }

    private boolean udp(ByteBuffer packet, int udp, int left, Flow flow) {
        int length = left < InternetPacket.UDP_HEADER ? 0 : packet.getShort(udp + 4) & 0xFFFF;
        if (length < InternetPacket.UDP_HEADER || length > left) {
            return false;
        }
        add(flow.captured(
                packet.getShort(udp) & 0xFFFF,
                packet.getShort(udp + 2) & 0xFFFF,
                Reach.UDP,
                bytes(packet, udp + InternetPacket.UDP_HEADER, length - InternetPacket.UDP_HEADER)));
        return true;
    }

    private boolean tcp(ByteBuffer packet, int tcp, int left, Flow flow) {
        int header = left < InternetPacket.TCP_HEADER ? 0 : (packet.get(tcp + 12) >>> 4 & 15) * 4;
        if (header < InternetPacket.TCP_HEADER || header > left) {
            return false;
        }
        int from = packet.getShort(tcp) & 0xFFFF;
        int to = packet.getShort(tcp + 2) & 0xFFFF;
        long sequence = packet.getInt(tcp + 4) & 0xFFFF_FFFFL;
        boolean opens = (packet.get(tcp + 13) & InternetPacket.SYN) != 0;
        String key = flow.from() + ":" + from + " " + flow.to() + ":" + to;
        if (streams.size() == MOST_STREAMS && !streams.containsKey(key)) {
            return false;
        }
        Stream stream = streams.computeIfAbsent(key, fresh -> new Stream());
        byte[] payload = bytes(packet, tcp + header, left - header);
        if (opens) {
            stream.next = sequence + 1 & 0xFFFF_FFFFL;
            stream.reader = null;
            return true;
        } else if (payload.length == 0) {
            return true;
        } else if (stream.next >= 0 && stream.next != sequence) {
            // said again, or out of its order: what was lost in between cannot be framed
            return false;
        }
        stream.next = sequence + payload.length & 0xFFFF_FFFFL;
        if (stream.reader == null) {
            stream.reach = (payload[0] & 0xFF) == END_MARK ? Reach.TCP_SLIP : Reach.TCP_LENGTH;
            stream.reader = stream.reach.framing().orElseThrow().reader();
        }
        try {
            stream.reader.read(payload).forEach(said -> add(flow.captured(from, to, stream.reach, said)));
            return true;
        } catch (StreamFraming.BrokenStreamException e) {
            stream.reader = null;
            return false;
        }
    }

    private static byte[] bytes(ByteBuffer packet, int from, int length) {
        int start = packet.arrayOffset() + from;
        return Arrays.copyOfRange(packet.array(), start, start + length);
    }
}
