package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Treatments and compensations, from the proof to the print. */
public class RenditionTest extends InTestRoom {
    private static final String MONO = "{\"kind\":\"monochrome\",\"mix\":{\"points\":[{\"hue\":25,\"lighter\":25},{\"hue\":145,"
        + "\"lighter\":-20}]},"
        + "\"toning\":{\"shadows\":{\"hue\":60,\"strength\":0},\"lights\":{\"hue\":80,\"strength\":0},\"crossing\":50,\"softness\":15}}";
    private static final String TONES = "{\"kind\":\"tone-moves\",\"shadows\":30,\"midtones\":10,\"lights\":0,\"contrast\":0,"
        + "\"brightness\":5,\"pivot\":45}";
    private static final String COLOUR = "{\"kind\":\"colour\"}";

    @BeforeClass
    public void start() throws Exception {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    /** Left half a red, right half a green of about the same lightness, and a gray strip below. */
    private static byte[] redAndGreen() throws IOException {
        BufferedImage image = new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 200; y++) {
            for (int x = 0; x < 300; x++) {
                image.setRGB(x, y, y >= 150 ? x * 255 / 299 * 0x010101 : x < 150 ? 0xC83C3C : 0x3C8C3C);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private JsonNode docket(String name) throws IOException {
        JsonNode d = api.drop(name, redAndGreen()).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        return api
            .put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt())
            .body();
    }

    private JsonNode over(JsonNode attempt) {
        return api.over(attempt.path("id").asString(), 60);
    }

    private JsonNode patched(JsonNode d, String change) {
        Api.Answer answer = api.patch("/api/dockets/" + d.path("id").asString(), change, d.path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private static String treated(String treatment) {
        return "{\"kind\":\"treated\",\"renditionId\":\"r1\",\"treatment\":" + treatment + "}";
    }

    private static String compensates(String moves, String kept, boolean on) {
        return "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[" + moves + "],\"kept\":" + kept + ",\"on\":"
            + on + "}}";
    }

    private BufferedImage proof(JsonNode d, String change) throws IOException {
        JsonNode spec = d.path("spec");
        String hash = spec.path("renditions").get(0).path("masterHash").asString();
        Api.Answer answer = api.get("/api/masters/" + hash + "/proof?pairing=" + d.path("pairing").path("pairingId").asString()
            + "&version=1&intent=RELATIVE&black=true&longest=300"
            + (change.isEmpty() ? "" : "&change=" + URLEncoder.encode(change, StandardCharsets.UTF_8)));
        assertThat(answer.status()).isEqualTo(200);
        return ImageIO.read(new ByteArrayInputStream(answer.raw().body()));
    }

    private static int gray(BufferedImage image, int x, int y) {
        int rgb = image.getRGB(x, y);
        return ((rgb >> 16 & 0xFF) + (rgb >> 8 & 0xFF) + (rgb & 0xFF)) / 3;
    }

    @Test
    public void redAndGreenOfOneLightnessComeApartInMonochromeAndTheDocketSaysSo() throws IOException {
        JsonNode d = docket("red-and-green.png");
        String even = "{\"treatment\":" + MONO.replaceAll("\"points\":\\[[^]]*]", "\"points\":[]") + ",\"moves\":[]}";
        BufferedImage plain = proof(d, even);
        BufferedImage mixed = proof(d, "{\"treatment\":" + MONO + ",\"moves\":[]}");
        assertThat(Math.abs(gray(plain, 60, 60) - gray(plain, 240, 60))).isLessThan(30);
        assertThat(gray(mixed, 60, 60) - gray(mixed, 240, 60)).isGreaterThan(60);
        // the gray strip is what it was
        assertThat(gray(mixed, 150, 180)).isCloseTo(gray(plain, 150, 180), within(1));
        d = patched(d, treated(MONO));
        assertThat(d.path("readback").asString()).contains("monochrome with reds +25, greens −20");
        assertThat(d.path("undo").asString()).startsWith("monochrome");
        assertThat(d.path("track").get(0).path("outcome").asString()).startsWith("monochrome");
    }

    @Test
    public void movesShowInProofAndFiguresAndCanBeSwitchedOff() throws IOException {
        JsonNode d = docket("moves.png");
        BufferedImage before = proof(d, "");
        BufferedImage after = proof(d, "{\"treatment\":" + COLOUR + ",\"moves\":[" + TONES + "]}");
        assertThat(gray(after, 60, 180)).isGreaterThan(gray(before, 60, 180) + 10);
        String figures = "/api/dockets/" + d.path("id").asString() + "/renditions/r1/figures";
        double plain = api.get(figures).body().path("meanDifference").path("RELATIVE").asDouble();
        d = patched(d, compensates(TONES, "null", true));
        assertThat(d.path("readback").asString()).contains("compensated: shadows +30, midtones +10, brightness +5");
        assertThat(api.get(figures).body().path("meanDifference").path("RELATIVE").asDouble())
            .as("judged against the master, which the moves leave alone").isGreaterThan(plain + 3);
        d = patched(d, compensates(TONES, "null", false));
        assertThat(d.path("readback").asString()).doesNotContain("compensated");
        assertThat(api.get(figures).body().path("meanDifference").path("RELATIVE").asDouble()).isEqualTo(plain);
    }

    @Test
    public void aCompensationIsKeptUsedFollowedAndStaysWhileItIsUsed() throws IOException {
        JsonNode d = docket("kept.png");
        String pairing = d.path("pairing").path("pairingId").asString();
        Api.Answer kept = api.post("/api/compensations",
            "{\"name\":\"Open shadows\",\"moves\":[" + TONES + "],\"pairingId\":\"" + pairing + "\"}", 0);
        assertThat(kept.status()).isEqualTo(201);
        String id = kept.body().path("id").asString();
        assertThat(kept.body().path("madeFor").asString()).isEqualTo(d.path("pairing").path("paper").asString());
        assertThat(api.post("/api/compensations", "{\"name\":\"Open shadows\",\"moves\":[],\"pairingId\":null}", 0).code())
            .isEqualTo("name-taken");
        d = patched(d, compensates(TONES, "{\"id\":\"" + id + "\",\"version\":1,\"name\":\"Open shadows\"}", true));
        assertThat(d.path("readback").asString()).contains("compensated by “Open shadows”");
        Api.Answer refused = api.delete("/api/compensations/" + id);
        assertThat(refused.code()).isEqualTo("in-use");
        assertThat(refused.body().path("detail").asString()).contains("docket " + d.path("number").asInt());
        // the next version: left alone first, then followed
        String stronger = TONES.replace("30", "40");
        api.post("/api/compensations/" + id + "/versions", "{\"moves\":[" + stronger + "],\"pairingId\":null,\"follow\":false}", 0);
        JsonNode same = api.get("/api/dockets/" + d.path("id").asString()).body();
        assertThat(same.path("spec").path("renditions").get(0).path("compensation").path("moves").get(0).path("shadows").asInt())
            .isEqualTo(30);
        JsonNode third = api
            .post("/api/compensations/" + id + "/versions", "{\"moves\":[" + stronger + "],\"pairingId\":null,\"follow\":true}", 0).body();
        assertThat(third.path("version").asInt()).isEqualTo(3);
        assertThat(third.path("uses").get(0).path("version").asInt()).isEqualTo(3);
        JsonNode followed = api.get("/api/dockets/" + d.path("id").asString()).body();
        assertThat(followed.path("spec").path("renditions").get(0).path("compensation").path("moves").get(0).path("shadows").asInt())
            .isEqualTo(40);
        // a paper's usual one: new dockets start with it
        assertThat(api.put("/api/compensations/usual/" + pairing, "{\"compensationId\":\"" + id + "\"}", 0).status()).isEqualTo(204);
        JsonNode fresh = docket("starts-with-it.png");
        assertThat(fresh.path("readback").asString()).contains("“Open shadows”");
        assertThat(api.put("/api/compensations/usual/" + pairing, "{\"compensationId\":null}", 0).status()).isEqualTo(204);
        // let go of on both dockets, it can be deleted
        patched(followed, compensates("", "null", true));
        patched(fresh, compensates("", "null", true));
        assertThat(api.delete("/api/compensations/" + id).status()).isEqualTo(204);
        assertThat(api.get("/api/compensations").body().toString()).doesNotContain(id);
    }

    /** What the proof promised comes out, toned and compensated, and the same order gives the same file. */
    @Test
    public void theTonedAndCompensatedPrintIsWhatTheProofShowed() throws Exception {
        JsonNode d = docket("printed.png");
        d = patched(d, treated(MONO.replace("60,\"strength\":0", "60,\"strength\":8").replace("80,\"strength\":0", "80,\"strength\":6")));
        d = patched(d, compensates(TONES, "null", true));
        JsonNode first = over(api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body());
        JsonNode page = Api.page(first);
        double apart = api.get("/api/attempts/" + first.path("id").asString() + "/pages/1/placed/i1/scan/figures").body()
            .path("meanDifference").asDouble();
        assertThat(apart).isLessThan(1.5);
        JsonNode again = over(api.post("/api/attempts/" + first.path("id").asString() + "/reprints", "", 0).body());
        assertThat(Api.page(again).path("fileHash").asString()).isEqualTo(page.path("fileHash").asString());
        assertThat(first.path("readback").asString()).contains("monochrome").contains("shadows toned at 60°, C* 8");
    }

    private static byte[] grayRamp() throws IOException {
        BufferedImage image = new BufferedImage(200, 300, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 300; y++) {
            for (int x = 0; x < 200; x++) {
                image.setRGB(x, y, y * 255 / 299 * 0x010101);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    /** A ramp in monochrome, measured on the sheet: a* and b* lie on the line from the print's black to its paper. */
    @Test
    public void monochromeThroughTheProfilePrintsNeutral() throws IOException {
        JsonNode d = api.drop("gray-ramp.png", grayRamp()).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        d = api
            .put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt())
            .body();
        d = patched(d, treated(MONO));
        JsonNode page = d.path("layout").path("pages").get(0);
        JsonNode at = page.path("placed").get(0).path("atMm");
        assertThat(page.path("feedTurn").asString()).isEqualTo("UPRIGHT");
        JsonNode done = over(api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body());
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        LabScan scan;
        try (InputStream in = Files.newInputStream(test.room.printer().sheet(Api.page(done).path("jobId").asInt()))) {
            scan = LabScan.read(in);
        }
        double perMm = scan.dpi() / 25.4;
        int x = (int) ((at.path("x").asDouble() + at.path("width").asDouble() / 2) * perMm);
        Lab paper = mean(scan, x, (int) (at.path("y").asDouble() / 2 * perMm));
        Lab black = mean(scan, x, (int) ((at.path("y").asDouble() + 2) * perMm));
        assertThat(black.l()).isLessThan(15);
        for (int step = 1; step < 20; step++) {
            Lab gray = mean(scan, x, (int) ((at.path("y").asDouble() + at.path("height").asDouble() * step / 20) * perMm));
            double share = (gray.l() - black.l()) / (paper.l() - black.l());
            assertThat(gray.a()).as("a* at L* " + gray.l()).isCloseTo(black.a() + (paper.a() - black.a()) * share, within(1.0));
            assertThat(gray.b()).as("b* at L* " + gray.l()).isCloseTo(black.b() + (paper.b() - black.b()) * share, within(1.0));
        }
    }

    private static Lab mean(LabScan scan, int x, int y) {
        double[] sum = new double[3];
        for (int dx = -15; dx <= 15; dx++) {
            for (int dy = -1; dy <= 1; dy++) {
                Lab lab = LabEncoding.V4.lab(scan.pixels(), 3 * ((y + dy) * scan.width() + x + dx));
                sum[0] += lab.l();
                sum[1] += lab.a();
                sum[2] += lab.b();
            }
        }
        return new Lab(sum[0] / 93, sum[1] / 93, sum[2] / 93);
    }

    @Test
    public void theSuggestionComesCloserAlwaysTheSameWayAndChangesNothingByItself() throws IOException {
        JsonNode d = docket("suggested.png");
        String rendition = "/api/dockets/" + d.path("id").asString() + "/renditions/r1";
        JsonNode first = api.post(rendition + "/suggestion", "", 0).body();
        assertThat(first.path("after").path("mean").asDouble()).isLessThanOrEqualTo(first.path("before").path("mean").asDouble());
        assertThat(first.path("moves").size()).isPositive();
        assertThat(api.post(rendition + "/suggestion", "", 0).body()).isEqualTo(first);
        assertThat(api.get("/api/dockets/" + d.path("id").asString()).body().path("version").asInt()).isEqualTo(d.path("version").asInt());
        double plain = api.get(rendition + "/figures").body().path("meanDifference").path("RELATIVE").asDouble();
        patched(d, compensates(first.path("moves").toString().replaceAll("^\\[|]$", ""), "null", true));
        assertThat(api.get(rendition + "/figures").body().path("meanDifference").path("RELATIVE").asDouble()).isNotEqualTo(plain);
        assertThat(api.get(rendition + "/figures?compensated=false").body().path("meanDifference").path("RELATIVE").asDouble())
            .isEqualTo(plain);
    }

    @Test
    public void huesEndsShadowsAndCurvesAreTold() throws IOException {
        JsonNode d = docket("helps.png");
        String rendition = "/api/dockets/" + d.path("id").asString() + "/renditions/r1";
        JsonNode hues = api.get(rendition + "/hues").body().path("hues");
        // the picture's red and green lie near 25 and 145 degrees of Oklab, and nothing else does
        assertThat(hues.size()).isEqualTo(72);
        assertThat(Math.max(hues.get(4).asDouble(), hues.get(5).asDouble())).isGreaterThan(0.5);
        assertThat(hues.get(50).asDouble()).isZero();
        assertThat(api.get(rendition + "/hue?x=0.2&y=0.2").body().path("hue").asDouble()).isBetween(15.0, 35.0);
        assertThat(api.get(rendition + "/hue?x=2&y=0.2").status()).isEqualTo(400);
        JsonNode shadows = api.get(rendition + "/shadows").body();
        assertThat(shadows.path("steps").size()).isEqualTo(10);
        assertThat(shadows.path("apart").asInt()).isBetween(1, 10);
        JsonNode ends = api.get(rendition + "/end-points").body();
        assertThat(ends.path("blockedShare").asDouble()).isBetween(0.0, 0.1);
        String change = URLEncoder.encode("{\"treatment\":" + COLOUR + ",\"moves\":[" + TONES + "]}", StandardCharsets.UTF_8);
        JsonNode shape = api.get(rendition + "/move-curves?change=" + change).body();
        assertThat(shape.path("tones").get(0).asDouble()).isZero();
        assertThat(shape.path("tones").get(10).asDouble()).isGreaterThan(25);
        assertThat(api.get(rendition + "/end-points/picture").raw().headers().firstValue("Content-Type")).contains("image/png");
        assertThat(api.get(rendition + "/ramp").status()).isEqualTo(200);
        assertThat(api.get(rendition + "/toning").body().path("lights").path("strength").asDouble()).isLessThan(3);
    }

    @DataProvider
    Object[][] bad() {
        return new Object[][] {{compensates(TONES.replace("30", "99"), "null", true)},
            {compensates(TONES.replace("30", "null"), "null", true)},
            {compensates(TONES + "," + TONES, "null", true)},
            {compensates("{\"kind\":\"lightness-curve\",\"points\":[{\"from\":0,\"to\":0},{\"from\":0,\"to\":50}]}", "null", true)},
            {compensates("{\"kind\":\"nothing\"}", "null", true)}, {compensates("null", "null", true)}, {treated("null")},
            {treated(MONO.replace("25,\"lighter\"", "999,\"lighter\""))}};
    }

    @Test(dataProvider = "bad")
    public void badMovesAreRefusedInWordsAndChangeNothing(String change) throws IOException {
        JsonNode d = docket("bad-moves-" + UUID.randomUUID() + ".png");
        Api.Answer answer = api.patch("/api/dockets/" + d.path("id").asString(), change, d.path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(400);
        assertThat(answer.body().path("next").asString()).isNotBlank();
        assertThat(api.get("/api/dockets/" + d.path("id").asString()).body().path("version").asInt()).isEqualTo(d.path("version").asInt());
        String asked = "/api/masters/" + d.path("spec").path("renditions").get(0).path("masterHash").asString() + "/picture?change="
            + URLEncoder.encode("{\"moves\":[7]}", StandardCharsets.UTF_8);
        assertThat(api.get(asked).status()).isEqualTo(400);
    }

    /** The same moves through either file; a name that is taken gets a number. */
    @Test
    public void aCompensationTravelsAsAProfileAndAsAFileOfItsMoves() throws IOException {
        JsonNode kept = api.post("/api/compensations",
            "{\"name\":\"to travel\",\"moves\":[" + TONES + ",{\"kind\":\"warmth\",\"warmth\":2.5,\"tint\":-1}]}", 0).body();
        String path = "/api/compensations/" + kept.path("id").asString();
        Api.Answer profile = api.get(path + "/profile");
        assertThat(profile.raw().headers().firstValue("Content-Disposition").orElse("")).contains("to%20travel.icc");
        IccProfile read = ProfileReader.read(profile.raw().body());
        assertThat(read.deviceClass()).isEqualTo(DeviceClass.ABSTRACT);
        JsonNode back = api.post("/api/compensations/files", profile.raw().body()).body();
        assertThat(back.path("compensation").path("name").asString()).isEqualTo("to travel, 2");
        assertThat(back.path("compensation").path("moves")).isEqualTo(kept.path("moves"));
        JsonNode again = api.post("/api/compensations/files", api.get(path + "/file").raw().body()).body();
        assertThat(again.path("compensation").path("name").asString()).isEqualTo("to travel, 3");
        assertThat(again.path("compensation").path("moves")).isEqualTo(kept.path("moves"));
        // as somebody else would have written it: the table alone
        byte[] bare = new ProfileWriter(DeviceClass.ABSTRACT, ColourSpace.LAB, ColourSpace.LAB, "from elsewhere", "c")
            .tag("A2B0", read.tag("A2B0").orElseThrow()).write();
        JsonNode found = api.post("/api/compensations/files", bare).body();
        assertThat(found.path("compensation").path("name").asString()).isEqualTo("from elsewhere");
        assertThat(found.path("words").asString()).contains("on average");
        assertThat(found.path("compensation").path("moves").size()).isPositive();
    }

    @Test
    public void whatIsNoCompensationIsRefusedInWords() {
        assertThat(api.post("/api/compensations/files", StandardSpaces.SRGB.bytes()).code()).isEqualTo("profile-not-abstract");
        assertThat(api.post("/api/compensations/files", new byte[0]).code()).startsWith("profile-");
        assertThat(api.post("/api/compensations/files", "{\"format\":\"something\"}".getBytes(StandardCharsets.UTF_8)).status())
            .isEqualTo(400);
        assertThat(api.post("/api/compensations/files", "{".getBytes(StandardCharsets.UTF_8)).code()).isEqualTo("request-unclear");
        String wild = "{\"format\":\"wistel-compensation\",\"schema\":1,\"name\":\"wild\",\"moves\":[{\"kind\":\"warmth\",\"warmth\":99,"
            + "\"tint\":0}]}";
        assertThat(api.post("/api/compensations/files", wild.getBytes(StandardCharsets.UTF_8)).code()).isEqualTo("out-of-range");
        assertThat(api.get("/api/compensations").body().toString()).doesNotContain("wild");
    }
}
