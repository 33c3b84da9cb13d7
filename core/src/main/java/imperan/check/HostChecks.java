package imperan.check;

import imperan.plan.NetworkPlan;
import imperan.rig.AddressUse;
import imperan.rig.Ipv4;
import imperan.rig.Prefix;
import imperan.show.Host;
import imperan.show.Part;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Checks of the machines among each other: addresses that no machine can have, or two have, or a router gives away. */
final class HostChecks {

    private final Show show;
    private final NetworkPlan plan;
    private final List<Finding> found = new ArrayList<>();

    HostChecks(Show show) {
        this.show = show;
        this.plan = new NetworkPlan(show);
    }

    List<Finding> findings() {
        List<Part> hosts = show.all(Host.class);
        for (Part part : hosts) {
            Host host = (Host) part.body();
            impossible(part, host);
            shared(part, host, hosts);
            given(part, host, hosts);
        }
        return found;
    }

    private void impossible(Part part, Host host) {
        Prefix prefix = host.inNetwork();
        Ipv4 address = host.ipv4();
        if (address.use() == AddressUse.LOOPBACK) {
            add(
                    part,
                    FindingKind.LOOPBACK_HOST,
                    host.name() + " has " + address
                            + ", which on every machine means that machine itself: nobody else reaches it there");
        } else if (prefix.hasBroadcast() && address.equals(prefix.network())) {
            add(
                    part,
                    FindingKind.NETWORK_ADDRESS,
                    address + " is the address of the whole network " + prefix.asNetwork() + "; hosts have "
                            + prefix.firstHost() + " to " + prefix.lastHost());
        } else if (prefix.hasBroadcast() && address.equals(prefix.broadcast())
                || address.use() == AddressUse.LIMITED_BROADCAST
                || address.use() == AddressUse.MULTICAST) {
            add(
                    part,
                    FindingKind.BROADCAST_ADDRESS,
                    address + " means everybody in " + prefix.asNetwork() + "; hosts have " + prefix.firstHost()
                            + " to " + prefix.lastHost());
        }
    }

    private void shared(Part part, Host host, List<Part> hosts) {
        Optional<Part> other = hosts.stream()
                .filter(p ->
                        !p.id().equals(part.id()) && ((Host) p.body()).address().equals(host.address()))
                .findFirst();
        if (other.isEmpty() || host.role() == Host.Role.ROUTER) {
            return;
        }
        Host twin = (Host) other.get().body();
        if (twin.role() == Host.Role.ROUTER) {
            add(
                    part,
                    FindingKind.ROUTERS_ADDRESS,
                    host.name() + " has " + host.address() + ", which is the router's (" + twin.name()
                            + "): neither of them will be reached",
                    other.get().id().value());
        } else if (part.order() > other.get().order()
                || part.order() == other.get().order()
                        && part.id().compareTo(other.get().id()) > 0) {
            // said once, of the one that came later
            add(
                    part,
                    FindingKind.SAME_ADDRESS,
                    host.name() + " and " + twin.name() + " both have " + host.address(),
                    other.get().id().value());
        }
    }

    private void given(Part part, Host host, List<Part> hosts) {
        if (host.role() == Host.Role.ROUTER) {
            return;
        }
        for (Part other : hosts) {
            Host router = (Host) other.body();
            if (router.role() == Host.Role.ROUTER
                    && host.addressing() == Host.Addressing.FIXED
                    && router.gives()
                            .filter(given -> given.range().contains(host.ipv4()))
                            .isPresent()) {
                add(
                        part,
                        FindingKind.IN_GIVEN_RANGE,
                        host.name() + " has the fixed address " + host.address() + ", but " + router.name()
                                + " gives out " + router.gives().orElseThrow().range()
                                + " by DHCP and may give it to another device",
                        router.gives().orElseThrow().range().toString());
            }
        }
        List<Host> routers = hosts.stream()
                .map(p -> (Host) p.body())
                .filter(h -> h.role() == Host.Role.ROUTER)
                .toList();
        if (!routers.isEmpty()
                && host.ipv4().use() != AddressUse.LOOPBACK
                && routers.stream().noneMatch(r -> r.inNetwork().contains(host.ipv4()))) {
            add(
                    part,
                    FindingKind.OTHER_NETWORK,
                    host.name() + " has " + host.address() + "; the rig's network is "
                            + routers.get(0).inNetwork().asNetwork() + ", hosts "
                            + routers.get(0).inNetwork().firstHost() + " to "
                            + routers.get(0).inNetwork().lastHost(),
                    routers.get(0).inNetwork().asNetwork().toString());
        }
    }

    private void add(Part part, FindingKind kind, String text) {
        add(part, kind, text, "");
    }

    /** @param beside what the finding rests on besides the host's own address */
    private void add(Part part, FindingKind kind, String text, String beside) {
        Host host = (Host) part.body();
        Finding finding = Finding.of(kind, part.id(), "address", text, (host.inNetwork() + " " + beside).strip());
        found.add(plan.suggestFor(host)
                .map(free -> finding.with(
                        new Finding.Remedy("Give " + host.name() + " " + free, plan.move(part.id(), free.toString()))))
                .orElse(finding));
    }
}
