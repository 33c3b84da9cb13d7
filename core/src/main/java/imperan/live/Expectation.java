package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.phrasebook.Vocabulary;
import imperan.show.AnswerRule;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.AskRule;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is to come back for what is said on an address, as the phrasebook of its target tells.
 *
 * @param rule      of the phrase
 * @param address   on which it comes; empty where no phrasebook tells: then any that the control listens to will do
 * @param arguments of the phrase
 * @param ask       how it is asked what stands, with the numbers of what is said in its slots; empty where its own address is the question
 */
public record Expectation(
        AnswerRule rule, Optional<String> address, List<PhraseArgument> arguments, Optional<AskRule> ask) {

    /** No phrasebook tells. */
    public static final Expectation UNTOLD =
            new Expectation(AnswerRule.usual(AnswerRule.Kind.SAME), Optional.empty(), List.of(), Optional.empty());

    /** Of decimals whose range nobody tells: what remains of them on their way as a 32-bit number. */
    private static final double ROUNDING = 1e-6;
    /** What many targets divide a range into at least. */
    private static final double STEPS = 127;
    /** What comes after so many limits, or after this long, is not waited for. */
    private static final int LATE = 3;

    private static final long LATEST_NANOS = 2_000_000_000L;
    /** Of who takes its time, longer; but nobody is waited for longer than this. */
    private static final long LATEST_OF_SLOW_NANOS = 4_000_000_000L;
    /** How far values may be from each other, as a share of their range, where nothing is known of them. */
    static final double USUAL_SHARE = 1 / STEPS;

    /** Of what is said on an address; {@link #UNTOLD} where no phrase has it. */
    public static Expectation of(String said, Vocabulary vocabulary) {
        return vocabulary
                .said(said)
                .map(known -> new Expectation(
                        known.phrase().answer(),
                        Optional.of(known.phrase().answer().comesOn(said, known.numbers())),
                        known.phrase().arguments(),
                        known.phrase().answer().ask().map(how -> filled(how, known.numbers()))))
                .map(expected -> expected.isAsked() ? expected.asAsked() : expected)
                .orElse(UNTOLD);
    }

    private static AskRule filled(AskRule how, Map<String, Integer> numbers) {
        return new AskRule(how.asksOn(numbers), how.fixed(), how.comesOn(numbers), how.places());
    }

    /** What comes when it is asked: where and how a question is answered. */
    public Expectation asAsked() {
        return ask.map(how -> new Expectation(rule.at(how.places()), Optional.of(how.answeredOn()), arguments, ask))
                .orElse(this);
    }

    /**
     * For each argument of a message, whether it names the place that is meant, and is not what is to stand there. That is what is
     * fixed beside something that varies. Where all is fixed, the phrase tells; and where it does not, all but the last, unless they are
     * alike, as the three parts of a colour are.
     */
    public List<Boolean> names(List<ArgumentSource> sources, int size) {
        boolean varies = !sources.stream().allMatch(ArgumentSource.Fixed.class::isInstance);
        boolean isTold = arguments.size() == size
                && arguments.stream().anyMatch(argument -> argument.fixed().isPresent());
        boolean areAlike = arguments.size() == size
                && arguments.stream()
                                .map(argument -> List.of(argument.type(), argument.low(), argument.high()))
                                .distinct()
                                .count()
                        == 1;
        List<Boolean> names = new ArrayList<>(size);
        for (int i = 0; i < size; i++) {
            boolean isFixed = i < sources.size() && sources.get(i) instanceof ArgumentSource.Fixed;
            names.add(
                    isFixed && (varies || (isTold ? arguments.get(i).fixed().isPresent() : !areAlike && i < size - 1)));
        }
        return names;
    }

    /**
     * How it is asked what stands where a message said something.
     *
     * @param said on this address, with these arguments
     * @return empty where its phrase names no question that tells this place from others
     */
    public Optional<Question> question(String said, List<OscArgument> sent, List<ArgumentSource> sources) {
        List<Boolean> names = names(sources, sent.size());
        if (ask.isEmpty()) {
            return names.contains(true) ? Optional.empty() : Optional.of(Question.plain(address.orElse(said), this));
        } else if (names.contains(true) && !ask.get().fixed()) {
            return Optional.empty();
        }
        Expectation asked = asAsked();
        List<OscArgument> carried = new ArrayList<>();
        Map<Integer, OscArgument> named = new HashMap<>();
        for (int i = 0; i < sent.size(); i++) {
            if (names.get(i)) {
                carried.add(sent.get(i));
                named.put(asked.place(i), sent.get(i));
            }
        }
        return Optional.of(new Question(
                new OscMessage(ask.get().address(), carried), ask.get().answeredOn(), named, asked));
    }

    /** The argument of the answer that says an argument of what was sent. */
    private int place(int argument) {
        return argument < rule.places().size() ? rule.places().get(argument) : argument;
    }

    /** Whether anything is to come. */
    public boolean isComing() {
        return rule.kind() != AnswerRule.Kind.NONE && !isToldToOthersOnly();
    }

    /** Whether it is told to all but the one who made the change, and never to us. */
    public boolean isToldToOthersOnly() {
        return rule.told() == AnswerRule.Told.OTHERS && !isAsked();
    }

    /** Whether it comes only when it is asked for, on the address on which it comes. */
    public boolean isAsked() {
        return rule.kind() == AnswerRule.Kind.QUERY;
    }

    boolean comesOn(String heard) {
        return address.isEmpty() || address.get().equals(heard);
    }

    /** How long the first answer may take. */
    public long limitNanos() {
        return nanos(rule.seconds());
    }

    /**
     * How long a line of a proof waits: an answer that is late is told from one that is missing, and not taken for the next one's.
     *
     * @param slowest how long its target took for an answer at most, of late, in nanoseconds; 0 where it has not answered yet
     */
    public long proofNanos(long slowest) {
        long usual = Math.min(LATE * limitNanos(), LATEST_NANOS);
        long slow = Math.min(limitNanos() + Math.max(limitNanos(), slowest + slowest / 2), LATEST_OF_SLOW_NANOS);
        return Math.max(limitNanos(), Math.max(usual, slow));
    }

    /** The same, where the value is asked for because the one who made the change is not told. */
    Expectation askedFor() {
        return new Expectation(rule.asked(), address, arguments, ask).asAsked();
    }

    /** Whether what a target says agrees with what was sent. */
    public boolean agrees(List<OscArgument> said, List<OscArgument> sent, List<ArgumentSource> sources) {
        return wanted(sent, sources).agrees(said);
    }

    /** Whether an answer to the one could not be taken for an answer to the other: by one of their arguments they are twice the tolerance apart. */
    public boolean tellsApart(List<OscArgument> one, List<OscArgument> other, List<ArgumentSource> sources) {
        if (one.size() != other.size()) {
            return true;
        }
        for (int i = 0; i < one.size(); i++) {
            Optional<Double> a = Spelling.number(one.get(i));
            Optional<Double> b = Spelling.number(other.get(i));
            boolean apart = a.isPresent() && b.isPresent()
                    ? Math.abs(a.get() - b.get()) >= 2 * tolerance(i, one.get(i), sources)
                    : !one.get(i).equals(other.get(i));
            if (apart) {
                return true;
            }
        }
        return false;
    }

    /** How long after a first value the final one may take; empty where the first is final. */
    Optional<Long> finalNanos() {
        return rule.finalSeconds().map(Expectation::nanos);
    }

    private static long nanos(double seconds) {
        return (long) (seconds * 1e9);
    }

    /** What a control's listens have to hear after it was moved. */
    Wanted wanted(List<Reading> readings, Position position, List<OscArgument> sent, CompiledSend send) {
        if (rule.says() != AnswerRule.Says.SAME) {
            return whateverWasSent();
        }
        Optional<Reading> noWayBack = readings.stream()
                .filter(reading -> !send.leadsBack(reading.listen().axis()))
                .findFirst();
        if (noWayBack.isPresent()) {
            // from what is said nobody can tell where the control stands
            return wantedAt(
                    noWayBack.get().listen().argument(), sent, send.send().arguments());
        }
        List<Wanted.Stand.Axis> axes = new ArrayList<>(readings.size());
        for (Reading reading : readings) {
            int axis = reading.listen().axis();
            axes.add(new Wanted.Stand.Axis(reading, position.get(axis), send.tolerance(axis)));
        }
        return new Wanted.Stand(axes);
    }

    /** What has to come back after these arguments. */
    Wanted wanted(List<OscArgument> sent, List<ArgumentSource> sources) {
        if (rule.says() != AnswerRule.Says.SAME) {
            return whateverWasSent();
        }
        List<Wanted.Arguments.Each> each = new ArrayList<>();
        for (int i = 0; i < sent.size(); i++) {
            each.add(new Wanted.Arguments.Each(place(i), sent.get(i), tolerance(i, sent.get(i), sources)));
        }
        return each.isEmpty() ? Wanted.Anything.INSTANCE : new Wanted.Arguments(each);
    }

    /** What has to come back where no phrase tells: the first argument that varies, in a place of the answer. */
    Wanted wantedAt(int place, List<OscArgument> sent, List<ArgumentSource> sources) {
        for (int i = 0; i < sent.size(); i++) {
            if (i < sources.size() && !(sources.get(i) instanceof ArgumentSource.Fixed)) {
                return new Wanted.Arguments(
                        List.of(new Wanted.Arguments.Each(place, sent.get(i), tolerance(i, sent.get(i), sources))));
            }
        }
        return Wanted.Anything.INSTANCE;
    }

    /** What has to come back in a proof where no phrase tells which argument is the value: all of them, as they were sent. */
    Wanted wantedWhole(List<OscArgument> sent, List<ArgumentSource> sources) {
        return wanted(sent, sources) instanceof Wanted.Arguments all ? new Wanted.Whole(all) : wanted(sent, sources);
    }

    private Wanted whateverWasSent() {
        return rule.says() == AnswerRule.Says.ANY
                ? Wanted.Anything.INSTANCE
                : new Wanted.Given(
                        rule.given(),
                        rule.places().isEmpty() ? 0 : rule.places().get(0));
    }

    /** How far a number that comes back may be from the one that was sent, in its own unit. */
    public double nearEnough(int argument, List<ArgumentSource> sources) {
        return tolerance(argument, new OscArgument.Float64(0), sources);
    }

    private double tolerance(int argument, OscArgument sent, List<ArgumentSource> sources) {
        boolean isFixed =
                argument < arguments.size() && arguments.get(argument).fixed().isPresent();
        double range = range(argument, sources);
        double least = Math.max(1, Spelling.number(sent).map(Math::abs).orElse(0.0)) * ROUNDING;
        if (isFixed) {
            return least;
        }
        return Math.max(
                least,
                rule.tolerance()
                        .map(near -> near.amount(range))
                        .orElseGet(() -> sent instanceof OscArgument.Int32 || sent instanceof OscArgument.Int64
                                ? 0.5
                                : range / STEPS));
    }

    private double range(int argument, List<ArgumentSource> sources) {
        Optional<PhraseArgument> told =
                argument < arguments.size() ? Optional.of(arguments.get(argument)) : Optional.empty();
        return told.filter(a -> a.low().isPresent() && a.high().isPresent())
                .map(a -> a.high().get() - a.low().get())
                .orElseGet(
                        () -> argument < sources.size() && sources.get(argument) instanceof ArgumentSource.Value value
                                ? value.chain().range()
                                : 0.0);
    }

    /**
     * How far what is heard may be from where an axis of a control stands, as a share of its way.
     *
     * @param value the argument that carries it alone; empty where none does
     */
    double share(Optional<ArgumentSource.Value> value) {
        double range = value.map(v -> v.chain().range())
                .filter(Double::isFinite)
                .filter(r -> r > 0)
                .orElse(1.0);
        boolean whole = value.filter(v -> v.type() == ArgumentType.INT32 || v.type() == ArgumentType.INT64)
                .isPresent();
        return rule.tolerance()
                .map(near -> near.unit() == Tolerance.Unit.SHARE ? near.of() : near.amount(range) / range)
                .orElse(whole ? 0.5 / range : USUAL_SHARE);
    }
}
