package imperan.capture;

import java.time.Instant;
import java.util.List;

/** Reads captures: {@link JsonLines}, and what network analysers write (pcap and pcapng). What is no packet of UDP or TCP over IPv4 is passed over. */
public final class CaptureFile {

    /** More than an evening of a busy show. */
    public static final int MOST_BYTES = 100 << 20;

    /** Four hours of seventy packets a second. What is in memory of a file of nothing but headers is many times its size. */
    public static final int MOST_PACKETS = 1_000_000;

    /** Nothing that shows are played with remembers or expects another time. */
    static final Instant LAST = Instant.parse("2200-01-01T00:00:00Z");

    private CaptureFile() {}

    /** What came of reading. */
    public sealed interface Read {

        /** @param passedOver packets that are none of UDP or TCP over IPv4, or not whole */
        record Good(List<Captured> packets, long passedOver) implements Read {}

        /** @param place where in the file, in words */
        record Bad(String place, String reason) implements Read {}
    }

    /** Unwinds a reader; never leaves this package, and carries no stack. */
    static final class BadException extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final String place;

        BadException(String place, String reason) {
            super(reason, null, false, false);
            this.place = place;
        }

        static BadException tooMany(int most) {
            return new BadException(
                    "",
                    "It holds more than " + most + " packets. Save a part of them as a file of its own, and load that");
        }

        static BadException at(long offset, String reason) {
            return new BadException("byte " + offset, reason);
        }
    }

    /** What is brought from outside. */
    public static Read read(byte[] file) {
        return file.length > MOST_BYTES
                ? new Read.Bad("", "A capture has at most " + (MOST_BYTES >> 20) + " MB")
                : read(file, MOST_PACKETS);
    }

    /**
     * What we wrote ourselves of packets that were taken in or recorded within their limits; as {@link PcapNg} it
     * may be longer than what it was made of.
     */
    public static Read readKept(byte[] file) {
        return read(file, Integer.MAX_VALUE);
    }

    private static Read read(byte[] file, int most) {
        try {
            if (file.length == 0) {
                throw BadException.at(0, "The file is empty");
            }
            return file[0] == '{' ? JsonLines.read(file, most) : new PcapReader(file, most).read();
        } catch (BadException bad) {
            return new Read.Bad(bad.place, bad.getMessage());
        }
    }
}
