package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.icc.profile.Intent;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.server.docket.DocketRepository;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Two pictures in one docket, on one page, made by hand: all that is shown, printed and read back is of each of them. */
public class TwoPicturesTest extends InTestRoom {
    private String path;
    private UUID id;

    @BeforeClass
    void lay() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        JsonNode one = api.drop("greenhouse.jpg", Files.readAllBytes(Path.of("../demo/pictures/greenhouse-morning.jpg"))).body()
            .path("docket");
        JsonNode other = api.drop("boat-yard.jpg", Files.readAllBytes(Path.of("../demo/pictures/boat-yard-night.jpg"))).body()
            .path("docket");
        DocketRepository dockets = test.bean(DocketRepository.class);
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        String first = "/api/dockets/" + one.path("id").asString();
        assertThat(api.put(first + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", one.path("version").asInt()).status()).isEqualTo(200);
        DocketSpec d = dockets.get(UUID.fromString(one.path("id").asString())).spec();
        DocketSpec b = dockets.get(UUID.fromString(other.path("id").asString())).spec();
        Rendition second = Rendition.of("r2", b.renditions().get(0).masterHash()).treated(Treatment.Monochrome.NEUTRAL);
        List<Item> items = List.of(Item.whole("i1", "r1", 120, 80), Item.whole("i2", "r2", 90, 60));
        Gang gang = Gang.byHand(false, List.of(new Gang.Spot("i1", 1, 20, 20, false), new Gang.Spot("i2", 1, 20, 120, true)));
        id = dockets.add(d.withTitle("Two together").withPictures(List.of(d.renditions().get(0), second), items, gang));
        path = "/api/dockets/" + id;
    }

    private JsonNode docket() {
        return api.get(path).body();
    }

    private List<String> unseen() {
        return docket().path("findings").valueStream().filter(f -> f.path("code").asString().equals("PROOF_NOT_LOOKED_AT"))
            .flatMap(f -> f.path("subjects").valueStream()).map(s -> s.path("renditionId").asString()).toList();
    }

    @Test
    public void eachPictureHasItsFiguresEndsAndLoupe() {
        JsonNode d = docket();
        assertThat(d.path("pictures").size()).isEqualTo(2);
        assertThat(d.path("readback").asString()).contains("2 pictures together").contains("monochrome");
        assertThat(d.path("track").get(2).path("outcome").asString()).isEqualTo("2 pictures together on A4");
        assertThat(d.path("pictures").get(0).path("printed").get(0).path("ppi").asDouble())
            .isNotEqualTo(d.path("pictures").get(1).path("printed").get(0).path("ppi").asDouble());
        JsonNode colour = api.get(path + "/renditions/r1/figures").body();
        JsonNode gray = api.get(path + "/renditions/r2/figures").body();
        assertThat(colour.toString()).isNotEqualTo(gray.toString());
        for (String rendition : List.of("r1", "r2")) {
            assertThat(api.get(path + "/renditions/" + rendition + "/end-points").status()).as(rendition).isEqualTo(200);
            assertThat(api.get(path + "/renditions/" + rendition + "/loupe?part=0&x=0.5&y=0.5&sharpening=OFF&mask=false").status())
                .as(rendition).isEqualTo(200);
            assertThat(api.get(path + "/renditions/" + rendition + "/pairing-comparison").body().size()).as(rendition).isEqualTo(1);
        }
        assertThat(api.get(path + "/pages/1/prediction?longest=300").status()).isEqualTo(200);
        assertThat(api.get(path + "/costs").status()).isEqualTo(200);
    }

    @Test
    public void eachProofIsLookedAtByItself() {
        assertThat(unseen()).contains("r2");
        api.post(path + "/renditions/r1/proof-views", "", 0);
        assertThat(unseen()).containsExactly("r2");
        assertThat(docket().path("track").get(3).path("outcome").asString()).isEqualTo("not looked at yet");
        api.post(path + "/renditions/r2/proof-views", "", 0);
        assertThat(unseen()).isEmpty();
    }

    /** Printed together, each of them is what its proof promised; the turned one too. */
    @Test(dependsOnMethods = "eachProofIsLookedAtByItself")
    public void bothArePrintedOnOnePageAndReadBack() {
        JsonNode released = api.post(path + "/attempts", "", docket().path("version").asInt()).body();
        JsonNode done = api.over(released.path("id").asString(), 60);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        assertThat(done.path("summary").asString()).isEqualTo("A4, 2 pictures");
        assertThat(done.path("pages").get(0).path("placed").toString()).isEqualTo("[\"i1\",\"i2\"]");
        for (String placed : List.of("i1", "i2")) {
            String scan = "/api/attempts/" + done.path("id").asString() + "/pages/1/placed/" + placed + "/scan";
            assertThat(api.get(scan + "?longest=200").status()).isEqualTo(200);
            assertThat(api.get(scan + "/figures").body().path("meanDifference").asDouble()).as(placed).isBetween(0.01, 2.0);
        }
        assertThat(api.get("/api/attempts/" + done.path("id").asString() + "/pages/1/placed/i3/scan").code()).isEqualTo("not-found");
        JsonNode again = api.over(api.post("/api/attempts/" + done.path("id").asString() + "/reprints", "", 0).body().path("id").asString(),
            60);
        assertThat(again.path("pages").get(0).path("fileHash")).isEqualTo(done.path("pages").get(0).path("fileHash"));
    }

    /** A file for a lab is a page for each picture, as large as it is. */
    @Test(dependsOnMethods = "bothArePrintedOnOnePageAndReadBack")
    public void aLabGetsEachOfThem() {
        JsonNode asked = api.post(path + "/files", "{\"format\":\"TIFF\",\"quality\":90,\"space\":\"SRGB\",\"sheet\":false}",
            docket().path("version").asInt()).body();
        JsonNode done = api.over(asked.path("id").asString(), 60);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        assertThat(done.path("pages").size()).isEqualTo(2);
    }

    @Test
    public void aChangeOfOneLeavesTheOtherAlone() {
        UUID copy = test.bean(DocketRepository.class).add(test.bean(DocketRepository.class).get(id).spec());
        JsonNode d = api.get("/api/dockets/" + copy).body();
        JsonNode cut = api.patch("/api/dockets/" + copy,
            "{\"kind\":\"trimmed\",\"itemId\":\"i2\",\"cut\":{\"x\":0.1,\"y\":0.1,\"width\":0.5,\"height\":0.5,\"degrees\":0}}",
            d.path("version").asInt()).body();
        assertThat(cut.path("spec").path("items").get(1).path("cut").path("x").asDouble()).isEqualTo(0.1);
        assertThat(cut.path("spec").path("items").get(0)).isEqualTo(d.path("spec").path("items").get(0));
        assertThat(cut.path("findings").valueStream().filter(f -> f.path("code").asString().equals("CROPPED")).findFirst().orElseThrow()
            .path("subjects").toString())
            .isEqualTo("[{\"kind\":\"of-piece\",\"itemId\":\"i2\"}]");
        Api.Answer framed = api.patch("/api/dockets/" + copy, "{\"kind\":\"framed\",\"itemId\":\"i2\",\"widthMm\":45,\"heightMm\":30}",
            cut.path("version").asInt());
        assertThat(framed.body().path("layout").path("pages").get(0).path("placed").get(1).path("atMm").path("height").asDouble())
            .as("it lies turned").isEqualTo(45);
    }
}
