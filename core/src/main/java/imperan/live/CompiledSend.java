package imperan.live;

import imperan.osc.OscArgument;
import imperan.shaping.Chain;
import imperan.shaping.Edge;
import imperan.shaping.Shaper;
import imperan.shaping.ShapingStep;
import imperan.shaping.Signal;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.FixedArgument;
import imperan.show.Send;
import imperan.show.form.Form;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** A send made ready once, when it is edited, so that a touch only fills in its numbers. */
final class CompiledSend {

    private final Send send;
    private final List<OscArgument> fixed = new ArrayList<>();
    /** For each argument that is chosen: what each option says. */
    private final List<List<OscArgument>> chosen = new ArrayList<>();
    /** For each argument: the way from the control to it; empty for those that carry no number of it. */
    private final List<Optional<Shaper>> shapers = new ArrayList<>();
    /** Whether any argument carries a number of the control, whether any of their chains takes time, and whether any lets only moments through. */
    private final boolean isShaped;

    private final boolean takesTime;
    private final boolean saysMoments;
    private final boolean looksUp;
    private final boolean[] leadsBack;
    private final boolean[] carried;
    private final double[] tolerances;
    private final Form form;
    private final Object key;
    /** What moved the control last, and to where. */
    private Cause cause;

    private Position from;
    private Optional<List<OscArgument>> last = Optional.empty();
    private Expectation expectation = Expectation.UNTOLD;

    CompiledSend(Send send, Form form) {
        this(send, form, Optional.empty());
    }

    /** @param before the same send before an edit: the steps of its shaping that are still there go on with what they remember */
    CompiledSend(Send send, Form form, Optional<CompiledSend> before) {
        this.send = send;
        this.form = form;
        this.key = MovedLine.of(send).<Object>map(line -> line).orElse(send.address());
        this.carried = new boolean[form.axes()];
        this.tolerances = new double[form.axes()];
        for (int axis = 0; axis < carried.length; axis++) {
            carried[axis] = isCarried(axis);
        }
        for (int i = 0; i < send.arguments().size(); i++) {
            ArgumentSource source = send.arguments().get(i);
            int place = i;
            shapers.add(
                    source instanceof ArgumentSource.Value value && value.type() != ArgumentType.COLOUR
                            ? Optional.of(shaper(
                                    value,
                                    before.filter(b -> b.send.on() == send.on() && place < b.shapers.size())
                                            .flatMap(b -> b.shapers.get(place))))
                            : Optional.empty());
            fixed.add(
                    source instanceof ArgumentSource.Fixed f
                            ? FixedArgument.parse(f).argument().orElseThrow()
                            : OscArgument.Bare.NIL);
            chosen.add(
                    source instanceof ArgumentSource.Chosen c
                            ? form.options().stream()
                                    .map(option -> FixedArgument.parse(
                                                    new ArgumentSource.Fixed(c.type(), option.text()))
                                            .argument()
                                            .orElseThrow())
                                    .toList()
                            : List.of());
        }
        this.leadsBack = new boolean[form.axes()];
        for (int axis = 0; axis < leadsBack.length; axis++) {
            leadsBack[axis] = isWayBack(axis);
        }
        List<ShapingStep> steps = shapers.stream()
                .flatMap(Optional::stream)
                .flatMap(shaper -> shaper.chain().steps().stream())
                .toList();
        this.isShaped = shapers.stream().anyMatch(Optional::isPresent);
        this.takesTime = steps.stream().anyMatch(ShapingStep::takesTime);
        this.saysMoments = steps.stream().anyMatch(Edge.class::isInstance);
        this.looksUp = send.arguments().stream().anyMatch(ArgumentSource.LookedUp.class::isInstance);
        cause = before.map(CompiledSend::cause).orElse(Cause.NONE);
        from = before.map(b -> b.from)
                .filter(position -> position.axes() == form.axes())
                .orElseGet(() -> Position.rest(form));
    }

    private Shaper shaper(ArgumentSource.Value value, Optional<Shaper> before) {
        Chain chain = value.chain();
        Shaper shaper = before.map(b -> new Shaper(chain, b)).orElseGet(() -> new Shaper(chain));
        if (before.isEmpty()) {
            shaper.starts(form.rest());
        }
        return shaper;
    }

