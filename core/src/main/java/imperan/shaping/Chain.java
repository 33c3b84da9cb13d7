package imperan.shaping;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;

/** The steps between a control's position, 0 to 1, and an argument, in order. It knows its way back where each of its steps has one. */
public record Chain(List<Step> steps) {

    /** Positions as they are. */
    public static final Chain UNIT = scale(0, 1);

    public Chain {
        steps = List.copyOf(steps);
    }

    /** From position 0 and 1 to the ends of a range. */
    public static Chain scale(double low, double high) {
        return new Chain(List.of(new Scale(low, high)));
    }

    /** The argument at a position. */
    public double there(double position) {
        double value = position;
        for (Step step : steps) {
            value = step.there(value);
        }
        return value;
    }

    /** The position of an argument; empty where a step has no way back. */
    public Optional<Double> back(double argument) {
        double value = argument;
        for (int i = steps.size() - 1; i >= 0; i--) {
            if (!steps.get(i).leadsBack()) {
                return Optional.empty();
            }
            value = steps.get(i).back(value);
        }
        return Optional.of(value);
    }

    /** How far the arguments of the two ends are apart at most, in the argument's own unit. */
    public double range() {
        double way = 1;
        for (Step step : steps) {
            way = step.width(way);
        }
        return way;
    }

    /** The argument with as many decimals as make a two-hundredth of the range visible. */
    public String text(double position, boolean whole) {
        int decimals = whole ? 0 : (int) Math.max(0, Math.min(6, Math.ceil(-Math.log10(range() / 200))));
        // a formatter takes several times as long, and every value that is shown comes by here
        return BigDecimal.valueOf(Math.max(-Double.MAX_VALUE, Math.min(Double.MAX_VALUE, there(position)))).setScale(decimals, RoundingMode.HALF_UP).toPlainString();
    }
}
