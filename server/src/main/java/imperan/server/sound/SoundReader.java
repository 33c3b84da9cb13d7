package imperan.server.sound;

import java.io.BufferedInputStream;
import java.io.Closeable;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.DoubleConsumer;
import java.util.function.LongSupplier;

/** Decodes one sound file, by the libraries that are there for it, in slices of time and within limits. */
final class SoundReader implements Closeable {

    private static final int BUFFER = 1 << 16;

    private final SoundFormat format;
    private final Counted counted;
    private final LongSupplier processor;
    private SoundSource source;
    private long frames;
    private long used;

    /**
     * @param progress  is told how much of the file has been read, 0 to 1
     * @param processor what the thread that asks has had of a processor, in nanoseconds
     */
    SoundReader(Path file, SoundFormat format, DoubleConsumer progress, LongSupplier processor) throws IOException {
        this.format = format;
        this.counted = new Counted(Files.newInputStream(file), Files.size(file), progress);
        this.processor = processor;
    }

    /**
     * Decodes for about as long.
     *
     * @return whether there may be more of it
     * @throws BrokenSound where it cannot be decoded or is more than is taken, with a sentence
     * @throws IOException where its samples cannot be taken
     */
    boolean slice(long nanos, Samples samples) throws IOException {
        long began = processor.getAsLong();
        boolean more = true;
        long now = began;
        while (more && now - began < nanos) {
            more = step(samples);
            now = processor.getAsLong();
            if (used + now - began > SoundLimits.MOST_NANOS) {
                throw new BrokenSound(
                        "It takes more than 5 minutes to read this sound: save it anew as WAV, or cut it into parts");
            }
        }
        used += now - began;
        if (!more && frames == 0) {
            throw new BrokenSound("There is no sound in this file");
        }
        return more;
    }

    private boolean step(Samples samples) throws IOException {
        Taken taken = new Taken(samples);
        int came;
        try {
            if (source == null) {
                source = open();
            }
            came = source.step(taken);
        } catch (BrokenSound broken) {
            throw broken;
        } catch (Exception e) {
            if (taken.failed != null) {
                throw taken.failed;
            }
            throw new BrokenSound(
                    "This " + format
                            + " file cannot be decoded: it is damaged, or of a kind that is not usual. Save it anew as WAV, FLAC or MP3");
        }
        if (came > 0) {
            counted.since = 0;
            frames += came;
            if (frames > SoundLimits.MOST_SECONDS * source.rate()) {
                throw new BrokenSound("This sound is longer than 4 hours: cut it into parts");
            }
        }
        return came >= 0;
    }

    private SoundSource open() throws Exception {
        InputStream in = new BufferedInputStream(counted, BUFFER);
        return switch (format) {
            case WAV -> new WavSource(in);
            case FLAC -> new FlacSource(in);
            case MP3 -> new Mp3Source(in);
        };
    }

    /** Of what has been decoded. */
    Samples.Length length() {
        return new Samples.Length(frames, source.rate());
    }

    @Override
    public void close() throws IOException {
        counted.close();
    }

    /** What fails in there is the disk, and not the file that is decoded. */
    private static final class Taken implements Samples {
        private final Samples to;
        private IOException failed;

        private Taken(Samples to) {
            this.to = to;
        }

        @Override
        public void sample(float value) throws IOException {
            try {
                to.sample(value);
            } catch (IOException e) {
                failed = e;
                throw e;
            }
        }
    }

    /** How far a file has been read, and how far since the last sample came out of it. */
    private static final class Counted extends FilterInputStream {
        private final long of;
        private final DoubleConsumer progress;
        private long read;
        private long since;
        private int told;

        private Counted(InputStream in, long of, DoubleConsumer progress) {
            super(in);
            this.of = of;
            this.progress = progress;
        }

        @Override
        public int read() throws IOException {
            int next = super.read();
            count(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            int count = super.read(bytes, from, length);
            count(Math.max(0, count));
            return count;
        }

        @Override
        public long skip(long bytes) throws IOException {
            long skipped = super.skip(bytes);
            read += skipped;
            return skipped;
        }

        private void count(int bytes) throws IOException {
            read += bytes;
            since += bytes;
            if (since > SoundLimits.MOST_BYTES_WITHOUT_SOUND) {
                throw new BrokenSound(
                        "In the middle of this file there is a long part that is no sound: it is damaged. Save it anew");
            }
            int hundredths = (int) Math.min(100, 100 * read / Math.max(1, of));
            if (hundredths > told) {
                told = hundredths;
                progress.accept(hundredths / 100.0);
            }
        }
    }
}
