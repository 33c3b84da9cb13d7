package imperan.server.sound;

import imperan.server.store.SoundStore;
import imperan.server.store.SoundStore.SoundInfo;
import imperan.show.song.Sound;
import imperan.track.Marker;
import imperan.track.WavMarkers;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The sounds of the installation. A file is kept once, whoever loads it; it is decoded once, in the background, and its length is known then. */
@Component
public class Sounds implements AutoCloseable {

    public static final long MOST_BYTES = 500L << 20;

    private static final Logger LOG = LoggerFactory.getLogger(Sounds.class);
    /** Columns that are drawn at once; more than any screen has. */
    static final int MOST_COLUMNS = 8_192;

    /**
     * How it stands with a sound.
     *
     * @param progress of decoding it, 0 to 1
     * @param info     once it has been decoded
     * @param problem  why it cannot be; one sentence
     */
    public record State(String hash, double progress, Optional<SoundInfo> info, Optional<String> problem) {}

    private final Path folder;
    private final SoundStore store;
    private final ExecutorService decoding = Executors.newSingleThreadExecutor(work -> new Thread(work, "sounds"));
    /** Those that are being decoded, or could not be. */
    private final Map<String, State> underWay = new ConcurrentHashMap<>();

    Sounds(@Value("${imperan.network.folder}") String folder, SoundStore store) {
        this.folder = Path.of(folder, "sounds");
        this.store = store;
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
        return Optional.ofNullable(underWay.get(hash)).or(() -> store.get(hash)
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

    /**
     * Takes a file in and begins to decode it.
     *
     * @return how it stands with it
     * @throws IOException where the file does not come whole, or cannot be kept
     */
    public State load(String name, InputStream in) throws IOException {
        Files.createDirectories(folder);
        Path coming = Files.createTempFile(folder, "coming", "");
        try {
            MessageDigest digest = sha256();
            long bytes;
            try (OutputStream out = new DigestOutputStream(Files.newOutputStream(coming), digest)) {
                bytes = in.transferTo(out);
            }
            byte[] head;
            try (InputStream start = Files.newInputStream(coming)) {
                head = start.readNBytes(SoundFormat.HEAD);
            }
            Optional<SoundFormat> format = SoundFormat.of(head);
            if (format.isEmpty()) {
                return new State(
                        "",
                        0,
                        Optional.empty(),
                        Optional.of("This is no WAV, FLAC or MP3 file. Save the sound as one of them first"));
            }
            String hash = HexFormat.of().formatHex(digest.digest());
            Optional<State> known = state(hash)
                    .filter(state -> state.problem.isEmpty()
                            && (state.info.isEmpty() || wave(hash).exists()));
            if (known.isPresent()) {
                return known.get();
            }
            Files.move(coming, file(hash), StandardCopyOption.REPLACE_EXISTING);
            State state = new State(hash, 0, Optional.empty(), Optional.empty());
            underWay.put(hash, state);
            decoding.execute(() -> decode(hash, name, format.get(), bytes));
            return state;
        } finally {
            Files.deleteIfExists(coming);
        }
    }

    private void decode(String hash, String name, SoundFormat format, long bytes) {
        try {
            Samples.Length length;
            try (WaveFile.Writer wave = wave(hash).new Writer()) {
                length = SoundReader.read(
                        file(hash),
                        format,
                        wave,
                        progress -> underWay.put(hash, new State(hash, progress, Optional.empty(), Optional.empty())));
            }
            store.put(new SoundInfo(hash, name, format.name(), bytes, length.seconds(), length.rate()));
            underWay.remove(hash);
        } catch (SoundReader.BrokenSound e) {
            fails(hash, e.getMessage());
        } catch (IOException | RuntimeException e) {
            LOG.error("The sound {} could not be kept", hash, e);
            fails(hash, "The server could not keep this sound: look whether its disk is full, and load it again");
        }
    }

    private void fails(String hash, String why) {
        underWay.put(hash, new State(hash, 0, Optional.empty(), Optional.of(why)));
        try {
            wave(hash).remove();
            Files.deleteIfExists(file(hash));
        } catch (IOException e) {
            LOG.warn("What is left of the sound {} could not be removed", hash, e);
        }
    }

    /** Part of a wave, in columns: of each the lowest and the highest sample, -128 to 127. */
    public record Wave(int[] low, int[] high) {}

    /** Part of a wave; empty where it is not known whole. Times in seconds from its start. */
    public Optional<Wave> columns(String hash, double from, double to, int columns) throws IOException {
        Optional<SoundInfo> info = Sound.isHash(hash) ? store.get(hash) : Optional.empty();
        if (info.isEmpty() || !wave(hash).exists()) {
            return Optional.empty();
        }
        WaveFile.Columns wave = wave(hash)
                .columns(
                        from * info.get().sampleRate(),
                        to * info.get().sampleRate(),
                        Math.max(1, Math.min(MOST_COLUMNS, columns)));
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
        decoding.shutdownNow();
    }
}
