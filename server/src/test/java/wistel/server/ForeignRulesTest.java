package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.render.PwgRaster;

/** A printer that somebody else wrote, with rules, a roll, custom sizes and inks of its own: ippeveprinter with an attribute file. */
public class ForeignRulesTest {
    private static final int PORT = 8652;
    private static final String URI = "ipp://localhost:" + PORT + "/ipp/print";
    private Process printer;
    private Path spool;
    private TestRoom test;
    private Api api;
    private String id;
    private String pairing;

    @BeforeClass
    void open() throws IOException {
        spool = Files.createTempDirectory("spool");
        printer = new ProcessBuilder("dbus-run-session", "--", "sh", "-c",
            "DBUS_SYSTEM_BUS_ADDRESS=$DBUS_SESSION_BUS_ADDRESS exec ippeveprinter -r off -n localhost -p " + PORT + " -d '" + spool
                + "' -k -a src/test/resources/foreign-printer.conf Wide")
            .redirectErrorStream(true).redirectOutput(spool.resolve("log").toFile()).start();
        test = new TestRoom(0);
        api = new Api(() -> test.port);
        JsonNode known = Waiting.until(() -> api.post("/api/printers", "{\"uri\":\"" + URI + "\"}", 0), a -> a.status() == 201, 20).body();
        id = known.path("id").asString();
        String hash = api.post("/api/profiles", Files.readAllBytes(Path.of("../demo/profiles/skerry-baryta.icc"))).body().get(0)
            .path("profile").path("hash").asString();
        pairing = api.post("/api/pairings", "{\"profileHash\":\"" + hash + "\",\"printerId\":\"" + id
            + "\",\"paper\":\"Gloss on Wide\",\"surface\":\"gloss\","
            + "\"body\":{\"thicknessMm\":0.3,\"grammage\":260,\"texture\":\"\",\"curl\":\"FLAT\"},"
            + "\"settings\":{\"values\":{\"media-type\":\"photographic-glossy\",\"media-source\":\"main\","
            + "\"print-quality\":\"4\"}},\"intent\":\"RELATIVE\"}", 0).body().path("pairingId").asString();
    }

    @AfterClass(alwaysRun = true)
    void close() throws InterruptedException {
        if (test != null) {
            test.close();
        }
        printer.descendants().forEach(ProcessHandle::destroy);
        printer.destroy();
        printer.waitFor(5, TimeUnit.SECONDS);
    }

    private String docket(String name) throws IOException {
        JsonNode d = api.drop(name, PrintingTest.picture(name.length())).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        assertThat(api.put(path + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).status()).isEqualTo(200);
        // it takes no device space: its driver converts
        return change(path, "{\"kind\":\"routed\",\"route\":{\"kind\":\"by-driver\",\"space\":\"OPRGB\"}}");
    }

    private String change(String path, String change) {
        Api.Answer answer = api.patch(path, change, api.get(path).body().path("version").asInt());
        assertThat(answer.status()).as(change + " " + answer.body()).isEqualTo(200);
        return path;
    }

    private List<String> codes(String path, String severity) {
        List<String> codes = new ArrayList<>();
        api.get(path).body().path("findings").forEach(f -> {
            if (f.path("severity").asString().equals(severity)) {
                codes.add(f.path("code").asString());
            }
        });
        return codes;
    }

    private PwgRaster.Page printed(String path) throws IOException {
        assertThat(codes(path, "STOP")).as(api.get(path).body().path("findings").toString()).isEmpty();
        JsonNode released = api.post(path + "/attempts", "", api.get(path).body().path("version").asInt()).body();
        JsonNode done = api.over(released.path("id").asString(), 60);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        Path newest;
        try (var files = Files.list(spool)) {
            newest = files.filter(f -> f.toString().endsWith(".pwg"))
                .max((a, b) -> Long.compare(a.toFile().lastModified(), b.toFile().lastModified())).orElseThrow();
        }
        try (InputStream in = Files.newInputStream(newest)) {
            return new PwgRaster.Reader(in).nextPage();
        }
    }

