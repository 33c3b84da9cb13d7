package imperan.live;

import imperan.osc.AddressPattern;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.Behaviour;
import imperan.show.Listen;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Who listens to which address of which target, found without looking at anybody else. */
final class Listeners {

    /** The target and the address of a report. */
    record Key(PartId target, String address) {}

    /** One listen of one control. */
    record Ear(LiveControl control, Reading reading) {

        Listen listen() {
            return reading.listen();
        }
    }

    /** Somebody who wants to know whether a target says a certain thing: a control that is possible then, or a page that is shown then. */
    record Watcher(PartId part, Behaviour.Condition condition) {

        /** Empty where the message has no such argument. */
        Optional<Boolean> holds(List<OscArgument> arguments) {
            return Reading.argument(arguments, condition.argument())
                    .map(said -> Spelling.means(said, condition.text()));
        }
    }

    /** All who listen to one address. */
    static final class Channel {
        final Key key;
        final List<Ear> ears = new ArrayList<>();
        final List<Watcher> watchers = new ArrayList<>();
        /** The parts whose messages look up here what they say. */
        final Set<PartId> lookedUpBy = new HashSet<>();

        Channel(Key key) {
            this.key = key;
        }

        /** What moves the axes of a control that a send carries. */
        List<Reading> readings(LiveControl control, CompiledSend send) {
            List<Reading> readings = new ArrayList<>(1);
            for (Ear ear : ears) {
                if (ear.control() == control
                        && ear.listen().role() == Listen.Role.VALUE
                        && send.carries(ear.listen().axis())) {
                    readings.add(ear.reading());
                }
            }
            return readings;
        }
    }

    /** By target and address, in the order in which they were first listened to. */
    private final Map<PartId, Map<String, Channel>> channels = new HashMap<>();
    /** What the parts that watch something watch. */
    private final Map<PartId, Behaviour.Condition> watched = new HashMap<>();
    /** Where the messages of parts look up what they say. */
    private final Map<PartId, List<Channel>> lookedUp = new HashMap<>();

    /** A control is there. */
    void add(LiveControl control) {
        for (Listen listen : control.control.listens()) {
            listen.target().ifPresent(target -> open(target, listen.address())
                    .ears
                    .add(new Ear(control, Reading.of(control.control, listen))));
        }
        control.control.behaviour().enabledWhen().ifPresent(when -> watch(control.id, when));
        lookUp(control.id, control.control.sources());
    }

    /** The messages of a part look up what targets said last. */
    void lookUp(PartId part, Stream<ArgumentSource> arguments) {
        List<Channel> looked =
                said(arguments).map(key -> open(key.target(), key.address())).toList();
        looked.forEach(channel -> channel.lookedUpBy.add(part));
        if (!looked.isEmpty()) {
            lookedUp.put(part, looked);
        }
    }

    /** Where what these say is looked up. */
    static Stream<Key> said(Stream<ArgumentSource> arguments) {
        return arguments
                .filter(ArgumentSource.Said.class::isInstance)
                .map(ArgumentSource.Said.class::cast)
                .flatMap(said -> said.target().map(target -> new Key(target, said.address())).stream());
    }

    /** The messages of a part look up nothing any more. */
    void forgetLookUp(PartId part) {
        List<Channel> looked = lookedUp.remove(part);
        if (looked != null) {
            looked.forEach(channel -> channel.lookedUpBy.remove(part));
            looked.forEach(this::closeIfIdle);
        }
    }

    /** A control is gone. */
    void remove(LiveControl control) {
        unwatch(control.id);
        forgetLookUp(control.id);
        List<Channel> left = channelsOf(control);
        left.forEach(channel -> channel.ears.removeIf(ear -> ear.control() == control));
        left.forEach(this::closeIfIdle);
    }

    /** A control is another one after an edit. */
    void replace(LiveControl old, LiveControl fresh) {
        unwatch(old.id);
        forgetLookUp(old.id);
        List<Channel> before = channelsOf(old);
        before.forEach(channel -> channel.ears.removeIf(ear -> ear.control() == old));
        add(fresh);
        before.forEach(this::closeIfIdle);
    }

    /** A part wants to know whether a target says a certain thing. */
    void watch(PartId part, Behaviour.Condition when) {
        watched.put(part, when);
        when.target().ifPresent(target -> open(target, when.address()).watchers.add(new Watcher(part, when)));
    }

    void unwatch(PartId part) {
        Behaviour.Condition when = watched.remove(part);
        if (when != null) {
            when.target().flatMap(target -> channel(target, when.address())).ifPresent(channel -> {
                channel.watchers.removeIf(watcher -> watcher.part().equals(part));
                closeIfIdle(channel);
            });
        }
    }

    private List<Channel> channelsOf(LiveControl control) {
        return control.control.listens().stream()
                .flatMap(listen -> listen.target().flatMap(target -> channel(target, listen.address())).stream())
                .distinct()
                .toList();
    }

    private Channel open(PartId target, String address) {
        return channels.computeIfAbsent(target, t -> new LinkedHashMap<>())
                .computeIfAbsent(address, a -> new Channel(new Key(target, a)));
    }

    private void closeIfIdle(Channel channel) {
        if (channel.ears.isEmpty() && channel.watchers.isEmpty() && channel.lookedUpBy.isEmpty()) {
            Map<String, Channel> ofTarget = channels.get(channel.key.target());
            if (ofTarget != null && ofTarget.remove(channel.key.address(), channel) && ofTarget.isEmpty()) {
                channels.remove(channel.key.target());
            }
        }
    }

    /** The addresses of a target that are listened to. */
    Set<String> addresses(PartId target) {
        return Set.copyOf(channels.getOrDefault(target, Map.of()).keySet());
    }

    /** All that is listened to of a target. */
    Collection<Channel> of(PartId target) {
        return channels.getOrDefault(target, Map.of()).values();
    }

    Optional<Channel> channel(PartId target, String address) {
        return Optional.ofNullable(channels.getOrDefault(target, Map.of()).get(address));
    }

    /** The channels an incoming address means; it may be a pattern, and then some may be left out that the budget does not reach. */
    List<Channel> matching(Link link, String address, AddressPattern.Budget budget) {
        PartId target = link.id();
        if (!link.spoken().hasPatterns() || !AddressPattern.isPattern(address)) {
            return channel(target, address).map(List::of).orElse(List.of());
        }
        return !budget.isSpent() && AddressPattern.compile(address) instanceof AddressPattern.Compiled.Pattern compiled
                ? of(target).stream()
                        .filter(c -> compiled.pattern().matches(c.key.address(), budget))
                        .toList()
                : List.of();
    }
}
