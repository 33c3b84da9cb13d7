package imperan.capture;

import imperan.capture.CaptureFile.BadException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Reads what network analysers write: pcap (draft-ietf-opsawg-pcap) with times in micro- or nanoseconds, and pcapng (draft-ietf-opsawg-pcapng), in either byte
 * order. Which way a packet went is only known where the file says it; else all of them came.
 */
final class PcapReader {

    private static final int PCAP_MICROS = 0xA1B2C3D4;
    private static final int PCAP_NANOS = 0xA1B23C4D;
    private static final int PCAP_HEADER = 24;
    private static final int RECORD_HEADER = 16;
    private static final int SIMPLE_PACKET = 3;
    private static final int MOST_PACKET = 1 << 20;
    private static final int MOST_INTERFACES = 10_000;
    private static final long SECOND = 1_000_000_000L;

    /** An interface of a section: what its packets begin with, and what its times count. */
    private record Interface(int link, long ticksPerSecond) {}

    private final ByteBuffer file;
    private final LinkLayer packets;

    /** @param most packets that are taken */
    PcapReader(byte[] file, int most) {
        packets = new LinkLayer(most);
        this.file = ByteBuffer.wrap(file);
    }

    CaptureFile.Read read() {
        if (file.capacity() < 4) {
            throw BadException.at(0, "It is no capture: it has " + file.capacity() + " bytes");
        }
        int magic = file.getInt(0);
        int swapped = Integer.reverseBytes(magic);
        if (magic == PcapNg.SECTION) {
            sections();
        } else if (magic == PCAP_MICROS || magic == PCAP_NANOS) {
            records(magic == PCAP_NANOS ? 1 : 1_000);
        } else if (swapped == PCAP_MICROS || swapped == PCAP_NANOS) {
            file.order(ByteOrder.LITTLE_ENDIAN);
            records(swapped == PCAP_NANOS ? 1 : 1_000);
        } else {
            throw BadException.at(
                    0, "It begins neither as a capture of a network analyser (pcap, pcapng) nor as JSON lines");
        }
        return packets.read();
    }

    // ---- pcap

    private void records(int nanosPerTick) {
        need(0, PCAP_HEADER, "the header of the file");
        int link = file.getInt(20) & 0xFFFF;
        int at = PCAP_HEADER;
        while (at < file.capacity()) {
            need(at, RECORD_HEADER, "the header of a packet");
            long seconds = file.getInt(at) & 0xFFFF_FFFFL;
            long fraction = file.getInt(at + 4) & 0xFFFF_FFFFL;
            int length = file.getInt(at + 8);
            boolean whole = length == file.getInt(at + 12);
            needPacket(at + 8, at + RECORD_HEADER, length);
            packets.take(
                    link,
                    file,
                    at + RECORD_HEADER,
                    length,
                    whole,
                    seconds * SECOND + fraction * nanosPerTick,
                    false,
                    "");
            at += RECORD_HEADER + length;
        }
    }

    // ---- pcapng

