package imperan.live;

import imperan.osc.AddressPattern;
import imperan.osc.OscArgument;
import imperan.show.Listen;
import imperan.show.PartId;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Who listens to which address of which target, found without looking at anybody else. */
final class Listeners {

    /** The target and the address of a report. */
    record Key(PartId target, String address) {
    }

    /** One listen of one control. */
    record Ear(LiveControl control, Listen listen, Scale scale) {

        Optional<Double> position(List<OscArgument> arguments) {
            return listen.argument() < arguments.size()
                    ? number(arguments.get(listen.argument())).map(scale::position) : Optional.empty();
        }

        /** What was said, where it is a text. */
        Optional<String> words(List<OscArgument> arguments) {
            return listen.argument() < arguments.size() && arguments.get(listen.argument()) instanceof OscArgument.Text text
                    ? Optional.of(text.value()) : Optional.empty();
        }

        private static Optional<Double> number(OscArgument argument) {
            if (argument instanceof OscArgument.Float32 f) {
                return finite(f.value());
            } else if (argument instanceof OscArgument.Int32 i) {
                return finite(i.value());
            } else if (argument instanceof OscArgument.Float64 d) {
                return finite(d.value());
            } else if (argument instanceof OscArgument.Int64 h) {
                return finite(h.value());
            } else if (argument == OscArgument.Bare.TRUE) {
                return Optional.of(1.0);
            } else if (argument == OscArgument.Bare.FALSE) {
                return Optional.of(0.0);
            }
            return Optional.empty();
        }

        private static Optional<Double> finite(double value) {
            return Double.isFinite(value) ? Optional.of(value) : Optional.empty();
        }
    }

    /** All who listen to one address, and our sends that wait for an answer on it, oldest first. */
    static final class Channel {
        final Key key;
        final List<Ear> ears = new ArrayList<>();
        final Deque<OpenSend> open = new ArrayDeque<>();

        Channel(Key key) {
            this.key = key;
        }
    }

    /** A send that waits for its answer. */
    record OpenSend(Ear ear, double position, long sentAt) {
    }

    private final Map<Key, Channel> channels = new HashMap<>();

    /** Builds the index anew; sends that wait stay open where somebody still listens for their answer. */
    void index(Collection<LiveControl> controls) {
        Map<Key, Channel> before = new HashMap<>(channels);
        channels.clear();
        for (LiveControl control : controls) {
            for (Listen listen : control.control.listens()) {
                listen.target().ifPresent(target -> {
                    Key key = new Key(target, listen.address());
                    channels.computeIfAbsent(key, Channel::new).ears
                            .add(new Ear(control, listen, new Scale(listen.low(), listen.high())));
                });
            }
        }
        for (Channel channel : channels.values()) {
            Channel old = before.get(channel.key);
            if (old == null) {
                continue;
            }
            for (OpenSend open : old.open) {
                channel.ears.stream().filter(ear -> ear.control().id.equals(open.ear().control().id)).findFirst()
                        .ifPresent(ear -> channel.open.add(new OpenSend(ear, open.position(), open.sentAt())));
            }
        }
    }

    Collection<Channel> all() {
        return channels.values();
    }

    Optional<Channel> channel(PartId target, String address) {
        return Optional.ofNullable(channels.get(new Key(target, address)));
    }

    /** The channels an incoming address means; it may be a pattern. */
    List<Channel> matching(PartId target, String address) {
        if (!AddressPattern.isPattern(address)) {
            return channel(target, address).map(List::of).orElse(List.of());
        }
        return AddressPattern.compile(address) instanceof AddressPattern.Compiled.Pattern compiled
                ? channels.values().stream().filter(c -> c.key.target().equals(target)
                        && compiled.pattern().matches(c.key.address())).toList()
                : List.of();
    }
}
