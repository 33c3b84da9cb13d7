package imperan.live;

import imperan.osc.AddressPattern;
import imperan.osc.OscArgument;
import imperan.show.Behaviour;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.form.Position;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** Who listens to which address of which target, found without looking at anybody else. */
final class Listeners {

    /** The target and the address of a report. */
    record Key(PartId target, String address) {
    }

    /** One listen of one control. */
    record Ear(LiveControl control, Listen listen, Scale scale) {

        Optional<Double> position(List<OscArgument> arguments) {
            Optional<OscArgument> said = argument(arguments, listen.argument());
            if (said.isEmpty() || listen.role() != Listen.Role.VALUE) {
                return Optional.empty();
            }
            List<String> texts = control.control.form().heardTexts();
            if (!texts.isEmpty()) {
                return IntStream.range(0, texts.size()).filter(i -> Spelling.means(said.get(), texts.get(i))).mapToObj(i -> i / Math.max(1.0, texts.size() - 1.0)).findFirst();
            }
            if (said.get() instanceof OscArgument.Rgba colour) {
                // a colour in one argument has all three axes in it, whatever the scale
                return listen.axis() > 2 ? Optional.empty() : Optional.of((colour.value() >>> 24 - 8 * listen.axis() & 0xff) / 255.0);
            }
            return Spelling.number(said.get()).map(scale::position);
        }

        /** What was said, where it is a text, or where it is to be read and not to move anything. */
        Optional<String> words(List<OscArgument> arguments) {
            Optional<OscArgument> said = argument(arguments, listen.argument());
            return said.filter(OscArgument.Text.class::isInstance).map(text -> ((OscArgument.Text) text).value())
                    .or(() -> listen.role() != Listen.Role.VALUE ? said.map(OscArgument::text) : Optional.empty());
        }
    }

    private static Optional<OscArgument> argument(List<OscArgument> arguments, int place) {
        return place < arguments.size() ? Optional.of(arguments.get(place)) : Optional.empty();
    }

    /** Somebody who wants to know whether a target says a certain thing: a control that is possible then, or a page that is shown then. */
    record Watcher(PartId part, Behaviour.Condition condition) {

        /** Empty where the message has no such argument. */
        Optional<Boolean> holds(List<OscArgument> arguments) {
            return argument(arguments, condition.argument()).map(said -> Spelling.means(said, condition.text()));
        }
    }

    /** All who listen to one address, and our sends that wait for an answer on it, oldest first. */
    static final class Channel {
        final Key key;
        final List<Ear> ears = new ArrayList<>();
        final List<Watcher> watchers = new ArrayList<>();
        final Deque<OpenSend> open = new ArrayDeque<>();

        Channel(Key key) {
            this.key = key;
        }

        /** The answers that are waited for were asked for just now. */
        void asked(long now) {
            List<OpenSend> waiting = List.copyOf(open);
            open.clear();
            waiting.forEach(send -> open.addLast(send.asked(now)));
        }
    }

    /**
     * A send that waits for its answer.
     *
     * @param ears those of its control, as far as they hear what it carries
     */
    record OpenSend(List<Ear> ears, Position position, long sentAt, Expectation expected, long due) {

        static OpenSend of(List<Ear> ears, Position position, Expectation expected, long now) {
            return new OpenSend(ears, position, now, expected,
                    now + expected.windowNanos() + (expected.isAsked() ? Lane.SETTLE_NANOS : 0));
        }

        LiveControl control() {
            return ears.get(0).control();
        }

        /** The same send, whose answer was asked for now. */
        OpenSend asked(long now) {
            return new OpenSend(ears, position, now, expected, now + expected.windowNanos());
        }

        boolean agrees(List<OscArgument> arguments) {
            return ears.stream().allMatch(ear -> ear.position(arguments)
                    .filter(p -> Math.abs(p - position.get(ear.listen().axis())) <= expected.tolerance()).isPresent());
        }
    }

