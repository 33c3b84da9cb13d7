package imperan.track;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The cue points of a WAV file with their labels and lengths (Multimedia Programming Interface and Data Specifications 1.0: RIFF, chunks {@code cue }, and in a
 * list {@code adtl} {@code labl} and {@code ltxt}).
 */
public final class WavMarkers {

    private static final int MOST_MARKERS = 10_000;
    private static final int POINT = 24;

    private record Point(long id, long frame) {}

    private WavMarkers() {}

    /** Whether bytes begin as such a file does. */
    public static boolean isOne(ByteBuffer bytes) {
        return bytes.limit() >= 12
                && type(bytes, 0).equals("RIFF")
                && type(bytes, 8).equals("WAVE");
    }

    private static String type(ByteBuffer bytes, int at) {
        return new String(bytes(bytes, at, 4), StandardCharsets.ISO_8859_1);
    }

    private static byte[] bytes(ByteBuffer file, int at, int length) {
        byte[] bytes = new byte[length];
        file.get(at, bytes);
        return bytes;
    }

    /** @param whole the file, from 0 to its limit; its sound is stepped over */
    public static Marker.Read read(ByteBuffer whole) {
        ByteBuffer file = whole.duplicate().order(ByteOrder.LITTLE_ENDIAN);
        if (!isOne(file)) {
            return Marker.Read.Bad.at(0, "This is no WAV file: it would begin with “RIFF”");
        }
        List<Point> points = new ArrayList<>();
        Map<Long, String> labels = new HashMap<>();
        Map<Long, Long> lengths = new HashMap<>();
        long rate = 0;
        for (int at = 12; at + 8 <= file.limit(); ) {
            String type = type(file, at);
            long length = Integer.toUnsignedLong(file.getInt(at + 4));
            int from = at + 8;
            if (length > file.limit() - from) {
                return Marker.Read.Bad.at(at, "The part “" + type.strip() + "” of this WAV file goes beyond its end");
            }
            int end = from + (int) length;
            if (type.equals("fmt ") && length >= 16) {
                rate = Integer.toUnsignedLong(file.getInt(from + 4));
            } else if (type.equals("cue ")) {
                long count = length < 4 ? -1 : Integer.toUnsignedLong(file.getInt(from));
                if (count < 0 || count > (length - 4) / POINT) {
                    return Marker.Read.Bad.at(from, "This WAV file counts more cue points than it holds");
                } else if (points.size() + count > MOST_MARKERS) {
                    return Marker.Read.Bad.at(from, "This WAV file has more than " + MOST_MARKERS + " cue points");
                }
                for (int i = 0; i < count; i++) {
                    int point = from + 4 + i * POINT;
                    points.add(new Point(
                            Integer.toUnsignedLong(file.getInt(point)),
                            Integer.toUnsignedLong(file.getInt(point + 20))));
                }
            } else if (type.equals("LIST") && length >= 4 && type(file, from).equals("adtl")) {
                names(file, from + 4, end, labels, lengths);
            }
            // parts begin at even places
            at = end + (int) (length & 1);
        }
        if (rate == 0) {
            return Marker.Read.Bad.at(12, "This WAV file does not say how many samples there are to a second");
        }
        double samples = rate;
        List<Marker> found = points.stream()
                .sorted(Comparator.comparingLong(Point::frame))
                .map(point -> new Marker(
                        labels.getOrDefault(point.id, ""),
                        point.frame / samples,
                        lengths.getOrDefault(point.id, 0L) / samples))
                .toList();
        return new Marker.Read.Good(found, found.isEmpty() ? List.of("This WAV file has no cue points") : List.of());
    }

    private static void names(ByteBuffer file, int from, int end, Map<Long, String> labels, Map<Long, Long> lengths) {
        for (int at = from; at + 8 <= end; ) {
            String type = type(file, at);
            long length = Integer.toUnsignedLong(file.getInt(at + 4));
            int inner = at + 8;
            if (length > end - inner) {
                return;
            }
            if (type.equals("labl") && length >= 4) {
                labels.put(
                        Integer.toUnsignedLong(file.getInt(inner)),
                        MidiMarkers.text(bytes(file, inner + 4, (int) length - 4), 0, (int) length - 4));
            } else if (type.equals("ltxt") && length >= 8) {
                lengths.put(Integer.toUnsignedLong(file.getInt(inner)), Integer.toUnsignedLong(file.getInt(inner + 4)));
            }
            at = inner + (int) (length + (length & 1));
        }
    }
}
