package imperan.rig;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Which addresses of one network are given away, and which are free.
 *
 * @param network  the network; its host part does not count
 * @param taken    addresses that somebody has, a router among them
 * @param reserved ranges that a router DHCP range (DHCP): a fixed address in there may be given to somebody else
 */
public record AddressPlan(Prefix network, Set<Ipv4> taken, List<AddressRange> reserved) {

    public AddressPlan {
        taken = Set.copyOf(taken);
        reserved = List.copyOf(reserved);
    }

    /** May a new host have this address? */
    public boolean isFree(Ipv4 address) {
        return network.isHost(address)
                && !taken.contains(address)
                && reserved.stream().noneMatch(r -> r.contains(address));
    }

    /** The first free address from this one upwards, and then from the start of the network; empty where all are taken. */
    public Optional<Ipv4> nextFree(Ipv4 from) {
        Ipv4 start = network.isHost(from) ? from : network.firstHost();
        return firstFree(start, network.lastHost()).or(() -> firstFree(network.firstHost(), start));
    }

    /** The free ones among a range, smallest first, and no more than asked for. */
    public List<Ipv4> free(AddressRange range, int most) {
        TreeSet<Ipv4> found = new TreeSet<>();
        Optional<Ipv4> next = firstFree(max(range.first(), network.firstHost()), min(range.last(), network.lastHost()));
        while (next.isPresent() && found.size() < most) {
            found.add(next.get());
            Ipv4 last = next.get();
            next = last.equals(network.lastHost())
                    ? Optional.empty()
                    : firstFree(last.plus(1), min(range.last(), network.lastHost()));
        }
        return List.copyOf(found);
    }

    /** Leaps over whole reserved ranges, so a large one costs no more than a small one. */
    private Optional<Ipv4> firstFree(Ipv4 first, Ipv4 last) {
        Ipv4 address = first;
        while (address.compareTo(last) <= 0) {
            Ipv4 candidate = address;
            if (isFree(candidate)) {
                return Optional.of(candidate);
            }
            Ipv4 end = reserved.stream()
                    .filter(r -> r.contains(candidate))
                    .map(AddressRange::last)
                    .max(Ipv4::compareTo)
                    .orElse(candidate);
            if (end.compareTo(last) >= 0) {
                return Optional.empty();
            }
            address = end.plus(1);
        }
        return Optional.empty();
    }

    private static Ipv4 max(Ipv4 one, Ipv4 other) {
        return one.compareTo(other) >= 0 ? one : other;
    }

    private static Ipv4 min(Ipv4 one, Ipv4 other) {
        return one.compareTo(other) <= 0 ? one : other;
    }
}