    Send send() {
        return send;
    }

    /** Of what waits for its turn under the same one the latest leaves. */
    Object key() {
        return key;
    }

    /** What a send of a control of this form says where the control stands somewhere. What would have to be looked up is nil. */
    static List<OscArgument> says(Send send, Form form, Position position, int steps, String typed) {
        return new CompiledSend(send, form).settled(position, steps, typed);
    }

    /** The same, with what was looked up last. */
    List<OscArgument> at(Position position) {
        return settled(position, 0, "");
    }

    /** Looks up anew what is not its control's own; why that cannot be, or empty. */
    Optional<Reason> lookUp(LookUp elsewhere) {
        for (int i = 0; looksUp && i < fixed.size(); i++) {
            if (send.arguments().get(i) instanceof ArgumentSource.LookedUp source) {
                LookUp.Found found = elsewhere.find(source, i);
                if (found.missing().isPresent()) {
                    return found.missing();
                }
                fixed.set(i, found.argument().orElseThrow());
            }
        }
        return Optional.empty();
    }

    /** What is to come back, as the target's phrasebook tells now. */
    void expect(Expectation now) {
        expectation = now;
        for (int axis = 0; axis < tolerances.length; axis++) {
            tolerances[axis] = now.share(value(axis));
        }
    }

    Expectation expectation() {
        return expectation;
    }

    /** The axes of the control that this send carries. */
    boolean carries(int axis) {
        return carried[axis];
    }

    private boolean isCarried(int axis) {
        return send.arguments().stream()
                        .anyMatch(a -> a instanceof ArgumentSource.Value value
                                && (value.axis() == axis || value.type() == ArgumentType.COLOUR))
                || send.arguments().stream().noneMatch(ArgumentSource.Value.class::isInstance);
    }

    /** How far what is heard of an axis may be from where it stands, as a share of its way. */
    double tolerance(int axis) {
        return tolerances[axis];
    }

    /** The argument that carries an axis alone; empty where none does. */
    private Optional<ArgumentSource.Value> value(int axis) {
        return send.arguments().stream()
                .filter(ArgumentSource.Value.class::isInstance)
                .map(ArgumentSource.Value.class::cast)
                .filter(value -> value.axis() == axis && value.type() != ArgumentType.COLOUR)
                .findFirst();
    }

    /**
     * What it says where the control stands somewhere, once its shaping has had the time it takes. Nothing is remembered.
     *
     * @param steps of a wheel, just now
     * @param typed the line that was typed last
     */
    private List<OscArgument> settled(Position position, int steps, String typed) {
        return filled(position, steps, typed, i -> shapers.get(i)
                .flatMap(shaper -> shaper.chain().settled(position.get(axis(i)))));
    }

    private int axis(int argument) {
        return send.arguments().get(argument) instanceof ArgumentSource.Value value ? value.axis() : 0;
    }

    /**
     * What it says now that the control was moved there; empty where a step of its shaping keeps it.
     *
     * @param event whether this counts for itself, though nothing may have changed
     */
    Optional<List<OscArgument>> moved(Position position, int steps, String typed, long now, Cause by, boolean event) {
        boolean comes = !isShaped;
        for (int i = 0; i < shapers.size(); i++) {
            if (shapers.get(i).isPresent()) {
                comes |= shapers.get(i)
                        .get()
                        .feed(position.get(axis(i)), now, event)
                        .isPresent();
            } else {
                comes |= !(send.arguments().get(i) instanceof ArgumentSource.Fixed
                        || send.arguments().get(i) instanceof ArgumentSource.LookedUp);
            }
        }
        cause = by;
        from = position;
        return comes ? said(steps, typed) : Optional.empty();
    }

    /** What it says with what came out of its shaping last; empty while something is missing. */
    private Optional<List<OscArgument>> said(int steps, String typed) {
        for (Optional<Shaper> shaper : shapers) {
            if (shaper.isPresent() && shaper.get().last().isEmpty()) {
                return Optional.empty();
            }
        }
        return Optional.of(filled(from, steps, typed, i -> shapers.get(i).flatMap(Shaper::last)));
    }

