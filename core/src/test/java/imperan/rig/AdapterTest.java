package imperan.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** From which of our addresses another one is reached without a router (RFC 1122 section 3.3.1.1: what lies in the same network). */
class AdapterTest {

    private static final Adapter LOOPBACK = new Adapter("lo", List.of(prefix("127.0.0.1/8")), true);
    private static final Adapter CABLE =
            new Adapter("eth0", List.of(prefix("192.0.2.10/24"), prefix("198.51.100.7/25")), false);
    private static final Adapter RADIO = new Adapter("wlan0", List.of(prefix("192.0.2.200/25")), false);

    private static Prefix prefix(String text) {
        return Prefix.of(text);
    }

    private static Ipv4 address(String text) {
        return Ipv4.of(text);
    }

    @Test
    void anAdapterReachesWhatLiesInOneOfItsNetworks() {
        assertThat(CABLE.reaching(address("192.0.2.255"))).hasValue(prefix("192.0.2.10/24"));
        assertThat(CABLE.reaching(address("198.51.100.127"))).hasValue(prefix("198.51.100.7/25"));
        assertThat(CABLE.reaching(address("198.51.100.128"))).isEmpty();
        assertThat(CABLE.reaching(address("127.0.0.1"))).isEmpty();
        assertThat(LOOPBACK.reaching(address("127.9.9.9"))).isPresent();
    }

    @Test
    void eachOfOurAddressesInItsNetworkIsNamedWithItsAdapter() {
        List<Adapter> ours = List.of(LOOPBACK, CABLE, RADIO);
        assertThat(OwnAddress.reaching(address("192.0.2.130"), ours))
                .containsExactly(
                        new OwnAddress("eth0", address("192.0.2.10")), new OwnAddress("wlan0", address("192.0.2.200")));
        assertThat(OwnAddress.reaching(address("192.0.2.20"), ours))
                .containsExactly(new OwnAddress("eth0", address("192.0.2.10")));
        assertThat(OwnAddress.reaching(address("203.0.113.1"), ours)).isEmpty();
    }

    @Test
    void aRangeIsWrittenAsPeopleSayIt() {
        assertThat(new AddressRange(address("192.0.2.1"), address("192.0.2.20")))
                .hasToString("192.0.2.1 to 192.0.2.20");
    }
}
