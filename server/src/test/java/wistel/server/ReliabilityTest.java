package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.server.print.Retention;
import wistel.server.printer.PrinterRepository;
import wistel.standin.PrintRoom;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.PrintJob;

/** Nothing is lost and nothing printed twice, whatever stops, is killed, is slow or talks nonsense. Each test starts from a fresh room. */
public class ReliabilityTest {
    private static final int TASK_THREADS = 4;

    private TestRoom test;
    private Api api;

    @BeforeMethod
    void open() throws IOException {
        test = new TestRoom(0);
        api = new Api(() -> test.port);
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    @AfterMethod(alwaysRun = true)
    void close() {
        test.close();
    }

    private JsonNode ready(String name, byte[] file) {
        JsonNode d = api.drop(name, file).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        return api
            .put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt())
            .body();
    }

    private JsonNode small(int seed) throws IOException {
        return ready("small-" + seed + ".png", PrintingTest.picture(seed));
    }

    /** A picture whose page takes a while to make: 1080 x 1620 pixels enlarged to A3 at 360 dpi. */
    private JsonNode large(int seed) throws IOException {
        BufferedImage image = new BufferedImage(1620, 1080, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 1620 * 1080; i++) {
            image.setRGB(i % 1620, i / 1620, (i * 31 + seed * 77) & 0xFFFFFF);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        JsonNode d = ready("large-" + seed + ".png", out.toByteArray());
        String path = "/api/dockets/" + d.path("id").asString();
        JsonNode a3 = api
            .patch(path, "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":\"A3\",\"widthMm\":297,\"lengthMm\":420}}",
                d.path("version").asInt())
            .body();
        return api.patch(path + "/size", "{\"width\":\"390\"}", a3.path("version").asInt()).body();
    }

    private Api.Answer release(JsonNode docket) {
        return api.post("/api/dockets/" + docket.path("id").asString() + "/attempts", "", docket.path("version").asInt());
    }

    private String released(JsonNode docket) {
        Api.Answer answer = release(docket);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(202);
        return answer.body().path("id").asString();
    }

    private JsonNode over(String id, int seconds) {
        return api.over(id, seconds);
    }

    private static String state(JsonNode a) {
        return a.path("state").asString();
    }

    /** Sheets that came out for an attempt. */
    private long sheets(String attempt) {
        return announced(attempt).filter(j -> j.state() == PrintJob.State.COMPLETED).count();
    }

    /**
     * Those that were not given up: a job whose document was broken off by a stop is cancelled, or aborted by the printer itself, and
     * announced anew.
     */
    private long jobs(String attempt) {
        return announced(attempt).filter(j -> j.state() != PrintJob.State.CANCELED && j.state() != PrintJob.State.ABORTED).count();
    }

    private Stream<PrintJob.Seen> announced(String attempt) {
        return test.room.printer().jobs().stream().filter(j -> j.ticket().name().startsWith(attempt));
    }

    private <T> List<T> together(List<Callable<T>> calls) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(calls.size());
        try {
            List<T> results = new ArrayList<>();
            for (Future<T> f : threads.invokeAll(calls)) {
                results.add(f.get());
            }
            return results;
        } finally {
            threads.shutdown();
        }
    }

    @Test
    public void sixteenReleasesOfOneDocketAtOnceAreOneAttempt() throws Exception {
        for (int round = 0; round < 3; round++) {
            JsonNode d = small(100 + round);
            List<Api.Answer> answers = together(IntStream.range(0, 16).mapToObj(i -> (Callable<Api.Answer>) () -> release(d)).toList());
            List<Integer> accepted = answers.stream().map(Api.Answer::status).filter(s -> s == 202).toList();
            assertThat(answers).allMatch(a -> a.status() == 202 || a.status() == 409 && a.code().equals("printing-already"));
            JsonNode attempts = api.get("/api/dockets/" + d.path("id").asString() + "/attempts").body();
            // one is over quickly here, and then the docket may be released again: never two under way, and each sheet once
            assertThat(accepted).hasSize(attempts.size());
            for (JsonNode a : attempts) {
                assertThat(state(over(a.path("id").asString(), 30))).isEqualTo("done");
                assertThat(sheets(a.path("id").asString())).isEqualTo(1);
            }
        }
    }

