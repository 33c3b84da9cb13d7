package imperan.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.net.DatagramSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

/** What the machine says of itself while something is measured. Linux. */
final class Machine {

    private Machine() {}

    /** Processor time that other guests of the machine took, as a share of all, between two calls. */
    static final class Steal {
        private long[] before = read();

        double percent() {
            long[] now = read();
            long all = Arrays.stream(now).sum() - Arrays.stream(before).sum();
            double share = all == 0 ? 0 : 100.0 * (now[7] - before[7]) / all;
            before = now;
            return share;
        }

        private static long[] read() {
            String[] fields = lines("/proc/stat").get(0).trim().split("\\s+");
            return Arrays.stream(fields)
                    .skip(1)
                    .limit(8)
                    .mapToLong(Long::parseLong)
                    .toArray();
        }
    }

    /** Packets that the kernel dropped at sockets bound to this UDP port. */
    static long drops(int port) {
        String local = String.format(":%04X", port);
        return Stream.concat(lines("/proc/net/udp").stream(), lines("/proc/net/udp6").stream())
                .map(line -> line.trim().split("\\s+"))
                .filter(f -> f.length > 12 && f[1].endsWith(local))
                .mapToLong(f -> Long.parseLong(f[f.length - 1]))
                .sum();
    }

    /** What the system grants a datagram socket that asks for so many bytes; it may be fewer, without a word. */
    static int grantedReceiveBuffer(int asked) {
        try (DatagramSocket socket = new DatagramSocket()) {
            socket.setReceiveBufferSize(asked);
            return socket.getReceiveBufferSize();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Bytes in use after a collection. */
    static long heap() {
        System.gc();
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
    }

    /** Processor time of this process so far, in nanoseconds. */
    static long processorTime() {
        return ((com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean())
                .getProcessCpuTime();
    }

    /** The middle one of an odd number of values. */
    static double median(double[] values) {
        return Arrays.stream(values).sorted().toArray()[values.length / 2];
    }

    static long percentile(long[] values, double share) {
        long[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)];
    }

    private static List<String> lines(String file) {
        try {
            return Files.readAllLines(Path.of(file));
        } catch (IOException e) {
            throw new IllegalStateException(file + " cannot be read: this measurement needs Linux", e);
        }
    }
}
