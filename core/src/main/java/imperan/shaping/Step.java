package imperan.shaping;

/** One step of a {@link Chain}: a number becomes another one. */
public sealed interface Step permits Scale {

    double there(double in);

    /** Whether what comes out tells what went in. */
    boolean leadsBack();

    /** What went in, where it leads back; values that never come out are taken for the nearest that do. */
    double back(double out);

    /** How far apart two numbers that are a whole way apart come out at most. */
    double width(double way);
}
