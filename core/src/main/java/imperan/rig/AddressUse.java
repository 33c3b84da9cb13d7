package imperan.rig;

import java.util.List;

/** What ranges of IPv4 addresses are set aside for, as far as a show network meets them. */
public enum AddressUse {
    /** "This network", RFC 1122 section 3.2.1.3: never the address of a host. */
    THIS_NETWORK("0.0.0.0/8"),
    /** The machine itself, RFC 1122 section 3.2.1.3. */
    LOOPBACK("127.0.0.0/8"),
    /** Private networks, RFC 1918. */
    PRIVATE("10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16"),
    /** Given by a machine to itself where nobody gives it one, RFC 3927. */
    LINK_LOCAL("169.254.0.0/16"),
    /** For examples in documents, RFC 5737. */
    DOCUMENTATION("192.0.2.0/24", "198.51.100.0/24", "203.0.113.0/24"),
    /** Groups, RFC 5771. */
    MULTICAST("224.0.0.0/4"),
    /** Everybody on the same wire, RFC 919. */
    LIMITED_BROADCAST("255.255.255.255/32"),
    /** All others. */
    PUBLIC;

    private final List<Prefix> ranges;

    AddressUse(String... ranges) {
        this.ranges = List.of(ranges).stream().map(Prefix::of).toList();
    }

    static AddressUse of(Ipv4 address) {
        for (AddressUse use : values()) {
            if (use.ranges.stream().anyMatch(range -> range.contains(address))) {
                return use;
            }
        }
        return PUBLIC;
    }
}
