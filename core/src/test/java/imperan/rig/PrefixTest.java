package imperan.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import inet.ipaddr.IPAddress;
import inet.ipaddr.IPAddressString;
import inet.ipaddr.ipv4.IPv4Address;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PrefixTest {

    /** Source: the IPAddress library, on random addresses and lengths. */
    @Test
    void agreesWithAnotherLibraryOnRandomNetworks() {
        Random random = new Random(4);
        for (int i = 0; i < 20_000; i++) {
            Prefix ours = new Prefix(new Ipv4(random.nextInt()), random.nextInt(33));
            IPAddress theirs = new IPAddressString(ours.toString()).getAddress();
            IPAddress block = theirs.toPrefixBlock();
            assertThat(ours.mask())
                    .hasToString(theirs.getNetworkMask().withoutPrefixLength().toString());
            assertThat(ours.network())
                    .hasToString(block.getLower().withoutPrefixLength().toString());
            assertThat(ours.broadcast())
                    .hasToString(block.getUpper().withoutPrefixLength().toString());
            // half of the others lie near, or nearly none would lie inside
            Ipv4 other =
                    i % 2 == 0 ? new Ipv4(random.nextInt()) : ours.address().plus(random.nextInt(1 << 12) - (1 << 11));
            assertThat(ours.contains(other))
                    .isEqualTo(block.contains(new IPAddressString(other.toString()).getAddress()));
        }
    }

    /** Source: the IPAddress library. */
    @Test
    void knowsWhatRangesAreSetAsideFor() {
        Random random = new Random(5);
        int[] interesting = {
            0, 10 << 24, 127 << 24, 169 << 24 | 254 << 16, 172 << 24 | 16 << 16, 192 << 24 | 168 << 16, 224 << 24, -1
        };
        for (int i = 0; i < 20_000; i++) {
            Ipv4 ours = new Ipv4(interesting[i % interesting.length] ^ random.nextInt(i % 3 == 0 ? 1 << 30 : 1 << 21));
            IPv4Address theirs = (IPv4Address) new IPAddressString(ours.toString()).getAddress();
            assertThat(ours.use() == AddressUse.LOOPBACK).as("%s", ours).isEqualTo(theirs.isLoopback());
            assertThat(ours.use() == AddressUse.PRIVATE).as("%s", ours).isEqualTo(theirs.isPrivate());
            assertThat(ours.use() == AddressUse.LINK_LOCAL)
                    .as("%s", ours)
                    .isEqualTo(theirs.isLinkLocal() && !theirs.isMulticast());
            assertThat(ours.use() == AddressUse.MULTICAST).as("%s", ours).isEqualTo(theirs.isMulticast());
        }
    }

    /** Sources: RFC 4632 section 3.1 (/24 and /20 as masks), RFC 3021 (/31), RFC 1122 and RFC 5737 (ranges). */
    @ParameterizedTest
    @CsvSource({
        "192.0.2.10/24, 255.255.255.0, 192.0.2.0, 192.0.2.255, 192.0.2.1, 192.0.2.254, 254, DOCUMENTATION",
        "10.24.17.3/20, 255.255.240.0, 10.24.16.0, 10.24.31.255, 10.24.16.1, 10.24.31.254, 4094, PRIVATE",
        "172.31.9.9/30, 255.255.255.252, 172.31.9.8, 172.31.9.11, 172.31.9.9, 172.31.9.10, 2, PRIVATE",
        "203.0.113.5/31, 255.255.255.254, 203.0.113.4, 203.0.113.5, 203.0.113.4, 203.0.113.5, 2, DOCUMENTATION",
        "127.0.0.1/32, 255.255.255.255, 127.0.0.1, 127.0.0.1, 127.0.0.1, 127.0.0.1, 1, LOOPBACK",
        "8.8.8.8/0, 0.0.0.0, 0.0.0.0, 255.255.255.255, 0.0.0.1, 255.255.255.254, 4294967294, PUBLIC",
    })
    void isWorkedOutAsTheStandardsSay(
            String text,
            String mask,
            String network,
            String broadcast,
            String first,
            String last,
            long hosts,
            AddressUse use) {
        Prefix prefix = Prefix.of(text);
        assertThat(prefix).hasToString(text);
        assertThat(prefix.mask()).hasToString(mask);
        assertThat(prefix.network()).hasToString(network);
        assertThat(prefix.broadcast()).hasToString(broadcast);
        assertThat(prefix.firstHost()).hasToString(first);
        assertThat(prefix.lastHost()).hasToString(last);
        assertThat(prefix.hosts()).isEqualTo(hosts);
        assertThat(prefix.address().use()).isEqualTo(use);
        assertThat(prefix.isHost(prefix.firstHost()) && prefix.isHost(prefix.lastHost()))
                .isTrue();
        assertThat(prefix.hasBroadcast() && prefix.isHost(prefix.network())).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"192.0.2.10", "192.0.2.10/33", "192.0.2.10/", "192.0.2/24", "192.0.2.10/-1", "a.b.c.d/8"})
    void whatIsNoNetworkIsRefused(String text) {
        assertThatThrownBy(() -> Prefix.of(text)).isInstanceOf(IllegalArgumentException.class);
    }
}