    @Test
    public void itsSuppliesMediaAndRulesAreShown() {
        JsonNode shown = Waiting.until(
            () -> api.get("/api/printers").body().valueStream().filter(p -> p.path("id").asString().equals(id)).findFirst().orElseThrow(),
            p -> p.path("supplies").size() > 0, 10);
        assertThat(shown.path("supplies").get(0).path("percent").asInt()).isEqualTo(63);
        assertThat(shown.path("supplies").get(0).path("name").asString()).isEqualTo("Cyan tank");
        assertThat(shown.path("can").path("rules").asInt()).isEqualTo(2);
        assertThat(shown.path("can").path("ways").toString()).contains("rolls of 610 mm, up to 9 m in one piece");
        assertThat(shown.path("can").path("toTheEdge").asString()).contains("A4");
    }

    @Test
    public void itsRulesStrikeOutAndItsResolverShowsTheWay() throws IOException {
        String path = docket("rules.png");
        JsonNode quality = setting(path, "print-quality");
        JsonNode quick = quality.path("values").get(0);
        assertThat(quick.path("why").asString()).isEqualTo("not with glossy photo paper");
        JsonNode cut = setting(path, "finishings").path("values").get(1);
        assertThat(cut.path("why").asString()).contains("not with main");
        change(path, cut.path("fix").path("change").toString());
        JsonNode after = api.get(path).body();
        assertThat(after.path("spec").path("colour").path("settings").path("values").path("media-source").asString())
            .isEqualTo("main-roll");
        assertThat(after.path("spec").path("paper").path("stock").path("widthMm").asDouble()).isEqualTo(610);
        assertThat(after.path("undo").asString()).contains("cut after each page");
        assertThat(codes(path, "STOP")).isEmpty();
    }

    private JsonNode setting(String path, String name) {
        return api.get(path + "/setting-choices").body().valueStream().filter(s -> s.path("setting").asString().equals(name)).findFirst()
            .orElseThrow();
    }

    @Test(dependsOnMethods = "itsSuppliesMediaAndRulesAreShown")
    public void itsRollIsPrintedOn() throws IOException {
        String path = docket("roll.png");
        change(path, "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"roll\",\"widthMm\":610},\"feed\":\"main-roll\"}");
        change(path, "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":500,\"heightMm\":333.3}");
        PwgRaster.Page page = printed(path);
        assertThat(page.width() * 25.4 / page.dpi()).isCloseTo(610, org.assertj.core.api.Assertions.within(0.2));
        assertThat(page.space()).isEqualTo(PwgRaster.Space.OPRGB);
        assertThat(page.bits()).isEqualTo(16);
    }

    @Test(dependsOnMethods = "itsRollIsPrintedOn")
    public void itPrintsToTheEdgeWhereItSaysSo() throws IOException {
        String path = docket("edge.png");
        change(path, "{\"kind\":\"edged\",\"edge\":{\"borderless\":true,\"overMm\":0,\"bleedMm\":0}}");
        PwgRaster.Page page = printed(path);
        assertThat(page.width() * 25.4 / page.dpi()).isCloseTo(210, org.assertj.core.api.Assertions.within(0.2));
    }

    @Test(dependsOnMethods = "itPrintsToTheEdgeWhereItSaysSo")
    public void aSheetCutToMeasureIsPrinted() throws IOException {
        String path = docket("cut.png");
        change(path, "{\"kind\":\"set\",\"setting\":\"media-type\",\"value\":\"stationery\",\"said\":\"\"}");
        Api.Answer cut = api.put(path + "/sheet", "{\"width\":\"250 mm\",\"length\":\"700 mm\",\"name\":\"\"}",
            api.get(path).body().path("version").asInt());
        assertThat(cut.status()).as(cut.body().toString()).isEqualTo(200);
        assertThat(codes(path, "STOP")).as("the profile is not for it, and nothing else stops").containsExactly("MEDIA_TYPE_DIFFERS");
    }
}
