package imperan.e2e;

import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Face;
import imperan.show.Form;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.ShowJson;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;

import static org.assertj.core.api.Assertions.assertThat;

/** Tables that an earlier version wrote are brought up when this one starts, and so is the log that undo reads. */
class MigrationTest {

    private static final String SHOW = "salt-clock";
    private static final Person ADA = new Person("ada", "Ada");
    private static final JsonMapper JSON = ShowJson.mapper();

    @Test
    void tablesOfVersion4AreReadAsWhatTheyMeant() throws SQLException {
        try (Installation imperan = new Installation()) {
            Show before = asVersion4CanSayIt(imperan.bean(Keeper.class));
            imperan.stopServer();
            try (Connection database = imperan.database()) {
                writtenByVersion4(database);
            }
            imperan.startServer();

            Show after = imperan.bean(ShowStore.class).load(SHOW);
            assertThat(after.parts()).containsExactlyElementsOf(before.parts());
            Keeper keeper = imperan.bean(Keeper.class);
            Outcome undone = keeper.undo(SHOW, ADA).join();
            assertThat(undone).isInstanceOfSatisfying(Outcome.Accepted.class, accepted ->
                    assertThat(accepted.show().part(new PartId("mute-1")).map(Part::body)).hasValueSatisfying(body ->
                            assertThat(body.called()).isEqualTo("Mute")));
        }
    }

    /** The demo show without what version 4 knew nothing of, such as scales and words; the last edit is one that can be undone. */
    private static Show asVersion4CanSayIt(Keeper keeper) {
        Show show = keeper.show(SHOW).join();
        List<EditRequest.Step> steps = Stream.concat(show.all(Control.class).stream(), show.all(Phrase.class).stream()).<EditRequest.Step>map(part ->
                put(show.held(part.id()).orElseThrow(), part.body() instanceof Phrase phrase ? plain(phrase) : plain((Control) part.body()))).toList();
        assertThat(keeper.edit(SHOW, new EditRequest("As it was", steps), ADA).join()).isInstanceOf(Outcome.Accepted.class);
        Held mute = keeper.show(SHOW).join().held(new PartId("mute-1")).orElseThrow();
        assertThat(((Control) mute.part().body()).form()).isInstanceOf(Form.Button.class);
        assertThat(keeper.edit(SHOW, new EditRequest("Rename", List.of(put(mute, ((Control) mute.part().body()).labelled("Quiet")))), ADA).join())
                .isInstanceOf(Outcome.Accepted.class);
        return keeper.show(SHOW).join();
    }

    private static Control plain(Control control) {
        Control plain = control.faced(Face.icon(control.face().icon())).withLines(control.sends(), control.listens().stream()
                .filter(listen -> listen.role() != Listen.Role.WORDS).toList());
        return control.form() instanceof Form.Fader fader ? plain.formed(fader.marked(List.of()))
                : control.form() instanceof Form.Knob knob ? plain.formed(Form.Knob.restingAt(knob.rest())) : plain;
    }

    private static Phrase plain(Phrase phrase) {
        return new Phrase(phrase.address(), phrase.direction(), phrase.arguments().stream().map(argument -> Phrase.PhraseArgument.plain(argument.type(),
                argument.low(), argument.high(), argument.unit(), argument.choices(), argument.fixed())).toList(), Phrase.AnswerRule.of(
                phrase.answer().kind(), phrase.answer().address(), phrase.answer().tolerance(), phrase.answer().seconds()), phrase.meaning(),
                phrase.maskedBy());
    }

    private static EditRequest.Put put(Held held, Body body) {
        return new EditRequest.Put(new Part(held.part().id(), held.part().parent(), held.part().order(), body), held.version());
    }

    private static void writtenByVersion4(Connection database) throws SQLException {
        for (String table : List.of("layout", "control", "phrase")) {
            rewrite(database, table, "body", "id", MigrationTest::lower);
        }
        rewrite(database, "edit", "changes", "number::text", changes -> changes.forEach(change -> {
            lower(change.path("before").path("body"));
            lower(change.path("after").path("body"));
        }));
        try (Statement statement = database.createStatement()) {
            assertThat(statement.executeUpdate("delete from flyway_schema_history where version in ('8', '9', '10', '11')")).isEqualTo(4);
        }
    }

    /** What versions 5 to 8 added is not said. */
    private static void lower(JsonNode body) {
        if (!(body instanceof ObjectNode object)) {
            return;
        }
        if (body.path("kind").asString("").equals("layout")) {
            object.remove("draft");
        } else if (body.path("kind").asString("").equals("phrase")) {
            body.path("arguments").forEach(argument -> ((ObjectNode) argument).remove("marks"));
            ((ObjectNode) body.path("answer")).remove("words");
        } else if (body.path("kind").asString("").equals("control")) {
            object.put("icon", body.path("face").path("icon").asString());
            object.remove("face");
            ((ObjectNode) body.path("form")).remove(List.of("group", "marks"));
            ((ObjectNode) body.path("form")).remove("holdsAt");
            if (body.path("form").path("kind").asString().equals("fader")) {
                ((ObjectNode) body.path("form")).put("detent", false);
            }
            if (!body.path("form").path("kind").asString().equals("pad")) {
                ((ObjectNode) body.path("form")).remove("springs");
            }
        }
    }

    private static void rewrite(Connection database, String table, String column, String key, Consumer<JsonNode> change) throws SQLException {
        try (Statement reading = database.createStatement();
             ResultSet rows = reading.executeQuery("select show_id, " + key + ", " + column + "::text from " + table);
             PreparedStatement writing = database.prepareStatement(
                     "update " + table + " set " + column + " = ?::jsonb where show_id = ? and " + key + " = ?")) {
            while (rows.next()) {
                JsonNode node = JSON.readTree(rows.getString(3));
                change.accept(node);
                writing.setString(1, JSON.writeValueAsString(node));
                writing.setString(2, rows.getString(1));
                writing.setString(3, rows.getString(2));
                writing.addBatch();
            }
            writing.executeBatch();
        }
    }
}
