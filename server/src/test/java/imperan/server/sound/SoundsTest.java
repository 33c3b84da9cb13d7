package imperan.server.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.server.store.SoundStore;
import imperan.server.store.StoredShows;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Sounds on a disk and in a database: loaded, cancelled, loaded again, swept and deleted. */
class SoundsTest {

    private static final byte[] GOOD = SilentFlac.of(48_000, 1, 4);

    private static StoredShows shows;

    @TempDir
    Path folder;

    private Sounds sounds;

    @BeforeAll
    static void open() throws Exception {
        shows = new StoredShows("select 1");
    }

    @AfterAll
    static void close() throws Exception {
        shows.close();
    }

    @BeforeEach
    void begin() throws Exception {
        shows.execute("delete from sound; delete from show");
        sounds = sounds(in -> Files.createTempFile(in, "coming", ""));
    }

    @AfterEach
    void end() {
        sounds.close();
    }

    private Sounds sounds(Sounds.Arrivals arrivals) {
        return new Sounds(folder, shows.bean(SoundStore.class), arrivals);
    }

    private String load(byte[] bytes) throws IOException {
        Sounds.State state = sounds.load("a sound", new ByteArrayInputStream(bytes));
        assertThat(state.problem()).isEmpty();
        return state.hash();
    }

    private Sounds.State ended(String hash) throws InterruptedException {
        long until = System.nanoTime() + Duration.ofSeconds(60).toNanos();
        while (System.nanoTime() < until) {
            Optional<Sounds.State> state = sounds.state(hash);
            if (state.isPresent()
                    && (state.get().info().isPresent() || state.get().problem().isPresent())) {
                return state.get();
            }
            Thread.onSpinWait();
        }
        throw new AssertionError("It never ended");
    }