    /** By target and address, in the order in which they were first listened to. */
    private final Map<PartId, Map<String, Channel>> channels = new HashMap<>();
    /** What the parts that watch something watch. */
    private final Map<PartId, Behaviour.Condition> watched = new HashMap<>();
    /** Those on which an answer is waited for, and some on which it came: few of hundreds, and looked through at every tick. */
    private final Set<Channel> waiting = new LinkedHashSet<>();

    /** A control is there. */
    void add(LiveControl control) {
        for (Listen listen : control.control.listens()) {
            listen.target().ifPresent(target -> open(target, listen.address()).ears.add(new Ear(control, listen, new Scale(listen.low(), listen.high()))));
        }
        control.control.behaviour().enabledWhen().ifPresent(when -> watch(control.id, when));
    }

    /** A control is gone, and nobody waits for its answers. */
    void remove(LiveControl control) {
        unwatch(control.id);
        List<Channel> left = channelsOf(control);
        left.forEach(channel -> {
            channel.ears.removeIf(ear -> ear.control() == control);
            channel.open.removeIf(open -> open.control() == control);
        });
        left.forEach(this::closeIfIdle);
    }

    /** A control is another one after an edit; sends that wait stay open where it still listens for their answer. */
    void replace(LiveControl old, LiveControl fresh) {
        unwatch(old.id);
        List<Channel> before = channelsOf(old);
        before.forEach(channel -> channel.ears.removeIf(ear -> ear.control() == old));
        add(fresh);
        for (Channel channel : before) {
            List<OpenSend> open = List.copyOf(channel.open);
            channel.open.clear();
            for (OpenSend send : open) {
                if (send.control() != old) {
                    channel.open.addLast(send);
                    continue;
                }
                List<Ear> ears = channel.ears.stream().filter(ear -> ear.control() == fresh
                        && send.ears().stream().anyMatch(known -> known.listen().equals(ear.listen()))).toList();
                if (!ears.isEmpty() && fresh.position.axes() == send.position().axes()) {
                    channel.open.addLast(new OpenSend(ears, send.position(), send.sentAt(), send.expected(), send.due()));
                }
            }
        }
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
        return control.control.listens().stream().flatMap(listen -> listen.target().flatMap(target -> channel(target, listen.address())).stream()).distinct().toList();
    }

    private Channel open(PartId target, String address) {
        return channels.computeIfAbsent(target, t -> new LinkedHashMap<>()).computeIfAbsent(address, a -> new Channel(new Key(target, a)));
    }

    private void closeIfIdle(Channel channel) {
        if (channel.ears.isEmpty() && channel.watchers.isEmpty()) {
            Map<String, Channel> ofTarget = channels.get(channel.key.target());
            if (ofTarget != null && ofTarget.remove(channel.key.address(), channel) && ofTarget.isEmpty()) {
                channels.remove(channel.key.target());
            }
            waiting.remove(channel);
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

    /** From now on a send waits for its answer here. */
    void await(Channel channel, OpenSend send) {
        channel.open.addLast(send);
        waiting.add(channel);
    }

    /** The channels on which answers are waited for. */
    Collection<Channel> waiting() {
        waiting.removeIf(channel -> channel.open.isEmpty());
        return waiting;
    }

    Optional<Channel> channel(PartId target, String address) {
        return Optional.ofNullable(channels.getOrDefault(target, Map.of()).get(address));
    }

    /** The channels an incoming address means; it may be a pattern, and then some may be left out that the budget does not reach. */
    List<Channel> matching(PartId target, String address, AddressPattern.Budget budget) {
        if (!AddressPattern.isPattern(address)) {
            return channel(target, address).map(List::of).orElse(List.of());
        }
        return !budget.isSpent() && AddressPattern.compile(address) instanceof AddressPattern.Compiled.Pattern compiled
                ? of(target).stream().filter(c -> compiled.pattern().matches(c.key.address(), budget)).toList()
                : List.of();
    }
}
