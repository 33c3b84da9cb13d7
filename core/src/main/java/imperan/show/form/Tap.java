package imperan.show.form;

import imperan.show.PartRules;
import java.util.Optional;

/**
 * A key that is tapped in time: its position is the tempo of the taps.
 *
 * @param slowest beats a minute at position 0, {@code fastest} at 1
 */
public record Tap(double slowest, double fastest) implements Form {
    @Override
    public String called() {
        return "tap";
    }

    @Override
    public void check(PartRules rules) {
        if (!(slowest >= 1 && fastest <= 1000 && slowest < fastest)) {
            rules.problem("form/fastest", "The tempo goes from at least 1 to at most 1000 beats a minute");
        }
    }

    @Override
    public boolean restsOnDemand() {
        return false;
    }

    /** To the tempo of the taps, once there are two. */
    @Override
    public Position press(Position at, Finger finger, HandMemory memory, long now) {
        return memory.tempo.tapped(now).stream()
                .mapToObj(beats -> Position.of(Position.clamp((beats - slowest) / (fastest - slowest))))
                .findFirst()
                .orElse(at);
    }

    /** Beats a minute, whatever its sends make of them. */
    @Override
    public Optional<String> text(Position at, String typed) {
        return Optional.of(String.valueOf(Math.round(beats(at))));
    }

    private double beats(Position at) {
        return slowest + at.first() * (fastest - slowest);
    }

    /** To twice the tempo, or to half of it; where that is beyond the fastest or the slowest, it stays. */
    @Override
    public Position step(Position at, double right, double up, HandMemory memory) {
        double beats = beats(at) * (right + up > 0 ? 2 : 0.5);
        return beats < slowest || beats > fastest ? at : Position.of((beats - slowest) / (fastest - slowest));
    }

    @Override
    public Size onPhone() {
        return new Size(2, 1);
    }
}
