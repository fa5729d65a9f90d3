package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.server.print.Retention;
import wistel.server.printer.PrinterRepository;
import wistel.standin.PrintRoom;
import wistel.standin.room.Feeds;

/** What leaves a room changed, its printer, its printers or its files: each test has a fresh one. */
public class ReliabilityTest extends PrintingRoom {
    @BeforeMethod
    void open() throws IOException {
        openRoom();
    }

    @AfterMethod(alwaysRun = true)
    void close() {
        test.close();
    }

    /** Whatever goes wrong in a step, the attempt ends with words and its docket can be released again. */
    @Test
    public void anAttemptWhoseOrderCantBeReadFailsInWords() throws Exception {
        JsonNode d = small(510);
        test.room.close();
        String id = released(d);
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("doesn't answer"), 30);
        test.sql("update attempt_page set file_hash = null where attempt_id = '" + id + "'");
        test.sql("update attempt set print_order = '{\"schema\":2}' where id = '" + id + "'");
        JsonNode a = over(id, 30);
        assertThat(state(a)).isEqualTo("failed");
        assertThat(a.path("message").asString()).contains("unforeseen").doesNotContain("Exception:");
        assertThat(release(d).status()).as("the docket is free again").isEqualTo(202);
    }

    /** The printer is switched off and on in the middle: what it still knows is said, what waited goes on. */
    @Test
    public void thePrinterKilledInTheMiddleSaysWhatBecameOfItsJobs() throws Exception {
        test.room.printer().pace(4);
        String laid = released(small(550));
        Waiting.until(() -> api.attempt(laid), a -> state(a).equals("printing") && Api.page(a).path("percent").asInt() > 0, 60);
        String queued = released(small(551));
        Waiting.until(() -> api.attempt(queued), a -> Api.page(a).path("jobSent").asBoolean(), 30);
        test.switchPrinterOffAndOn();
        JsonNode a = over(laid, 60);
        assertThat(state(a)).isEqualTo("failed");
        assertThat(a.path("message").asString()).contains("Look whether a sheet came out");
        JsonNode b = over(queued, 60);
        assertThat(state(b)).as(b.path("message").asString()).isEqualTo("done");
        assertThat(sheets(queued)).isEqualTo(1);
    }

    /** A job that began and was aborted while no server looked is not sent again by itself: a spoilt sheet may be out. */
    @Test
    public void aJobThatHadBegunIsNotRepeatedWithoutAsking() throws Exception {
        test.room.printer().pace(2);
        String id = released(small(555));
        Waiting.until(() -> api.attempt(id), a -> state(a).equals("printing") && Api.page(a).path("percent").asInt() > 0, 60);
        test.stop();
        // as a server that was killed while it sent leaves it
        test.sql("update attempt_page set job_sent = false, state = 'sending' where attempt_id = '" + id + "'");
        test.switchPrinterOffAndOn();
        test.start();
        JsonNode a = over(id, 60);
        assertThat(state(a)).isEqualTo("failed");
        assertThat(a.path("message").asString()).contains("Look whether a sheet came out");
        assertThat(announced(id)).as("the job that was aborted, and no second").hasSize(1);
    }

    /** Two printers that call themselves alike are two; one that takes a known one's address is not it. */
    @Test
    public void printersAreKnownByTheirUuid() throws Exception {
        String mine = test.bean(PrinterRepository.class).all().get(0).id().toString();
        try (PrintRoom other = new PrintRoom(Files.createTempDirectory("room"), 0, 0)) {
            JsonNode added = api.post("/api/printers", "{\"uri\":\"ipp://localhost:" + other.port() + "/ipp/print\"}", 0).body();
            assertThat(added.path("name").asString()).as("it calls itself by the same name, and is told apart").isEqualTo("Ardle 17 (2)");
            assertThat(added.path("id").asString()).isNotEqualTo(mine);
            JsonNode again = api.post("/api/printers", "{\"uri\":\"ipp://127.0.0.1:" + other.port() + "/ipp/print\"}", 0).body();
            assertThat(again.path("id").asString()).as("the same printer under another address").isEqualTo(added.path("id").asString());
            assertThat(api.get("/api/printers").body().size()).isEqualTo(2);
            String path = "/api/printers/" + added.path("id").asString();
            assertThat(api.patch(path, "{\"name\":\"Upstairs\"}", 0).body().path("name").asString()).isEqualTo("Upstairs");
            assertThat(api.patch(path, "{\"name\":\" \"}", 0).code()).isEqualTo("name-out-of-range");
            assertThat(api.patch(path, "{\"name\":\"ardle 17\"}", 0).code()).isEqualTo("name-taken");
            api.patch(path, "{\"retired\":true}", 0);
            assertThat(api.get("/api/printers").body().size()).isEqualTo(1);
        }
    }

    /** One that drips its answer, sends NULs or nests without end: it is away, the others are watched as before. */
    @Test
    public void aPrinterThatTalksNonsenseHoldsUpNoOther() throws Exception {
        try (ServerSocket drips = new ServerSocket(0, 50, InetAddress.getLoopbackAddress())) {
            Thread dripping = new Thread(() -> drip(drips));
            dripping.setDaemon(true);
            dripping.start();
            HttpServer nonsense = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
            byte[] deep = new byte[400_000];
            deep[0] = 2;
            deep[7] = 1;
            deep[8] = 4;
            for (int i = 9; i + 5 < deep.length; i += 5) {
                deep[i] = 0x34;
            }
            nonsense.createContext("/", e -> {
                e.sendResponseHeaders(200, deep.length);
                e.getResponseBody().write(deep);
                e.close();
            });
            nonsense.start();
            PrinterRepository printers = test.bean(PrinterRepository.class);
            UUID slow = printers.add("Dripper", "ipp://localhost:" + drips.getLocalPort() + "/", Optional.empty());
            UUID odd = printers.add("Babbler", "ipp://localhost:" + nonsense.getAddress().getPort() + "/", Optional.empty());
            test.room.printer().empty(Feeds.REAR);
            UUID good = printers.all().stream().map(p -> p.id()).filter(p -> !p.equals(slow) && !p.equals(odd)).findFirst().orElseThrow();
            Waiting.until(() -> printers.get(good).state().loaded().stream().map(m -> m.feed()).collect(Collectors.toSet()),
                feeds -> !feeds.contains(Feeds.REAR), 20);
            Waiting.until(() -> printers.get(odd).state(), s -> s.away(), 20);
            assertThat(printers.get(slow).away()).isTrue();
            nonsense.stop(0);
        }
    }

    private static void drip(ServerSocket server) {
        while (!server.isClosed()) {
            try (Socket socket = server.accept()) {
                socket.getOutputStream()
                    .write("HTTP/1.1 200 OK\r\nContent-Type: application/ipp\r\nContent-Length: 100000\r\n\r\n"
                        .getBytes(StandardCharsets.UTF_8));
                for (int i = 0; i < 100_000; i++) {
                    socket.getOutputStream().write(0);
                    socket.getOutputStream().flush();
                    Thread.sleep(200);
                }
            } catch (IOException e) {
                // the client has had enough
            } catch (InterruptedException e) {
                return;
            }
        }
    }

    /** Print files and scans that were let go: the log says so, and exactly this again makes the same file from the order. */
    @Test
    public void whatWasLetGoIsMadeAgainFromItsOrder() throws Exception {
        JsonNode first = over(released(small(560)), 30);
        String hash = Api.page(first).path("fileHash").asString();
        assertThat(
            api.put("/api/settings/retention", "{\"printFileDays\":0,\"scanDays\":0,\"gigabytes\":-1,\"keepMatching\":false}", 0).code())
            .isEqualTo("out-of-range");
        test.sql("update attempt_page set finished = now() - interval '40 days'");
        api.put("/api/settings/retention", "{\"printFileDays\":30,\"scanDays\":30,\"gigabytes\":10,\"keepMatching\":false}", 0);
        JsonNode gone = api.attempt(first.path("id").asString());
        assertThat(Api.page(gone).path("fileKept").asBoolean()).isFalse();
        assertThat(api.get("/api/attempts/" + first.path("id").asString() + "/pages/1/placed/i1/scan").code()).isEqualTo("not-found");
        assertThat(api.get("/api/settings/retention").body().path("bytesNow").asLong()).isZero();
        // the pairing was changed and the printer's description forgotten meanwhile: the order alone decides
        test.sql("update pairing_version set intent = 'SATURATION', settings = '{}'");
        JsonNode second = over(api.post("/api/attempts/" + first.path("id").asString() + "/reprints", "", 0).body().path("id").asString(),
            30);
        assertThat(state(second)).as(second.path("message").asString()).isEqualTo("done");
        assertThat(Api.page(second).path("fileHash").asString()).isEqualTo(hash);
        assertThat(second.path("orderHash").asString()).isEqualTo(first.path("orderHash").asString());
    }

    /**
     * 4 x 6 in are 0.0155 m2: at 2400 s a square metre, 37.2 s; to 5 s, as the release station says it.
     */
    @Test
    public void timeIsEstimatedFromTheLastPrintsOnThePairing() throws Exception {
        JsonNode d = small(620);
        over(released(d), 30);
        test.sql("update attempt_page set printed_seconds = 2400 * area_m2");
        assertThat(api.get("/api/dockets/" + d.path("id").asString()).body().path("readback").asString()).contains("about 35 seconds");
        test.sql("update attempt_page set state = 'failed'");
        assertThat(api.get("/api/dockets/" + d.path("id").asString()).body().path("readback").asString())
            .as("what failed teaches nothing: the printer's own figure stands").doesNotContain("about 35 seconds").contains("; about ");
    }

    /** The bench of a busy room answers at once. */
    @Test
    public void theBenchOfSixHundredDocketsIsOneQuestion() throws Exception {
        JsonNode d = small(580);
        test.sql(
            """
                do $$ declare n uuid; begin
                  for i in 1..600 loop
                    n := gen_random_uuid();
                    insert into docket (id, created, changed, schema, spec) select n, now(), now(), schema, spec from docket
                      where id = '%1$s';
                    insert into docket_rendition select n, rendition_id, master_id from docket_rendition where docket_id = '%1$s';
                    insert into docket_revision (docket_id, revision, schema, spec, change, at) select n, 1, schema, spec, '', now()
                      from docket where id = '%1$s';
                  end loop;
                end $$"""
                .formatted(d.path("id").asString()));
        for (int i = 0; i < 3; i++) {
            api.get("/api/bench");
        }
        long began = System.nanoTime();
        JsonNode bench = api.get("/api/bench").body();
        System.out.println("bench of 601 dockets: " + Duration.ofNanos(System.nanoTime() - began).toMillis() + " ms");
        int dockets = 0;
        for (JsonNode group : bench) {
            dockets += group.path("dockets").size();
        }
        assertThat(dockets).isEqualTo(601);
    }

    @Test
    public void pastABoundOnBytesTheOldestPrintFilesGoFirstAndScansLast() throws Exception {
        Retention retention = test.bean(Retention.class);
        JsonNode first = over(released(small(580)), 30);
        JsonNode second = over(released(small(590)), 30);
        JsonNode running = release(large(600)).body();
        retention.bound(retention.bytes() - 1);
        assertThat(kept(first)).containsExactly(false, true);
        assertThat(kept(second)).containsExactly(true, true);
        retention.bound(0);
        assertThat(kept(first)).containsExactly(false, false);
        assertThat(kept(second)).containsExactly(false, false);
        assertThat(retention.bytes()).isZero();
        assertThat(state(over(running.path("id").asString(), 120))).as("what runs keeps its file").isEqualTo("done");
    }

    /** Whether its file and its scan are there. */
    private List<Boolean> kept(JsonNode attempt) {
        JsonNode page = Api.page(api.attempt(attempt.path("id").asString()));
        return List.of(page.path("fileKept").asBoolean(), page.path("scanKept").asBoolean());
    }
}
