package imperan.server.net;

import imperan.rig.Adapter;
import imperan.rig.Ipv4;
import imperan.rig.Prefix;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.Inet4Address;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What this machine tells of its own network, at the moment it is asked. */
public final class ThisMachine {

    private static final Logger LOG = LoggerFactory.getLogger(ThisMachine.class);
    private static final int COMPLETE = 2;
    private static final Path NEIGHBOURS = Path.of("/proc/net/arp");
    /** A socket that is open for both versions of IP stands in the second one, whoever sends to it. */
    private static final List<Path> SOCKETS = List.of(Path.of("/proc/net/udp"), Path.of("/proc/net/udp6"));

    private static final Path COUNTERS = Path.of("/proc/net/snmp");
    private static final int INODE = 9;
    private static final int DROPS = 12;

    private ThisMachine() {}

    /** Whether some program of this machine, we among them, receives on a UDP port. */
    public static boolean isTaken(int port) {
        try (DatagramSocket probe = new DatagramSocket(null)) {
            probe.setReuseAddress(false);
            probe.bind(new InetSocketAddress(port));
            return false;
        } catch (SocketException e) {
            return true;
        }
    }

    /** The adapters that are up, with their IPv4 addresses. */
    public static List<Adapter> adapters() {
        try {
            List<Adapter> found = new ArrayList<>();
            for (NetworkInterface each : NetworkInterface.networkInterfaces().toList()) {
                if (each.isUp()) {
                    List<Prefix> addresses = each.getInterfaceAddresses().stream()
                            .filter(a -> a.getAddress() instanceof Inet4Address)
                            .map(a -> new Prefix(Ipv4.of(a.getAddress().getHostAddress()), a.getNetworkPrefixLength()))
                            .toList();
                    found.add(new Adapter(each.getName(), addresses, each.isLoopback()));
                }
            }
            return found;
        } catch (SocketException e) {
            LOG.warn("The system does not tell its network adapters: {}", e.getMessage());
            return List.of();
        }
    }

    /** Does a packet to this address reach everybody of one of our networks? */
    static boolean isBroadcast(String host) {
        Ipv4 address = Ipv4.of(host);
        return host.equals("255.255.255.255")
                || adapters().stream()
                        .flatMap(a -> a.addresses().stream())
                        .anyMatch(p -> p.hasBroadcast() && p.broadcast().equals(address));
    }

    /**
     * The addresses on our wires that were asked for and nobody has: entries of the neighbour table that are not complete
     * (Linux, proc(5), {@code /proc/net/arp}: flags 0x2 mark a complete one). Elsewhere none is known.
     */
    public static Set<String> silentHosts() {
        try {
            return silentHosts(Files.readAllLines(NEIGHBOURS));
        } catch (IOException | NumberFormatException e) {
            // another system, or a format we do not know: then nothing is said of silent hosts
            return Set.of();
        }
    }

    /**
     * The packets that the system dropped at sockets on these ports because nobody read them in time, by the socket's number (Linux, proc(5),
     * {@code /proc/net/udp} and {@code udp6}: local address, …, inode, …, drops). Elsewhere none is known.
     */
    public static Map<String, Long> drops(Set<Integer> ports) {
        Map<String, Long> drops = new HashMap<>();
        for (Path table : SOCKETS) {
            try {
                drops.putAll(drops(Files.readAllLines(table), ports));
            } catch (IOException | NumberFormatException e) {
                // another system, one without IPv6, or a format we do not know: then nothing is said of these
            }
        }
        return drops;
    }

    /**
     * The datagrams so far that came to ports of this machine on which no program listens (Linux, proc(5), {@code /proc/net/snmp}: Udp, NoPorts). Elsewhere none is known.
     */
    public static OptionalLong withoutProgram() {
        try {
            return withoutProgram(Files.readAllLines(COUNTERS));
        } catch (IOException | NumberFormatException e) {
            return OptionalLong.empty();
        }
    }

    static OptionalLong withoutProgram(List<String> table) {
        List<List<String>> udp = table.stream()
                .filter(line -> line.startsWith("Udp:"))
                .map(line -> List.of(line.trim().split("\\s+")))
                .toList();
        int column = udp.size() < 2 ? -1 : udp.get(0).indexOf("NoPorts");
        return column < 0 || column >= udp.get(1).size()
                ? OptionalLong.empty()
                : OptionalLong.of(Long.parseLong(udp.get(1).get(column)));
    }

    static Map<String, Long> drops(List<String> table, Set<Integer> ports) {
        Map<String, Long> drops = new HashMap<>();
        for (String line : table.subList(Math.min(1, table.size()), table.size())) {
            String[] columns = line.trim().split("\\s+");
            if (columns.length > DROPS
                    && ports.contains(Integer.parseInt(columns[1].substring(columns[1].indexOf(':') + 1), 16))) {
                drops.merge(columns[INODE], Long.parseLong(columns[DROPS]), Long::sum);
            }
        }
        return drops;
    }

    static Set<String> silentHosts(List<String> table) {
        Set<String> silent = new HashSet<>();
        for (String line : table.subList(Math.min(1, table.size()), table.size())) {
            String[] columns = line.trim().split("\\s+");
            if (columns.length >= 3 && (Integer.decode(columns[2]) & COMPLETE) == 0) {
                silent.add(columns[0]);
            }
        }
        return silent;
    }
}
