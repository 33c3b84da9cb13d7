package imperan.rig;

/** Addresses from the first to the last, both of them too. */
public record AddressRange(Ipv4 first, Ipv4 last) {

    public boolean contains(Ipv4 address) {
        return address.compareTo(first) >= 0 && address.compareTo(last) <= 0;
    }

    @Override
    public String toString() {
        return first + " to " + last;
    }
}
