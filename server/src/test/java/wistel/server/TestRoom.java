package wistel.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import wistel.standin.PrintRoom;

/** A real server on a real, fresh PostgreSQL database, with a stand-in print room beside it. It can be stopped and started again. */
final class TestRoom implements AutoCloseable {
    final PrintRoom room;
    final Path files;
    private final String database;
    private ConfigurableApplicationContext context;
    int port;

    TestRoom(double pace) throws IOException {
        this.room = new PrintRoom(Files.createTempDirectory("room"), 0, pace);
        this.files = Files.createTempDirectory("files");
        this.database = "t" + Long.toString(System.nanoTime(), 36);
        admin("create database " + database);
        start();
    }

    static String base() {
        String base = System.getenv("WISTEL_TEST_DB");
        if (base == null) {
            throw new IllegalStateException("WISTEL_TEST_DB is not set: run the tests by ./wistel test, which starts a PostgreSQL for them.");
        }
        return base;
    }

    static String password() {
        return System.getenv("WISTEL_TEST_DB_PASSWORD");
    }

    private static void admin(String sql) {
        try (Connection c = DriverManager.getConnection(base() + "postgres", "wistel", password()); var s = c.createStatement()) {
            s.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    String ipp() {
        return "ipp://localhost:" + room.port() + "/ipp/print";
    }

    void start() {
        context = new SpringApplication(Wistel.class).run("--server.port=0", "--spring.datasource.url=" + base() + database, "--spring.datasource.password=" + password(),
            "--spring.datasource.username=wistel", "--wistel.files=" + files, "--wistel.demo=", "--wistel.printers=Ardle 17=" + ipp(),
            "--spring.datasource.hikari.maximum-pool-size=6", "--logging.level.wistel=warn");
        port = Integer.parseInt(context.getEnvironment().getProperty("local.server.port"));
        Waiting.until(() -> new Api(() -> port).get("/api/status").body(), s -> s.path("ready").asBoolean(), 30);
    }

    /** Files that are being written just now. */
    long staged() throws IOException {
        try (var staged = Files.walk(files.resolve("staging"))) {
            return staged.filter(Files::isRegularFile).filter(f -> !f.getFileName().toString().equals("in-use")).count();
        }
    }

    <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    void stop() {
        context.close();
    }

    @Override
    public void close() {
        stop();
        room.close();
        admin("drop database if exists " + database + " with (force)");
    }
}
