package imperan.osc;

import java.time.Instant;

/**
 * A point in time as 64 bits: seconds since 1 January 1900 UTC above, fraction of a second below (RFC 5905, "NTP
 * Timestamp Format"). The value 1 means "immediately" (OSC 1.0, "OSC Time Tags").
 *
 * @param bits the 64 bits as they are sent
 */
public record TimeTag(long bits) implements Comparable<TimeTag> {

    /** 63 zero bits and a one: at once. */
    public static final TimeTag IMMEDIATELY = new TimeTag(1);

    private static final long SECONDS_1900_TO_1970 = 2_208_988_800L;
    private static final long ERA_SECONDS = 1L << 32;
    private static final long NANOS = 1_000_000_000L;

    /** The tag nearest to the instant; eras (136 years) are dropped, as the format has no room for them. */
    public static TimeTag at(Instant instant) {
        long seconds = instant.getEpochSecond() + SECONDS_1900_TO_1970;
        long fraction = ((long) instant.getNano() * ERA_SECONDS + NANOS / 2) / NANOS;
        return new TimeTag((seconds << 32) + fraction);
    }

    /**
     * The instant meant. Seconds with the top bit set lie in era 0 (1968 to 2036), the others in era 1 (2036 to 2104),
     * the reading that RFC 4330 section 3 gives.
     */
    public Instant toInstant() {
        long seconds = bits >>> 32;
        if (seconds < ERA_SECONDS / 2) {
            seconds += ERA_SECONDS;
        }
        long nanos = ((bits & 0xFFFF_FFFFL) * NANOS + ERA_SECONDS / 2) / ERA_SECONDS;
        return Instant.ofEpochSecond(seconds - SECONDS_1900_TO_1970, nanos);
    }

    public boolean isImmediate() {
        return bits == 1;
    }

    /** Order of the bits as an unsigned number, in which "immediately" comes before every time. */
    @Override
    public int compareTo(TimeTag other) {
        return Long.compareUnsigned(bits, other.bits);
    }
}
