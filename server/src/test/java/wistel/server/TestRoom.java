package wistel.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.zip.GZIPInputStream;
import javax.imageio.stream.FileImageInputStream;
import org.flywaydb.core.Flyway;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import wistel.core.pictures.PictureFile;
import wistel.server.store.FileStore;
import wistel.standin.PrintRoom;

/** A real server on a real, fresh PostgreSQL database, with a stand-in print room beside it. It can be stopped and started again. */
final class TestRoom implements AutoCloseable {
    PrintRoom room;
    private final Path roomFolder = Files.createTempDirectory("room");
    final Path files;
    private final String database;
    private ConfigurableApplicationContext context;
    int port;

    TestRoom(double pace) throws IOException {
        this(pace, Optional.empty());
        start();
    }

    private TestRoom(double pace, Optional<String> sql) throws IOException {
        this.room = new PrintRoom(roomFolder, 0, pace);
        this.files = Files.createTempDirectory("files");
        this.database = "t" + Long.toString(System.nanoTime(), 36);
        admin("create database " + database + (sql.isEmpty() ? " template " + Template.NAME : ""));
        sql.ifPresent(s -> execute(database, s));
    }

    /**
     * On a database that another version left: its dump, packed or not, with the demo's pictures and profiles, and its first printer's
     * address moved to this room.
     */
    static TestRoom ofDump(String resource) throws IOException {
        String sql;
        try (var in = TestRoom.class.getResourceAsStream(resource); var text = resource.endsWith(".gz") ? new GZIPInputStream(in) : in) {
            sql = new String(text.readAllBytes(), StandardCharsets.UTF_8);
        }
        TestRoom test = new TestRoom(0, Optional.of(sql));
        execute(test.database, "update public.printer set uri = '" + test.ipp() + "' where name = 'Ardle 17'");
        test.start();
        for (String folder : List.of("../demo/pictures", "../demo/profiles")) {
            try (var all = Files.list(Path.of(folder))) {
                for (Path file : all.toList()) {
                    test.keep(file, folder.endsWith("pictures"));
                }
            }
        }
        return test;
    }

    /** Keeps a file as a home has it, and the profile in it where it is a picture. */
    void keep(Path file, boolean picture) throws IOException {
        FileStore store = bean(FileStore.class);
        store.put(out -> Files.copy(file, out));
        if (picture) {
            byte[] profile = PictureFile.open(() -> stream(file)).facts().profile();
            store.put(out -> out.write(profile));
        }
    }

    private static FileImageInputStream stream(Path file) {
        try {
            return new FileImageInputStream(file.toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A second server beside this one, on its database and files. */
    Beside beside() {
        return new Beside(this);
    }

    /** Another server on the database and files of a test room. */
    static final class Beside implements AutoCloseable {
        final ConfigurableApplicationContext context;
        final int port;

        Beside(TestRoom test) {
            context = test.server();
            port = Integer.parseInt(context.getEnvironment().getProperty("local.server.port"));
        }

        @Override
        public void close() {
            context.close();
        }
    }

    static String base() {
        String base = System.getenv("WISTEL_TEST_DB");
        if (base == null) {
            throw new IllegalStateException(
                "WISTEL_TEST_DB is not set: run the tests by ./wistel test, which starts a PostgreSQL for them.");
        }
        return base;
    }

    static String password() {
        return System.getenv("WISTEL_TEST_DB_PASSWORD");
    }

    private static void admin(String sql) {
        execute("postgres", sql);
    }

    static void execute(String database, String sql) {
        try (Connection c = DriverManager.getConnection(base() + database, "wistel", password()); var s = c.createStatement()) {
            s.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    String ipp() {
        return "ipp://localhost:" + room.port() + "/ipp/print";
    }

    /** The printing process is gone in the middle and comes back at the same address. */
    void switchPrinterOffAndOn() throws IOException {
        int at = room.port();
        room.close();
        room = new PrintRoom(roomFolder, at, 0);
    }

    /** A database with the schema of now and nothing in it, made once for all rooms of this process. */
    private static final class Template {
        static final String NAME = made();

        private static String made() {
            String name = "t" + Long.toString(System.nanoTime(), 36);
            admin("create database " + name);
            Flyway.configure().dataSource(base() + name, "wistel", password()).load().migrate();
            return name;
        }
    }

    /** Takes the database away from everybody, or gives it back. */
    void databaseAway(boolean away) {
        admin("alter database " + database + " with allow_connections " + !away);
        if (away) {
            admin("select pg_terminate_backend(pid) from pg_stat_activity where datname = '" + database + "'");
        }
    }

    /** The first column of each row, as text. */
    void query(String select, Consumer<String> row) {
        try (Connection c = DriverManager.getConnection(base() + database, "wistel", password());
            var s = c.createStatement();
            var rows = s.executeQuery(select)) {
            while (rows.next()) {
                row.accept(rows.getString(1));
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Runs a statement on this room's database. */
    void sql(String statement) {
        execute(database, statement);
    }

    private ConfigurableApplicationContext server() {
        return new SpringApplication(Wistel.class).run("--server.port=0", "--spring.datasource.url=" + base() + database,
            "--spring.datasource.password=" + password(),
            "--spring.datasource.username=wistel", "--wistel.files=" + files, "--wistel.demo=", "--wistel.watch.still=PT0.9S",
            "--wistel.printers=Ardle 17=" + ipp(),
            "--spring.datasource.hikari.maximum-pool-size=6", "--logging.level.wistel=warn");
    }

    void start() {
        context = server();
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
        // whoever keeps the room doesn't keep the server's caches
        context = null;
        room.close();
        admin("drop database if exists " + database + " with (force)");
        // print files of a run come to a gigabyte and more
        try {
            FileSystemUtils.deleteRecursively(roomFolder);
            FileSystemUtils.deleteRecursively(files);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
