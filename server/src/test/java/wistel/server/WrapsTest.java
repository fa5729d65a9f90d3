package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.LabEncoding;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LabScan;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.View;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.proof.PrintPredictionService;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.Loaded;

/** Pictures wrapped round bars and boards, on canvas from the 44-inch roll. */
public class WrapsTest extends InTestRoom {
    private static final Set<String> OVER = Set.of("done", "failed", "cancelled");
    private static final double ROLL_MM = 17 * 25.4;
    private String canvas;

    @BeforeClass
    void open() throws IOException {
        JsonNode large = api.post("/api/printers", "{\"uri\":\"ipp://localhost:" + test.room.port() + "/ipp/large\"}", 0).body();
        String hash = api.post("/api/profiles", Files.readAllBytes(Path.of("../demo/profiles/tarn-canvas.icc"))).body().get(0)
            .path("profile").path("hash").asString();
        Api.Answer paired = api.post("/api/pairings", "{\"profileHash\":\"" + hash + "\",\"printerId\":\"" + large.path("id").asString()
            + "\",\"paper\":\"Tarn Canvas 390\",\"surface\":\"canvas matte\","
            + "\"body\":{\"thicknessMm\":0.48,\"grammage\":390,\"texture\":\"woven\",\"curl\":\"STRONG\"},"
            + "\"settings\":{\"values\":{\"media-type\":\""
            + Paper.TARN_CANVAS.mediaType() + "\",\"media-source\":\""
            + Feeds.ROLL + "\",\"print-quality\":\"5\"}},\"intent\":\"PERCEPTUAL\"}", 0);
        assertThat(paired.status()).as(paired.body().toString()).isEqualTo(201);
        canvas = paired.body().path("pairingId").asString();
    }

