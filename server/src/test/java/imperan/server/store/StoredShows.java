package imperan.server.store;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.autoconfigure.EnableAutoConfiguration;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Configuration;

/** What keeps shows, on a database of its own and with nothing of the web; the database is gone afterwards. */
public final class StoredShows implements AutoCloseable {

    private static final String ROLE = "imperan_app";

    @Configuration
    @EnableAutoConfiguration
    @ComponentScan(basePackageClasses = Keeper.class)
    @MapperScan("imperan.server.store")
    static class OnlyTheStore {}

    private final String database = "store_" + UUID.randomUUID().toString().replace("-", "");
    private final ConfigurableApplicationContext context;

    /** @param dump what is in the database before it is brought up, as SQL of PostgreSQL's pg_dump */
    public StoredShows(String dump) throws SQLException {
        String password = environment("IMPERAN_TEST_DB_APP_PASSWORD");
        administer("create database " + database + " owner " + ROLE);
        try (Connection connection = DriverManager.getConnection(url(database), ROLE, password);
                Statement statement = connection.createStatement()) {
            // what begins with a backslash is for psql
            statement.execute(dump.replaceAll("(?m)^\\\\.*$", ""));
        }
        context = new SpringApplicationBuilder(OnlyTheStore.class)
                .web(WebApplicationType.NONE)
                .run(
                        "--spring.datasource.url=" + url(database),
                        "--spring.datasource.username=" + ROLE,
                        "--spring.datasource.password=" + password);
    }

    /** Does this in the database, as whoever owns the shows. */
    public void execute(String sql) throws SQLException {
        try (Connection connection =
                        DriverManager.getConnection(url(database), ROLE, environment("IMPERAN_TEST_DB_APP_PASSWORD"));
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    @Override
    public void close() throws SQLException {
        context.close();
        administer("drop database " + database + " with (force)");
    }

    private static void administer(String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection(
                        url("postgres"), "imperan", environment("IMPERAN_TEST_DB_PASSWORD"));
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private static String environment(String name) {
        return System.getenv().getOrDefault(name, "");
    }

    private static String url(String name) {
        return "jdbc:postgresql://127.0.0.1:" + System.getenv().getOrDefault("IMPERAN_TEST_DB_PORT", "8421") + "/"
                + name;
    }
}