    private void sections() {
        List<Interface> interfaces = new ArrayList<>();
        int at = 0;
        while (at < file.capacity()) {
            need(at, 12, "a block");
            int type = file.getInt(at);
            if (type == PcapNg.SECTION) {
                need(at, 16, "the header of a section");
                boolean big = file.order(ByteOrder.BIG_ENDIAN).getInt(at + 8) == PcapNg.BYTE_ORDER;
                file.order(big ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
                if (file.getInt(at + 8) != PcapNg.BYTE_ORDER) {
                    throw BadException.at(at + 8L, "The section does not say its byte order");
                }
                interfaces.clear();
            }
            int length = file.getInt(at + 4);
            if (length < 12 || length % 4 != 0 || length > file.capacity() - at) {
                throw BadException.at(
                        at + 4L,
                        "The block claims " + Integer.toUnsignedString(length) + " bytes, " + (file.capacity() - at)
                                + " are left");
            } else if (file.getInt(at + length - 4) != length) {
                throw BadException.at(at + length - 4L, "The block does not end with its length");
            }
            block(file.getInt(at), at, length, interfaces);
            at += length;
        }
    }

    private void block(int type, int at, int length, List<Interface> interfaces) {
        if (type == PcapNg.INTERFACE) {
            needIn(at, length, 20, "an interface");
            if (interfaces.size() == MOST_INTERFACES) {
                throw BadException.at(at, "It names more than " + MOST_INTERFACES + " interfaces");
            }
            interfaces.add(new Interface(file.getShort(at + 8) & 0xFFFF, resolution(at + 16, at + length - 4)));
        } else if (type == PcapNg.PACKET) {
            needIn(at, length, 32, "a packet");
            int number = file.getInt(at + 8);
            if (number < 0 || number >= interfaces.size()) {
                throw BadException.at(
                        at + 8L,
                        "The packet names interface " + Integer.toUnsignedString(number) + ", of which the file has "
                                + interfaces.size());
            }
            long ticks = (long) file.getInt(at + 12) << 32 | file.getInt(at + 16) & 0xFFFF_FFFFL;
            int captured = file.getInt(at + 20);
            needPacket(at + 20, at + 28, captured);
            int options = at + 28 + (captured + 3) / 4 * 4;
            if (options > at + length - 4) {
                throw BadException.at(at + 20L, "The packet claims " + captured + " bytes, more than its block has");
            }
            Options found = options(options, at + length - 4);
            packets.take(
                    interfaces.get(number).link(),
                    file,
                    at + 28,
                    captured,
                    captured == file.getInt(at + 24),
                    nanos(at + 12, ticks, interfaces.get(number).ticksPerSecond()),
                    found.out(),
                    found.comment());
        } else if (type == SIMPLE_PACKET) {
            packets.passOver();
        }
    }

    private static long nanos(int at, long ticks, long perSecond) {
        if (Long.compareUnsigned(Long.divideUnsigned(ticks, perSecond), CaptureFile.LAST.getEpochSecond()) > 0) {
            throw BadException.at(at, "The packet is of a time after the year 2200");
        }
        return Long.divideUnsigned(ticks, perSecond) * SECOND
                + Long.remainderUnsigned(ticks, perSecond) * SECOND / perSecond;
    }

    private record Options(boolean out, String comment) {}

    private Options options(int from, int end) {
        boolean out = false;
        String comment = "";
        for (int at = from;
                at + 4 <= end && file.getShort(at) != 0;
                at += 4 + ((file.getShort(at + 2) & 0xFFFF) + 3) / 4 * 4) {
            int code = file.getShort(at) & 0xFFFF;
            int length = file.getShort(at + 2) & 0xFFFF;
            if (length > end - at - 4) {
                throw BadException.at(at + 2L, "The option claims " + length + " bytes, more than its block has");
            }
            if (code == PcapNg.OPTION_FLAGS && length == 4) {
                out = (file.getInt(at + 4) & 3) == PcapNg.OUTBOUND;
            } else if (code == PcapNg.OPTION_COMMENT) {
                comment = new String(file.array(), at + 4, length, StandardCharsets.UTF_8);
            }
        }
        return new Options(out, comment);
    }

    /** Ticks in a second: a power of ten, or of two where the first bit says so; microseconds where nothing is said. */
    private long resolution(int from, int end) {
        for (int at = from;
                at + 4 < end && file.getShort(at) != 0;
                at += 4 + ((file.getShort(at + 2) & 0xFFFF) + 3) / 4 * 4) {
            if (file.getShort(at) == PcapNg.OPTION_RESOLUTION) {
                int power = file.get(at + 4) & 0x7F;
                boolean binary = file.get(at + 4) < 0;
                if (binary ? power > 30 : power > 9) {
                    throw BadException.at(at + 4L, "Its times are finer than nanoseconds");
                }
                return binary ? 1L << power : (long) Math.pow(10, power);
            }
        }
        return 1_000_000;
    }

    private void need(long at, int bytes, String what) {
        if (file.capacity() - at < bytes) {
            throw BadException.at(at, "The file ends within " + what);
        }
    }

    private static void needIn(int at, int length, int bytes, String what) {
        if (length < bytes) {
            throw BadException.at(at + 4L, "The block of " + what + " is too short");
        }
    }

    private void needPacket(int at, int from, int length) {
        if (length < 0 || length > MOST_PACKET || length > file.capacity() - from) {
            throw BadException.at(
                    at,
                    "The packet claims " + Integer.toUnsignedString(length) + " bytes, "
                            + Math.max(0, file.capacity() - from) + " are left");
        }
    }
}
