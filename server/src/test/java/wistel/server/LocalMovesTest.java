package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Edges, places and slopes of a picture: in its proof, figures, prediction, print and scan. */
public class LocalMovesTest extends InTestRoom {
    private static final String PLACE = "{\"kind\":\"place\",\"x\":0.3,\"y\":0.4,\"across\":0.15,\"down\":0.2,\"degrees\":20,\"soft\":0.7,"
        + "\"change\":{\"lightness\":40,\"contrast\":0,\"chroma\":0,\"warmth\":0},\"on\":true}";

    @BeforeClass
    void pair() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
    }

    private static String path(JsonNode d) {
        return "/api/dockets/" + d.path("id").asString();
    }

    private JsonNode fresh() throws IOException {
        JsonNode d = api.drop("greenhouse-morning.jpg", Files.readAllBytes(Path.of("../demo/pictures/greenhouse-morning.jpg"))).body()
            .path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        return api.put(path(d) + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
    }

    private Api.Answer locally(JsonNode d, String... moves) {
        return api.patch(path(d), "{\"kind\":\"locally-moved\",\"renditionId\":\"r1\",\"local\":[" + String.join(",", moves) + "]}",
            d.path("version").asInt());
    }

    private BufferedImage picture(String address) throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(api.get(address).raw().body()));
        assertThat(image).as(address).isNotNull();
        return image;
    }

    private static double light(BufferedImage image, double x, double y) {
        double sum = 0;
        for (int dy = -2; dy <= 2; dy++) {
            for (int dx = -2; dx <= 2; dx++) {
                sum += image.getRGB((int) (x * image.getWidth()) + dx, (int) (y * image.getHeight()) + dy) >> 8 & 255;
            }
        }
        return sum / 25;
    }

    private String proof(JsonNode d, String local) {
        return "/api/masters/" + d.path("pictures").get(0).path("master").path("hash").asString() + "/proof?pairing="
            + d.path("pairing").path("pairingId").asString() + "&version=1&intent=RELATIVE&black=true&longest=600&change="
            + URLEncoder.encode("{\"treatment\":{\"kind\":\"colour\"},\"moves\":[],\"local\":[" + local + "]}", StandardCharsets.UTF_8);
    }

    /** Lighter where it lies and nowhere else, in the proof, in the prediction and on paper. */
    @Test
    public void aPlaceIsTheSameInProofPredictionAndPrint() throws IOException {
        JsonNode before = fresh();
        BufferedImage plain = picture(proof(before, ""));
        BufferedImage moved = picture(proof(before, PLACE));
        assertThat(light(moved, 0.3, 0.4)).isGreaterThan(light(plain, 0.3, 0.4) + 25);
        assertThat(light(moved, 0.8, 0.8)).isEqualTo(light(plain, 0.8, 0.8));

        BufferedImage laidPlain = picture(path(before) + "/pages/1/prediction?longest=600");
        JsonNode d = locally(before, PLACE).body();
        assertThat(d.path("readback").asString()).contains("locally: a place lighter by 40");
        JsonNode at = d.path("layout").path("pages").get(0);
        JsonNode placed = at.path("placed").get(0).path("atMm");
        BufferedImage laid = picture(path(d) + "/pages/1/prediction?longest=600");
        double x = (placed.path("x").asDouble() + 0.3 * placed.path("width").asDouble()) / at.path("widthMm").asDouble();
        double y = (placed.path("y").asDouble() + 0.4 * placed.path("height").asDouble()) / at.path("heightMm").asDouble();
        assertThat(light(laid, x, y)).isGreaterThan(light(laidPlain, x, y) + 25);

        double figure = api.get(path(d) + "/renditions/r1/figures").body().path("meanDifference").path("RELATIVE").asDouble();
        double without = api.get(path(d) + "/renditions/r1/figures?compensated=false").body().path("meanDifference").path("RELATIVE")
            .asDouble();
        assertThat(figure).isGreaterThan(without + 0.2);
        assertThat(api.get(path(d) + "/renditions/r1/probe?x=0.3&y=0.4").body().path("print").path("l").asDouble())
            .isGreaterThan(api.get(path(before) + "/renditions/r1/probe?x=0.3&y=0.4").body().path("master").path("l").asDouble() + 8);

        JsonNode done = api.over(api.post(path(d) + "/attempts", "", d.path("version").asInt()).body().path("id").asString(), 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        String scan = "/api/attempts/" + done.path("id").asString() + "/pages/1/placed/i1/scan";
        assertThat(api.get(scan + "/figures").body().path("meanDifference").asDouble()).as("as promised").isLessThan(2.5);
        assertThat(light(picture(scan + "?longest=600"), 0.3, 0.4)).isGreaterThan(light(plain, 0.3, 0.4) + 20);
    }

    /** Switched off it prints as if it weren't there; undo brings back what was. */
    @Test
    public void aMoveIsSwitchedOffAndUndone() throws IOException {
        JsonNode d = locally(fresh(), PLACE).body();
        JsonNode off = locally(d, PLACE.replace("\"on\":true", "\"on\":false")).body();
        assertThat(off.path("readback").asString()).doesNotContain("locally");
        JsonNode undone = api.post(path(off) + "/undo", "", off.path("version").asInt()).body();
        assertThat(undone.path("spec").path("renditions")).isEqualTo(d.path("spec").path("renditions"));
    }

    /** What a person wants of a place stays as it is suggested for: a suggestion doesn't take it back. */
    @Test
    public void aSuggestionWorksWithPlacesAsTheyAre() throws IOException {
        JsonNode d = fresh();
        JsonNode plain = api.post(path(d) + "/renditions/r1/suggestion", "", 0).body();
        String edges = "{\"kind\":\"edges\",\"reach\":0.9,\"round\":0.3,\"soft\":1,\"change\":{\"lightness\":-40,\"contrast\":0,"
            + "\"chroma\":0,\"warmth\":0},\"on\":true}";
        JsonNode with = api.post(path(locally(d, edges).body()) + "/renditions/r1/suggestion", "", 0).body();
        assertThat(with.path("before").path("mean").asDouble()).as("not counted as a difference").isLessThan(
            plain.path("before").path("mean").asDouble() + 1);
    }

    @DataProvider
    Object[][] unclear() {
        return new Object[][] {{String.join(",", Collections.nCopies(200, PLACE))}, {PLACE.replace("\"across\":0.15", "\"across\":0")},
            {PLACE.replace("\"x\":0.3", "\"x\":\"NaN\"")}, {PLACE.replace("\"lightness\":40", "\"lightness\":400")},
            {PLACE.replace("\"kind\":\"place\"", "\"kind\":\"ray\"")}, {PLACE.replace("\"soft\":0.7,", "")}};
    }

    @Test(dataProvider = "unclear")
    public void whatCantBeIsRefusedAndTheDocketStays(String moves) throws IOException {
        JsonNode d = fresh();
        Api.Answer answer = locally(d, moves);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(400);
        assertThat(api.get(path(d)).body().path("version").asInt()).isEqualTo(d.path("version").asInt());
        assertThat(api.get(proof(d, moves)).status()).isEqualTo(400);
    }
}
