package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Marks of one's own: kept in the settings, laid on dockets, seen in proof and prediction, printed. */
public class OwnMarksTest extends InTestRoom {
    private static final String RED_SQUARE = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10' width='10' height='10'>"
        + "<rect width='10' height='10' fill='#c00000'/></svg>";

    @BeforeClass
    void pair() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
    }

    private static String path(JsonNode d) {
        return "/api/dockets/" + d.path("id").asString();
    }

    private JsonNode docket() throws IOException {
        JsonNode d = api.drop("dune-west-wind.jpg", Files.readAllBytes(Path.of("../demo/pictures/dune-west-wind.jpg"))).body()
            .path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        return api.put(path(d) + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
    }

    private Api.Answer brought(String name, byte[] file) {
        return api.post("/api/own-marks?name=" + name, file);
    }

    private Api.Answer laid(JsonNode d, String art, boolean over) {
        return api.patch(path(d), """
            {"kind":"annotated","itemId":"i1","annotation":{"caption":{"title":false,"date":false,"edition":0,"signature":false,"sizePt":9,
              "number":false,"fileName":false,"taken":false},"ruleMm":0,"ruleGapMm":2,"cutMarks":false,"own":{"art":%s,"spot":"LOWER_LEFT",
              "over":%s,"insetMm":3,"widthMm":12,"opacity":1,"ink":"OWN"}}}""".formatted(art, over), d.path("version").asInt());
    }

    private static BufferedImage image(Api.Answer answer) throws IOException {
        assertThat(answer.status()).isEqualTo(200);
        return ImageIO.read(new ByteArrayInputStream(answer.raw().body()));
    }

    private static int red(BufferedImage image, double x, double y) {
        int rgb = image.getRGB((int) (x * image.getWidth()), (int) (y * image.getHeight()));
        return (rgb >> 16 & 0xFF) - (rgb >> 8 & 0xFF);
    }

    /** Shares of the page where the mark's middle lies. */
    private static double[] middle(JsonNode d) {
        JsonNode page = d.path("layout").path("pages").get(0);
        JsonNode at = page.path("marks").valueStream().filter(m -> m.path("kind").asString().equals("stamp")).findFirst().orElseThrow()
            .path("atMm");
        return new double[] {(at.path("x").asDouble() + at.path("width").asDouble() / 2) / page.path("widthMm").asDouble(),
            (at.path("y").asDouble() + at.path("height").asDouble() / 2) / page.path("heightMm").asDouble()};
    }

    @Test
    public void aMarkLiesInTheBorderAndOverThePictureInPredictionProofAndPrint() throws IOException {
        JsonNode mark = brought("square", RED_SQUARE.getBytes(StandardCharsets.UTF_8)).body();
        JsonNode d = docket();
        BufferedImage without = image(api.get(path(d) + "/pages/1/prediction?longest=700"));
        JsonNode bordered = laid(d, mark.path("art").toString(), false).body();
        assertThat(bordered.path("readback").asString()).contains("“square” in the border");
        double[] at = middle(bordered);
        BufferedImage with = image(api.get(path(d) + "/pages/1/prediction?longest=700"));
        assertThat(red(without, at[0], at[1])).as("bare paper").isBetween(-12, 12);
        assertThat(red(with, at[0], at[1])).isGreaterThan(80);
        assertThat(red(with, 0.5, 0.5)).isEqualTo(red(without, 0.5, 0.5));

        JsonNode over = laid(bordered, mark.path("art").toString(), true).body();
        double[] there = middle(over);
        assertThat(red(image(api.get(path(d) + "/pages/1/prediction?longest=700")), there[0], there[1])).isGreaterThan(80);
        JsonNode picture = over.path("pictures").get(0);
        JsonNode stamp = picture.path("stamps").get(0);
        String change = "{\"treatment\":{\"kind\":\"colour\"},\"moves\":[],\"stamps\":" + picture.path("stamps") + ",\"framed\":"
            + picture.path("framed") + "}";
        JsonNode pairing = over.path("pairing");
        BufferedImage proof = image(api.get("/api/masters/" + picture.path("master").path("hash").asString() + "/proof?pairing="
            + pairing.path("pairingId").asString() + "&version=" + pairing.path("number").asInt() + "&intent=RELATIVE&black=true&change="
            + URLEncoder.encode(change, StandardCharsets.UTF_8)));
        assertThat(red(proof, stamp.path("x").asDouble() + stamp.path("width").asDouble() / 2,
            stamp.path("y").asDouble() + stamp.path("height").asDouble() / 2)).isGreaterThan(80);

        JsonNode gone = api.delete("/api/own-marks/" + mark.path("id").asString()).body();
        assertThat(gone.isEmpty()).isTrue();
        Api.Answer released = api.post(path(d) + "/attempts", "", over.path("version").asInt());
        assertThat(released.status()).as(released.body().toString()).isEqualTo(202);
        JsonNode done = api.over(released.body().path("id").asString(), 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        BufferedImage scan = image(api.get("/api/attempts/" + done.path("id").asString() + "/pages/1/placed/"
            + done.path("pages").get(0).path("placed").get(0).asString("i1") + "/scan?longest=700"));
        assertThat(red(scan, stamp.path("x").asDouble() + stamp.path("width").asDouble() / 2,
            stamp.path("y").asDouble() + stamp.path("height").asDouble() / 2)).isGreaterThan(80);
    }

    private static byte[] png(int type) throws IOException {
        BufferedImage image = new BufferedImage(40, 20, type);
        image.setRGB(5, 5, 0xFF000000);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    @Test
    public void picturesOfEveryKindAndLinesOfTextAreKept() throws IOException {
        for (int type : new int[] {BufferedImage.TYPE_INT_ARGB, BufferedImage.TYPE_BYTE_GRAY, BufferedImage.TYPE_USHORT_GRAY,
            BufferedImage.TYPE_BYTE_INDEXED, BufferedImage.TYPE_INT_RGB, BufferedImage.TYPE_BYTE_BINARY}) {
            Api.Answer kept = brought("kind" + type, png(type));
            assertThat(kept.status()).as(type + kept.body().toString()).isEqualTo(201);
            JsonNode art = kept.body().path("art");
            assertThat(art.path("aspect").asDouble()).isEqualTo(2);
            assertThat(image(api.get("/api/mark-picture?kind=PICTURE&aspect=2&wide=80&content=" + art.path("content").asString()))
                .getWidth()).isEqualTo(80);
        }
        Api.Answer text = api.post("/api/own-marks/words", "{\"name\":\"line\",\"words\":\"Corrie Lane 2026\"}", 0);
        assertThat(text.status()).isEqualTo(201);
        assertThat(api.post("/api/own-marks/words", "{\"name\":\"line\",\"words\":\"again\"}", 0).status()).isEqualTo(409);
    }

    @DataProvider
    public Object[][] unfit() throws IOException {
        byte[] half = Arrays.copyOf(png(BufferedImage.TYPE_INT_ARGB), 60);
        return new Object[][] {{"", 400}, {"no drawing", 400}, {RED_SQUARE.replace("rect", "text"), 400},
            {RED_SQUARE.replace("rect", "g"), 400},
            {RED_SQUARE.replace("10'", "0'"), 400}, {new String(half, StandardCharsets.ISO_8859_1), 400}};
    }

    @Test(dataProvider = "unfit")
    public void whatIsNoMarkIsRefusedInWords(String file, int status) {
        Api.Answer refused = brought("unfit", file.getBytes(StandardCharsets.ISO_8859_1));
        assertThat(refused.status()).as(refused.body().toString()).isBetween(status, status + 22);
        assertThat(refused.body().path("next").asString()).isNotBlank();
    }

    @Test
    public void aMarkThatIsNotThereIsNoDecision() throws IOException {
        JsonNode d = docket();
        Api.Answer refused = laid(d, "{\"kind\":\"DRAWING\",\"name\":\"x\",\"content\":\"" + "0".repeat(64) + "\",\"aspect\":1}", true);
        assertThat(refused.status()).as(refused.body().toString()).isGreaterThanOrEqualTo(400);
        assertThat(refused.body().path("next").asString()).isNotBlank();
        assertThat(api.get(path(d)).body().path("version").asInt()).isEqualTo(d.path("version").asInt());
    }
}
