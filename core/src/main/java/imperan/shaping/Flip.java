package imperan.shaping;

import java.util.Optional;

/** Turned over: the lowest that can come in becomes the highest, and the other way round. */
public record Flip() implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return Bend.problem(in);
    }

    @Override
    public Span span(Span in) {
        return in;
    }

    @Override
    public double there(double number, Span in) {
        return in.low() + in.high() - number;
    }

    @Override
    public double back(double out, Span in) {
        return there(out, in);
    }
}
