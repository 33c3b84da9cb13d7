package imperan.wire;

import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;

import java.util.ArrayList;
import java.util.List;

/**
 * One number of one address as it went over time, out or in.
 *
 * @param source   the other end, as {@link WireRecord#source} has it
 * @param argument which of its arguments, from 0
 */
public record PlotLine(boolean out, String source, String address, int argument) {

    /** @param atMillis in milliseconds since 1970 */
    public record Point(double atMillis, double value) {
    }

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
            if (record.out() == out && record.source().equals(source) && (!out || record.reason().isEmpty())) {
                for (OscMessage message : record.messages()) {
                    if (message.address().equals(address) && argument >= 0 && argument < message.arguments().size()) {
                        OscArgument said = message.arguments().get(argument);
                        Spelling.number(said).ifPresent(number -> {
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
