package imperan.server.sound;

import imperan.server.store.SoundStore;
import imperan.server.store.SoundStore.SoundInfo;
import imperan.show.song.Sound;
import imperan.track.Marker;
import imperan.track.WavMarkers;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Collections;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The sounds of the installation. A file is kept once, whoever loads it; it is decoded once, in the background, and its length is known then. */
@Component
public class Sounds implements AutoCloseable {

    public static final long MOST_BYTES = 500L << 20;

    private static final Logger LOG = LoggerFactory.getLogger(Sounds.class);
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    private static final String COMING = "coming";
    /** The longest part of a wave that is drawn: a track may go on behind its sound. */
    private static final double MOST_DRAWN_SECONDS = TimeUnit.DAYS.toSeconds(1);

    /**
     * How it stands with a sound.
     *
     * @param progress of decoding it, 0 to 1
     * @param info     once it has been decoded
     * @param problem  why it cannot be; one sentence
     */
    public record State(String hash, double progress, Optional<SoundInfo> info, Optional<String> problem) {}

    /** Where the bytes of an upload go until all are there. */
    interface Arrivals {
        Path file(Path folder) throws IOException;
    }

    /** Sounds that could not be taken, of which it is still told why. */
    private static final int MOST_FAILED = 200;

    private final Path folder;
    private final SoundStore store;
    private final Arrivals arrivals;
    private final Decodings decodings = new Decodings();
    /** Those that are being decoded. */
    private final Map<String, Job> underWay = new ConcurrentHashMap<>();

