package imperan.capture;

import java.util.List;

/** Reads captures: {@link JsonLines}, and what network analysers write (pcap and pcapng). What is no packet of UDP or TCP over IPv4 is passed over. */
public final class CaptureFile {

    /** More than an evening of a busy show. */
    public static final int MOST_BYTES = 100 << 20;

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

        static BadException at(long offset, String reason) {
            return new BadException("byte " + offset, reason);
        }
    }

    public static Read read(byte[] file) {
        if (file.length > MOST_BYTES) {
            return new Read.Bad("", "A capture has at most " + (MOST_BYTES >> 20) + " MB");
        }
        try {
            if (file.length == 0) {
                throw BadException.at(0, "The file is empty");
            }
            return file[0] == '{' ? JsonLines.read(file) : new PcapReader(file).read();
        } catch (BadException bad) {
            return new Read.Bad(bad.place, bad.getMessage());
        }
    }
}
