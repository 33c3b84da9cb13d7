package imperan.rig;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Optional;

/**
 * An IPv4 address (RFC 791): 32 bits.
 *
 * @param bits the address as one number, the first of its four numbers in the highest byte
 */
public record Ipv4(int bits) implements Comparable<Ipv4> {

    /** The address that a text is; empty where it is none. {@link HostAddress} says why. */
    public static Optional<Ipv4> parse(String text) {
        return HostAddress.parse(text).problem().isPresent() ? Optional.empty() : Optional.of(read(text));
    }

    /** @throws IllegalArgumentException where the text is no address */
    @JsonCreator
    public static Ipv4 of(String text) {
        return parse(text).orElseThrow(() -> new IllegalArgumentException("“" + text + "” is not an IPv4 address"));
    }

    private static Ipv4 read(String text) {
        int bits = 0;
        for (String number : text.split("\\.")) {
            bits = bits << 8 | Integer.parseInt(number);
        }
        return new Ipv4(bits);
    }

    /** The address that many places further on; wraps round at the end of the address space. */
    public Ipv4 plus(long places) {
        return new Ipv4((int) (bits + places));
    }

    /** What the address is set aside for, by its range. */
    public AddressUse use() {
        return AddressUse.of(this);
    }

    @Override
    public int compareTo(Ipv4 other) {
        return Integer.compareUnsigned(bits, other.bits);
    }

    @JsonValue
    @Override
    public String toString() {
        return (bits >>> 24) + "." + (bits >>> 16 & 255) + "." + (bits >>> 8 & 255) + "." + (bits & 255);
    }
}