    private final Map<String, State> failed = Collections.synchronizedMap(new LinkedHashMap<>() {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, State> eldest) {
            return size() > MOST_FAILED;
        }
    });

    @Autowired
    Sounds(@Value("${imperan.network.folder}") String folder, SoundStore store) {
        this(Path.of(folder, "sounds"), store, in -> Files.createTempFile(in, COMING, ""));
    }

    /** @param arrivals gives a file of its own to each upload */
    Sounds(Path folder, SoundStore store, Arrivals arrivals) {
        this.folder = folder;
        this.store = store;
        this.arrivals = arrivals;
    }

    private Path file(String hash) {
        return folder.resolve(hash);
    }

    private WaveFile wave(String hash) {
        return new WaveFile(folder.resolve(hash + ".wave"));
    }

    /** All that are known whole, by their names. */
    public List<SoundInfo> all() {
        return store.all();
    }

    /** How it stands with one; empty where there is none. */
    public Optional<State> state(String hash) {
        return Optional.ofNullable(underWay.get(hash))
                .map(Job::state)
                .or(() -> Optional.ofNullable(failed.get(hash)))
                .or(() -> store.get(hash)
                        .filter(info -> Files.exists(file(hash)))
                        .map(info -> new State(hash, 1, Optional.of(info), Optional.empty())));
    }

    /** The file of one that is known whole. */
    public Optional<Path> bytes(String hash) {
        return Sound.isHash(hash) && Files.exists(file(hash)) ? Optional.of(file(hash)) : Optional.empty();
    }

    /** What its file is. */
    public Optional<String> mediaType(String hash) {
        return store.get(hash).map(info -> SoundFormat.valueOf(info.format()).mediaType());
    }

    // ---- loading

    /**
     * Takes a file in and begins to decode it.
     *
     * @return how it stands with it; a problem where it is not taken
     * @throws IOException where the file does not come whole
     */
    public State load(String name, InputStream in) throws IOException {
        Path coming;
        try {
            Files.createDirectories(folder);
            coming = arrivals.file(folder);
        } catch (IOException e) {
            return notKept(e);
        }
        try {
            MessageDigest digest = sha256();
            long bytes = 0;
            byte[] buffer = new byte[1 << 16];
            try (OutputStream out = Files.newOutputStream(coming)) {
                // what fails while it comes is the sender's end; what fails while it is kept is ours
                for (int count = in.read(buffer); count >= 0; count = in.read(buffer)) {
                    digest.update(buffer, 0, count);
                    bytes += count;
                    try {
                        out.write(buffer, 0, count);
                    } catch (IOException e) {
                        return notKept(e);
                    }
                }
            }
            return take(name, coming, HexFormat.of().formatHex(digest.digest()), bytes);
        } finally {
            Files.deleteIfExists(coming);
        }
    }

    private static State notKept(IOException e) {
        LOG.error("A sound could not be kept", e);
        return problem("", FullDisk.says(e) ? FullDisk.WORDS : FullDisk.NOT_KEPT);
    }

    private static State problem(String hash, String why) {
        return new State(hash, 0, Optional.empty(), Optional.of(why));
    }

    /** What came whole is decoded, unless it is there already. Loading again what failed begins anew. */
    private synchronized State take(String name, Path coming, String hash, long bytes) throws IOException {
        byte[] head;
        try (InputStream start = Files.newInputStream(coming)) {
            head = start.readNBytes(SoundFormat.HEAD);
        }
        Optional<SoundFormat> format = SoundFormat.of(head);
        if (format.isEmpty()) {
            return problem("", "This is no WAV, FLAC or MP3 file. Save the sound as one of them first");
        }
        Optional<State> known = state(hash)
                .filter(state -> state.problem.isEmpty()
                        && (state.info.isEmpty() || wave(hash).exists()));
        if (known.isPresent()) {
            // who has just loaded it is about to use it
            store.loadedAgain(hash);
            return known.get();
        }
        if (underWay.size() >= SoundLimits.MOST_UNDER_WAY) {
            return problem(
                    "",
                    underWay.size()
                            + " sounds are being read already. Wait until some of them are there, and load this one again");
        }
        Files.move(coming, file(hash), StandardCopyOption.REPLACE_EXISTING);
        failed.remove(hash);
        Job job = new Job(hash, name, format.get(), bytes);
        underWay.put(hash, job);
        decodings.add(job);
        return job.state();
    }

    /** One that is being decoded. */
    private final class Job implements Decodings.Decoding {
        private final String hash;
        private final String name;
        private final SoundFormat format;
        private final long bytes;
        private volatile double progress;
        private volatile boolean cancelled;
        private SoundReader reader;
        private WaveFile.Writer wave;

        private Job(String hash, String name, SoundFormat format, long bytes) {
            this.hash = hash;
            this.name = name;
            this.format = format;
            this.bytes = bytes;
        }

        private State state() {
            return new State(hash, progress, Optional.empty(), Optional.empty());
        }

        @Override
        public boolean slice(long nanos) throws IOException {
            if (cancelled) {
                throw new BrokenSound("Somebody cancelled this. Load it again, if it is wanted");
            }
            if (reader == null) {
                reader = new SoundReader(
                        file(hash), format, share -> progress = share, THREADS::getCurrentThreadCpuTime);
                wave = wave(hash).new Writer();
            }
            return reader.slice(nanos, wave);
        }

        @Override
        public void done() throws IOException {
            Samples.Length length = reader.length();
            wave.close();
            reader.close();
            store.put(new SoundInfo(hash, name, format.name(), bytes, length.seconds(), length.rate()));
            underWay.remove(hash);
        }

        @Override
        public void failed(String why) {
            failed.put(hash, Sounds.problem(hash, why));
            for (Closeable open : new Closeable[] {wave, reader}) {
                try {
                    if (open != null) {
                        open.close();
                    }
                } catch (IOException e) {
                    LOG.warn("A file of the sound {} could not be closed", hash, e);
                }
            }
            remove(hash);
            underWay.remove(hash);
        }
    }

    /** All files of it are gone. */
    private void remove(String hash) {
        try {
            wave(hash).remove();
            Files.deleteIfExists(file(hash));
        } catch (IOException e) {
            LOG.warn("What is left of the sound {} could not be removed", hash, e);
        }
    }

    // ---- what is not wanted any more

    /**
     * Sounds that no show names, none that was deleted, no saved version, and no edit that can be taken back; and that were not loaded just
     * now.
     */
    public List<SoundInfo> unused() {
        return store.unused().stream()
                .filter(info -> !underWay.containsKey(info.hash()))
                .toList();
    }

    /**
     * One that is being decoded is cancelled; one that nothing uses is deleted.
     *
     * @return a sentence where it is not; empty where it is gone, or will be in a moment
     */
    public synchronized Optional<String> drop(String hash) {
        Job job = underWay.get(hash);
        if (job != null) {
            job.cancelled = true;
            return Optional.empty();
        }
        if (!store.deleteUnused(hash)) {
            return store.get(hash).isEmpty()
                    ? Optional.of("This sound is not on the server any more")
                    : Optional.of("A show uses this sound, or did so: it stays as long as that can be brought back."
                            + " One that was loaded just now stays for ten minutes");
        }
        remove(hash);
        return Optional.empty();
    }

    /** What a server that was killed left half written, and what came half. Nothing that was begun since this one started is touched. */
    @EventListener(ApplicationReadyEvent.class)
    void sweep() {
        if (!Files.isDirectory(folder)) {
            return;
        }
        FileTime started =
                FileTime.fromMillis(ManagementFactory.getRuntimeMXBean().getStartTime());
        try (DirectoryStream<Path> files = Files.newDirectoryStream(folder)) {
            Set<String> known = store.all().stream().map(SoundInfo::hash).collect(Collectors.toSet());
            for (Path file : files) {
                String name = file.getFileName().toString();
                String hash = name.split("\\.")[0];
                boolean ours = name.startsWith(COMING) || Sound.isHash(hash);
                if (ours
                        && !known.contains(hash)
                        && Files.getLastModifiedTime(file).compareTo(started) < 0) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException | RuntimeException e) {
            // the server starts all the same
            LOG.warn("What is left in {} could not be looked through", folder, e);
        }
    }

    // ---- its wave, and its markers

    /** Part of a wave, in columns: of each the lowest and the highest sample, -128 to 127. */
    public record Wave(int[] low, int[] high) {}

    /**
     * Part of a wave; empty where it is not known whole. Times in seconds from its start.
     *
     * @throws IllegalArgumentException with a sentence, for a part that cannot be drawn
     */
    public Optional<Wave> columns(String hash, double from, double to, int columns) throws IOException {
        if (!(from >= 0 && to > from && to <= MOST_DRAWN_SECONDS)) {
            throw new IllegalArgumentException(
                    "A part of a wave begins at 0 or later, ends after that, and within a day");
        }
        Optional<SoundInfo> info = Sound.isHash(hash) ? store.get(hash) : Optional.empty();
        if (info.isEmpty() || !wave(hash).exists()) {
            return Optional.empty();
        }
        WaveFile.Columns wave = wave(hash)
                .columns(
                        from * info.get().sampleRate(),
                        to * info.get().sampleRate(),
                        Math.max(1, Math.min(SoundLimits.MOST_COLUMNS, columns)));
        return Optional.of(new Wave(wave.low(), wave.high()));
    }

    /** The cue points of a WAV file that is kept. */
    public Marker.Read markers(String hash) throws IOException {
        Optional<Path> file = bytes(hash);
        if (file.isEmpty()) {
            return new Marker.Read.Bad("This sound is not on the server any more: load it again", Optional.empty());
        }
        try (FileChannel channel = FileChannel.open(file.get())) {
            return WavMarkers.read(channel.map(FileChannel.MapMode.READ_ONLY, 0, channel.size()));
        }
    }

    /** The name of bytes. */
    public static String hash(byte[] bytes) {
        return HexFormat.of().formatHex(sha256().digest(bytes));
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    @Override
    public void close() {
        decodings.close();
    }
}