    /** A stop is neither a cancel nor damage: every attempt that was being made goes on after the start. */
    @Test
    public void aStopWhileSeveralFilesAreMadeLosesNone() throws Exception {
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            ids.add(released(large(i)));
        }
        Waiting.until(() -> ids.stream().map(id -> state(api.attempt(id))).toList(), states -> states.contains("rendering"), 30);
        test.stop();
        test.start();
        for (String id : ids) {
            JsonNode a = over(id, 120);
            assertThat(state(a)).as(a.path("message").asString()).isEqualTo("done");
            assertThat(sheets(id)).isEqualTo(1);
            assertThat(jobs(id)).isEqualTo(1);
        }
    }

    /** More attempts than threads: what waits in a queue isn't taken for dead and run twice. */
    @Test
    public void moreAttemptsThanThreadsAreEachPrintedOnce() throws Exception {
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 2 * TASK_THREADS; i++) {
            ids.add(released(small(200 + i)));
        }
        for (String id : ids) {
            assertThat(state(over(id, 60))).isEqualTo("done");
            assertThat(jobs(id)).isEqualTo(1);
        }
    }

    /** Heartbeats and leases decide who works on what, not who started last. */
    @Test
    public void twoServersOnOneDatabasePrintEachAttemptOnce() throws Exception {
        test.room.printer().pace(200);
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            ids.add(released(small(300 + i)));
        }
        Waiting.until(() -> ids.stream().map(id -> state(api.attempt(id))).toList(), states -> states.contains("printing"), 30);
        try (TestRoom.Beside second = test.beside()) {
            assertThat(second.port).isNotEqualTo(test.port);
            Api other = new Api(() -> second.port);
            for (int i = 4; i < 8; i++) {
                JsonNode d = small(300 + i);
                ids.add(other.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
                    .asString());
            }
            test.room.printer().pace(0);
            for (String id : ids) {
                assertThat(state(over(id, 90))).isEqualTo("done");
            }
        }
        for (String id : ids) {
            assertThat(jobs(id)).isEqualTo(1);
            assertThat(sheets(id)).isEqualTo(1);
        }
    }

    /** What a killed server held is taken over once its heartbeats are missed; its job is found again by its name. */
    @Test
    public void aKilledServersAttemptsAreTakenOverByTheOther() throws Exception {
        test.room.printer().pace(400);
        String id = released(small(400));
        Waiting.until(() -> api.attempt(id), a -> state(a).equals("printing"), 30);
        test.stop();
        // as a killed server leaves it: picked, with a heartbeat that grows old
        test.sql(
            "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, picked_by, last_heartbeat, version) values "
                + "('print', '"
                + id
                + "', now(), true, 'gone', now() - interval '1 minute', 7) on conflict (task_name, task_instance) do update set picked = "
                + "true, picked_by = 'gone', "
                + "last_heartbeat = now() - interval '1 minute'");
        test.room.printer().pace(0);
        test.start();
        assertThat(state(over(id, 180))).isEqualTo("done");
        assertThat(jobs(id)).isEqualTo(1);
    }

    /** A printer that takes its data as slowly as it prints is waited for: no bound on the whole, and no second job. */
    @Test
    public void aPrinterThatTakesItsDataSlowlyIsWaitedFor() throws Exception {
        test.room.printer().intake(0);
        String id = released(large(600));
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("takes its data slowly"), 180);
        assertThat(state(api.attempt(id))).isEqualTo("sending");
        test.room.printer().intake(Integer.MAX_VALUE);
        assertThat(state(over(id, 60))).isEqualTo("done");
        assertThat(jobs(id)).isEqualTo(1);
    }

    /** While its data goes out, an attempt can still be cancelled. */
    @Test
    public void anAttemptOnItsWayOutIsCancelled() throws Exception {
        test.room.printer().intake(200_000);
        String id = released(large(610));
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().startsWith("going to the printer, "), 60);
        api.post("/api/attempts/" + id + "/cancel", "", 0);
        JsonNode a = over(id, 30);
        assertThat(state(a)).as(a.path("message").asString()).isEqualTo("cancelled");
        test.room.printer().intake(Integer.MAX_VALUE);
        assertThat(sheets(id)).isZero();
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

    /** A printer known as 127.0.0.1 that offers its scan under another name of this machine. */
    @Test
    public void aScanUnderAnotherNameOfTheSameHostIsFetched() throws Exception {
        UUID printer = test.bean(PrinterRepository.class).all().get(0).id();
        test.bean(PrinterRepository.class).moved(printer, "ipp://127.0.0.1:" + test.room.port() + "/ipp/print", Optional.empty());
        JsonNode a = over(released(small(520)), 30);
        assertThat(state(a)).isEqualTo("done");
        assertThat(Api.page(a).path("scanHash").asString()).hasSize(64);
    }

    /** A scan that can't be had is said; the sheet is out and the attempt closes. */
    @Test
    public void aScanThatCantBeHadDoesNotHoldTheAttempt() throws Exception {
        test.room.printer().pace(250);
        JsonNode d = small(530);
        String id = released(d);
        Waiting.until(() -> api.attempt(id), a -> state(a).equals("printing"), 30);
        test.room.hideScans(true);
        test.room.printer().pace(0);
        JsonNode a = over(id, 30);
        assertThat(state(a)).isEqualTo("done");
        assertThat(Api.page(a).path("message").asString()).contains("scan could not be had");
        assertThat(release(d).status()).isEqualTo(202);
    }

    /** Whatever a printer says that its scan's address is: the sheet is out, and that is what the record says. */
    @Test
    public void aScanAtNoAddressAtAllIsASentenceBesideDone() throws Exception {
        String first = released(small(535));
        over(first, 30);
        for (String address : List.of("file:///etc/passwd", "scan/1.tif", "http:///1.tif", "urn:scan:1", "http://localhost:1/scan.tif",
            "mailto:x@y.example")) {
            test.room.scanAddress(address);
            JsonNode a = over(api.post("/api/attempts/" + first + "/reprints", "", 0).body().path("id").asString(), 30);
            assertThat(state(a)).as(address + ": " + a.path("message").asString()).isEqualTo("done");
            assertThat(Api.page(a).path("message").asString()).as(address).startsWith("Printed. Its scan could not be had: ");
            assertThat(Api.page(a).path("scanHash").isNull()).isTrue();
        }
    }

    /** A fault of the printer's own passes: it is waited for as for a busy one. */
    @Test
    public void aPrinterThatStumblesForSomeSecondsIsAskedAgain() throws Exception {
        test.room.stumble(true);
        String id = released(small(545));
        JsonNode waits = Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("HTTP 500"), 30);
        assertThat(state(waits)).isEqualTo("sending");
        test.room.stumble(false);
        assertThat(state(over(id, 30))).isEqualTo("done");
        assertThat(sheets(id)).isEqualTo(1);
    }

    /** A printer that is busy is asked again; it is no refusal. */
    @Test
    public void aBusyPrinterIsAskedAgain() throws Exception {
        test.room.busy(true);
        String id = released(small(540));
        JsonNode waits = Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("busy"), 30);
        assertThat(state(waits)).isEqualTo("sending");
        test.room.busy(false);
        assertThat(state(over(id, 30))).isEqualTo("done");
        assertThat(sheets(id)).isEqualTo(1);
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

    /**
     * A4 has 0.0624 m2: at 600 s a square metre, 37.4 s; to 5 s, as the release station says it. The printer itself says about three
     * minutes.
     */
    @Test
    public void timeIsEstimatedFromTheLastPrintsOnThePairing() throws Exception {
        JsonNode d = small(620);
        over(released(d), 30);
        test.sql("update attempt_page set printed_seconds = 600 * area_m2");
        assertThat(api.get("/api/dockets/" + d.path("id").asString()).body().path("readback").asString()).contains("about 35 seconds");
        test.sql("update attempt_page set state = 'failed'");
        assertThat(api.get("/api/dockets/" + d.path("id").asString()).body().path("readback").asString())
            .as("what failed teaches nothing: the printer's own figure stands").contains("about 2.7 minutes");
    }

    /** Without its database the server says so at once, and goes on when it is back. */
    @Test
    public void withoutADatabaseEveryRequestIsToldSoQuickly() throws Exception {
        String id = "/api/dockets/" + small(610).path("id").asString();
        test.databaseAway(true);
        try {
            long began = System.nanoTime();
            for (String path : List.of("/api/bench", id, "/api/attempts", "/api/printers")) {
                Api.Answer answer = api.get(path);
                assertThat(answer.status()).as(path + " " + answer.body()).isEqualTo(503);
                assertThat(answer.code()).isEqualTo("database-away");
                assertThat(answer.body().path("next").asString()).isNotBlank();
            }
            assertThat(Duration.ofNanos(System.nanoTime() - began)).as("four answers").isLessThan(Duration.ofSeconds(20));
        } finally {
            test.databaseAway(false);
        }
        Waiting.until(() -> api.get(id).status(), s -> s == 200, 20);
    }

    /** One page of an attempt that failed is printed again alone, by the same order. */
    @Test
    public void aPageIsPrintedAgainAlone() throws Exception {
        String id = released(small(570));
        assertThat(state(over(id, 30))).isEqualTo("done");
        assertThat(api.post("/api/attempts/" + id + "/pages/7/reprints", "", 0).code()).isEqualTo("page-unknown");
        assertThat(api.post("/api/attempts/" + id + "/pages/1/reprints", "", 0).status()).isEqualTo(202);
        Waiting.until(() -> sheets(id), n -> n == 2, 30);
        assertThat(state(over(id, 30))).isEqualTo("done");
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
}
