package imperan.rig;

import java.util.List;
import java.util.Optional;

/**
 * A network adapter of this machine at one moment.
 *
 * @param name      as the system calls it
 * @param addresses its addresses, each with its network
 * @param loopback  whether it reaches nothing but this machine
 */
public record Adapter(String name, List<Prefix> addresses, boolean loopback) {

    public Adapter {
        addresses = List.copyOf(addresses);
    }

    /** Our address in the network that an address lies in; empty where this adapter has none there. */
    public Optional<Prefix> reaching(Ipv4 address) {
        return addresses.stream().filter(prefix -> prefix.contains(address)).findFirst();
    }
}
