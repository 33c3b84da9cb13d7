package imperan.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.picture.Pictures;
import imperan.show.Outcome;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.ShowFile;
import imperan.show.ShowJson;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * Databases that earlier versions of Imperan wrote come up as what they meant, and so do the files that those versions gave of the same
 * shows.
 *
 * <p>The dumps were made with those versions: the demo show, a page renamed, that version kept as "Before doors", the page renamed again
 * and that undone, once more renamed, and the show duplicated. Beside each dump are the files that it gave at those moments.
 */
class MigrationTest {

    private static final String SHOW = "salt-clock";
    private static final Person ADA = new Person("dump", "Ada");

    /** @param version of the tables, by the number of their last migration */
    @ParameterizedTest
    @ValueSource(strings = {"v2", "v6", "v8", "v9", "v10", "v11", "v13"})
    void aDatabaseOfAnEarlierVersionComesUp(String version) throws IOException, SQLException {
        JsonNode files = ShowJson.mapper().readTree(resource(version + ".json.gz"));
        try (StoredShows imperan = new StoredShows(resource(version + ".sql.gz"))) {
            Keeper keeper = imperan.bean(Keeper.class);
            assertThat(file(imperan, SHOW)).isEqualTo(broughtUp(files.get("last")));
            String copy = imperan.bean(ShowStore.class).shows().stream()
                    .filter(show -> !show.id().equals(SHOW))
                    .findFirst()
                    .orElseThrow()
                    .id();
            assertThat(file(imperan, copy)).isEqualTo(broughtUp(files.get("last")));

            assertThat(keeper.undo(SHOW, ADA).join()).isInstanceOf(Outcome.Accepted.class);
            assertThat(file(imperan, SHOW)).isEqualTo(broughtUp(files.get("undone")));
            assertThat(keeper.redo(SHOW, ADA).join()).isInstanceOf(Outcome.Accepted.class);
            assertThat(file(imperan, SHOW)).isEqualTo(broughtUp(files.get("last")));
            assertThat(imperan.bean(ShowStore.class).keepPoints(SHOW))
                    .singleElement()
                    .satisfies(kept -> {
                        assertThat(kept.name()).isEqualTo("Before doors");
                        assertThat(keeper.restore(SHOW, kept.version(), ADA, "Restore")
                                        .join())
                                .isInstanceOf(Outcome.Accepted.class);
                    });
            assertThat(file(imperan, SHOW)).isEqualTo(broughtUp(files.get("kept")));
        }
    }

    private static String file(StoredShows imperan, String show) {
        return ShowFile.write(
                "The Salt Clock", imperan.bean(Keeper.class).show(show).join(), imperan.bean(PictureStore.class));
    }

    /** A file of an earlier version as this one writes it. */
    private static String broughtUp(JsonNode file) {
        ShowFile.Read.Good read = (ShowFile.Read.Good) ShowFile.read(file.stringValue());
        Show show = ((Outcome.Accepted) Show.empty().become(read.parts(), ADA, "Import")).show();
        Pictures pictures = hash -> read.pictures().stream()
                .filter(picture -> picture.hash().equals(hash))
                .findFirst();
        return ShowFile.write(read.name(), show, pictures);
    }

    private static String resource(String name) throws IOException {
        try (InputStream packed = MigrationTest.class.getResourceAsStream("/imperan/dumps/" + name);
                InputStream stream = new GZIPInputStream(packed)) {
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
