package imperan.check;

import imperan.live.Gate;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.plan.NetworkPlan;
import imperan.rig.Adapter;
import imperan.rig.AddressUse;
import imperan.rig.Ipv4;
import imperan.rig.Ports;
import imperan.rig.Prefix;
import imperan.show.EditRequest;
import imperan.show.Host;
import imperan.show.LinkStep;
import imperan.show.Part;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.Tick;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Checks of the targets: their addresses, both ports, and what the network tells about them. */
final class TargetChecks {

    private final Show show;
    private final NetworkFacts facts;
    private final List<Part> targets;
    private final List<Finding> found = new ArrayList<>();

    TargetChecks(Show show, NetworkFacts facts) {
        this.show = show;
        this.facts = facts;
        this.targets = show.all(Target.class);
    }

    List<Finding> findings() {
        for (Part part : targets) {
            Target target = ((Target) part.body()).asReached();
            address(part, target);
            ports(part, target);
            adapter(part, target);
            partners(part, target);
            bundles(part, target);
            toldAddress(part, target);
            pace(part, target);
            link(part, target);
        }
        return found;
    }

    // ---- the address

    private void address(Part part, Target target) {
        Ipv4 address = Ipv4.of(target.host());
        Optional<Prefix> ours = facts.adapters().stream()
                .flatMap(a -> a.reaching(address).stream())
                .findFirst();
        // what is known of its network: our own address in it, or that of a host of the rig
        Optional<Prefix> network = ours.or(() -> show.all(Host.class).stream()
                .map(p -> ((Host) p.body()).inNetwork())
                .filter(prefix -> prefix.contains(address))
                .findFirst());
        boolean loopback = address.use() == AddressUse.LOOPBACK;
        if (address.use() == AddressUse.LIMITED_BROADCAST
                || address.toString().equals("127.255.255.255")
                || !loopback
                        && network.filter(n -> n.hasBroadcast() && n.broadcast().equals(address))
                                .isPresent()) {
            add(
                    part,
                    FindingKind.TO_EVERYBODY,
                    "host",
                    target.name() + " has " + address + ": everybody in "
                            + network.map(n -> n.asNetwork().toString()).orElse("our network")
                            + " hears what is sent to it, on port "
                            + target.port(),
                    address + ":" + target.port());
        } else if (!loopback
                && network.filter(n -> n.hasBroadcast() && n.network().equals(address))
                        .isPresent()) {
            Prefix whole = network.get();
            add(
                    part,
                    FindingKind.NETWORK_ADDRESS,
                    "host",
                    address + " is the address of the whole network " + whole.asNetwork() + "; hosts have "
                            + whole.firstHost() + " to " + whole.lastHost(),
                    address.toString());
        } else if (loopback && facts.isPortClosed(part.id()) && !stoodIn(part)) {
            add(
                    part,
                    FindingKind.LOOPBACK_CLOSED,
                    "host",
                    target.name() + " has " + address
                            + ", which means this very machine, and nothing here has port " + target.port()
                            + " open: does it run on another machine?",
                    address + ":" + target.port());
        } else if (!loopback && ours.isEmpty() && !facts.adapters().isEmpty()) {
            outside(part, target, address);
        }
    }

    private static boolean stoodIn(Part part) {
        return ((Target) part.body()).standIn().filter(StandInEnd::inUse).isPresent();
    }

    private void outside(Part part, Target target, Ipv4 address) {
        List<Prefix> networks = facts.adapters().stream()
                .filter(a -> !a.loopback())
                .flatMap(a -> a.addresses().stream())
                .toList();
        String ours = networks.isEmpty()
                ? "this machine is on no network now"
                : "we are " + networks.stream().map(Prefix::toString).collect(Collectors.joining(" and "));
        Finding finding = Finding.of(
                FindingKind.OUTSIDE_OUR_NETWORKS,
                part.id(),
                "host",
                target.name() + " is " + address + "; " + ours,
                address + " from " + networks);
        found.add(slip(networks, address)
                .map(meant -> finding.with(new Finding.Remedy(
                        "Use " + meant,
                        change(
                                part,
                                ((Target) part.body()).reachedAt(meant.toString(), target.port()),
                                "Change the address of " + target.name()))))
                .orElse(finding));
    }

