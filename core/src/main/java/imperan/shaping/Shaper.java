package imperan.shaping;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A chain at work, with what its steps remember. Something comes in and mostly something comes out at once; what takes time goes on by itself, and says when it is due. Time is in
 * nanoseconds of one clock.
 */
public final class Shaper {

    /** Nothing is due. */
    public static final long NEVER = Work.NEVER;

    private final Chain chain;
    private final List<Work> works = new ArrayList<>();
    private final List<Optional<Signal>> stages = new ArrayList<>();
    private Optional<Signal> last = Optional.empty();
    private Optional<ShapingStep> keptBy = Optional.empty();

    public Shaper(Chain chain) {
        this.chain = chain;
        for (int i = 0; i < chain.steps().size(); i++) {
            works.add(chain.steps().get(i).work(chain.spans().get(i)));
            stages.add(Optional.empty());
        }
    }

    /** The same after an edit: the steps that it did not touch, from either end, go on with what they remember. */
    public Shaper(Chain chain, Shaper before) {
        this(chain);
        int size = works.size();
        int longer = size - before.works.size();
        for (int i = 0; i < size && isSame(before, i, i); i++) {
            take(before, i, i);
        }
        if (chain.steps().equals(before.chain.steps())) {
            last = before.last;
        }
        for (int i = size - 1; i >= Math.max(0, longer) && isSame(before, i, i - longer); i--) {
            take(before, i, i - longer);
        }
    }

    private boolean isSame(Shaper before, int here, int there) {
        return there < before.works.size()
                && chain.steps().get(here).equals(before.chain.steps().get(there))
                && chain.spans().get(here).equals(before.chain.spans().get(there));
    }

    private void take(Shaper before, int here, int there) {
        works.set(here, before.works.get(there));
        stages.set(here, before.stages.get(there));
    }

    public Chain chain() {
        return chain;
    }

    /** What came out of each step last; empty where nothing has yet. */
    public List<Optional<Signal>> stages() {
        return List.copyOf(stages);
    }

    /** What came out in the end last. */
    public Optional<Signal> last() {
        return last;
    }

    /**
     * Something comes in.
     *
     * @param event whether it counts for itself, as a press does
     * @return what comes out now; empty where a step keeps it
     */
    public Optional<Signal> feed(double number, long now, boolean event) {
        return feed(Signal.of(number), now, event);
    }

    public Optional<Signal> feed(Signal signal, long now, boolean event) {
        return through(0, Optional.of(signal), now, event);
    }

    private Optional<Signal> through(int from, Optional<Signal> in, long now, boolean event) {
        Optional<Signal> signal = in;
        keptBy = Optional.empty();
        for (int i = from; i < works.size() && signal.isPresent(); i++) {
            signal = works.get(i).next(signal.get(), now, event);
            if (signal.isPresent()) {
                stages.set(i, signal);
            } else {
                keptBy = Optional.of(chain.steps().get(i));
            }
        }
        last = signal.or(() -> last);
        return signal;
    }

    /** The step that let nothing through of what came in last; empty where all of them did. */
    public Optional<ShapingStep> keptBy() {
        return keptBy;
    }

    /** When something comes out by itself; {@link #NEVER} where nothing will. */
    public long due() {
        long due = NEVER;
        for (Work work : works) {
            due = Math.min(due, work.due());
        }
        return due;
    }

    /** What comes out by itself at this time; empty where nothing does. */
    public Optional<Signal> at(long now) {
        Optional<Signal> last = Optional.empty();
        for (int i = 0; i < works.size(); i++) {
            if (works.get(i).due() <= now) {
                Optional<Signal> before = last;
                last = on(i, works.get(i).at(now), now).or(() -> before);
            }
        }
        return last;
    }

    /** What would come out in the end, now: nothing is due afterwards. Empty where nothing would. */
    public Optional<Signal> finish(long now) {
        Optional<Signal> last = Optional.empty();
        for (int i = 0; i < works.size(); i++) {
            Optional<Signal> before = last;
            last = on(i, works.get(i).finish(now), now).or(() -> before);
        }
        return last;
    }

    private Optional<Signal> on(int step, Optional<Signal> out, long now) {
        if (out.isPresent()) {
            stages.set(step, out);
        }
        return through(step + 1, out, now, false);
    }

    /** The control stands somewhere, before anybody moved it. */
    public void starts(double position) {
        tell(position, (work, in, out) -> work.starts(in));
    }

    /** The target says that it stands somewhere: what goes by itself no longer goes, and what turns begins there. */
    public void reported(double position) {
        tell(position, Work::reported);
    }

    private interface Telling {
        void tell(Work work, Signal in, Signal out);
    }

    private void tell(double position, Telling telling) {
        Optional<Signal> signal = Optional.of(Signal.of(position));
        for (int i = 0; i < works.size() && signal.isPresent(); i++) {
            Optional<Signal> out =
                    chain.steps().get(i).settled(signal.get(), chain.spans().get(i));
            if (out.isPresent()) {
                telling.tell(works.get(i), signal.get(), out.get());
            }
            signal = out;
        }
    }
}
