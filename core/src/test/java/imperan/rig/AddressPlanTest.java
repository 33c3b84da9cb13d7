package imperan.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class AddressPlanTest {

    private static final Prefix NETWORK = Prefix.of("192.0.2.0/24");

    private static AddressRange range(String first, String last) {
        return new AddressRange(Ipv4.of(first), Ipv4.of(last));
    }

    @Test
    void theNextFreeAddressIsNobodysAndNoRoutersToGive() {
        AddressPlan plan = new AddressPlan(
                NETWORK,
                Set.of(Ipv4.of("192.0.2.1"), Ipv4.of("192.0.2.20")),
                List.of(range("192.0.2.100", "192.0.2.254")));
        assertThat(plan.nextFree(Ipv4.of("192.0.2.20"))).hasToString("Optional[192.0.2.21]");
        assertThat(plan.nextFree(Ipv4.of("192.0.2.99"))).hasToString("Optional[192.0.2.99]");
        // the rest of the network is the router's: on from the start, past the router itself
        assertThat(plan.nextFree(Ipv4.of("192.0.2.100"))).hasToString("Optional[192.0.2.2]");
        assertThat(plan.nextFree(Ipv4.of("10.0.0.1"))).hasToString("Optional[192.0.2.2]");
    }

    @Test
    void neitherTheNetworkNorItsBroadcastIsEverFree() {
        AddressPlan plan = new AddressPlan(
                Prefix.of("192.0.2.8/30"), Set.of(Ipv4.of("192.0.2.9"), Ipv4.of("192.0.2.10")), List.of());
        assertThat(plan.nextFree(Ipv4.of("192.0.2.8"))).isEmpty();
        assertThat(plan.isFree(Ipv4.of("192.0.2.8"))).isFalse();
        assertThat(plan.isFree(Ipv4.of("192.0.2.11"))).isFalse();
    }

    @Test
    void aHugeRangeThatARouterGivesOutIsLeapt() {
        AddressPlan plan = new AddressPlan(Prefix.of("10.0.0.0/8"), Set.of(), List.of(range("10.0.0.1", "10.255.0.0")));
        assertThat(plan.nextFree(Ipv4.of("10.0.0.1"))).hasToString("Optional[10.255.0.1]");
    }

    /** A plan by looking at every address is the same, slower. */
    @Test
    void agreesWithTheSlowWay() {
        Random random = new Random(6);
        for (int round = 0; round < 2_000; round++) {
            Prefix network = new Prefix(new Ipv4(random.nextInt()), 24 + random.nextInt(9)).asNetwork();
            Set<Ipv4> taken = new TreeSet<>();
            for (int i = random.nextInt(40); i > 0; i--) {
                taken.add(network.address().plus(random.nextInt(256)));
            }
            Ipv4 low = network.address().plus(random.nextInt(300) - 20);
            AddressRange given = new AddressRange(low, low.plus(random.nextInt(100)));
            AddressPlan plan = new AddressPlan(network, taken, List.of(given));
            Ipv4 from = network.address().plus(random.nextInt(260));
            TreeSet<Ipv4> free = new TreeSet<>();
            for (long i = 0; i < network.hosts(); i++) {
                Ipv4 address = network.firstHost().plus(i);
                if (!taken.contains(address) && !given.contains(address)) {
                    free.add(address);
                }
            }
            Optional<Ipv4> expected = Optional.ofNullable(
                    network.isHost(from) && free.ceiling(from) != null
                            ? free.ceiling(from)
                            : free.isEmpty() ? null : free.first());
            assertThat(plan.nextFree(from)).isEqualTo(expected);
            AddressRange asked = new AddressRange(from, from.plus(50));
            assertThat(plan.free(asked, 5))
                    .isEqualTo(free.stream().filter(asked::contains).limit(5).toList());
        }
    }
}
