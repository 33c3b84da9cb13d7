package imperan.plan;

import imperan.rig.AddressPlan;
import imperan.rig.AddressRange;
import imperan.rig.AddressUse;
import imperan.rig.Ipv4;
import imperan.rig.Ports;
import imperan.rig.Prefix;
import imperan.show.Body;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Host;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The addresses of a show's hosts as a plan: what is free, and what moves along when a host gets another address. */
public final class NetworkPlan {

    /** Where so many ports are taken in a row, a finding says it. */
    private static final int MOST_ASKED = 100;

    private static final int FIRST_ANSWER_PORT = 9201;

    private final Show show;
    private final List<Host> hosts;

    public NetworkPlan(Show show) {
        this.show = show;
        this.hosts =
                show.all(Host.class).stream().map(part -> (Host) part.body()).toList();
    }

    /** The network of the rig: its router's, else that of its first host; empty where neither says one. */
    public Optional<Prefix> network() {
        return hosts.stream()
                .filter(host -> host.role() == Host.Role.ROUTER)
                .findFirst()
                .or(() -> hosts.stream()
                        .filter(host -> host.ipv4().use() != AddressUse.LOOPBACK)
                        .findFirst())
                .map(host -> host.inNetwork().asNetwork());
    }

    /** The next free address for one more host: never one that a router has or DHCP range. */
    public Optional<Ipv4> suggest() {
        return network().flatMap(network -> {
            AddressPlan plan = plan(network);
            Ipv4 highest = hosts.stream()
                    .filter(host -> host.role() != Host.Role.ROUTER && network.isHost(host.ipv4()))
                    .map(Host::ipv4)
                    .filter(address -> plan.reserved().stream().noneMatch(range -> range.contains(address)))
                    .max(Ipv4::compareTo)
                    .map(a -> a.plus(1))
                    .orElse(network.firstHost().plus(9));
            return plan.nextFree(highest);
        });
    }

    /** Free addresses of the rig's network within a range, smallest first. */
    public List<Ipv4> free(AddressRange range, int most) {
        return network().map(network -> plan(network).free(range, most)).orElse(List.of());
    }

    /** The free address nearest above what a host has now, in the rig's network. */
    public Optional<Ipv4> suggestFor(Host host) {
        return network().flatMap(network -> plan(network)
                .nextFree(network.contains(host.ipv4()) ? host.ipv4() : sameEnd(network, host.ipv4())));
    }

    /**
     * The next port of ours on which nobody's answers are awaited, above those in use.
     *
     * @param isTaken whether another program of this machine has a port
     */
    public int freeAnswerPort(IntPredicate isTaken) {
        int from = targets().mapToInt(Target::answerPort).max().orElse(FIRST_ANSWER_PORT);
        return IntStream.iterate(freeAnswerPort(from), port -> freeAnswerPort(port + 1))
                .limit(MOST_ASKED)
                .filter(isTaken.negate())
                .findFirst()
                .orElse(freeAnswerPort(from));
    }

    /** The first port from this one on that no target receives or answers on, none of the system's among them. */
    public int freeAnswerPort(int from) {
        Set<Integer> taken = new HashSet<>();
        targets()
                .forEach(target -> taken.addAll(List.of(
                        target.answerPort(), target.port(), target.asReached().port())));
        int port = from >= Ports.FIRST_OUTGOING ? FIRST_ANSWER_PORT : Math.max(from, Ports.FIRST_USER);
        while (taken.contains(port)) {
            port = port >= Ports.FIRST_OUTGOING - 1 ? Ports.FIRST_USER : port + 1;
        }
        return port;
    }

    private Stream<Target> targets() {
        return show.all(Target.class).stream().map(part -> (Target) part.body());
    }

    /** The same host number in another network. */
    private static Ipv4 sameEnd(Prefix network, Ipv4 address) {
        return new Ipv4(
                network.network().bits() | address.bits() & ~network.mask().bits());
    }

    private AddressPlan plan(Prefix network) {
        Set<Ipv4> taken = new HashSet<>();
        List<AddressRange> reserved = new ArrayList<>();
        hosts.forEach(host -> {
            taken.add(host.ipv4());
            host.gives().ifPresent(given -> reserved.add(given.range()));
        });
        targets().forEach(target -> taken.add(Ipv4.of(target.host())));
        return new AddressPlan(network, taken, reserved);
    }

    /**
     * Gives a host another address. The targets that run on it move along; where two hosts have the old address nobody can say
     * whose the targets are, and they stay.
     *
     * @param host a host of the show
     * @param to   as typed; what is no address is refused when the edit is judged
     */
    public EditRequest move(PartId host, String to) {
        Held held = show.held(host).orElseThrow();
        Host body = (Host) held.part().body();
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put(held, body.at(to)));
        boolean alone = hosts.stream()
                        .filter(other -> other.address().equals(body.address()))
                        .count()
                == 1;
        if (alone) {
            for (Part part : show.all(Target.class)) {
                Target target = (Target) part.body();
                if (target.host().equals(body.address())) {
                    steps.add(put(show.held(part.id()).orElseThrow(), target.at(to, target.port())));
                }
            }
        }
        return new EditRequest("Give " + body.name() + " the address " + to, steps);
    }

    private static EditRequest.Step put(Held held, Body body) {
        Part part = held.part();
        return new EditRequest.Put(new Part(part.id(), part.parent(), part.order(), body), held.version());
    }
}
