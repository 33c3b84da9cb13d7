package imperan.server.net;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.rig.Adapter;
import java.net.DatagramSocket;
import java.net.Inet4Address;
import java.net.NetworkInterface;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ThisMachineTest {

    /** Source: the layout of {@code /proc/net/arp} as Linux writes it; flags 0x2 mark an entry that is complete. */
    @Test
    void whoDoesNotAnswerForItsAddressIsSilent() {
        assertThat(ThisMachine.silentHosts(List.of(
                        "IP address       HW type     Flags       HW address            Mask     Device",
                        "192.0.2.1        0x1         0x2         02:00:00:00:00:01     *        eth0",
                        "192.0.2.77       0x1         0x0         00:00:00:00:00:00     *        eth0",
                        "192.0.2.78       0x1         0x6         02:00:00:00:00:02     *        eth0")))
                .containsExactly("192.0.2.77");
        assertThat(ThisMachine.silentHosts(List.of())).isEmpty();
    }

    @Test
    void aPortIsTakenWhileAProgramReceivesOnIt() throws Exception {
        DatagramSocket other = new DatagramSocket(0);
        int port = other.getLocalPort();
        assertThat(ThisMachine.isTaken(port)).isTrue();
        other.close();
        assertThat(ThisMachine.isTaken(port)).isFalse();
    }

    @Test
    void theAdaptersAreThoseOfTheSystemWithTheirAddresses() throws Exception {
        List<Adapter> adapters = ThisMachine.adapters();
        assertThat(adapters).anySatisfy(adapter -> {
            assertThat(adapter.loopback()).isTrue();
            assertThat(adapter.addresses())
                    .anySatisfy(prefix -> assertThat(prefix.address()).hasToString("127.0.0.1"));
        });
        for (Adapter adapter : adapters) {
            assertThat(adapter.addresses())
                    .hasSameSizeAs(NetworkInterface.getByName(adapter.name()).getInterfaceAddresses().stream()
                            .filter(address -> address.getAddress() instanceof Inet4Address)
                            .toList());
        }
    }

    @Test
    void broadcastIsToldFromASingleHost() {
        assertThat(ThisMachine.isBroadcast("255.255.255.255")).isTrue();
        assertThat(ThisMachine.isBroadcast("127.255.255.255")).isTrue();
        assertThat(ThisMachine.isBroadcast("127.0.0.1")).isFalse();
        assertThat(ThisMachine.isBroadcast("198.51.100.255")).isFalse();
    }

    /** Source: proc(5), the table of UDP sockets; the lines are invented. */
    @Test
    void dropsAreReadForOurPortsOnly() {
        List<String> table = List.of(
                "   sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout inode ref pointer drops",
                "  123: 0100007F:23F1 00000000:0000 07 00000000:00000000 00:00000000 00000000     0        0 4711 2 0000000000000000 12",
                "  124: 0100007F:23F1 0100007F:1BBD 01 00000000:00000000 00:00000000 00000000     0        0 4712 2 0000000000000000 5",
                "  125: 0100007F:9999 00000000:0000 07 00000000:00000000 00:00000000 00000000     0        0 4713 2 0000000000000000 900");
        assertThat(ThisMachine.drops(table, Set.of(9201))).isEqualTo(Map.of("4711", 12L, "4712", 5L));

        List<String> ofBothVersions = List.of(
                "  sl  local_address                         remote_address                        st tx_queue"
                        + " rx_queue tr tm->when retrnsmt   uid  timeout inode ref pointer drops",
                "  269: 0000000000000000FFFF00000100007F:23F1 00000000000000000000000000000000:0000 07 00000000:00000000"
                        + " 00:00000000 00000000     0        0 4714 2 0000000000000000 7");
        assertThat(ThisMachine.drops(ofBothVersions, Set.of(9201))).isEqualTo(Map.of("4714", 7L));
    }

    /** Two lines for each protocol: the names, then the numbers (Linux, proc(5), "/proc/net/snmp"). */
    @Test
    void datagramsForPortsWithoutAProgramAreReadOffTheSystem() {
        List<String> table = List.of(
                "Tcp: RtoAlgorithm",
                "Tcp: 1",
                "Udp: InDatagrams NoPorts InErrors",
                "Udp: 777684 1255 1728",
                "UdpLite: InDatagrams NoPorts",
                "UdpLite: 0 3");
        assertThat(ThisMachine.withoutProgram(table)).hasValue(1255);
        assertThat(ThisMachine.withoutProgram(List.of("Udp: InDatagrams", "Udp: 5")))
                .isEmpty();
        assertThat(ThisMachine.withoutProgram(List.of())).isEmpty();
    }
}