    /** The address that was meant, where it differs from one of our networks in a single one of its four numbers. */
    private static Optional<Ipv4> slip(List<Prefix> networks, Ipv4 address) {
        return networks.stream()
                .map(Prefix::asNetwork)
                .map(network -> {
                    int differing = (network.address().bits() ^ address.bits())
                            & network.mask().bits();
                    long numbers = List.of(24, 16, 8, 0).stream()
                            .filter(shift -> (differing >>> shift & 255) != 0)
                            .count();
                    Ipv4 meant = new Ipv4(network.address().bits()
                            | address.bits() & ~network.mask().bits());
                    return numbers == 1 && network.isHost(meant) ? Optional.of(meant) : Optional.<Ipv4>empty();
                })
                .flatMap(Optional::stream)
                .findFirst();
    }

    // ---- the ports

    private void ports(Part part, Target target) {
        if (target.transport().isConnection()) {
            // a connection brings its own port at our end, and answers come back along it
            return;
        }
        Optional<String> taken = facts.portTaken(part.id());
        boolean here = isHere(Ipv4.of(target.host()));
        if (here && udp().anyMatch(other -> other.answerPort() == target.port())) {
            Finding finding = Finding.of(
                    FindingKind.OUR_OWN_PORT,
                    part.id(),
                    "port",
                    target.name() + " receives on " + target.host() + " port " + target.port()
                            + ", where we wait for answers ourselves: we would hear what we send",
                    target.host() + ":" + target.port());
            found.add(target.port() == target.answerPort() ? finding.with(otherAnswerPort(part)) : finding);
        } else if (isSwapped(part, target, here && taken.isPresent())) {
            found.add(Finding.of(
                            FindingKind.SWAPPED_PORTS,
                            part.id(),
                            "port",
                            swapText(target, taken.isPresent()),
                            target.port() + " and " + target.answerPort())
                    .with(new Finding.Remedy(
                            "Swap " + target.port() + " and " + target.answerPort(),
                            change(part, crossed((Target) part.body()), "Swap the ports of " + target.name()))));
        } else {
            taken.ifPresent(why -> found.add(Finding.of(
                            FindingKind.PORT_TAKEN, part.id(), "answerPort", why, String.valueOf(target.answerPort()))
                    .with(otherAnswerPort(part))));
        }
        if (target.answerPort() < Ports.FIRST_USER) {
            found.add(Finding.of(
                            FindingKind.SYSTEM_PORT,
                            part.id(),
                            "answerPort",
                            "Answers of " + target.name() + " are to reach us on port " + target.answerPort()
                                    + "; ports below " + Ports.FIRST_USER
                                    + " belong to the system, and may not be ours to open",
                            String.valueOf(target.answerPort()))
                    .with(otherAnswerPort(part)));
        }
        before(part)
                .filter(other -> !other.transport().isConnection()
                        && other.host().equals(target.host())
                        && other.answerPort() == target.answerPort())
                .findFirst()
                .ifPresent(other -> found.add(Finding.of(
                                FindingKind.SHARED_ANSWER_PORT,
                                part.id(),
                                "answerPort",
                                target.name() + " and "
                                        + other.name() + " are both " + target.host() + " and answer to our port "
                                        + target.answerPort()
                                        + ": an answer that does not come from port " + target.port() + " or "
                                        + other.port()
                                        + " belongs to neither",
                                target.host() + ":" + target.answerPort())
                        .with(otherAnswerPort(part))));
    }

    private Stream<Target> udp() {
        return targets.stream().map(part -> ((Target) part.body()).asReached()).filter(target -> !target.transport()
                .isConnection());
    }

    /** The targets that stand before one, as they are reached. */
    private Stream<Target> before(Part part) {
        return targets.stream()
                .filter(other -> other.order() < part.order()
                        || other.order() == part.order() && other.id().compareTo(part.id()) < 0)
                .map(other -> ((Target) other.body()).asReached());
    }

