package imperan.proof.run;

import imperan.live.Line;
import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.form.Position;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What may be said at a venue: values near the one that stands there, and nothing where that is zero. */
final class AtVenue {

    /** How far from the present value, as a share of the range. */
    static final double SHARE = 0.05;

    private AtVenue() {
    }

    /**
     * @param stands the arguments of the line as the target said that they stand
     * @return empty where nothing may be said
     */
    static List<Line> near(PlannedLine line, List<OscArgument> stands) {
        double[] axes = new double[line.form().axes()];
        for (int i = 0; i < line.send().arguments().size(); i++) {
            if (line.send().arguments().get(i) instanceof ArgumentSource.Value value) {
                Optional<Double> number = Spelling.number(stands.get(i));
                Optional<Double> position = number.flatMap(n -> value.chain().back(n)).map(p -> Math.max(0, Math.min(1, p)));
                if (position.isEmpty() || isZero(number.get(), value)) {
                    return List.of();
                }
                axes[value.axis()] = position.get();
            }
        }
        List<Line> lines = new ArrayList<>();
        for (double step : new double[] {SHARE, -SHARE, SHARE / 2, -SHARE / 2}) {
            double[] moved = new double[axes.length];
            for (int axis = 0; axis < axes.length; axis++) {
                moved[axis] = axes[axis] + step;
            }
            Line near = Line.of(line.control(), line.send(), line.form(), Position.of(moved), 0, "", line.targetName());
            boolean within = Position.of(moved).equals(Position.of(clamped(moved)));
            if (within && lines.size() < 2 && !near.arguments().equals(stands)) {
                lines.add(near);
            }
        }
        return lines;
    }

    /** What the line says somewhere: the arguments that do not vary, and the types of those that do. */
    static List<OscArgument> example(PlannedLine line) {
        return Line.of(line.control(), line.send(), line.form(), Position.rest(line.form()), 0, "", line.targetName()).arguments();
    }

    private static double[] clamped(double[] axes) {
        double[] clamped = axes.clone();
        for (int axis = 0; axis < clamped.length; axis++) {
            clamped[axis] = Math.max(0, Math.min(1, clamped[axis]));
        }
        return clamped;
    }

    /** At zero, or at the lower end of its range: off, silent, dark. */
    private static boolean isZero(double number, ArgumentSource.Value value) {
        double low = Math.min(value.low(), value.high());
        return low >= 0 && number <= low;
    }
}
