package imperan.track;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Times as people write them: {@code 12.5}, {@code 12,5}, {@code 1:02.5}, {@code 1:00:02.5} or {@code 01:00:02:12}. */
public final class Time {

    /** A day, in seconds. */
    public static final double DAY = 86_400;

    private static final Pattern CLOCK = Pattern.compile("(?:(?:(\\d{1,3}):)?(\\d{1,4}):)?(\\d{1,9}(?:[.,]\\d{1,9})?)");

    /** What came of reading a text. */
    public sealed interface Read<T> {

        record Good<T>(T value) implements Read<T> {}

        /** @param reason one sentence with the text at fault */
        record Bad<T>(String reason) implements Read<T> {}
    }

    private Time() {}

    /**
     * Seconds.
     *
     * @param rate by which frames are counted, where there are any
     */
    public static Read<Double> seconds(String text, FrameRate rate) {
        String trimmed = text.strip();
        if (Timecode.isShaped(trimmed)) {
            Read<Long> frame = Timecode.frame(trimmed, rate);
            return frame instanceof Read.Good<Long> good
                    ? new Read.Good<>(rate.seconds(good.value()))
                    : new Read.Bad<>(((Read.Bad<Long>) frame).reason());
        }
        Matcher parts = CLOCK.matcher(trimmed);
        if (!parts.matches()) {
            return new Read.Bad<>(
                    "“" + trimmed
                            + "” is no time: write seconds such as 12.5, minutes such as 1:02.5, or frames such as 00:01:02:12");
        }
        double seconds = Double.parseDouble(parts.group(3).replace(',', '.'));
        int minutes = parts.group(2) == null ? 0 : Integer.parseInt(parts.group(2));
        int hours = parts.group(1) == null ? 0 : Integer.parseInt(parts.group(1));
        if (parts.group(2) != null && seconds >= 60 || parts.group(1) != null && minutes > 59) {
            return new Read.Bad<>("“" + trimmed + "”: minutes and seconds are counted 00 to 59");
        }
        double whole = 3600.0 * hours + 60.0 * minutes + seconds;
        return whole > DAY ? new Read.Bad<>("“" + trimmed + "” is more than a day") : new Read.Good<>(whole);
    }

    /** Minutes, seconds and milliseconds, with hours where there are any. */
    public static String text(double seconds) {
        long millis = BigDecimal.valueOf(seconds)
                .movePointRight(3)
                .setScale(0, RoundingMode.HALF_UP)
                .longValue();
        long whole = millis / 1000;
        return whole < 3600
                ? String.format("%d:%02d.%03d", whole / 60, whole % 60, millis % 1000)
                : String.format("%d:%02d:%02d.%03d", whole / 3600, whole / 60 % 60, whole % 60, millis % 1000);
    }
}
