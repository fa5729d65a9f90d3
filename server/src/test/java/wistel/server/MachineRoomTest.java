package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Two printers in one room: what is held, sent elsewhere, learned from prints, made anew by hand, and printed by the driver's own gray. */
public class MachineRoomTest extends InTestRoom {
    private static final String LARGE = "/ipp/large";

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.PERCEPTUAL);
        JsonNode large = api.post("/api/printers", "{\"uri\":\"ipp://localhost:" + test.room.port() + LARGE + "\"}", 0).body();
        String hash = api.post("/api/profiles", Files.readAllBytes(Path.of("../demo/profiles/skerry-baryta.icc"))).body().get(0)
            .path("profile").path("hash").asString();
        assertThat(
            api.post("/api/pairings", pairing(hash, large.path("id").asString(), "Skerry Baryta 310", Feeds.ROLL, "RELATIVE"), 0).status())
            .isEqualTo(201);
    }

    private static String pairing(String hash, String printer, String paper, String feed, String intent) {
        return "{\"profileHash\":\"" + hash + "\",\"printerId\":\"" + printer + "\",\"paper\":\"" + paper
            + "\",\"surface\":\"baryta gloss\",\"body\":{\"thicknessMm\":0.33,\"grammage\":310,\"texture\":\"\","
            + "\"curl\":\"SLIGHT\"},\"settings\":{\"values\":{\"media-type\":\"photographic-glossy\",\"media-source\":\"" + feed
            + "\",\"print-quality\":\"5\"}},\"intent\":\"" + intent + "\"}";
    }

    private JsonNode paired(String paper, boolean large) {
        return api.get("/api/pairings").body().valueStream()
            .filter(p -> p.path("paper").asString().equals(paper) && p.path("printerName").asString().equals("Ardle 44") == large)
            .findFirst().orElseThrow();
    }

    private String docket(String name, String paper) throws IOException {
        JsonNode d = api.drop(name + ".png", PrintingTest.picture(name.hashCode() & 63)).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        assertThat(api.put(path + "/pairing", "{\"pairingId\":\"" + paired(paper, false).path("pairingId").asString() + "\"}",
            d.path("version").asInt()).status()).isEqualTo(200);
        return change(path, "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":150,\"heightMm\":100}");
    }

    private String change(String path, String change) {
        Api.Answer answer = api.patch(path, change, version(path));
        assertThat(answer.status()).as(change + answer.body()).isEqualTo(200);
        return path;
    }

    private int version(String path) {
        return api.get(path).body().path("version").asInt();
    }

    private JsonNode over(String attempt) {
        return api.over(attempt, 60);
    }

    private JsonNode printed(String path) {
        JsonNode done = over(api.post(path + "/attempts", "", version(path)).body().path("id").asString());
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        return done;
    }

    @Test
    public void aHeldPrintHasItsFileAndWaitsForAWord() throws Exception {
        String path = docket("held", "Skerry Baryta 310");
        String id = api.post(path + "/attempts?held=true", "", version(path)).body().path("id").asString();
        JsonNode held = Waiting.until(() -> api.get("/api/attempts/" + id).body(), a -> a.path("message").asString().startsWith("held"),
            30);
        assertThat(Api.page(held).path("fileHash").asString()).hasSize(64);
        Thread.sleep(2500);
        assertThat(api.get("/api/attempts/" + id).body().path("state").asString()).isEqualTo("waiting");
        assertThat(test.room.printer().jobs()).noneMatch(j -> j.ticket().name().equals(id));
        api.put("/api/attempts/" + id + "/held", "{\"held\":false}", 0);
        assertThat(over(id).path("state").asString()).isEqualTo("done");
    }

    /** Ink that the printer tells of replaces its own figures, and the next estimate comes near it. */
    @Test
    public void printsTeachWhatTheNextOneTakes() throws IOException {
        String path = docket("ink", "Skerry Baryta 310");
        printed(path);
        printed(path);
        JsonNode costs = api.get(path + "/costs").body();
        assertThat(costs.path("inkMl").path("basis").asString()).isEqualTo("PAST");
        String last = test.room.printer().jobs().stream().reduce((a, b) -> b).orElseThrow().ticket().name();
        double told = test.room.printer().jobs().stream().filter(j -> j.ticket().name().equals(last)).findFirst().orElseThrow().inkMl();
        assertThat(told).isGreaterThan(0.05);
        assertThat(costs.path("inkMl").path("value").asDouble()).isCloseTo(told, within(0.25 * told));
    }

    @Test
    public void aDocketGoesToTheOtherPrinterWithWhatChangesToldBefore() throws IOException {
        String path = docket("elsewhere", "Skerry Baryta 310");
        JsonNode there = api.get(path + "/alternatives").body().get(0);
        assertThat(there.path("printerName").asString()).isEqualTo("Ardle 44");
        assertThat(there.path("samePaper").asBoolean()).isTrue();
        assertThat(there.path("changes").toString()).contains("on roll of 17 in instead of A4")
            .contains("through the roll instead of the rear feed");
        assertThat(there.path("stops").size()).isZero();
        Api.Answer gone = api.put(path + "/alternatives", "{\"pairingId\":\"" + there.path("pairingId").asString() + "\"}", version(path));
        assertThat(gone.body().path("readback").asString()).isEqualTo(there.path("readback").asString());
        assertThat(gone.body().path("undo").asString()).contains("roll of 17 in");
        JsonNode done = printed(path);
        assertThat(test.room.large().jobs()).anyMatch(j -> j.ticket().name().equals(done.path("id").asString()));
    }

    /** A pairing's next version is followed by dockets; what was printed is printed again with the old one, byte for byte. */
    @Test
    public void aPairingMadeAnewLeavesOldPrintsAsTheyWere() throws IOException {
        String path = docket("versions", "Moss Cotton 300");
        JsonNode first = printed(path);
        JsonNode p = paired("Moss Cotton 300", false);
        String id = p.path("pairingId").asString();
        String hash = api.post("/api/profiles", Files.readAllBytes(Path.of("../demo/profiles/heath-cotton.icc"))).body().get(0)
            .path("profile").path("hash").asString();
        String next = pairing(hash, p.path("printerId").asString(), "Moss Cotton 300", Feeds.FRONT, "PERCEPTUAL")
            .replace("photographic-glossy", "stationery-fine");
        assertThat(api.post("/api/pairings/" + id + "/versions", next, 0).status()).isEqualTo(201);
        assertThat(
            api.get("/api/pairings/" + id + "/versions").body().valueStream().map(v -> v.path("version").path("number").asInt()).toList())
            .containsExactly(2, 1);
        assertThat(api.get(path).body().path("pairing").path("number").asInt()).isEqualTo(2);
        JsonNode again = over(api.post("/api/attempts/" + first.path("id").asString() + "/reprints", "", 0).body().path("id").asString());
        assertThat(Api.page(again).path("fileHash").asString()).isEqualTo(Api.page(first).path("fileHash").asString());
        assertThat(Api.page(printed(path)).path("fileHash").asString()).as("the docket follows")
            .isNotEqualTo(Api.page(first).path("fileHash").asString());
        assertThat(api.post("/api/pairings/" + id + "/versions", next.replace("0.33", "9"), 0).status()).isEqualTo(400);
    }

    @Test
    public void theDriversMonochromePrintsGrayOfItsOwnInks() throws IOException {
        String path = docket("gray", "Moss Cotton 300");
        change(path, "{\"kind\":\"routed\",\"route\":{\"kind\":\"driver-monochrome\"}}");
        change(path, "{\"kind\":\"set\",\"setting\":\"wistel-mono-darkness\",\"value\":\"4\",\"said\":\"4\"}");
        int cyan = test.room.printer().inks().get("cyan");
        JsonNode done = printed(path);
        var job = test.room.printer().jobs().stream().filter(j -> j.ticket().name().equals(done.path("id").asString())).findFirst()
            .orElseThrow();
        assertThat(job.ticket().get("print-color-mode")).isEqualTo("process-monochrome");
        assertThat(job.ticket().get("wistel-mono-darkness")).isEqualTo("4");
        assertThat(test.room.printer().inks().get("cyan")).isEqualTo(cyan);
        try (InputStream in = Files.newInputStream(test.room.printer().sheet(job.id()))) {
            LabScan scan = LabScan.read(in);
            for (int i = 0; i < scan.width() * scan.height(); i += 997) {
                Lab lab = LabEncoding.V4.lab(scan.pixels(), 3 * i);
                assertThat(Math.hypot(lab.a(), lab.b())).isLessThan(3.5);
            }
        }
    }

    /**
     * A gray profile is paired for the monochrome mode alone; its dockets are proofed and printed through it, and the two agree with the
     * sheet to come.
     */
    @Test
    public void aGrayProfileServesTheMonochromeMode() throws IOException {
        byte[] gray = new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.GRAY, ColourSpace.XYZ, "Moss Cotton, driver's monochrome",
            "No copyright, use freely").xyz("wtpt", new double[] {0.86, 0.895, 0.71})
            .parametric("kTRC", 1.9).write();
        JsonNode taken = api.post("/api/profiles", gray).body().get(0);
        String hash = taken.path("profile").path("hash").asString();
        assertThat(hash).as(taken.toString()).hasSize(64);
        String asked = pairing(hash, paired("Moss Cotton 300", false).path("printerId").asString(), "Moss Cotton in gray", Feeds.FRONT,
            "RELATIVE").replace("photographic-glossy", "stationery-fine");
        Api.Answer made = api.post("/api/pairings", asked, 0);
        assertThat(made.status()).as(made.body().toString()).isEqualTo(201);
        String path = docket("gray profile", "Moss Cotton in gray");
        JsonNode d = api.get(path).body();
        assertThat(d.path("spec").path("colour").path("route").path("kind").asString()).isEqualTo("driver-monochrome");
        assertThat(d.path("readback").asString()).contains("from gray that Wistel makes for this paper");
        assertThat(d.path("findings").toString()).doesNotContain("MONOCHROME_UNMEASURED");
        assertThat(api.get(path + "/renditions/r1/figures").status()).isEqualTo(200);
        assertThat(api.get(path + "/renditions/r1/pairing-comparison").status()).isEqualTo(200);
        assertThat(api.get("/api/pairings/" + made.body().path("pairingId").asString() + "/gamut").status()).isLessThan(500);
        assertThat(api.get(path + "/pages/1/prediction").status()).isEqualTo(200);
        assertThat(api.get(path + "/costs").status()).isEqualTo(200);
        assertThat(printed(path).path("state").asString()).isEqualTo("done");
        change(path, "{\"kind\":\"routed\",\"route\":{\"kind\":\"by-wistel\",\"intent\":\"RELATIVE\",\"blackPoint\":true}}");
        assertThat(api.get(path).body().path("findings").toString()).contains("GRAY_PROFILE");
        assertThat(api.post(path + "/attempts", "", version(path)).code()).isEqualTo("stopped");
    }

    @Test
    public void theSpaceThatLosesLeastComesFirst() throws IOException {
        JsonNode d = api.drop("poppies.tif", Files.readAllBytes(Path.of("../demo/pictures/poppies-copper-still.tif"))).body()
            .path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        api.put(path + "/pairing", "{\"pairingId\":\"" + paired("Skerry Baryta 310", false).path("pairingId").asString() + "\"}",
            d.path("version").asInt());
        JsonNode spaces = api.get(path + "/driver-spaces").body();
        assertThat(spaces.valueStream().map(s -> s.path("name").asString()).toList()).containsExactly("opRGB", "sRGB");
        assertThat(spaces.get(0).path("lost").asDouble()).isLessThan(spaces.get(1).path("lost").asDouble());
    }

    @Test
    public void aVerdictLeadsToWhatToChange() throws IOException {
        String path = docket("verdict", "Skerry Baryta 310");
        String id = printed(path).path("id").asString();
        assertThat(api.get("/api/attempts/" + id + "/next").body().size()).isZero();
        api.put("/api/attempts/" + id + "/verdict", "{\"verdict\":\"too dark\",\"remark\":\"\"}", 0);
        JsonNode next = api.get("/api/attempts/" + id + "/next").body().get(0);
        assertThat(next.path("label").asString()).isEqualTo("Print it a little lighter");
        change(path, next.path("change").toString());
        assertThat(api.get(path).body().path("readback").asString()).contains("compensated: brightness +8");
    }

    /** Every kind of broken profile is told in a sentence; none is a fault of the server. */
    @Test
    public void mutatedProfilesAreRefusedOrInspectedButNeverBreakAnything() throws IOException {
        byte[] good = Files.readAllBytes(Path.of("../demo/profiles/corrie-lustre.icc"));
        SplittableRandom random = new SplittableRandom(5);
        int refused = 0;
        for (int i = 0; i < 60; i++) {
            byte[] bad = good.clone();
            int reach = i % 3 == 0 ? 128 : i % 3 == 1 ? 1000 : bad.length;
            for (int k = 0; k < 1 + i % 5; k++) {
                bad[random.nextInt(reach)] = (byte) random.nextInt(256);
            }
            Api.Answer answer = api.post("/api/profiles", bad);
            assertThat(answer.status()).as("mutation " + i + ": " + answer.body()).isIn(201, 400, 415, 422);
            refused += answer.status() == 201 ? 0 : 1;
        }
        assertThat(refused).isBetween(5, 55);
        assertThat(api.get("/api/pairings").status()).isEqualTo(200);
    }
}
