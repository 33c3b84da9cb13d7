package imperan.show;

import imperan.rig.AddressRange;
import imperan.rig.Ipv4;
import imperan.rig.Prefix;
import java.util.Optional;

/**
 * A machine of the show's network, whether or not a target runs on it. A target runs on the host that has its address.
 *
 * @param name       what people call it
 * @param address    as typed: an IPv4 address, four decimal numbers with dots
 * @param prefix     how long the network part of the address is, 1 to 32
 * @param addressing who chose the address
 * @param role       what it is for
 * @param gives      for a router: the addresses it DHCP range; empty where it gives none
 * @param socket     the cable and the socket it goes into; may be empty
 * @param power      what to know when it is switched on; may be empty
 * @param note       anything else; may be empty
 */
public record Host(
        String name,
        String address,
        int prefix,
        Addressing addressing,
        Role role,
        Optional<GivenOut> gives,
        String socket,
        String power,
        String note)
        implements Body {

    /** Who chose an address. */
    public enum Addressing {
        /** A person typed it in at the machine; it stays. */
        FIXED,
        /** A router gave it (DHCP); it may be another one tomorrow. */
        GIVEN
    }

    /** What a machine is for. */
    public enum Role {
        DEVICE,
        COMPUTER,
        ROUTER,
        ACCESS_POINT,
        SURFACE
    }

    /** The addresses a router DHCP range, both ends as typed. */
    public record GivenOut(String first, String last) {

        /** The range; both ends are addresses in every version of a show. */
        public AddressRange range() {
            return new AddressRange(Ipv4.of(first), Ipv4.of(last));
        }

        private void check(PartRules rules) {
            rules.host("gives/first", first);
            rules.host("gives/last", last);
            Optional<Ipv4> from = Ipv4.parse(first);
            Optional<Ipv4> to = Ipv4.parse(last);
            if (from.isPresent() && to.isPresent() && from.get().compareTo(to.get()) > 0) {
                rules.problem("gives/last", "The last address comes before the first", Optional.of(first));
            }
        }
    }

    /** The address as a value; it is one in every version of a show. */
    public Ipv4 ipv4() {
        return Ipv4.of(address);
    }

    /** The address with its network. */
    public Prefix inNetwork() {
        return new Prefix(ipv4(), prefix);
    }

    /** The same machine with another address. */
    public Host at(String moved) {
        return new Host(name, moved, prefix, addressing, role, gives, socket, power, note);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.host("address", address);
        if (prefix < 1 || prefix > 32) {
            rules.problem("prefix", "A prefix length is 1 to 32; 24 is the mask 255.255.255.0");
        }
        gives.ifPresent(given -> given.check(rules));
        rules.note("socket", socket);
        rules.note("power", power);
        rules.note("note", note);
    }
}
