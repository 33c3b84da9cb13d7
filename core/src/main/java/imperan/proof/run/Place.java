package imperan.proof.run;

import imperan.live.Line;
import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.proof.report.Restored;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** An address that lines are said on: what stood there before, what stands there as far as we said, and whether the old value is back. */
final class Place {

    private final PlannedLine line;
    /** What its target said that stands there; empty where it said nothing. */
    private Optional<List<OscArgument>> read = Optional.empty();

    private boolean moved;
    private Optional<List<OscArgument>> last = Optional.empty();
    private Optional<List<OscArgument>> before = Optional.empty();
    /** What was read, said, or heard in answer: all that its target may say without anybody else having moved it. */
    private final Set<List<OscArgument>> ours = new LinkedHashSet<>();
    /** What came while an answer was awaited, and is none of that. */
    private final List<List<OscArgument>> odd = new ArrayList<>();

    private Restored restored = Restored.NOT_MOVED;
    private int attempts;
    /** Whether its target left a question about it without an answer. */
    private boolean untold;

    private int spoken;
    private int heardOf;

    /** @param line one of those that are said there */
    Place(PlannedLine line) {
        this.line = line;
    }

    String address() {
        return line.send().address();
    }

    /** The address on which what stands there is told; empty where a phrase says that nothing is. */
    Optional<String> toldOn() {
        // where no phrase tells, most targets that answer questions answer on the address itself
        return line.expected().rule().says() != AnswerRule.Says.SAME || !line.isAnswered()
                ? Optional.empty()
                : line.expected().address().or(() -> Optional.of(address()));
    }

    /**
     * Whether a question tells what stands there. One address with a number among its arguments is many places, of which a question names
     * none.
     */
    boolean canBeAsked() {
        boolean names = line.send().arguments().size() > 1
                && line.send().arguments().stream().anyMatch(ArgumentSource.Fixed.class::isInstance);
        return !untold && !names && toldOn().isPresent();
    }

    /** Something is said to its target there, a value or a question. */
    void isSpokenTo() {
        spoken++;
    }

    /** Its target says something there. */
    void isHeardOf() {
        heardOf++;
    }

    /** Whether its target says more than it is told and asked, such as each thing twice. */
    boolean saysMore() {
        return heardOf > spoken;
    }

    /** Its target did not answer a question about it. */
    void isUntold() {
        untold = true;
    }

    /** How often its target said something since an answer was awaited that is neither ours nor on the way. */
    int odd() {
        return odd.size();
    }

    /** Its target says that this stands there, and not what was said. */
    void standsAt(List<OscArgument> said) {
        asSent(said).ifPresent(value -> last = Optional.of(value));
    }

    void reads(List<OscArgument> said) {
        read = Optional.of(said);
        last = old();
        last.ifPresent(ours::add);
    }

    /**
     * Its target says something on the address on which this is told.
     *
     * @param awaited whether an answer to something of ours is awaited there
     * @return whether somebody else moved it
     */
    boolean hears(List<OscArgument> said, boolean awaited) {
        Optional<List<OscArgument>> stands = asSent(said)
                .filter(value -> !ours.isEmpty() && ours.stream().allMatch(known -> tellsApart(known, value)));
        stands.filter(value -> awaited).ifPresent(value -> (isOnTheWay(value) ? ours : odd).add(value));
        return stands.isPresent() && !awaited;
    }

    /**
     * The answer that was awaited came, or did not. What else came meanwhile was a wrong answer where it did not, and somebody else's where it did.
     *
     * @return whether somebody else moved it
     */
    boolean answered(boolean rightly) {
        boolean moved = rightly && !odd.isEmpty();
        ours.addAll(odd);
        odd.clear();
        return moved;
    }

    private boolean tellsApart(List<OscArgument> one, List<OscArgument> other) {
        return line.expected().tellsApart(one, other, line.send().arguments());
    }

