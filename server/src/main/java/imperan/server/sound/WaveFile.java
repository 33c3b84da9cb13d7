package imperan.server.sound;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * The picture of a wave: the lowest and the highest sample of every 16, 512 and 16 384, as a byte each. So an hour is drawn from a few thousand bytes, and ten milliseconds from
 * almost every sample.
 */
final class WaveFile {

    /** Samples to a pair of bytes, the finest first. */
    private static final int[] STEPS = {16, 512, 16_384};
    /** Samples of which the finest level is kept: more of them would make it larger than 60 MiB, and with the other levels 64. */
    static final long MOST_FINE = (60L << 20) / 2 * STEPS[0];

    private final Path file;

    WaveFile(Path file) {
        this.file = file;
    }

    private Path level(int level) {
        return file.resolveSibling(file.getFileName() + "." + STEPS[level]);
    }

    boolean exists() {
        return Files.exists(level(STEPS.length - 1));
    }

    /** Writes it as samples come; it is there once it has been closed. */
    final class Writer implements Samples, Closeable {
        private final OutputStream[] out = new OutputStream[STEPS.length];
        private final float[] low = new float[STEPS.length];
        private final float[] high = new float[STEPS.length];
        private long count;
        /** The finest level that is written. */
        private int finest;

        private final long mostFine;

        Writer() throws IOException {
            this(MOST_FINE);
        }

        /** @param mostFine samples of which the finest level is kept */
        Writer(long mostFine) throws IOException {
            this.mostFine = mostFine;
            for (int level = 0; level < STEPS.length; level++) {
                // the coarsest is written last: with it, all are there
                out[level] = level < STEPS.length - 1
                        ? new BufferedOutputStream(Files.newOutputStream(level(level)), 1 << 16)
                        : new ByteArrayOutputStream();
                begin(level);
            }
        }

        /** A sound of hours is not drawn as finely: what has been written of the finest level is gone. */
        private void coarser() throws IOException {
            out[0].close();
            Files.deleteIfExists(level(0));
            finest = 1;
        }

        private void begin(int level) {
            low[level] = Float.MAX_VALUE;
            high[level] = -Float.MAX_VALUE;
        }

        @Override
        public void sample(float value) throws IOException {
            count++;
            if (finest == 0 && count > mostFine) {
                coarser();
            }
            for (int level = finest; level < STEPS.length; level++) {
                low[level] = Math.min(low[level], value);
                high[level] = Math.max(high[level], value);
                if (count % STEPS[level] == 0) {
                    put(level);
                }
            }
        }

        private void put(int level) throws IOException {
            out[level].write((int) Math.max(-128, Math.floor(low[level] * 127)));
            out[level].write((int) Math.min(127, Math.ceil(high[level] * 127)));
            begin(level);
        }

        @Override
        public void close() throws IOException {
            for (int level = finest; level < STEPS.length; level++) {
                if (low[level] <= high[level]) {
                    put(level);
                }
                out[level].close();
            }
            Files.write(level(STEPS.length - 1), ((ByteArrayOutputStream) out[STEPS.length - 1]).toByteArray());
        }
    }

    /**
     * Part of a wave, in so many columns.
     *
     * @param low  of each column the lowest sample, -128 to 127; {@code high} the highest
     */
    record Columns(int[] low, int[] high) {}

    /** @param from in samples from the start, likewise {@code to}; what lies behind the end is silence */
    Columns columns(double from, double to, int columns) throws IOException {
        double each = (to - from) / columns;
        int level = STEPS.length - 1;
        while (level > 0 && STEPS[level] > each && Files.exists(level(level - 1))) {
            level--;
        }
        long first = Math.max(0, (long) Math.floor(from / STEPS[level]));
        byte[] pairs;
        try (RandomAccessFile in = new RandomAccessFile(level(level).toFile(), "r")) {
            long all = in.length() / 2;
            long last = Math.min(all, (long) Math.ceil(to / STEPS[level]) + 1);
            pairs = new byte[(int) Math.max(0, 2 * (last - first))];
            in.seek(2 * first);
            in.readFully(pairs);
        }
        int[] low = new int[columns];
        int[] high = new int[columns];
        for (int column = 0; column < columns; column++) {
            int begin = (int) ((from + column * each) / STEPS[level] - first);
            int end = Math.max(begin + 1, (int) ((from + (column + 1) * each) / STEPS[level] - first));
            boolean any = false;
            for (int pair = Math.max(0, begin); pair < end && 2 * pair + 1 < pairs.length; pair++) {
                low[column] = any ? Math.min(low[column], pairs[2 * pair]) : pairs[2 * pair];
                high[column] = any ? Math.max(high[column], pairs[2 * pair + 1]) : pairs[2 * pair + 1];
                any = true;
            }
        }
        return new Columns(low, high);
    }

    /** All of it is gone. */
    void remove() throws IOException {
        for (int level = 0; level < STEPS.length; level++) {
            Files.deleteIfExists(level(level));
        }
    }
}
