package imperan.server.store;

import imperan.show.ShowJson;
import imperan.show.Upgrade;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.function.Consumer;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Brings the bodies in the tables, in the log and in snapshots up to what a later version of the show file says; what that is stands in {@link Upgrade}
 * alone. The log too: undo reads it.
 */
abstract class BodyMigration extends BaseJavaMigration {

    private final JsonMapper json = ShowJson.mapper();
    private final int tablesWere;
    private final List<String> tables;

    /**
     * @param tablesWere the version of the show file by which the bodies were written
     * @param tables     those whose bodies say more since
     */
    BodyMigration(int tablesWere, String... tables) {
        this.tablesWere = tablesWere;
        this.tables = List.of(tables);
    }

    @Override
    public void migrate(Context context) throws SQLException {
        for (String table : tables) {
            rewrite(
                    context.getConnection(),
                    "select show_id, id, body::text from " + table,
                    "update " + table + " set body = ?::jsonb where show_id = ? and id = ?",
                    body -> Upgrade.body(tablesWere, body));
        }
        rewrite(
                context.getConnection(),
                "select show_id, number::text, changes::text from edit",
                "update edit set changes = ?::jsonb where show_id = ? and number::text = ?",
                changes -> changes.forEach(change -> {
                    Upgrade.body(tablesWere, change.path("before").path("body"));
                    Upgrade.body(tablesWere, change.path("after").path("body"));
                }));
        if (hasSnapshots(context.getConnection())) {
            rewrite(
                    context.getConnection(),
                    "select show_id, version::text, parts::text from snapshot",
                    "update snapshot set parts = ?::jsonb where show_id = ? and version::text = ?",
                    parts -> parts.forEach(part -> Upgrade.body(tablesWere, part.path("body"))));
        }
    }

    /** They came with version 13 of the tables. */
    private static boolean hasSnapshots(Connection connection) throws SQLException {
        try (PreparedStatement reading = connection.prepareStatement("select to_regclass('snapshot') is not null");
                ResultSet found = reading.executeQuery()) {
            return found.next() && found.getBoolean(1);
        }
    }

    private void rewrite(Connection connection, String select, String update, Consumer<JsonNode> change)
            throws SQLException {
        try (PreparedStatement reading = connection.prepareStatement(select);
                ResultSet rows = reading.executeQuery();
                PreparedStatement writing = connection.prepareStatement(update)) {
            while (rows.next()) {
                JsonNode node = json.readTree(rows.getString(3));
                change.accept(node);
                writing.setString(1, json.writeValueAsString(node));
                writing.setString(2, rows.getString(1));
                writing.setString(3, rows.getString(2));
                writing.addBatch();
            }
            writing.executeBatch();
        }
    }
}