    /** 240 by 160 pixels: light at the left, dark at the right, rows to be told apart. */
    private static byte[] picture(int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < width * height; i++) {
            int x = i % width * 255 / width;
            int y = i / width * 255 / height;
            image.setRGB(i % width, i / width, 255 - x << 16 | (x / 2 + y / 2) << 8 | y);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private String docket(String name, int width, int height) throws IOException {
        JsonNode d = api.drop(name + ".png", picture(width, height)).body().path("docket");
        return "/api/dockets/" + d.path("id").asString();
    }

    private int version(String path) {
        return api.get(path).body().path("version").asInt();
    }

    private String onCanvas(String name) throws IOException {
        String path = docket(name, 240, 160);
        ok(api.put(path + "/pairing", "{\"pairingId\":\"" + canvas + "\"}", version(path)));
        ok(api.post(path + "/wrap", "", version(path)));
        return path;
    }

    private static JsonNode ok(Api.Answer answer) {
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode body(String path, String asked) {
        return ok(api.patch(path + "/wrap", asked, version(path)));
    }

    private JsonNode change(String path, String change) {
        return ok(api.patch(path, change, version(path)));
    }

    private static JsonNode plan(JsonNode docket) {
        return docket.path("spec").path("plan");
    }

    private static List<String> codes(JsonNode docket) {
        return docket.path("findings").valueStream().map(f -> f.path("code").asString()).toList();
    }

    @Test
    public void wrappingTakesBarsForCanvasOnARollThatHoldsItAndUnwrappingGivesThePictureBack() throws IOException {
        String path = onCanvas("fresh");
        JsonNode d = api.get(path).body();
        assertThat(plan(d).path("kind").asString()).isEqualTo("wrap");
        assertThat(plan(d).path("body").path("support").path("kind").asString()).isEqualTo("BARS");
        assertThat(plan(d).path("body").path("thicknessMm").asDouble()).isEqualTo(0.48);
        assertThat(plan(d).path("fill").path("kind").asString()).isEqualTo("mirrored");
        assertThat(d.path("spec").path("paper").path("stock").path("kind").asString()).isEqualTo("roll");
        assertThat(d.path("planned").path("pictureShaped").asBoolean()).isTrue();
        assertThat(d.path("readback").asString()).contains("one wrap of").contains("38 mm bars with mirrored sides")
            .contains("25 mm turned over bare");
        assertThat(d.path("undo").asString()).contains("38 mm bars");
        assertThat(d.path("track").get(2).path("outcome").asString()).startsWith("face ");
        double width = plan(d).path("body").path("faceWidthMm").asDouble();
        JsonNode single = ok(api.send(api.request(path + "/wrap").header("If-Match", "\"" + version(path) + "\"").DELETE()));
        assertThat(plan(single).path("kind").asString()).isEqualTo("single");
        assertThat(single.path("spec").path("items").get(0).path("frame").path("widthMm").asDouble()).isCloseTo(width, within(1e-6));
        assertThat(single.path("planned").path("kind").asString()).isEqualTo("on-sheet");
    }

    @Test
    public void lengthsAreTypedAndKeepThePicturesShapeUnlessFree() throws IOException {
        String path = onCanvas("typed");
        JsonNode d = body(path, "{\"width\":\"24in\"}");
        assertThat(plan(d).path("body").path("faceWidthMm").asDouble()).isCloseTo(609.6, within(1e-6));
        assertThat(plan(d).path("body").path("faceHeightMm").asDouble()).isCloseTo(406.4, within(0.01));
        d = body(path, "{\"height\":\"300\",\"free\":true}");
        assertThat(plan(d).path("body").path("faceWidthMm").asDouble()).isCloseTo(609.6, within(1e-6));
        assertThat(codes(d)).contains("NOT_ON_FACE");
        d = body(path, "{\"free\":false}");
        assertThat(d.path("planned").path("pictureShaped").asBoolean()).isTrue();
        assertThat(codes(d)).doesNotContain("NOT_ON_FACE").contains("STRETCH_UNKNOWN", "DRY_BEFORE_STRETCHING");
        d = body(path, "{\"growsAcross\":\"0,4\",\"growsAlong\":\"0.7 %\",\"depth\":\"45\",\"turnOver\":\"3cm\"}");
        assertThat(codes(d)).doesNotContain("STRETCH_UNKNOWN");
        // 609.6 + 2 (45 + 30 + pi 0.48), printed 0.4 % shorter
        assertThat(d.path("planned").path("lines").get(0).path("flatMm").path("width").asDouble())
            .isCloseTo((609.6 + 2 * (75 + Math.PI * 0.48)) / 1.004, within(0.01));
    }

    /**
     * The thirds of the picture differ much in what the canvas can't hold: figures of one piece alone would be far from those of all three.
     */
    @Test
    public void figuresAndLoupeTakeInEveryPieceOfATriptych() throws IOException {
        String path = onCanvas("all three");
        body(path, "{\"width\":\"300\",\"depth\":\"18\"}");
        ok(api.patch(path, "{\"kind\":\"sides-filled\",\"fill\":{\"kind\":\"mirrored\"}}", version(path)));
        double whole = api.get(path + "/renditions/r1/figures").body().path("gamut").path("inside").asDouble();
        body(path, "{\"panelsAcross\":3,\"gap\":\"0\"}");
        JsonNode three = api.get(path + "/renditions/r1/figures").body();
        assertThat(three.path("gamut").path("inside").asDouble()).isCloseTo(whole, within(0.03));
        String plain = docket("middle third", 240, 160);
        ok(api.put(plain + "/pairing", "{\"pairingId\":\"" + canvas + "\"}", version(plain)));
        ok(api.patch(plain,
            "{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":{\"x\":0.3333,\"y\":0,\"width\":0.3333,\"height\":1,\"degrees\":0}}",
            version(plain)));
        double middle = api.get(plain + "/renditions/r1/figures").body().path("gamut").path("inside").asDouble();
        assertThat(Math.abs(middle - whole)).as("so the test would see one piece alone").isGreaterThan(0.1);
        byte[] first = api.get(path + "/renditions/r1/loupe?part=0&x=0.5&y=0.5").raw().body();
        assertThat(api.get(path + "/renditions/r1/loupe?part=2&x=0.5&y=0.5").raw().body()).isNotEqualTo(first);
        assertThat(api.get(path + "/renditions/r1/loupe?part=3&x=0.5&y=0.5").status()).isEqualTo(404);
    }

    /** Three pieces and two gaps are as wide on the wall as one face was. */
    @Test
    public void aTriptychKeepsItsPlaceOnTheWall() throws IOException {
        String path = onCanvas("three");
        body(path, "{\"width\":\"300\",\"depth\":\"18\"}");
        JsonNode d = body(path, "{\"panelsAcross\":3,\"gap\":\"30\"}");
        assertThat(plan(d).path("body").path("faceWidthMm").asDouble()).isCloseTo(80, within(1e-6));
        assertThat(d.path("layout").path("pages").size()).as("lying, each on a length of its own takes the least roll").isEqualTo(3);
        JsonNode upright = change(path, "{\"kind\":\"turned\"}");
        assertThat(upright.path("layout").path("pages").valueStream().map(p -> p.path("placed").size())).containsExactly(2, 1);
        assertThat(upright.path("layout").path("cuts").size()).isEqualTo(1);
        assertThat(d.path("readback").asString()).contains("3 pieces of 80 × 200 mm");
        assertThat(api.get(path + "/wrap/pieces/3/picture?longest=200").raw().body())
            .isNotEqualTo(api.get(path + "/wrap/pieces/1/picture?longest=200").raw().body());
        assertThat(api.get(path + "/wrap/pieces/4/picture").code()).isEqualTo("page-unknown");
    }

    @DataProvider
    public Object[][] impossible() {
        return new Object[][] {{"{\"depth\":\"0\"}", "can't be wrapped"}, {"{\"depth\":\"250\"}", "can't be wrapped"},
            {"{\"width\":\"120\",\"depth\":\"70\"}", "deeper than half"}, {"{\"width\":\"3200\"}", "can't be wrapped"},
            {"{\"width\":\"wide\"}", "not a length"}, {"{\"growsAcross\":\"much\"}", "no percentage"},
            {"{\"growsAcross\":\"12\"}", "can't be wrapped"}, {"{\"panelsAcross\":0}", "cut up"}, {"{\"panelsDown\":9}", "cut up"},
            {"{\"panelsAcross\":3,\"gap\":\"2m\"}", "cut up"}, {"{\"turnOver\":\"900\"}", "turned over"}, {"{\"kind\":\"ROPE\"}", ""}};
    }

    @Test(dataProvider = "impossible")
    public void whatCantBeWrappedIsRefusedInWordsAndChangesNothing(String asked, String words) throws IOException {
        String path = onCanvas("impossible");
        JsonNode before = api.get(path).body();
        Api.Answer answer = api.patch(path + "/wrap", asked, version(path));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(400);
        assertThat(answer.body().path("detail").asString()).contains(words);
        assertThat(answer.body().path("next").asString()).isNotEmpty();
        assertThat(api.get(path).body().path("spec")).isEqualTo(before.path("spec"));
    }

    /** The mean of the left half in linear light, worked out here; and patches outside the picture, and colours that are none. */
    @Test
    public void aSideColourIsTheMeanOfAPatchAsLight() throws IOException {
        String path = onCanvas("colour");
        JsonNode d = ok(api.put(path + "/wrap/colour", "{\"x\":0,\"y\":0,\"width\":0.5,\"height\":1}", version(path)));
        double red = 0;
        for (int x = 0; x < 120; x++) {
            red += linear((255 - x * 255 / 240) / 255.0) / 120;
        }
        double got = linear(plan(d).path("fill").path("codes").get(0).asInt() / 65535.0);
        assertThat(got).isCloseTo(red, within(0.004));
        assertThat(d.path("readback").asString()).contains("sides in one colour");
        assertThat(api.put(path + "/wrap/colour", "{\"x\":0.8,\"y\":0,\"width\":0.5,\"height\":1}", version(path)).status()).isEqualTo(400);
        assertThat(
            api.patch(path, "{\"kind\":\"sides-moved\",\"moves\":{\"darker\":80,\"softer\":0,\"lessColour\":0}}", version(path)).status())
            .isEqualTo(400);
        assertThat(change(path, "{\"kind\":\"sides-moved\",\"moves\":{\"darker\":20,\"softer\":0,\"lessColour\":100}}").path("readback")
            .asString()).contains("20 % darker, without colour");
    }

    private static double linear(double v) {
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }

    /** Of a picture without a paper too. */
    @Test
    public void everyWayToFillTheSidesIsShownAndTheFaceIsTheSameInAll() throws IOException {
        String path = docket("plain", 240, 160);
        ok(api.post(path + "/wrap", "", version(path)));
        BufferedImage[] shown = new BufferedImage[4];
        String[] ways = {"MIRRORED", "STRETCHED", "ONE_COLOUR", "EXTENDED"};
        for (int i = 0; i < ways.length; i++) {
            Api.Answer answer = api.get(path + "/wrap/pieces/1/picture?longest=300&sides=" + ways[i]);
            assertThat(answer.status()).as(ways[i]).isEqualTo(200);
            shown[i] = ImageIO.read(new ByteArrayInputStream(answer.raw().body()));
            assertThat(api.get(path + "/wrap/pieces/1/picture?longest=300&sides=" + ways[i]).raw().body()).as("again")
                .isEqualTo(answer.raw().body());
        }
        int middle = shown[0].getRGB(shown[0].getWidth() / 2, shown[0].getHeight() / 2);
        int[] corners = Arrays.stream(shown).mapToInt(s -> s.getRGB(2, s.getHeight() / 3)).distinct().toArray();
        assertThat(Arrays.stream(shown).allMatch(s -> s.getRGB(s.getWidth() / 2, s.getHeight() / 2) == middle)).isTrue();
        assertThat(corners.length).isGreaterThan(2);
        assertThat(api.get(path + "/wrap/pieces/1/picture?longest=300&sides=ITSELF").status()).isEqualTo(200);
        assertThat(api.get(path + "/wrap/pieces/1/picture?longest=3").status()).isEqualTo(400);
        // another seed grows another picture, edges one pixel high or flat do no harm
        JsonNode d = change(path, "{\"kind\":\"sides-filled\",\"fill\":{\"kind\":\"extended\",\"seed\":7}}");
        assertThat(plan(d).path("fill").path("seed").asInt()).isEqualTo(7);
        String thin = docket("thin", 300, 1);
        ok(api.post(thin + "/wrap", "", version(thin)));
        ok(api.patch(thin, "{\"kind\":\"sides-filled\",\"fill\":{\"kind\":\"extended\",\"seed\":0}}", version(thin)));
        assertThat(api.get(thin + "/wrap/pieces/1/picture?longest=200").status()).isEqualTo(200);
    }

    /** Released, printed on canvas and scanned: what was foreseen, sides and marks too, and the canvas's warm white beside it. */
    @Test
    public void aWrapComesOutOnCanvasAsItWasForeseen() throws Exception {
        test.room.large().load(Feeds.ROLL, Loaded.roll(ROLL_MM, 15_000, Paper.TARN_CANVAS).size(), Paper.TARN_CANVAS, 1);
        String path = onCanvas("printed");
        body(path, "{\"width\":\"180\",\"depth\":\"30\",\"growsAcross\":\"0.4\",\"growsAlong\":\"0.7\"}");
        change(path, "{\"kind\":\"set\",\"setting\":\"printer-resolution\",\"value\":\"180\",\"said\":\"\"}");
        change(path, "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"roll\",\"widthMm\":" + ROLL_MM + "},\"feed\":\"" + Feeds.ROLL + "\"}");
        change(path, "{\"kind\":\"sides-filled\",\"fill\":{\"kind\":\"extended\",\"seed\":3}}");
        change(path, "{\"kind\":\"sides-moved\",\"moves\":{\"darker\":25,\"softer\":40,\"lessColour\":30}}");
        Waiting
            .until(() -> api.get(path).body(),
                v -> v.path("options").path("stocks").valueStream()
                    .anyMatch(s -> s.path("loaded").asBoolean() && Math.abs(s.path("stock").path("widthMm").asDouble() - ROLL_MM) < 0.1),
                30);
        UUID id = UUID.fromString(path.substring(path.lastIndexOf('/') + 1));
        DocketAssessment judged = test.bean(DocketAssessor.class).assess(test.bean(DocketRepository.class).get(id));
        View foreseen = test.bean(PrintPredictionService.class).sheet(judged, 1, 90);
        String attempt = api.post(path + "/attempts", "", version(path)).body().path("id").asString();
        JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + attempt).body(), a -> OVER.contains(a.path("state").asString()),
            120);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        int job = test.room.large().jobs().stream().filter(j -> j.ticket().name().equals(attempt)).findFirst().orElseThrow().id();
        View scan;
        try (InputStream in = Files.newInputStream(test.room.large().sheet(job))) {
            LabScan read = LabScan.read(in);
            scan = new View(read.width(), read.height(), 3, read.pixels()).oriented(judged.layout().pages().get(0).feedTurn().inverse());
        }
        assertThat(apart(foreseen, scan)).as("mean CIEDE2000 over the sheet").isLessThan(1.5);
        assertThat(api.get("/api/attempts/" + attempt + "/pages/1/placed/i1/scan/figures").body().path("meanDifference").asDouble())
            .as("the face against its proof").isLessThan(1);
        double[] white = LabEncoding.V4.lab(scan.pixels(), 3 * (5 * scan.width() + scan.width() / 2)).toArray();
        assertThat(white[2]).as("b* of bare canvas").isGreaterThan(1.5);
    }

    /** Both averaged over squares, as the weave and edges lie between dots. */
    private static double apart(View a, View b) {
        int w = 120;
        int h = (int) Math.round(120.0 * a.height() / a.width());
        LightCurve codes = new LightCurve(v -> v);
        View x = a.scaled(Crop.whole(a.width(), a.height()), w, h, codes);
        View y = b.scaled(Crop.whole(b.width(), b.height()), w, h, codes);
        double sum = 0;
        for (int i = 0; i < w * h; i++) {
            sum += LabEncoding.V4.lab(x.pixels(), 3 * i).deltaE2000(LabEncoding.V4.lab(y.pixels(), 3 * i));
        }
        return sum / (w * h);
    }

    @Test
    public void aWrapTooLargeForItsPaperIsStoppedWithWaysOut() throws IOException {
        String path = onCanvas("large");
        JsonNode d = body(path, "{\"width\":\"2900\",\"height\":\"1000\",\"free\":true}");
        assertThat(codes(d)).contains("WRAP_TOO_LARGE");
        assertThat(d.path("track").get(2).path("mark").asString()).isEqualTo("BLOCKED");
        assertThat(d.path("options").path("stocks").valueStream().filter(s -> s.path("holds").asBoolean()).count()).isZero();
        JsonNode fixes = d.path("findings").get(0).path("fixes");
        assertThat(fixes.valueStream().map(m -> m.path("label").asString()).toList()).anyMatch(l -> l.startsWith("Make the face "));
        JsonNode smaller = fixes.valueStream().filter(m -> m.path("label").asString().startsWith("Make the face ")).findFirst()
            .orElseThrow();
        assertThat(codes(change(path, smaller.path("change").toString()))).doesNotContain("WRAP_TOO_LARGE");
        JsonNode small = body(path, "{\"width\":\"600\",\"height\":\"400\",\"free\":true,\"turnOver\":\"8\"}");
        assertThat(codes(small)).contains("TURN_OVER_SMALL");
        assertThat(codes(body(path, "{\"kind\":\"BOARD\"}"))).contains("BOARD_WANTS_THIN_PAPER");
        assertThat(codes(change(path, "{\"kind\":\"set\",\"setting\":\"finishings\",\"value\":\"60\",\"said\":\"\"}")))
            .contains("CUTTER_AND_CANVAS");
    }

    /** A lab gets a sheet that is just as large as the print with its marks; the page for the workbench says what is on it. */
    @Test
    public void aLabAndTheWorkbenchGetTheSameLengths() throws IOException {
        String path = onCanvas("lab");
        JsonNode d = body(path, "{\"width\":\"240\",\"depth\":\"30\",\"turnOver\":\"25\"}");
        double flat = d.path("planned").path("lines").get(0).path("flatMm").path("width").asDouble();
        Api.Answer asked = api.post(path + "/files", "{\"format\":\"PDF\",\"quality\":92,\"space\":\"SRGB\",\"sheet\":true}",
            version(path));
        assertThat(asked.status()).as(asked.body().toString()).isEqualTo(202);
        String id = asked.body().path("id").asString();
        JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + id).body(), a -> OVER.contains(a.path("state").asString()), 60);
        assertThat(done.path("state").asString()).isEqualTo("done");
        try (PDDocument file = Loader.loadPDF(api.get("/api/attempts/" + id + "/pages/1/file").raw().body())) {
            double longer = Math.max(file.getPage(0).getMediaBox().getWidth(), file.getPage(0).getMediaBox().getHeight());
            assertThat(longer * 25.4 / 72).isCloseTo(flat, within(0.1));
        }
        byte[] pdf = api.get(path + "/wrap/instructions").raw().body();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(text).contains("Print cut to").contains("25 mm to turn over").contains("Staple the middle of each side")
                .contains("“up”");
        }
        ok(api.patch(path, "{\"kind\":\"titled\",\"title\":\"Пляж 海 \\u0007 of everything\"}", version(path)));
        assertThat(new String(api.get(path + "/wrap/instructions").raw().body(), 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
    }

    @Test
    public void ownBarsAreKeptUnderTheirNames() {
        Api.Answer kept = api.put("/api/own-bodies/Deep%20ones",
            "{\"support\":{\"kind\":\"BARS\",\"depthMm\":52,\"airGapMm\":0},\"turnOverMm\":28}", 0);
        assertThat(kept.status()).isEqualTo(200);
        assertThat(kept.body().valueStream().map(b -> b.path("name").asString()).toList()).contains("Deep ones");
        api.put("/api/own-bodies/Deep%20ones", "{\"support\":{\"kind\":\"BARS\",\"depthMm\":54,\"airGapMm\":0},\"turnOverMm\":28}", 0);
        assertThat(api.get("/api/own-bodies").body().valueStream().filter(b -> b.path("name").asString().equals("Deep ones"))
            .map(b -> b.path("support").path("depthMm").asDouble()).toList()).containsExactly(54.0);
        assertThat(
            api.put("/api/own-bodies/Flat", "{\"support\":{\"kind\":\"BARS\",\"depthMm\":0,\"airGapMm\":0},\"turnOverMm\":28}", 0).status())
            .isEqualTo(400);
        assertThat(api.delete("/api/own-bodies/Deep%20ones").status()).isEqualTo(204);
        assertThat(api.delete("/api/own-bodies/Deep%20ones").status()).isEqualTo(404);
    }

    /** Another picture dropped to be printed like a wrap is wrapped as well, in its own shape. */
    @Test
    public void aPicturePrintedLikeAWrapIsWrapped() throws IOException {
        String path = onCanvas("like");
        body(path, "{\"width\":\"300\"}");
        String id = path.substring(path.lastIndexOf('/') + 1);
        JsonNode opened = api.post("/api/dockets?name=tall.png&like=" + id, picture(160, 240)).body().path("docket");
        assertThat(plan(opened).path("kind").asString()).isEqualTo("wrap");
        assertThat(plan(opened).path("body").path("faceHeightMm").asDouble()).isCloseTo(300, within(0.01));
        assertThat(plan(opened).path("body").path("faceWidthMm").asDouble()).isCloseTo(200, within(0.01));
        // and a change of a sheet's plan is refused on it
        Api.Answer framed = api.patch("/api/dockets/" + opened.path("id").asString(),
            "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":100,\"heightMm\":80}", opened.path("version").asInt());
        assertThat(framed.status()).isEqualTo(400);
        assertThat(framed.code()).isEqualTo("plan-differs");
    }
}
