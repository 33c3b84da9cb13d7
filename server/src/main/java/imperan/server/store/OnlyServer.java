package imperan.server.store;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Holds the database for this server alone, for as long as it runs: two of them would each tell their own browsers of half the edits. The
 * lock is one of PostgreSQL's own ("Advisory Locks"), tied to a connection, so it is gone with the server, however that ends.
 */
@Component
public class OnlyServer implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(OnlyServer.class);

    /** "Imperan" in ASCII. */
    private static final long LOCK = 0x496D706572616EL;

    private static final int PERIOD_SECONDS = 5;
    private static final int CONNECT_SECONDS = 3;
    /** The database takes a moment to notice that the server before this one has ended. */
    private static final long PATIENCE_NANOS = 2_000_000_000L;

    private static final long AGAIN_NANOS = 50_000_000L;

    private final String url;
    private final String user;
    private final String password;
    private final ScheduledExecutorService watch =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "only-server"));
    private Connection connection;

    /** @throws IllegalStateException where another server has it already; the message is for people */
    OnlyServer(
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password:}") String password)
            throws SQLException {
        this.url = url;
        this.user = user;
        this.password = password;
        if (!takeSoon()) {
            throw new IllegalStateException("Another Imperan server works with this database already (" + url
                    + "). Stop that one first, or give this one a database of its own");
        }
        watch.scheduleWithFixedDelay(this::look, PERIOD_SECONDS, PERIOD_SECONDS, TimeUnit.SECONDS);
    }

    private boolean takeSoon() throws SQLException {
        long end = System.nanoTime() + PATIENCE_NANOS;
        boolean taken = take();
        while (!taken && System.nanoTime() < end) {
            LockSupport.parkNanos(AGAIN_NANOS);
            taken = take();
        }
        return taken;
    }

    private boolean take() throws SQLException {
        Connection made = DriverManager.getConnection(url, user, password);
        try (Statement statement = made.createStatement();
                ResultSet taken = statement.executeQuery("select pg_try_advisory_lock(" + LOCK + ")")) {
            taken.next();
            if (!taken.getBoolean(1)) {
                made.close();
                return false;
            }
        }
        connection = made;
        return true;
    }

    /** A database that was away has forgotten the lock. */
    private void look() {
        try {
            if (!connection.isValid(CONNECT_SECONDS)) {
                connection.close();
                if (take()) {
                    LOG.info("The database is held again");
                } else {
                    LOG.error("Another Imperan server has taken the database meanwhile. End one of the two");
                }
            }
        } catch (SQLException e) {
            LOG.debug("The database cannot be held now: {}", e.getMessage());
        }
    }

    @Override
    public void close() throws SQLException {
        watch.shutdown();
        try {
            // a look that is under way would take the database again after it was given back
            if (!watch.awaitTermination(2 * CONNECT_SECONDS, TimeUnit.SECONDS)) {
                LOG.warn("The database is not given back yet: it does not answer");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        connection.close();
    }
}
