package imperan.proof.run;

import imperan.live.Expectation;
import imperan.live.Line;
import imperan.live.Question;
import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.proof.report.Restored;
import imperan.show.AnswerRule;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What lines move: an address, with the numbers that are said on it beside the value ({@code /level 3 0.5} is another place than
 * {@code /level 5 0.5}). What stood there before, what stands there as far as we said, and whether the old value is back.
 */
final class Place {

    private final PlannedLine line;
    private final String address;
    /** For each argument, whether it tells which place is meant, and not what is to stand there. */
    private final List<Boolean> names;

    private final List<OscArgument> example;
    /** How it is asked what stands there; empty where nobody knows. */
    private final Optional<Question> question;

    /** What its target said that stands there, as we would send it; empty where it said nothing. */
    private Optional<List<OscArgument>> read = Optional.empty();

    /** Whether its target says one value after the other there though nobody moves it. */
    private boolean streams;

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
        this(line, line.send().address());
    }

    private Place(PlannedLine line, String address) {
        this.line = line;
        this.address = address;
        this.example = line.says().isEmpty()
                ? AtVenue.example(line)
                : line.says().get(0).arguments();
        this.names = line.expected().names(line.send().arguments(), example.size());
        this.question = toldOn().isPresent()
                ? line.expected().question(address, example, line.send().arguments())
                : Optional.empty();
    }

    /** One that a line moves where it is released, and of which nobody knows what stands there. */
    static Place untold(PlannedLine line, String address) {
        return new Place(line, address);
    }

    String address() {
        return address;
    }

    boolean isSameAs(Place other) {
        return address.equals(other.address) && names.equals(other.names) && isNamedBy(other.example);
    }

    /** Whether a message of its group is meant for it. */
    boolean isMovedBy(Line said) {
        return address.equals(said.address())
                && (isElsewhere() || said.arguments().size() == names.size() && isNamedBy(said.arguments()));
    }

    private boolean isElsewhere() {
        return !address.equals(line.send().address());
    }

    private boolean hasNames() {
        return names.contains(true);
    }

    private boolean isNamedBy(List<OscArgument> sent) {
        for (int i = 0; i < names.size(); i++) {
            if (names.get(i) && !example.get(i).equals(sent.get(i))) {
                return false;
            }
        }
        return true;
    }

    /** The address on which what stands there is told; empty where a phrase says that nothing is. */
    Optional<String> toldOn() {
        // where no phrase tells, most targets that answer questions answer on the address itself
        return isElsewhere() || line.expected().rule().says() != AnswerRule.Says.SAME || !line.isAnswered()
                ? Optional.empty()
                : line.expected().address().or(() -> Optional.of(address));
    }

    /**
     * Whether a question tells what stands there. One address with a number among its arguments is many places, of which only a question
     * that carries the number names one.
     */
    boolean canBeAsked() {
        return !untold && question.isPresent();
    }

    /** How it is asked what stands there; empty where nobody knows. */
    Optional<Question> question() {
        return question;
    }

    /** The question what stands there; empty where there is none. */
    Optional<Saying> asking() {
        return question.map(this::saying);
    }

    /** The same; where none names the place, the address on which it is told may still be answered with the place named. */
    Optional<Saying> reading() {
        return asking().or(() -> toldOn().map(on ->
                Saying.of(saying(Question.plain(on, line.expected())).line())));
    }

    private Saying saying(Question asks) {
        return new Saying(
                new Line(
                        Optional.empty(),
                        0,
                        line.target(),
                        line.targetName(),
                        asks.message().address(),
                        asks.message().arguments()),
                Optional.of(asks));
    }

    /** What comes when it is asked. */
    Expectation asked() {
        return question.map(Question::expected).orElse(line.expected());
    }

    /** Whether a question about it is answered on an address. */
    boolean isAnsweredOn(String on) {
        return question.map(Question::answeredOn)
                .or(this::toldOn)
                .filter(on::equals)
                .isPresent();
    }

    /** A value is said to its target there. */
    void isSpokenTo() {
        if (toldOn().filter(this::isAnsweredOn).isPresent()) {
            spoken++;
        }
    }

    /** It is asked what stands there. */
    void isAsked() {
        spoken++;
    }

    /** Its target says something where questions are answered. */
    void isHeardOf() {
        heardOf++;
    }

    /** Whether its target says more than it is told and asked, such as each thing twice. */
    boolean saysMore() {
        return heardOf > spoken;
    }

    /**
     * Where it would be seen that its target says one value after the other there; empty where that tells nothing, as many numbers are told
     * on one address.
     */
    Optional<String> watchedOn() {
        return hasNames() ? Optional.empty() : toldOn();
    }

    /** Its target says one value after the other there though nobody moves it: nothing is said there. */
    void isStreaming() {
        streams = true;
    }

    boolean streams() {
        return streams;
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
        asSent(said, asked()).ifPresent(value -> last = Optional.of(value));
    }

    /** Its target says by itself that this stands there now, before anything was said there. */
    void standsNow(List<OscArgument> said) {
        asSent(said).ifPresent(value -> {
            last = Optional.of(value);
            ours.add(value);
        });
    }

    /** What its target says stands there, asked; where it speaks of another number, that tells nothing. */
    void answers(List<OscArgument> said) {
        reads(asSent(said, asked()));
    }

    /** The same, where its target said so by itself. */
    void tells(List<OscArgument> said) {
        reads(asSent(said));
    }

    private void reads(Optional<List<OscArgument>> value) {
        if (value.isPresent() || !hasNames()) {
            read = value;
            last = value;
            value.ifPresent(ours::add);
        }
    }

    /** Whether what its target says by itself tells what stands there: it was told before, or it names the number. */
    boolean isToldBy(List<OscArgument> said) {
        return old().isPresent() || hasNames() && asSent(said).isPresent();
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
        if (before.isEmpty() && line.expected().rule().finalSeconds().isPresent()) {
            // nobody knows where it came from
            return true;
        }
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
        return read;
    }

    /** The arguments that would bring it to what its target says; empty where there are none, or where it speaks of another place. */
    private Optional<List<OscArgument>> asSent(List<OscArgument> said) {
        return asSent(said, line.expected());
    }

    private Optional<List<OscArgument>> asSent(List<OscArgument> said, Expectation expected) {
        List<Integer> places = expected.rule().places();
        List<OscArgument> arguments = new ArrayList<>();
        for (int i = 0; i < example.size(); i++) {
            OscArgument sent = example.get(i);
            int place = i < places.size() ? places.get(i) : i;
            Optional<OscArgument> argument = place < said.size() ? Numbers.as(sent, said.get(place)) : Optional.empty();
            if (argument.isEmpty() || names.get(i) && !argument.get().equals(sent)) {
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
        return new Line(Optional.of(line.control()), 0, line.target(), line.targetName(), address, arguments);
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

    /**
     * What brings it back once more: its target says now that something else stands there than what was put back.
     *
     * @param said last on the address on which it is told
     */
    Optional<Line> disturbed(List<OscArgument> said) {
        return restored == Restored.YES
                        && asSent(said)
                                .filter(now -> tellsApart(now, old().orElse(now)))
                                .isPresent()
                ? byHand()
                : Optional.empty();
    }

    Restored restored() {
        return restored;
    }

    /** What is to be said to bring it back, for who has to do it by hand. */
    Optional<Line> byHand() {
        return old().map(this::line);
    }
}