    /** Is an address one of this machine's own? */
    private boolean isHere(Ipv4 address) {
        return address.use() == AddressUse.LOOPBACK
                || facts.adapters().stream()
                        .flatMap(a -> a.addresses().stream())
                        .anyMatch(p -> p.address().equals(address));
    }

    /**
     * Devices speak from the port they receive on. So packets that come from the very port number on which we wait for answers,
     * or a closed port beside a taken one on this machine, mean that the two numbers stand the wrong way round (common
     * practice, no source).
     */
    private boolean isSwapped(Part part, Target target, boolean ourPortIsTakenHere) {
        boolean speaksFromOurPort =
                facts.isPortClosed(part.id()) && facts.isHeardFrom(target.host(), target.answerPort());
        return target.port() != target.answerPort() && (speaksFromOurPort || ourPortIsTakenHere);
    }

    private static String swapText(Target target, boolean ourPortIsTaken) {
        String evidence = ourPortIsTaken
                ? "our answer port " + target.answerPort() + " is taken on this machine, where " + target.name()
                        + " runs too"
                : target.host() + " has port " + target.port() + " closed, and speaks to us from port "
                        + target.answerPort();
        return "The two ports of " + target.name() + " may stand the wrong way round: " + evidence;
    }

    /** The end that is spoken to, and ours, the other way round. */
    private static Target crossed(Target target) {
        Target reached = target.asReached();
        return target.answeringTo(reached.port()).reachedAt(reached.host(), target.answerPort());
    }

    private Finding.Remedy otherAnswerPort(Part part) {
        Target target = (Target) part.body();
        int port = new NetworkPlan(show).freeAnswerPort(target.answerPort());
        return new Finding.Remedy(
                "Use port " + port + " here (and tell " + target.name() + ")",
                change(part, target.answeringTo(port), "Change the answer port of " + target.name()));
    }

    private void bundles(Part part, Target target) {
        if (target.bundles()
                && Phrasebook.of(show, target)
                        .filter(book -> !book.sheet().takesBundles())
                        .isPresent()) {
            found.add(Finding.of(
                            FindingKind.BUNDLES_NOT_TAKEN,
                            part.id(),
                            "bundles",
                            "Messages for " + target.name()
                                    + " leave in bundles, and by its link sheet it takes none: it would do nothing",
                            "bundles")
                    .with(new Finding.Remedy(
                            "Send them one by one",
                            change(part, ((Target) part.body()).oneByOne(), "Send " + target.name() + " no bundles"))));
        }
    }

    private void pace(Part part, Target target) {
        Optional<Integer> takes =
                Phrasebook.of(show, target).flatMap(book -> book.sheet().messagesPerSecond());
        if (takes.isPresent()
                && target.messagesPerSecond().filter(set -> set <= takes.get()).isEmpty()) {
            String set = target.messagesPerSecond()
                    .map(most -> "Up to " + most + " messages a second")
                    .orElse("As many messages as there are");
            found.add(Finding.of(
                            FindingKind.FASTER_THAN_PACE,
                            part.id(),
                            "messagesPerSecond",
                            set + " leave for " + target.name() + "; by its link sheet it keeps up with " + takes.get(),
                            target.messagesPerSecond().map(String::valueOf).orElse("all") + " of " + takes.get())
                    .with(new Finding.Remedy(
                            "Send at most " + takes.get() + " a second",
                            change(
                                    part,
                                    ((Target) part.body()).paced(takes.get()),
                                    "Change the pace of " + target.name()))));
        }
    }