    private List<OscArgument> filled(Position position, int steps, String typed, IntFunction<Optional<Signal>> values) {
        OscArgument[] filled = new OscArgument[fixed.size()];
        for (int i = 0; i < filled.length; i++) {
            ArgumentSource source = send.arguments().get(i);
            if (source instanceof ArgumentSource.Value value) {
                int place = i;
                filled[i] = value.type() == ArgumentType.COLOUR
                        ? colour(position)
                        : values.apply(i)
                                .map(signal -> argument(
                                        value.type(),
                                        shapers.get(place).orElseThrow().chain(),
                                        signal))
                                .orElse(OscArgument.Bare.NIL);
            } else if (source instanceof ArgumentSource.Steps turned) {
                filled[i] = number(turned.type(), steps * turned.each());
            } else if (source instanceof ArgumentSource.Typed line) {
                // what is no argument of this type is refused before it comes here
                filled[i] = FixedArgument.parse(new ArgumentSource.Fixed(line.type(), typed))
                        .argument()
                        .orElse(OscArgument.Bare.NIL);
            } else {
                filled[i] =
                        chosen.get(i).isEmpty() ? fixed.get(i) : chosen.get(i).get(form.index(position.first()));
            }
        }
        return List.of(filled);
    }

    // ---- what goes on by itself

    /** When its shaping gives something by itself; {@link DueQueue#NEVER} where it will not. */
    long due() {
        long due = DueQueue.NEVER;
        // asked at every touch, and mostly nothing takes time
        for (Optional<Shaper> shaper : takesTime ? shapers : List.<Optional<Shaper>>of()) {
            due = shaper.isPresent() ? Math.min(due, shaper.get().due()) : due;
        }
        return due;
    }

    boolean isUnderWay() {
        return due() != DueQueue.NEVER;
    }

    /** What led to what goes on by itself. */
    Cause cause() {
        return cause;
    }

    /** What its shaping gives by itself now; empty where it gives nothing. */
    Optional<List<OscArgument>> goesOn(long now, int steps, String typed) {
        return any(shaper -> shaper.due() <= now && shaper.at(now).isPresent(), steps, typed);
    }

    /** What its shaping would give in the end, now; empty where nothing is under way. */
    Optional<List<OscArgument>> finished(long now, int steps, String typed) {
        return any(shaper -> shaper.finish(now).isPresent(), steps, typed);
    }

    private Optional<List<OscArgument>> any(Predicate<Shaper> gives, int steps, String typed) {
        boolean comes = false;
        for (Optional<Shaper> shaper : shapers) {
            comes |= shaper.isPresent() && gives.test(shaper.get());
        }
        return comes ? said(steps, typed) : Optional.empty();
    }

    /** Whether each of its messages counts, though it says the same as the one before. */
    boolean saysMoments() {
        return saysMoments;
    }

    /** Nothing goes on by itself any more. */
    void stop(long now) {
        shapers.forEach(shaper -> shaper.ifPresent(s -> s.finish(now)));
    }

    /** The target says where an axis stands, while nothing is under way. */
    void reported(int axis, double position) {
        for (int i = 0; i < shapers.size(); i++) {
            if (shapers.get(i).isPresent() && axis(i) == axis && !isUnderWay()) {
                shapers.get(i).get().reported(position);
            }
        }
    }

    /** Where the control stands by what was said last: on its way, as long as its shaping takes time. */
    Position saidAt(Position position) {
        Position at = position;
        for (int i = 0; i < shapers.size() && takesTime; i++) {
            Optional<Double> back = shapers.get(i)
                    .filter(shaper -> shaper.chain().takesTime())
                    .flatMap(shaper -> shaper.last().flatMap(shaper.chain()::back));
            if (back.isPresent()) {
                at = at.with(axis(i), back.get());
            }
        }
        return at;
    }

    /** Whether what comes back tells where an axis stands. */
    boolean leadsBack(int axis) {
        return leadsBack[axis];
    }

