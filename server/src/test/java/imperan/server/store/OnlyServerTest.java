package imperan.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** One server works with a database, and the next one as soon as that has ended. */
class OnlyServerTest {

    private static final String URL =
            "jdbc:postgresql://127.0.0.1:" + System.getenv().getOrDefault("IMPERAN_TEST_DB_PORT", "8421") + "/postgres";
    private static final String USER = "imperan";
    private static final String PASSWORD = System.getenv().getOrDefault("IMPERAN_TEST_DB_PASSWORD", "");

    private static OnlyServer server() {
        try {
            return new OnlyServer(URL, USER, PASSWORD);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void theNextServerStartsThoughTheDatabaseHasNotNoticedTheEndOfTheOneBefore() throws Exception {
        OnlyServer before = server();
        CompletableFuture<OnlyServer> next = CompletableFuture.supplyAsync(OnlyServerTest::server);
        // it has asked at least once when this has been answered
        try (Connection connection = DriverManager.getConnection(URL, USER, PASSWORD)) {
            assertThat(connection.isValid(10)).isTrue();
        }
        before.close();
        next.get(30, TimeUnit.SECONDS).close();
    }

    @Test
    void aSecondServerIsRefusedInWords() throws Exception {
        try (OnlyServer one = server()) {
            assertThat(one).isNotNull();
            assertThatThrownBy(() -> CompletableFuture.supplyAsync(OnlyServerTest::server)
                            .join())
                    .isInstanceOf(CompletionException.class)
                    .hasMessageContaining("Another Imperan server works with this database already");
        }
    }
}