    /** How its link stands, where nothing else tells more. */
    private void link(Part part, Target target) {
        Optional<LinkView> link = facts.link(part.id());
        LinkState state = link.map(LinkView::state).orElse(LinkState.UNHEARD);
        if (state == LinkState.PORT_CLOSED
                && found.stream()
                        .noneMatch(other -> other.about().equals(part.id())
                                && (other.kind() == FindingKind.LOOPBACK_CLOSED
                                        || other.kind() == FindingKind.SWAPPED_PORTS))) {
            add(
                    part,
                    FindingKind.PORT_CLOSED,
                    "port",
                    "No program is listening on port " + target.port() + " of " + target.host() + ", where "
                            + target.name() + " should be",
                    target.host() + ":" + target.port());
        } else if (state == LinkState.LOST) {
            add(
                    part,
                    FindingKind.TARGET_LOST,
                    "",
                    target.name() + " is lost: it answered before, and does not now",
                    target.host() + ":" + target.port());
        }
        link.map(LinkView::gate)
                .filter(gate -> gate != Gate.OPEN)
                .ifPresent(gate -> add(
                        part,
                        FindingKind.TARGET_HELD,
                        "",
                        switch (gate) {
                            case HELD -> target.name() + " is held: nothing is sent by hand";
                            case SILENT -> target.name() + " is silent: nothing is sent at all";
                            case REHEARSING, OPEN -> target.name() + " is in rehearsal: nothing leaves";
                        },
                        gate.name()));
    }

    /** Said of each target beyond those that its kind speaks with at once. */
    private void partners(Part part, Target target) {
        Optional<Integer> most =
                Phrasebook.of(show, target).flatMap(book -> book.sheet().partners());
        long before = before(part)
                .filter(other -> other.host().equals(target.host()) && other.port() == target.port())
                .count();
        if (most.isPresent() && before >= most.get()) {
            add(
                    part,
                    FindingKind.TOO_MANY_PARTNERS,
                    "phrasebook",
                    "By its link sheet, what is at " + target.host() + " port "
                            + target.port() + " speaks with " + most.get()
                            + (most.get() == 1 ? " partner" : " partners") + " at most; "
                            + target.name() + " would be number " + (before + 1),
                    target.host() + ":" + target.port() + " " + most.get());
        }
    }

    // ---- our own end

    private void adapter(Part part, Target target) {
        Optional<String> chosen = target.adapterAddress().filter(address -> facts.adapters().stream()
                .flatMap(a -> a.addresses().stream())
                .noneMatch(p -> p.address().toString().equals(address)));
        if (chosen.isPresent() && !facts.adapters().isEmpty()) {
            String have = facts.adapters().stream().map(Adapter::name).collect(Collectors.joining(", "));
            found.add(Finding.of(
                            FindingKind.ADAPTER_GONE,
                            part.id(),
                            "adapterAddress",
                            target.name() + " is to be reached from our address " + chosen.get()
                                    + ", which no adapter of this machine has now (" + have + ")",
                            chosen.get())
                    .with(new Finding.Remedy(
                            "Let the system choose",
                            change(
                                    part,
                                    ((Target) part.body()).fromAnyAdapter(),
                                    "Let the system choose the adapter for " + target.name()))));
        }
    }

    private void toldAddress(Part part, Target target) {
        Optional<Tick> told = target.ticks().stream()
                .filter(tick ->
                        tick.step() == LinkStep.ANSWER_PORT_TOLD && !tick.fact().isEmpty())
                .findFirst();
        Optional<String> now = facts.ourHost(part.id()).map(host -> host + ":" + target.answerPort());
        if (told.isPresent() && now.isPresent() && !told.get().fact().equals(now.get())) {
            add(
                    part,
                    FindingKind.OUR_ADDRESS_CHANGED,
                    "answerPort",
                    target.name() + " was told to answer to " + told.get().fact() + "; we are " + now.get()
                            + " now. Tell it again, or take the old address back",
                    told.get().fact() + " → " + now.get());
        }
    }

    // ----

    private void add(Part part, FindingKind kind, String field, String text, String evidence) {
        found.add(Finding.of(kind, part.id(), field, text, evidence));
    }

    private EditRequest change(Part part, Target to, String title) {
        return new EditRequest(
                title,
                List.of(new EditRequest.Put(
                        new Part(part.id(), part.parent(), part.order(), to),
                        show.held(part.id()).orElseThrow().version())));
    }
}