    private boolean isWayBack(int axis) {
        for (int i = 0; i < shapers.size(); i++) {
            if (shapers.get(i).isPresent()
                    && axis(i) == axis
                    && shapers.get(i).get().chain().noWayBack().isPresent()) {
                return false;
            }
        }
        return true;
    }

    /**
     * What came out of the steps of its arguments last.
     *
     * @param number of this send in its control, from 0
     */
    Stream<Trace.Stages> stages(int number) {
        return IntStream.range(0, shapers.size())
                .filter(i -> shapers.get(i).isPresent())
                .mapToObj(i -> new Trace.Stages(number, i, stages(shapers.get(i).orElseThrow(), i)));
    }

    private List<Trace.Stage> stages(Shaper shaper, int argument) {
        List<Trace.Stage> stages = new ArrayList<>();
        List<ShapingStep> steps = shaper.chain().steps();
        ArgumentType type = send.arguments().get(argument).type();
        boolean isWhole = type == ArgumentType.INT32 || type == ArgumentType.INT64;
        for (int i = 0; i < steps.size() && shaper.stages().get(i).isPresent(); i++) {
            Signal out = shaper.stages().get(i).get();
            stages.add(new Trace.Stage(
                    Chain.figures(out, isWhole && i == steps.size() - 1),
                    out.isNumber() ? Optional.of(out.number()) : Optional.empty()));
        }
        return stages;
    }

    /** The step of its shaping that keeps what came in last. */
    Optional<ShapingStep> keptBy() {
        return shapers.stream()
                .flatMap(Optional::stream)
                .flatMap(shaper -> shaper.keptBy().stream())
                .findFirst();
    }

    /** Why a typed line cannot be sent; empty where it can. */
    Optional<String> refusal(String typed) {
        return send.arguments().stream()
                .filter(ArgumentSource.Typed.class::isInstance)
                .flatMap(line -> FixedArgument.parse(new ArgumentSource.Fixed(line.type(), typed)).problem().stream())
                .findFirst();
    }

    /** What was to go out did not: the same value is worth sending again. */
    void forgetLast() {
        last = Optional.empty();
    }

    /** Notes what goes out; false where it is what went out before. */
    boolean differsFromLast(List<OscArgument> arguments) {
        boolean differs = last.filter(arguments::equals).isEmpty();
        last = Optional.of(arguments);
        return differs;
    }

    /** What came out of a chain, as an argument of a type that is not a colour. */
    static OscArgument argument(ArgumentType type, Chain chain, Signal signal) {
        return switch (type) {
            case BOOLEAN -> signal.number() >= 0.5 ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE;
            case TEXT -> new OscArgument.Text(chain.text(signal, false));
            default -> number(type, signal.number());
        };
    }

    private static OscArgument number(ArgumentType type, double value) {
        return switch (type) {
            case FLOAT32 -> new OscArgument.Float32(
                    (float) Math.max(-Float.MAX_VALUE, Math.min(Float.MAX_VALUE, value)));
            case FLOAT64 -> new OscArgument.Float64(Math.max(-Double.MAX_VALUE, Math.min(Double.MAX_VALUE, value)));
                // rounded, not cut: 0.07 of 100 is 7 even where the product is 6.99…; and at the end of the type, not
                // round it
            case INT32 -> new OscArgument.Int32(
                    (int) Math.max(Integer.MIN_VALUE, Math.min(Integer.MAX_VALUE, Math.round(value))));
            case INT64 -> new OscArgument.Int64(Math.round(value));
            case BOOLEAN -> value > 0 ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE;
            case TEXT -> new OscArgument.Text(new OscArgument.Float64(value).text());
                // only a colour control has such an argument, and that is made of its three axes
            case COLOUR -> throw new IllegalArgumentException("A number is no colour");
        };
    }

    /** Red, green and blue from the top, and fully opaque (OSC 1.0, type r). */
    private static OscArgument colour(Position position) {
        int rgba = 0;
        for (int axis = 0; axis < 3; axis++) {
            rgba = rgba << 8 | (int) Math.round(Math.max(0, Math.min(1, position.get(axis))) * 255);
        }
        return new OscArgument.Rgba(rgba << 8 | 0xff);
    }
}
