package imperan.track;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Frames as {@code hh:mm:ss:ff}, as SMPTE ST 12-1 counts them; a semicolon before the frames is taken, too. */
public final class Timecode {

    private static final Pattern FORM = Pattern.compile("(\\d{1,2}):(\\d{1,2}):(\\d{1,2})[:;](\\d{1,2})");
    /** In a minute, where numbers are left out. */
    private static final int LEFT_OUT = 2;

    private Timecode() {}

    /** Whether a text has the shape of one, right or wrong. */
    static boolean isShaped(String text) {
        return FORM.matcher(text).matches();
    }

    /** How many frames went before. */
    public static Time.Read<Long> frame(String text, FrameRate rate) {
        Matcher parts = FORM.matcher(text.strip());
        if (!parts.matches()) {
            return new Time.Read.Bad<>("“" + text.strip()
                    + "” is no time code: it is written as hours:minutes:seconds:frames, such as 00:01:30:12");
        }
        int hours = Integer.parseInt(parts.group(1));
        int minutes = Integer.parseInt(parts.group(2));
        int seconds = Integer.parseInt(parts.group(3));
        int frames = Integer.parseInt(parts.group(4));
        Optional<String> fault = fault(hours, minutes, seconds, frames, rate);
        if (fault.isPresent()) {
            return new Time.Read.Bad<>("“" + text.strip() + "”: " + fault.get());
        }
        long counted = (3_600L * hours + 60L * minutes + seconds) * rate.counted() + frames;
        long minutesBefore = 60L * hours + minutes;
        return new Time.Read.Good<>(
                rate.isDrop() ? counted - LEFT_OUT * (minutesBefore - minutesBefore / 10) : counted);
    }

    private static Optional<String> fault(int hours, int minutes, int seconds, int frames, FrameRate rate) {
        if (hours > 23) {
            return Optional.of("time code counts 24 hours, 00 to 23");
        } else if (minutes > 59 || seconds > 59) {
            return Optional.of("minutes and seconds are counted 00 to 59");
        } else if (frames >= rate.counted()) {
            return Optional.of("at " + rate.called() + " frames are counted 00 to " + (rate.counted() - 1));
        } else if (rate.isDrop() && minutes % 10 != 0 && seconds == 0 && frames < LEFT_OUT) {
            return Optional.of(String.format(
                    "drop-frame counting leaves this number out; the next one is %02d:%02d:00:02", hours, minutes));
        }
        return Optional.empty();
    }

    /** The number of a frame, from 0; a day goes round. */
    public static String text(long frame, FrameRate rate) {
        long tenMinutes = rate.isDrop() ? 600L * rate.counted() - 9 * LEFT_OUT : 600L * rate.counted();
        long within = Math.floorMod(frame, 144 * tenMinutes);
        long number = within;
        if (rate.isDrop()) {
            long minute = 60L * rate.counted() - LEFT_OUT;
            long tens = within / tenMinutes;
            long rest = within % tenMinutes;
            // the first minute of ten has all its numbers
            long minutes = rest < 60L * rate.counted() ? 0 : 1 + (rest - 60L * rate.counted()) / minute;
            number += LEFT_OUT * (9 * tens + minutes);
        }
        long seconds = number / rate.counted();
        return String.format(
                "%02d:%02d:%02d%s%02d",
                seconds / 3600, seconds / 60 % 60, seconds % 60, rate.isDrop() ? ";" : ":", number % rate.counted());
    }
}
