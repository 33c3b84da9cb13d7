package imperan.server.sound;

import java.util.concurrent.TimeUnit;

/** What a sound may be, by what is really decoded and never by what its file says of itself: a small file can hold days of silence. */
final class SoundLimits {

    static final long MOST_SECONDS = TimeUnit.HOURS.toSeconds(4);
    static final int MOST_CHANNELS = 8;
    /** Samples to a second. */
    static final int LEAST_RATE = 8_000;

    static final int MOST_RATE = 192_000;
    /** Of a processor, to decode one. */
    static final long MOST_NANOS = TimeUnit.MINUTES.toNanos(5);
    /** Of a file, that is read without a single sample coming out of it; pictures in it are passed over and do not count. */
    static final long MOST_BYTES_WITHOUT_SOUND = 16L << 20;
    /** Those that are decoded or wait for it. */
    static final int MOST_UNDER_WAY = 32;
    /** Columns of a wave that are drawn at once; more than any screen has. */
    static final int MOST_COLUMNS = 8_192;

    private SoundLimits() {}
}
