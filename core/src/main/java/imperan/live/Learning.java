package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.phrasebook.TypeTags;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What targets say while somebody moves the real thing: each address once, with the range that was seen. */
public final class Learning {

    /** More addresses than anybody moves at once. */
    static final int MOST = 2000;
    /** A message with more arguments is data and nothing that a hand moves. */
    private static final int MOST_ARGUMENTS = 64;

    private static final int LONGEST_ADDRESS = 1_000;

    /**
     * An address that was heard.
     *
     * @param argument the position of the argument that varied most, from 0
     * @param type     of that argument
     * @param count    how often it came
     * @param low      the least number seen, {@code high} the greatest; empty where it was no number
     * @param order    in which it first came, from 0
     */
    public record Learned(
            PartId target,
            String address,
            int argument,
            ArgumentType type,
            long count,
            Optional<Double> low,
            Optional<Double> high,
            int order) {}

    private record Key(PartId target, String address) {}

    private static final class Heard {
        private final int order;
        private long count;
        private final List<double[]> ranges = new ArrayList<>();
        private char[] tags = {};

        private Heard(int order) {
            this.order = order;
        }

        private void add(List<OscArgument> arguments) {
            count++;
            tags = new char[arguments.size()];
            for (int i = 0; i < arguments.size(); i++) {
                tags[i] = arguments.get(i).tag();
                if (ranges.size() == i) {
                    ranges.add(new double[] {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY});
                }
                double[] range = ranges.get(i);
                Spelling.number(arguments.get(i)).ifPresent(number -> {
                    range[0] = Math.min(range[0], number);
                    range[1] = Math.max(range[1], number);
                });
            }
        }

        private int varying() {
            int most = 0;
            for (int i = 1; i < Math.min(ranges.size(), tags.length); i++) {
                most = ranges.get(i)[1] - ranges.get(i)[0] > ranges.get(most)[1] - ranges.get(most)[0] ? i : most;
            }
            return most;
        }
    }

    private final Map<Key, Heard> heard = new LinkedHashMap<>();
    private boolean on;

    /** Forgets all and listens from now on, or stops listening. */
    public void listen(boolean now) {
        if (now) {
            heard.clear();
        }
        on = now;
    }

    /** A target said this. */
    public void heard(PartId target, OscMessage message) {
        if (on
                && message.arguments().size() <= MOST_ARGUMENTS
                && message.address().length() <= LONGEST_ADDRESS
                && (heard.size() < MOST || heard.containsKey(new Key(target, message.address())))) {
            heard.computeIfAbsent(new Key(target, message.address()), k -> new Heard(heard.size()))
                    .add(message.arguments());
        }
    }

    /** What was heard, the busiest first. */
    public List<Learned> learned() {
        List<Learned> all = new ArrayList<>();
        heard.forEach((key, seen) -> {
            int at = seen.varying();
            Optional<double[]> range = at < seen.ranges.size()
                            && seen.ranges.get(at)[0] <= seen.ranges.get(at)[1]
                    ? Optional.of(seen.ranges.get(at))
                    : Optional.empty();
            all.add(new Learned(
                    key.target(),
                    key.address(),
                    at,
                    type(seen.tags, at),
                    seen.count,
                    range.map(r -> r[0]),
                    range.map(r -> r[1]),
                    seen.order));
        });
        all.sort((a, b) ->
                a.count() != b.count() ? Long.compare(b.count(), a.count()) : Integer.compare(a.order(), b.order()));
        return all;
    }

    private static ArgumentType type(char[] tags, int at) {
        return at < tags.length ? TypeTags.ofTag(tags[at]).orElse(ArgumentType.FLOAT32) : ArgumentType.FLOAT32;
    }
}
