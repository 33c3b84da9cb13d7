package imperan.live;

import imperan.osc.OscArgument;
import imperan.shaping.Chain;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.FixedArgument;
import imperan.show.Send;
import imperan.show.form.Form;
import imperan.show.form.Position;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A send made ready once, when it is edited, so that a touch only fills in its numbers. */
final class CompiledSend {

    private final Send send;
    private final List<OscArgument> fixed = new ArrayList<>();
    /** For each argument that is chosen: what each option says. */
    private final List<List<OscArgument>> chosen = new ArrayList<>();
    /** For each argument: the way from the control to it; that of others than values is not gone. */
    private final List<Chain> chains;
    private final boolean[] carried;
    private final double[] tolerances;
    private final Form form;
    private Optional<List<OscArgument>> last = Optional.empty();
    private Expectation expectation = Expectation.UNTOLD;

    CompiledSend(Send send, Form form) {
        this.send = send;
        this.form = form;
        this.carried = new boolean[form.axes()];
        this.tolerances = new double[form.axes()];
        for (int axis = 0; axis < carried.length; axis++) {
            carried[axis] = isCarried(axis);
        }
        this.chains = send.arguments().stream().map(argument -> argument instanceof ArgumentSource.Value value ? value.chain() : Chain.UNIT).toList();
        for (ArgumentSource source : send.arguments()) {
            fixed.add(source instanceof ArgumentSource.Fixed f
                    ? FixedArgument.parse(f).argument().orElseThrow() : OscArgument.Bare.NIL);
            chosen.add(source instanceof ArgumentSource.Chosen c ? form.options().stream()
                    .map(option -> FixedArgument.parse(new ArgumentSource.Fixed(c.type(), option.text())).argument().orElseThrow()).toList()
                    : List.of());
        }
    }

    Send send() {
        return send;
    }

    /** What a send of a control of this form says where the control stands somewhere. */
    static List<OscArgument> says(Send send, Form form, Position position, int steps, String typed) {
        return new CompiledSend(send, form).arguments(position, steps, typed);
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
        return send.arguments().stream().anyMatch(a -> a instanceof ArgumentSource.Value value && (value.axis() == axis || value.type() == ArgumentType.COLOUR))
                || send.arguments().stream().noneMatch(ArgumentSource.Value.class::isInstance);
    }

    /** How far what is heard of an axis may be from where it stands, as a share of its way. */
    double tolerance(int axis) {
        return tolerances[axis];
    }

    /** The argument that carries an axis alone; empty where none does. */
    private Optional<ArgumentSource.Value> value(int axis) {
        return send.arguments().stream().filter(ArgumentSource.Value.class::isInstance).map(ArgumentSource.Value.class::cast)
                .filter(value -> value.axis() == axis && value.type() != ArgumentType.COLOUR).findFirst();
    }

    /**
     * @param steps of a wheel, just now
     * @param typed the line that was typed last
     */
    List<OscArgument> arguments(Position position, int steps, String typed) {
        OscArgument[] filled = new OscArgument[fixed.size()];
        for (int i = 0; i < filled.length; i++) {
            ArgumentSource source = send.arguments().get(i);
            if (source instanceof ArgumentSource.Value value) {
                filled[i] = value.type() == ArgumentType.COLOUR ? colour(position) : argument(value.type(), chains.get(i), position.get(value.axis()));
            } else if (source instanceof ArgumentSource.Steps turned) {
                filled[i] = number(turned.type(), steps * turned.each());
            } else if (source instanceof ArgumentSource.Typed line) {
                // what is no argument of this type is refused before it comes here
                filled[i] = FixedArgument.parse(new ArgumentSource.Fixed(line.type(), typed)).argument().orElse(OscArgument.Bare.NIL);
            } else {
                filled[i] = chosen.get(i).isEmpty() ? fixed.get(i) : chosen.get(i).get(form.index(position.first()));
            }
        }
        return List.of(filled);
    }

    /** Why a typed line cannot be sent; empty where it can. */
    Optional<String> refusal(String typed) {
        return send.arguments().stream().filter(ArgumentSource.Typed.class::isInstance)
                .flatMap(line -> FixedArgument.parse(new ArgumentSource.Fixed(line.type(), typed)).problem().stream()).findFirst();
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

    private static OscArgument argument(ArgumentType type, Chain chain, double position) {
        return switch (type) {
            case BOOLEAN -> position >= 0.5 ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE;
            case TEXT -> new OscArgument.Text(chain.text(position, false));
            default -> number(type, chain.there(position));
        };
    }

    private static OscArgument number(ArgumentType type, double value) {
        return switch (type) {
            case FLOAT32 -> new OscArgument.Float32((float) Math.max(-Float.MAX_VALUE, Math.min(Float.MAX_VALUE, value)));
            case FLOAT64 -> new OscArgument.Float64(Math.max(-Double.MAX_VALUE, Math.min(Double.MAX_VALUE, value)));
            // rounded, not cut: 0.07 of 100 is 7 even where the product is 6.99…; and at the end of the type, not round it
            case INT32 -> new OscArgument.Int32((int) Math.max(Integer.MIN_VALUE, Math.min(Integer.MAX_VALUE, Math.round(value))));
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
