package imperan.show.form;

import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;

/** Where a control stands on each of its axes, 0 to 1; NaN on an axis of which nothing is known. A value: it never changes. */
public final class Position {

    /** A position that differs by no more is the same: a target that answers in 32 bits rounds as much away. */
    static final double ROUNDED = 1e-6;

    private final double[] axes;

    private Position(double[] axes) {
        this.axes = axes;
    }

    public static Position of(double... axes) {
        return new Position(axes.clone());
    }

    public static Position of(List<Double> axes) {
        return new Position(axes.stream().mapToDouble(Double::doubleValue).toArray());
    }

    /** The rest position of a form. */
    public static Position rest(Form form) {
        return all(form.axes(), form.rest());
    }

    /** Of which nothing is known. */
    public static Position unknown(Form form) {
        return all(form.axes(), Double.NaN);
    }

    /** The same on every axis. */
    static Position all(int axes, double value) {
        double[] filled = new double[axes];
        Arrays.fill(filled, value);
        return new Position(filled);
    }

    /** A place on the way; what is nearer to an end than a target can tell is the end. */
    public static double clamp(double position) {
        return position < ROUNDED ? 0 : position > 1 - ROUNDED ? 1 : position;
    }

    public double get(int axis) {
        return axis < axes.length ? axes[axis] : Double.NaN;
    }

    public double first() {
        return axes[0];
    }

    public int axes() {
        return axes.length;
    }

    public Position with(int axis, double value) {
        double[] changed = axes.clone();
        changed[axis] = value;
        return new Position(changed);
    }

    /** This one, and the other where that is known. */
    public Position filledBy(Position other) {
        double[] filled = axes.clone();
        for (int axis = 0; axis < filled.length; axis++) {
            double known = other.get(axis);
            filled[axis] = Double.isNaN(known) ? filled[axis] : known;
        }
        return new Position(filled);
    }

    /** The nearest position that the form has, on as many axes as it has. */
    public Position snapped(Form form) {
        double[] snapped = new double[form.axes()];
        for (int axis = 0; axis < snapped.length; axis++) {
            double value = get(axis);
            snapped[axis] = Double.isNaN(value) ? form.rest() : form.snapped(value);
        }
        return new Position(snapped);
    }

    public boolean isUnknown() {
        return DoubleStream.of(axes).allMatch(Double::isNaN);
    }

    /** Whether no axis on which both are known is farther off than these. */
    public boolean agrees(Position other, double[] tolerances) {
        for (int axis = 0; axis < axes.length; axis++) {
            if (Math.abs(axes[axis] - other.get(axis)) > tolerances[axis]) {
                return false;
            }
        }
        return true;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Position position && Arrays.equals(axes, position.axes);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(axes);
    }

    @Override
    public String toString() {
        return Arrays.toString(axes);
    }
}
