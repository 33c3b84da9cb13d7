package imperan.wire;

import imperan.live.Spelling;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One number of one address as it went over time, out or in.
 *
 * @param source   the other end, as {@link WireRecord#source} has it
 * @param argument which of its arguments, from 0; {@link #POSITION} for where the control stood that said it, 0 to 1
 */
public record PlotLine(boolean out, String source, String address, int argument) {

    /** What was before a message: where its control stood. */
    public static final int POSITION = -1;

    /** @param atMillis in milliseconds since 1970 */
    public record Point(double atMillis, double value) {}

    /**
     * The numbers in packets that left or came.
     *
     * @param packets oldest first
     * @param from    only those from then on, in nanoseconds since 1970, and the one before them, which stood until then
     * @param most    points; of more, the least and the greatest of each stretch are taken, so that no peak is lost
     */
    public List<Point> points(List<WireRecord> packets, long from, int most) {
        List<Point> points = new ArrayList<>();
        for (WireRecord record : packets) {
            if (record.out() == out
                    && record.source().equals(source)
                    && (!out || record.reason().isEmpty())) {
                List<OscMessage> messages = record.messages();
                for (int i = 0; i < messages.size(); i++) {
                    if (messages.get(i).address().equals(address)) {
                        number(record, i, messages.get(i)).ifPresent(number -> {
                            if (record.at() < from) {
                                points.clear();
                            }
                            points.add(new Point(record.at() / 1e6, number));
                        });
                    }
                }
            }
        }
        return points.size() <= most ? points : thinned(points, most);
    }

    /** @param place of the message in its packet */
    private Optional<Double> number(WireRecord record, int place, OscMessage message) {
        if (argument == POSITION) {
            return place < record.positions().size()
                    ? Optional.of(record.positions().get(place))
                    : Optional.empty();
        }
        return argument >= 0 && argument < message.arguments().size()
                ? Spelling.number(message.arguments().get(argument))
                : Optional.empty();
    }

    private static List<Point> thinned(List<Point> points, int most) {
        int stretch = (points.size() + most / 2 - 1) / (most / 2);
        List<Point> thinned = new ArrayList<>();
        for (int from = 0; from < points.size(); from += stretch) {
            Point least = points.get(from);
            Point greatest = least;
            for (Point point : points.subList(from, Math.min(points.size(), from + stretch))) {
                least = point.value() < least.value() ? point : least;
                greatest = point.value() > greatest.value() ? point : greatest;
            }
            boolean rises = least.atMillis() <= greatest.atMillis();
            thinned.add(rises ? least : greatest);
            if (!least.equals(greatest)) {
                thinned.add(rises ? greatest : least);
            }
        }
        return thinned;
    }
}
