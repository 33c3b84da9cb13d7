package imperan.proof.run;

import imperan.live.Line;
import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.proof.report.Obstacle;
import imperan.show.ArgumentSource;
import imperan.show.ProofRule;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What may be said at a venue: values near the one that stands there, or those that its phrase allows, and nothing that raises from zero or unmutes. */
final class AtVenue {

    /** How far from the present value at most, as a share of the range. */
    static final double SHARE = 0.05;
    /** How far each is; who keeps steps of an 8th, a 20th, a 32nd or a 64th of the range is on none of them twice. */
    private static final double[] NEAR = {0.0453, -0.0372, 0.0226, -0.0186};

    private AtVenue() {}

    /**
     * Why nothing may be said, as it stands; empty where something may.
     *
     * @param stands the arguments of the line as the target said that they stand
     */
    static Optional<Obstacle> obstacle(PlannedLine line, List<OscArgument> stands) {
        if (!line.silences().isEmpty()) {
            boolean silent = line.silences().stream()
                    .anyMatch(text -> stands.stream().anyMatch(argument -> Spelling.means(argument, text)));
            return silent ? Optional.of(Obstacle.SILENCES) : Optional.empty();
        }
        for (int i = 0; i < line.send().arguments().size(); i++) {
            if (line.send().arguments().get(i) instanceof ArgumentSource.Value value
                    && Spelling.number(stands.get(i))
                            .filter(number -> isZero(number, value))
                            .isPresent()) {
                return Optional.of(Obstacle.AT_ZERO);
            }
        }
        return Optional.empty();
    }

    /** What may be said, as it stands; empty where nothing may. */
    static List<Line> says(PlannedLine line, List<OscArgument> stands) {
        ProofRule rule = line.rule();
        return obstacle(line, stands).isPresent()
                ? List.of()
                : rule.sweep()
                        ? line.says()
                        : rule.low().isPresent()
                                ? between(line, rule.low().get(), rule.high().orElseThrow())
                                : near(line, stands);
    }

    /** The ends and the middle of the values that a proof may say; those that the line cannot say are left out. */
    private static List<Line> between(PlannedLine line, double low, double high) {
        List<Line> lines = new ArrayList<>();
        for (double number : new double[] {low, high, (low + high) / 2}) {
            double[] axes = new double[line.form().axes()];
            boolean within = true;
            for (ArgumentSource source : line.send().arguments()) {
                if (source instanceof ArgumentSource.Value value) {
                    Optional<Double> position = value.chain().back(number).filter(at -> at >= 0 && at <= 1);
                    within &= position.isPresent();
                    axes[value.axis()] = position.orElse(0.0);
                }
            }
            if (within) {
                lines.add(at(line, axes));
            }
        }
        return lines;
    }

    private static Line at(PlannedLine line, double[] axes) {
        return Line.of(line.control(), line.send(), line.form(), Position.of(axes), 0, "", line.targetName());
    }

    private static List<Line> near(PlannedLine line, List<OscArgument> stands) {
        double[] axes = new double[line.form().axes()];
        for (int i = 0; i < line.send().arguments().size(); i++) {
            if (line.send().arguments().get(i) instanceof ArgumentSource.Value value) {
                Optional<Double> position = Spelling.number(stands.get(i))
                        .flatMap(n -> value.chain().back(n))
                        .map(p -> Math.max(0, Math.min(1, p)));
                if (position.isEmpty()) {
                    return List.of();
                }
                axes[value.axis()] = position.get();
            }
        }
        List<Line> lines = new ArrayList<>();
        for (double step : NEAR) {
            double[] moved = new double[axes.length];
            for (int axis = 0; axis < axes.length; axis++) {
                moved[axis] = axes[axis] + step;
            }
            Line near = at(line, moved);
            boolean within = Position.of(moved).equals(Position.of(clamped(moved)));
            if (within && lines.size() < 2 && !near.arguments().equals(stands)) {
                lines.add(near);
            }
        }
        return lines;
    }

    /** What the line says somewhere: the arguments that do not vary, and the types of those that do. */
    static List<OscArgument> example(PlannedLine line) {
        return Line.of(line.control(), line.send(), line.form(), Position.rest(line.form()), 0, "", line.targetName())
                .arguments();
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
        double low = value.chain().out().low();
        return low >= 0 && number <= low;
    }
}