    private long files(String hash) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().startsWith(hash))
                    .count();
        }
    }

    @Test
    void whatFailedLeavesNothingAndIsReadAnewWhenItIsLoadedAgain() throws Exception {
        byte[] broken = SilentFlac.of(0, 1, 1);
        String hash = load(broken);
        assertThat(ended(hash).problem().orElseThrow()).contains("0 samples a second");
        assertThat(files(hash)).isZero();
        assertThat(load(broken)).isEqualTo(hash);
        assertThat(ended(hash).problem()).isPresent();
        assertThat(ended(load(GOOD)).info().orElseThrow().seconds()).isEqualTo(4.0 * SilentFlac.FRAME / 48_000);
    }

    @Test
    void aFullDiskIsSaidInWords() throws Exception {
        // what is written there fails as on a full disk (full(4))
        sounds = sounds(in -> Files.createSymbolicLink(in.resolve("coming-full"), Path.of("/dev/full")));
        Sounds.State state = sounds.load("a sound", new ByteArrayInputStream(GOOD));
        assertThat(state.problem()).hasValue(FullDisk.WORDS);
        assertThat(files("")).isZero();
        assertThat(Path.of("/dev/full")).exists();
    }

    @Test
    void oneThatIsBeingReadIsCancelled() throws Exception {
        // an hour and a half of it takes a moment
        String hash = load(SilentFlac.of(192_000, 8, 16_000));
        assertThat(sounds.drop(hash)).isEmpty();
        assertThat(ended(hash).problem().orElseThrow()).startsWith("Somebody cancelled this");
        assertThat(files(hash)).isZero();
        assertThat(sounds.drop(hash)).hasValue("This sound is not on the server any more");
    }

    @Test
    void moreThanAFewAtOnceAreRefused() throws Exception {
        int taken = 0;
        Optional<String> problem = Optional.empty();
        for (int i = 0; problem.isEmpty() && i < 100; i++) {
            byte[] each = SilentFlac.of(192_000, 8, 8_000, SilentFlac.comment(i));
            problem = sounds.load("a sound", new ByteArrayInputStream(each)).problem();
            taken += problem.isEmpty() ? 1 : 0;
        }
        assertThat(problem.orElseThrow()).contains("sounds are being read already. Wait until some of them are there");
        assertThat(taken).isGreaterThanOrEqualTo(SoundLimits.MOST_UNDER_WAY);
    }

    @Test
    void aPartThatCannotBeDrawnIsRefusedInWords() throws Exception {
        String hash = load(GOOD);
        ended(hash);
        double[][] parts = {{1e300, 1e301}, {0, 1e18}, {-1, 1}, {2, 1}, {Double.NaN, 1}, {0, Double.POSITIVE_INFINITY}};
        for (double[] part : parts) {
            assertThatThrownBy(() -> sounds.columns(hash, part[0], part[1], 100))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessage("A part of a wave begins at 0 or later, ends after that, and within a day");
        }
        assertThat(sounds.columns(hash, 80_000, 86_400, 100).orElseThrow().high())
                .hasSize(100)
                .containsOnly(0);
        assertThat(sounds.columns(hash, 0, 1e-9, 100).orElseThrow().high()).hasSize(100);
        assertThat(sounds.columns(hash, 0, 1, Integer.MAX_VALUE).orElseThrow().high())
                .hasSize(SoundLimits.MOST_COLUMNS);
        assertThat(sounds.columns(hash, 0, 1, -4).orElseThrow().high()).hasSize(1);
    }

    @Test
    void whatAKilledServerLeftIsSweptAndNothingElse() throws Exception {
        String whole = load(GOOD);
        ended(whole);
        String half = "ab".repeat(32);
        for (String name : new String[] {half, half + ".wave.16", half + ".wave.512", "coming123"}) {
            Files.write(folder.resolve(name), new byte[10]);
        }
        Files.write(folder.resolve("notes.txt"), new byte[10]);
        for (Path file : Files.list(folder).toList()) {
            Files.setLastModifiedTime(file, FileTime.from(Instant.now().minus(Duration.ofDays(1))));
        }
        Files.write(folder.resolve("coming456"), new byte[10]);
        sounds.sweep();
        assertThat(files(half)).isZero();
        assertThat(files("coming123")).isZero();
        assertThat(files("coming456")).as("an upload that goes on").isOne();
        assertThat(files("notes")).as("nothing of ours").isOne();
        assertThat(files(whole)).isEqualTo(4);
    }

    private void names(String table, String hash) throws Exception {
        shows.execute("insert into show (id, name) values ('s', 's') on conflict do nothing");
        String track = "{\"kind\": \"track\", \"name\": \"t\", \"sound\": \"" + hash + "\"}";
        shows.execute(
                switch (table) {
                    case "part" -> """
                            insert into part (show_id, id, ord, version, author_id, author_name, body)
                            values ('s', 't', 1, 1, 'a', 'a', '%s')"""
                            .formatted(track);
                    case "edit" -> """
                            insert into edit (show_id, number, author_id, author_name, title, role, role_of, changes)
                            values ('s', 1, 'a', 'a', 'a', 'DO', 1, '[%s]')"""
                            .formatted(track);
                    default -> "insert into snapshot (show_id, version, parts) values ('s', 1, '[" + track + "]')";
                });
    }

    @Test
    void whatNothingNamesIsListedAndCanBeDeletedAndNothingElse() throws Exception {
        String hash = load(GOOD);
        ended(hash);
        assertThat(sounds.unused()).as("loaded just now").isEmpty();
        assertThat(sounds.drop(hash).orElseThrow()).contains("loaded just now");
        shows.execute("update sound set loaded_at = now() - interval '1 hour'");
        for (String table : new String[] {"part", "edit", "snapshot"}) {
            names(table, hash);
            assertThat(sounds.unused()).as(table).isEmpty();
            assertThat(sounds.drop(hash).orElseThrow()).as(table).startsWith("A show uses this sound");
            // a show that was deleted can be brought back
            shows.execute("update show set deleted_at = now()");
            assertThat(sounds.unused()).as(table).isEmpty();
            shows.execute("delete from show");
        }
        assertThat(sounds.unused()).hasSize(1);
        load(GOOD);
        assertThat(sounds.unused()).as("loaded again just now").isEmpty();
        assertThat(sounds.drop(hash)).isPresent();
        shows.execute("update sound set loaded_at = now() - interval '1 hour'");
        assertThat(sounds.drop(hash)).isEmpty();
        assertThat(files(hash)).isZero();
        assertThat(sounds.state(hash)).isEmpty();
        assertThat(sounds.all()).isEmpty();
    }
}
