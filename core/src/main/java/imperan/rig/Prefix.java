package imperan.rig;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/**
 * An address with the length of its network part, written {@code 192.0.2.10/24} (RFC 4632 section 3.1).
 *
 * @param address of a host, or of the network itself
 * @param length  bits of the network part, 0 to 32
 */
public record Prefix(Ipv4 address, int length) {

    /** @throws IllegalArgumentException where the length is none */
    public Prefix {
        if (length < 0 || length > 32) {
            throw new IllegalArgumentException("/" + length + " is no prefix length: they run from /0 to /32");
        }
    }

    /** @throws IllegalArgumentException where the text is no address with a length */
    @JsonCreator
    public static Prefix of(String text) {
        int slash = text.indexOf('/');
        if (slash < 0 || !text.substring(slash + 1).matches("\\d{1,2}")) {
            throw new IllegalArgumentException(
                    "“" + text + "” is not an address with a prefix length, such as 192.0.2.10/24");
        }
        return new Prefix(Ipv4.of(text.substring(0, slash)), Integer.parseInt(text.substring(slash + 1)));
    }

    /** As a mask, which is what most devices want typed. */
    public Ipv4 mask() {
        return new Ipv4(length == 0 ? 0 : -1 << 32 - length);
    }

    public Ipv4 network() {
        return new Ipv4(address.bits() & mask().bits());
    }

    /** Everybody in this network (RFC 919). A network of one or two addresses has none (RFC 3021): then the last address. */
    public Ipv4 broadcast() {
        return new Ipv4(address.bits() | ~mask().bits());
    }

    public Ipv4 firstHost() {
        return hasBroadcast() ? network().plus(1) : network();
    }

    public Ipv4 lastHost() {
        return hasBroadcast() ? broadcast().plus(-1) : broadcast();
    }

    /** How many addresses hosts may have. */
    public long hosts() {
        long all = 1L << 32 - length;
        return hasBroadcast() ? all - 2 : all;
    }

    /** Whether the network is large enough for a network and a broadcast address: those of /31 and /32 are hosts (RFC 3021). */
    public boolean hasBroadcast() {
        return length < 31;
    }

    public boolean contains(Ipv4 other) {
        return (other.bits() & mask().bits()) == network().bits();
    }

    /** Is this an address that a host of this network can have? */
    public boolean isHost(Ipv4 other) {
        return contains(other) && other.compareTo(firstHost()) >= 0 && other.compareTo(lastHost()) <= 0;
    }

    /** The network, without the host. */
    public Prefix asNetwork() {
        return new Prefix(network(), length);
    }

    @JsonValue
    @Override
    public String toString() {
        return address + "/" + length;
    }
}
