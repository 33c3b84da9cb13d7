package imperan.track;

import java.util.List;
import java.util.Optional;

/**
 * Where the beats of a song lie, at one tempo.
 *
 * @param beatsPerMinute {@value #LEAST} to {@value #MOST}
 * @param firstBeat      seconds from the start of the track
 */
public record BeatGrid(double beatsPerMinute, double firstBeat) {

    public static final double LEAST = 20;
    public static final double MOST = 400;
    /** Taps further apart begin anew. */
    private static final double MOST_BETWEEN_TAPS = 60 / LEAST;

    /** How long a beat is, in seconds. */
    public double beat() {
        return 60 / beatsPerMinute;
    }

    /** The beat that is nearest to a time. */
    public double nearest(double seconds) {
        return Math.max(0, firstBeat + Math.rint((seconds - firstBeat) / beat()) * beat());
    }

    /**
     * The tempo that was tapped, and the beat it was tapped on: the straight line that is nearest to all taps. Empty for fewer than two, or where their tempo is out of bounds.
     *
     * @param taps seconds in the track, rising
     */
    public static Optional<BeatGrid> tapped(List<Double> taps) {
        int first = taps.size() - 1;
        while (first > 0
                && taps.get(first) - taps.get(first - 1) > 0
                && taps.get(first) - taps.get(first - 1) <= MOST_BETWEEN_TAPS) {
            first--;
        }
        List<Double> counted = taps.subList(Math.max(first, 0), taps.size());
        int n = counted.size();
        if (n < 2) {
            return Optional.empty();
        }
        double middle = (n - 1) / 2.0;
        double mean =
                counted.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        double over = 0;
        double under = 0;
        for (int i = 0; i < n; i++) {
            over += (i - middle) * (counted.get(i) - mean);
            under += (i - middle) * (i - middle);
        }
        double beat = over / under;
        double tempo = 60 / beat;
        if (!(tempo >= LEAST && tempo <= MOST)) {
            return Optional.empty();
        }
        double tappedFirst = mean - middle * beat;
        return Optional.of(new BeatGrid(tempo, tappedFirst - Math.floor(tappedFirst / beat) * beat));
    }
}
