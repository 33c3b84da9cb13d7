package imperan.track;

import java.util.List;
import java.util.Optional;

/**
 * A place in a track with a name, as it was read from a file.
 *
 * @param seconds from the start
 * @param length  of a section, in seconds; 0 for a place
 */
public record Marker(String name, double seconds, double length) {

    public static Marker at(double seconds, String name) {
        return new Marker(name, seconds, 0);
    }

    /** What came of reading a file. */
    public sealed interface Read {

        /**
         * @param markers by their times
         * @param notes   what was not taken, each one sentence
         */
        record Good(List<Marker> markers, List<String> notes) implements Read {}

        /**
         * @param place of the fault, in bytes from the start of the file, where there is one
         */
        record Bad(String reason, Optional<Long> place) implements Read {
            static Bad at(long place, String reason) {
                return new Bad(reason + " (byte " + place + ")", Optional.of(place));
            }
        }
    }
}
