package imperan.proof.run;

import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.proof.report.Restored;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** An address that lines are said on: what stood there before, what stands there as far as we said, and whether the old value is back. */
final class Place {

    private final PlannedLine line;
    /** What its target said that stands there; empty where it said nothing. */
    private Optional<List<OscArgument>> read = Optional.empty();
    private boolean moved;
    private Optional<List<OscArgument>> last = Optional.empty();
    private Restored restored = Restored.NOT_MOVED;
    private int attempts;

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
        return line.expected().rule().says() != AnswerRule.Says.SAME || !line.isAnswered() ? Optional.empty() : line.expected().address().or(() -> Optional.of(address()));
    }

    void reads(List<OscArgument> said) {
        read = Optional.of(said);
        last = old();
    }

    /** Somebody else moved it: what was read is of no use. */
    void forget() {
        read = Optional.empty();
        last = Optional.empty();
    }

    /** The arguments that bring it back; empty where nobody knows them. */
    Optional<List<OscArgument>> old() {
        return read.flatMap(said -> {
            List<OscArgument> old = new ArrayList<>();
            List<OscArgument> sent = line.says().isEmpty() ? AtVenue.example(line) : line.says().get(0).arguments();
            List<Integer> places = line.expected().rule().places();
            for (int i = 0; i < sent.size(); i++) {
                int place = i < places.size() ? places.get(i) : i;
                boolean fixed = line.send().arguments().get(i) instanceof ArgumentSource.Fixed && sent.size() > 1;
                Optional<OscArgument> back = fixed ? Optional.of(sent.get(i)) : place < said.size() ? Numbers.as(sent.get(i), said.get(place)) : Optional.empty();
                if (back.isEmpty()) {
                    return Optional.empty();
                }
                old.add(back.get());
            }
            return old.isEmpty() ? Optional.empty() : Optional.of(old);
        });
    }

    void says(List<OscArgument> arguments) {
        moved = true;
        last = Optional.of(arguments);
    }

    /** What stands there, as far as it is known: what was said last, else what was read. */
    Optional<List<OscArgument>> last() {
        return last;
    }

    /** Whether the one could be taken for what stands there. */
    boolean isTakenFor(List<OscArgument> arguments) {
        return last.filter(stands -> !line.expected().tellsApart(stands, arguments, line.send().arguments())).isPresent();
    }

    /** The line that puts the old value back, where it was moved and is known; what is not becomes its state. */
    Optional<Line> back() {
        if (!moved || restored != Restored.NOT_MOVED) {
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
        restored = moved ? Restored.LEFT : Restored.NOT_MOVED;
        moved = false;
    }

    Restored restored() {
        return restored;
    }

    /** What is to be said to bring it back, for who has to do it by hand. */
    Optional<Line> byHand() {
        return old().map(this::line);
    }
}
