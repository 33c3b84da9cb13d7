package imperan.server.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * A wire of our own, in a network namespace: one machine has its address, another is not there. Needs a machine on which namespaces
 * may be made. Source of what the neighbour table says: the kernel. Addresses are those for documents (RFC 5737).
 */
class SilentHostTest {

    private static final String PRESENT = "192.0.2.2";
    private static final String ABSENT = "192.0.2.77";

    /** Two ends of a cable: ours, and that of a second namespace, which has the address that is present. */
    private static final String WIRE =
            """
            set -e
            ip link add ours type veth peer name theirs
            ip addr add 192.0.2.1/24 dev ours
            ip link set ours up
            ip link set lo up
            unshare -n sleep 60 &
            other=$!
            trap "kill $other" EXIT
            until [ "$(readlink /proc/$other/ns/net)" != "$(readlink /proc/$$/ns/net)" ]; do :; done
            ip link set theirs netns $other
            nsenter -t $other -n ip addr add 192.0.2.2/24 dev theirs
            nsenter -t $other -n ip link set theirs up
            """;

    private static Process inNamespace(String script) throws Exception {
        return new ProcessBuilder("unshare", "-n", "bash", "-c", script)
                .redirectErrorStream(true)
                .start();
    }

    @BeforeAll
    static void namespacesMayBeMade() throws Exception {
        Process trial;
        try {
            trial = inNamespace("ip link add near type veth peer name far");
        } catch (IOException e) {
            trial = null;
        }
        assumeTrue(
                trial != null && trial.waitFor(10, TimeUnit.SECONDS) && trial.exitValue() == 0,
                "no network namespace can be made here");
    }

    @Test
    void whoIsNotThereIsSilentAndWhoIsThereIsNot() throws Exception {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        Process probe = inNamespace(
                WIRE + java + " -cp '" + System.getProperty("java.class.path") + "' '" + Probe.class.getName() + "'");
        assertThat(probe.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(new String(probe.getInputStream().readAllBytes()).lines().toList())
                .last()
                .isEqualTo("silent " + Set.of(ABSENT));
    }

    /** Speaks to both and prints who is silent, within the namespace. */
    static final class Probe {
        public static void main(String[] arguments) throws Exception {
            Set<String> silent = Set.of();
            try (DatagramSocket socket = new DatagramSocket()) {
                for (long end = System.nanoTime() + 20_000_000_000L;
                        silent.isEmpty() && System.nanoTime() < end;
                        LockSupport.parkNanos(20_000_000)) {
                    for (String host : List.of(PRESENT, ABSENT)) {
                        try {
                            socket.send(new DatagramPacket(new byte[4], 4, InetAddress.getByName(host), 7000));
                        } catch (IOException e) {
                            // the system may say at once that nobody is there
                            continue;
                        }
                    }
                    silent = present() ? new TreeSet<>(ThisMachine.silentHosts()) : Set.of();
                }
            }
            System.out.println("silent " + silent);
        }

        /** The kernel asks a while before it gives up; until the present one has answered nothing is certain. */
        private static boolean present() throws Exception {
            return Files.readAllLines(Path.of("/proc/net/arp")).stream()
                    .anyMatch(line -> line.startsWith(PRESENT + " ") && line.contains(" 0x2 "));
        }
    }
}