    /** Between what stood and what was said: a target may pass by there. */
    private boolean isOnTheWay(List<OscArgument> value) {
        if (before.isEmpty()
                || last.isEmpty()
                || before.get().size() != value.size()
                || last.get().size() != value.size()) {
            return false;
        }
        for (int i = 0; i < value.size(); i++) {
            Optional<Double> at = Spelling.number(value.get(i));
            Optional<Double> from = Spelling.number(before.get().get(i));
            Optional<Double> to = Spelling.number(last.get().get(i));
            if (at.isEmpty()
                    || from.isEmpty()
                    || to.isEmpty()
                    || at.get() < Math.min(from.get(), to.get())
                    || at.get() > Math.max(from.get(), to.get())) {
                return false;
            }
        }
        return true;
    }

    /** Somebody else moved it: what was read is of no use. */
    void forget() {
        read = Optional.empty();
        last = Optional.empty();
    }

    /** The arguments that bring it back; empty where nobody knows them. */
    Optional<List<OscArgument>> old() {
        return read.flatMap(this::asSent);
    }

    /** The arguments that would bring it to what its target says; empty where there are none. */
    private Optional<List<OscArgument>> asSent(List<OscArgument> said) {
        List<OscArgument> arguments = new ArrayList<>();
        List<OscArgument> sent = line.says().isEmpty()
                ? AtVenue.example(line)
                : line.says().get(0).arguments();
        List<Integer> places = line.expected().rule().places();
        for (int i = 0; i < sent.size(); i++) {
            int place = i < places.size() ? places.get(i) : i;
            boolean fixed = line.send().arguments().get(i) instanceof ArgumentSource.Fixed && sent.size() > 1;
            Optional<OscArgument> argument = fixed
                    ? Optional.of(sent.get(i))
                    : place < said.size() ? Numbers.as(sent.get(i), said.get(place)) : Optional.empty();
            if (argument.isEmpty()) {
                return Optional.empty();
            }
            arguments.add(argument.get());
        }
        return arguments.isEmpty() ? Optional.empty() : Optional.of(arguments);
    }

    void says(List<OscArgument> arguments) {
        moved = true;
        before = last;
        last = Optional.of(arguments);
        ours.add(arguments);
    }

    /** What stood there before what was said last, as far as it is known. */
    Optional<List<OscArgument>> before() {
        return before;
    }

    /** What stands there, as far as it is known: what was said last, else what was read. */
    Optional<List<OscArgument>> last() {
        return last;
    }

    /** Whether it was moved, and nobody tried yet, or not often enough, to bring it back. */
    boolean isToPutBack() {
        return moved && restored == Restored.NOT_MOVED;
    }

    /** The line that puts the old value back, where it was moved and is known; what is not becomes its state. */
    Optional<Line> back() {
        if (!isToPutBack()) {
            return Optional.empty();
        }
        Optional<List<OscArgument>> old = old();
        if (old.isEmpty()) {
            restored = line.happensEachTime() ? Restored.NOT_MOVED : Restored.UNKNOWN;
            moved = false;
            return Optional.empty();
        }
        return old.map(arguments -> line(arguments));
    }

    private Line line(List<OscArgument> arguments) {
        return new Line(Optional.of(line.control()), 0, line.target(), line.targetName(), address(), arguments);
    }

    /** How long an answer in time takes at most. */
    long limitNanos() {
        return line.limitNanos();
    }

    /** The old value was sent. */
    void wentBack(boolean confirmed, int most) {
        attempts++;
        if (confirmed || attempts >= most) {
            restored = confirmed ? Restored.YES : Restored.UNCONFIRMED;
        }
    }

    /** It stays as it is. */
    void stays() {
        if (moved) {
            restored = Restored.LEFT;
            moved = false;
        }
    }

    Restored restored() {
        return restored;
    }

    /** What is to be said to bring it back, for who has to do it by hand. */
    Optional<Line> byHand() {
        return old().map(this::line);
    }
}
