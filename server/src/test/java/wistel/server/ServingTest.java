package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.HttpURLConnection;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** How the server answers: pages, pictures, events, lists. */
public class ServingTest extends InTestRoom {
    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.PERCEPTUAL);
    }

    private JsonNode docket(String name, int seed) throws IOException {
        return api.drop(name, PrintingTest.picture(seed)).body().path("docket");
    }

    private String pairing(int i) {
        return api.get("/api/pairings").body().get(i).path("pairingId").asString();
    }

    private JsonNode paired(JsonNode docket, int pairing) {
        return api.put(path(docket) + "/pairing", "{\"pairingId\":\"" + pairing(pairing) + "\"}", docket.path("version").asInt()).body();
    }

    private static String path(JsonNode docket) {
        return "/api/dockets/" + docket.path("id").asString();
    }

    @Test
    public void everyPathOfTheFrontEndGetsItsPageAndOnlyTheApiGets404() {
        for (String path : new String[] {"/", "/log", "/dockets/123/proof"}) {
            Api.Answer answer = api.get(path);
            assertThat(answer.status()).as(path).isEqualTo(200);
            assertThat(new String(answer.raw().body(), StandardCharsets.UTF_8)).contains("<div id=\"root\">");
            assertThat(answer.raw().headers().firstValue("Cache-Control").orElse("")).contains("no-cache");
        }
        assertThat(api.get("/api/nothing").status()).isEqualTo(404);
        assertThat(api.get("/assets/nothing.js").status()).isEqualTo(404);
    }

    @Test
    public void theFrontEndAsksNothingFromOutside() throws IOException {
        String page = new String(api.get("/").raw().body(), StandardCharsets.UTF_8);
        assertThat(page).doesNotContain("http://").doesNotContain("https://");
        var script = Pattern.compile("src=\"(/assets/[^\"]+)\"").matcher(page);
        assertThat(script.find()).isTrue();
        Api.Answer asset = api.get(script.group(1));
        assertThat(asset.status()).isEqualTo(200);
        assertThat(asset.raw().headers().firstValue("Cache-Control").orElse("")).contains("immutable");
        assertThat(asset.raw().headers().firstValue("Content-Security-Policy").orElse("")).contains("default-src 'self'");
    }

    @Test
    public void picturesForTheDisplayAreTaggedSrgbPng() throws IOException {
        JsonNode d = paired(docket("tagged.png", 40), 0);
        String master = "/api/masters/" + d.path("pictures").get(0).path("master").path("hash").asString();
        String on = "longest=200&pairing=" + pairing(0) + "&version=1";
        for (String path : new String[] {master + "/picture?longest=200", master + "/proof?intent=RELATIVE&black=true&" + on,
            master + "/proof?intent=PERCEPTUAL&black=false&view=INK_BLACK&" + on, master + "/gamut?" + on}) {
            byte[] png = api.get(path).raw().body();
            assertThat(new String(png, 0, Math.min(200, png.length), StandardCharsets.ISO_8859_1)).as(path).contains("PNG")
                .contains("sRGB");
            var image = ImageIO.read(new ByteArrayInputStream(png));
            assertThat(image.getWidth()).isEqualTo(200);
            assertThat(image.getHeight()).isEqualTo(133);
        }
        assertThat(api.get(master + "/proof?intent=PRETTY&black=true&" + on).status()).isEqualTo(400);
        assertThat(api.get(master + "/proof?intent=RELATIVE&black=true&" + on.replace("version=1", "version=7")).status()).isEqualTo(404);
        assertThat(api.get(master + "/picture?longest=200").raw().headers().firstValue("Cache-Control").orElse(""))
            .as("its address names all it depends on").contains("immutable");
    }

    /** What a plot needs: a closed mesh whose triangles name real vertices, a volume, and outlines at the lightnesses asked for. */
    @Test
    public void thePapersGamutIsServedAsNumbersForPlots() {
        JsonNode gamut = api.get("/api/pairings/" + pairing(0) + "/gamut?slices=50,20").body();
        assertThat(gamut.path("volume").asDouble()).isBetween(100_000.0, 1_200_000.0);
        int vertices = gamut.path("vertices").size();
        assertThat(vertices).isGreaterThan(1000);
        for (JsonNode triangle : gamut.path("triangles")) {
            for (JsonNode corner : triangle) {
                assertThat(corner.asInt()).isBetween(0, vertices - 1);
            }
        }
        assertThat(gamut.path("slices").get(0).path("lightness").asDouble()).isEqualTo(50);
        assertThat(gamut.path("slices").get(0).path("outlines").get(0).size()).isGreaterThan(20);
        assertThat(api.get("/api/pairings/" + pairing(0) + "/gamut").body().path("slices").size()).isZero();
        Api.Answer refused = api.get("/api/pairings/" + pairing(0) + "/gamut?slices=120");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.body().path("code").asString()).isEqualTo("slices-out-of-range");
        assertThat(api.get("/api/pairings/nobody/gamut").status()).isEqualTo(404);
    }

    /**
     * The share inside and the shares outside by cause are all of the picture; perceptual into a version 4 profile always compensates
     * black.
     */
    @Test
    public void theFiguresAccountForEveryPixelAndTellWhereBlackIsCompensatedAnyway() throws IOException {
        JsonNode d = paired(docket("figures.png", 23), 0);
        JsonNode figures = api.get(path(d) + "/renditions/r1/figures").body();
        JsonNode gamut = figures.path("gamut");
        double all = gamut.path("inside").asDouble()
            + StreamSupport.stream(gamut.path("parts").spliterator(), false).mapToDouble(p -> p.path("share").asDouble()).sum();
        assertThat(all).isCloseTo(1, within(1e-9));
        assertThat(gamut.path("parts").size()).as("causes").isEqualTo(5);
        assertThat(figures.path("blackAlways").toString()).isEqualTo("[\"PERCEPTUAL\",\"SATURATION\"]");
        assertThat(figures.path("meanDifference").size()).isEqualTo(4);
    }

    @Test
    public void theProbeReadsBothSidesAtOnePlace() throws IOException {
        JsonNode d = paired(docket("probe.png", 2), 0);
        JsonNode left = api.get(path(d) + "/renditions/r1/probe?x=0.05&y=0.5").body();
        JsonNode right = api.get(path(d) + "/renditions/r1/probe?x=0.95&y=0.5").body();
        assertThat(right.path("master").path("a").asDouble()).as("redder to the right")
            .isGreaterThan(left.path("master").path("a").asDouble());
        assertThat(left.path("difference").asDouble()).isBetween(0.0, 40.0);
        assertThat(api.get(path(d) + "/renditions/r1/probe?x=7&y=-3").status()).as("a place off the picture is taken as its edge")
            .isEqualTo(200);
    }

    @Test
    public void figuresRankThePapersByWhatTheyCanHold() throws IOException {
        JsonNode d = docket("ranked.png", 42);
        JsonNode ranked = api.get(path(d) + "/renditions/r1/pairing-comparison").body();
        assertThat(ranked.size()).isGreaterThanOrEqualTo(2);
        for (int i = 1; i < ranked.size(); i++) {
            assertThat(ranked.get(i).path("meanDifference").asDouble()).as("the closest first")
                .isGreaterThanOrEqualTo(ranked.get(i - 1).path("meanDifference").asDouble());
        }
        Map<String, JsonNode> byPairing = StreamSupport.stream(ranked.spliterator(), false)
            .collect(Collectors.toMap(c -> c.path("pairingId").asString(), c -> c));
        assertThat(byPairing.get(pairing(0)).path("gamut").path("inside").asDouble()).as("cotton")
            .isLessThan(byPairing.get(pairing(1)).path("gamut").path("inside").asDouble());
        assertThat(byPairing.get(pairing(0)).path("tone").asString()).isIn("WARM", "NEUTRAL", "COLD");
    }

    /**
     * A picture whose upper half is a gray that any paper holds and whose lower half is vivid: cropped to the gray, nothing is out of gamut
     * any more.
     */
    @Test
    public void figuresCountThePartThatIsPrinted() throws IOException {
        BufferedImage image = new BufferedImage(300, 400, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 400; y++) {
            for (int x = 0; x < 300; x++) {
                image.setRGB(x, y, y < 200 ? 0x808080 : 0x00FF00);
            }
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        JsonNode d = paired(api.drop("half-gray.png", bytes.toByteArray()).body().path("docket"), 0);
        JsonNode whole = api.get(path(d) + "/renditions/r1/figures").body();
        assertThat(whole.path("gamut").path("inside").asDouble()).isCloseTo(0.5, within(0.02));
        assertThat(whole.path("gamut").path("mostly").asString()).isEqualTo("TOO_VIVID");
        String gray = "{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":{\"x\":0,\"y\":0.05,\"width\":1,\"height\":0.4,\"degrees\":0}}";
        assertThat(api.patch(path(d), gray, d.path("version").asInt()).status()).isEqualTo(200);
        JsonNode part = api.get(path(d) + "/renditions/r1/figures").body();
        assertThat(part.path("gamut").path("inside").asDouble()).isEqualTo(1);
        assertThat(part.path("meanDifference").path("RELATIVE").asDouble())
            .isLessThan(whole.path("meanDifference").path("RELATIVE").asDouble());
    }

    @Test
    public void theBenchGroupsWhatNeedsTheSamePaperAndLetsGoOfWhatIsPutAway() throws IOException {
        JsonNode a = paired(docket("group-a.png", 43), 0);
        paired(docket("group-b.png", 44), 0);
        JsonNode bench = api.get("/api/bench").body();
        boolean together = false;
        for (JsonNode group : bench) {
            String titles = group.path("dockets").toString();
            together |= titles.contains("Group a") && titles.contains("Group b");
        }
        assertThat(together).isTrue();
        assertThat(api.post(path(a) + "/archive", "", 1).code()).isEqualTo("stale");
        assertThat(api.post(path(a) + "/archive", "", a.path("version").asInt()).status()).isEqualTo(204);
        assertThat(api.get("/api/bench").body().toString()).doesNotContain("Group a");
        assertThat(api.get(path(a)).status()).as("it can still be looked up").isEqualTo(200);
    }

    /** Findings change while the version doesn't: a browser that kept the answer by its ETag went on showing an unseen proof. */
    @Test
    public void aDocketIsNotKeptByBrowsersAsItsFindingsChangeWithoutItsVersion() throws IOException {
        String path = path(paired(docket("unseen.png", 77), 0));
        Api.Answer before = api.get(path);
        assertThat(before.body().path("findings").toString()).contains("PROOF_NOT_LOOKED_AT");
        assertThat(before.raw().headers().firstValue("Cache-Control")).contains("no-store");
        Api.Answer after = api.send(api.request(path + "/renditions/r1/proof-views").POST(HttpRequest.BodyPublishers.noBody()));
        assertThat(after.body().path("findings").toString()).doesNotContain("PROOF_NOT_LOOKED_AT");
        assertThat(after.raw().headers().firstValue("ETag")).isEqualTo(before.raw().headers().firstValue("ETag"));
    }

    @Test
    public void everyChangeIsToldToAllWhoListen() throws Exception {
        JsonNode d = docket("events.png", 45);
        HttpURLConnection stream = (HttpURLConnection) URI.create("http://localhost:" + test.port + "/api/events").toURL().openConnection();
        stream.setReadTimeout(15_000);
        List<String> heard = new ArrayList<>();
        try (BufferedReader in = new BufferedReader(new InputStreamReader(stream.getInputStream(), StandardCharsets.UTF_8))) {
            assertThat(in.readLine()).startsWith(":");
            paired(d, 0);
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                heard.add(line);
                if (line.contains(d.path("id").asString())) {
                    break;
                }
            }
        }
        assertThat(heard.toString()).contains("event:docket").contains(d.path("id").asString());
    }

    @Test
    public void theLogIsSearchedByWordsAndTakesPercentSignsLiterally() throws IOException {
        JsonNode d = paired(docket("log-entry.png", 46), 1);
        String id = api.post(path(d) + "/attempts", "", d.path("version").asInt()).body().path("id").asString();
        Waiting.until(() -> api.get("/api/attempts/" + id).body(), a -> a.path("state").asString().equals("done"), 60);
        assertThat(api.put("/api/attempts/" + id + "/verdict", "{\"verdict\":\"a cast\",\"remark\":\"5 % too green_ish\"}", 0).status())
            .isEqualTo(200);
        assertThat(api.get("/api/attempts?words=Log%20entry").body().size()).isEqualTo(1);
        assertThat(api.get("/api/attempts?words=TOO%20GREEN_").body().size()).isEqualTo(1);
        assertThat(api.get("/api/attempts?words=5%20%25").body().size()).isEqualTo(1);
        assertThat(api.get("/api/attempts?words=%25%25").body().size()).isZero();
        assertThat(api.put("/api/attempts/" + id + "/verdict", "{\"verdict\":\"wonderful\"}", 0).code()).isEqualTo("verdict-unclear");
    }

    @Test
    public void resamplingTwoDocketsApartGivesTwoFilesAndTheReadbackItsPrice() throws IOException {
        JsonNode d = paired(docket("resampled.png", 47), 1);
        JsonNode keep = api.patch(path(d) + "/size", "{\"ppi\":\"100\"}", d.path("version").asInt()).body();
        assertThat(keep.path("pictures").get(0).path("printed").get(0).path("ppi").asDouble()).isCloseTo(100,
            org.assertj.core.api.Assertions.within(1e-6));
        JsonNode resample = api
            .patch(path(d), "{\"kind\":\"resolved\",\"resolution\":{\"pixels\":\"RESAMPLE\",\"resamplePpi\":50,\"viewingMm\":0}}",
                keep.path("version").asInt())
            .body();
        assertThat(resample.path("findings").toString()).contains("PIXELS_DISCARDED").contains("75 %");
        String id = api.post(path(d) + "/attempts", "", resample.path("version").asInt()).body().path("id").asString();
        JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + id).body(), a -> a.path("state").asString().equals("done"), 60);
        assertThat(Api.page(done).path("fileHash").asString()).hasSize(64);
        assertThat(
            api.get("/api/attempts/" + id + "/pages/1/placed/i1/scan?longest=300").raw().headers().firstValue("Content-Type").orElse(""))
            .isEqualTo("image/png");
    }

    @Test
    public void aDocketOnItsWayIsNotReleasedTwiceAndCanBeStoppedWhileItsFileIsMade() throws IOException {
        JsonNode d = paired(docket("twice.png", 48), 1);
        test.room.printer().pace(60);
        try {
            Api.Answer first = api.post(path(d) + "/attempts", "", d.path("version").asInt());
            assertThat(api.post(path(d) + "/attempts", "", d.path("version").asInt()).code()).isEqualTo("printing-already");
            String id = first.body().path("id").asString();
            api.post("/api/attempts/" + id + "/cancel", "", 0);
            JsonNode over = Waiting.until(() -> api.get("/api/attempts/" + id).body(),
                a -> !List.of("waiting", "rendering", "sending", "printing").contains(a.path("state").asString()), 60);
            assertThat(over.path("state").asString()).isEqualTo("cancelled");
        } finally {
            test.room.printer().pace(0);
        }
    }

    @Test
    public void undoGoesBackThroughEveryDecisionAndANewOneEndsTheRedo() throws IOException {
        JsonNode d = docket("history.png", 49);
        for (int mm : new int[] {100, 110, 120}) {
            d = api.patch(path(d) + "/size", "{\"width\":\"" + mm + "\"}", d.path("version").asInt()).body();
        }
        for (double wanted : new double[] {110, 100}) {
            d = api.post(path(d) + "/undo", "", d.path("version").asInt()).body();
            assertThat(d.path("spec").path("items").get(0).path("frame").path("widthMm").asDouble()).isEqualTo(wanted);
        }
        d = api.patch(path(d) + "/size", "{\"width\":\"90\"}", d.path("version").asInt()).body();
        assertThat(d.path("redo").isNull()).isTrue();
        d = api.post(path(d) + "/undo", "", d.path("version").asInt()).body();
        assertThat(d.path("spec").path("items").get(0).path("frame").path("widthMm").asDouble()).isEqualTo(100);
        d = api.post(path(d) + "/undo", "", d.path("version").asInt()).body();
        assertThat(d.path("undo").isNull()).isTrue();
        int version = d.path("version").asInt();
        assertThat(api.post(path(d) + "/undo", "", version).body().path("version").asInt()).as("nothing before the first")
            .isEqualTo(version);
    }

    @Test
    public void aPrinterIsMadeKnownByItsAddressOnce() {
        assertThat(api.post("/api/printers", "{\"uri\":\"" + test.ipp() + "\"}", 0).status()).isEqualTo(201);
        JsonNode printers = api.get("/api/printers").body();
        assertThat(printers.size()).isEqualTo(1);
        JsonNode can = printers.get(0).path("can");
        assertThat(can.path("rasters").toString()).contains("device3_16");
        assertThat(can.path("ways").toString()).contains("rear feed: sheets 89 to 431.8 mm wide, up to 1200 mm long, to 0.35 mm thick");
        assertThat(printers.get(0).path("loaded").toString()).contains("roll: 17 in lustre");
        assertThat(printers.get(0).path("doing").asString()).isIn("IDLE", "PRINTING", "STOPPED");
    }
}
