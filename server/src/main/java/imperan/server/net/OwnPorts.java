package imperan.server.net;

import imperan.rig.AddressUse;
import imperan.rig.Ipv4;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The ports of this machine on which Imperan itself listens to connections: its pages, its door to the network, and its database. No target
 * is asked there.
 */
@Component
public class OwnPorts {

    private static final int HTTP = 80;

    private final Set<Integer> ports;

    @Autowired
    OwnPorts(
            @Value("${server.port}") int pages,
            @Value("${imperan.network.port}") int network,
            @Value("${spring.datasource.url}") String database) {
        this(Set.of(
                pages, network, URI.create(database.substring("jdbc:".length())).getPort()));
    }

    OwnPorts(Set<Integer> ports) {
        this.ports = ports;
    }

    /** Whether an address leads to one of them, by whichever name of this machine. */
    boolean isOne(URI uri) {
        int port = uri.getPort() < 0 ? HTTP : uri.getPort();
        if (!ports.contains(port)) {
            return false;
        }
        try {
            return Arrays.stream(InetAddress.getAllByName(uri.getHost())).anyMatch(OwnPorts::isOurs);
        } catch (UnknownHostException e) {
            // whoever asks is told so by the asking
            return false;
        }
    }

    private static boolean isOurs(InetAddress address) {
        return address.isLoopbackAddress()
                || address.isAnyLocalAddress()
                || Ipv4.parse(address.getHostAddress())
                        .filter(own -> own.use() == AddressUse.LOOPBACK
                                || ThisMachine.adapters().stream()
                                        .flatMap(adapter -> adapter.addresses().stream())
                                        .anyMatch(prefix -> prefix.address().equals(own)))
                        .isPresent();
    }
}
