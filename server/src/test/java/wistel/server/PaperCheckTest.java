package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Drift;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** A paper that is checked now and then, on a printer that changes. */
public class PaperCheckTest extends InTestRoom {

    @BeforeClass
    void pair() throws Exception {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    @AfterMethod
    void asItWas() {
        test.room.printer().drift(Drift.NONE);
    }

    private String checks() {
        return "/api/pairings/" + api.get("/api/pairings").body().get(0).path("pairingId").asString() + "/checks";
    }

    private JsonNode printed() {
        Api.Answer begun = api.post(checks(), "{\"patches\":36}", 0);
        assertThat(begun.status()).as(begun.body().toString()).isEqualTo(201);
        return Waiting.until(() -> api.get(checks()).body().get(0), c -> c.path("state").asString().equals("done"), 60);
    }

    private JsonNode read() {
        return api.post("/api/checks/" + printed().path("id").asString() + "/readings/instrument", "", 0).body();
    }

    @Test
    public void aPrinterThatHasNotChangedHolds() {
        JsonNode check = read();
        assertThat(check.path("patches").size()).isEqualTo(36);
        assertThat(check.path("verdict").path("advice").get(0).asString()).as(check.path("figures").toString()).isEqualTo("KEEP");
        assertThat(check.path("verdict").path("all").path("mean").asDouble()).isLessThan(0.8);
        assertThat(api.get("/api/pairings").body().size()).as("what it is printed on is offered to nobody").isEqualTo(1);
    }

    @Test
    public void eachDriftIsToldWithItsReason() {
        test.room.printer().drift(Drift.BLOCKED_NOZZLE);
        assertThat(read().path("verdict").path("advice").get(0).asString()).isEqualTo("CLEAN_HEADS");
        test.room.printer().drift(Drift.PAPER_BATCH);
        assertThat(read().path("verdict").path("advice").toString()).contains("OTHER_PAPER");
        test.room.printer().drift(Drift.INK_BATCH);
        JsonNode inks = read().path("verdict");
        assertThat(inks.path("advice").toString()).contains("REPROFILE").doesNotContain("OTHER_PAPER");
        assertThat(api.get(checks()).body().size()).as("all of them stay").isGreaterThanOrEqualTo(3);
    }

    @Test
    public void aPaperThatIsDueIsToldOnTheBench() {
        api.put("/api/settings/checks", "{\"days\":30}", 0);
        assertThat(api.get("/api/settings/checks").body().path("days").asInt()).isEqualTo(30);
        assertThat(api.put("/api/settings/checks", "{\"days\":-1}", 0).status()).isEqualTo(400);
        api.put("/api/settings/checks", "{\"days\":0}", 0);
    }

    @Test
    public void whatIsNoReadingOfItIsRefused() {
        String id = printed().path("id").asString();
        for (String bad : new String[] {"", "1 50 0 0\n2 51 0 0", "no numbers"}) {
            Api.Answer answer = api.post("/api/checks/" + id + "/readings", bad.getBytes(StandardCharsets.US_ASCII));
            assertThat(answer.status()).as(bad).isBetween(400, 422);
            assertThat(answer.body().path("next").asString()).isNotBlank();
        }
        assertThat(api.post(checks(), "{\"patches\":7}", 0).status()).isEqualTo(400);
        assertThat(api.delete("/api/checks/" + id).status()).isEqualTo(204);
        assertThat(api.post("/api/checks/" + id + "/readings/instrument", "", 0).status()).isEqualTo(404);
    }

    private JsonNode beside(int width, int height) throws Exception {
        JsonNode d = api.drop("beside.png", picture(width, height)).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        JsonNode on = api.put(path + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
        return api.patch(path, "{\"kind\":\"checked\",\"checked\":true}", on.path("version").asInt()).body();
    }

    private static byte[] picture(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(6 * width, 6 * height, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    private static long patches(JsonNode docket) {
        return docket.path("layout").path("pages").get(0).path("marks").valueStream()
            .filter(m -> m.path("kind").asString().equals("control-patch"))
            .count();
    }

    @DataProvider
    Object[][] shapes() {
        return new Object[][] {{60, 40}, {40, 60}};
    }

    /** Along an edge of a picture that lies either way on its sheet: read on the print itself, also when that is printed again. */
    @Test(dataProvider = "shapes")
    public void aStripBesideAPictureIsReadOnItsPrint(int width, int height) throws Exception {
        JsonNode d = beside(width, height);
        assertThat(patches(d)).as(d.toString()).isEqualTo(24);
        assertThat(d.path("readback").asString()).contains("a control strip beside it");
        Api.Answer released = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt());
        assertThat(released.status()).as(released.body().toString()).isEqualTo(202);
        String attempt = released.body().path("id").asString();
        JsonNode check = Waiting.until(() -> ofAttempt(attempt), c -> c.path("state").asString().equals("done"), 60);
        assertThat(check.path("beside").asString()).isEqualTo("Beside, print 1");
        JsonNode read = api.post("/api/checks/" + check.path("id").asString() + "/readings/instrument", "", 0).body();
        assertThat(read.path("verdict").path("advice").get(0).asString()).as(read.toString()).isEqualTo("KEEP");
        assertThat(read.path("verdict").path("all").path("mean").asDouble()).isLessThan(0.8);
        String again = api.post("/api/attempts/" + attempt + "/reprints", "", 0).body().path("id").asString();
        Waiting.until(() -> ofAttempt(again), c -> c.path("state").asString().equals("done"), 60);
    }

    private JsonNode ofAttempt(String attempt) {
        return api.get(checks()).body().valueStream().filter(c -> c.path("attempt").asString().equals(attempt)).findFirst().orElseThrow();
    }

    @Test
    public void whereThereIsNoRoomItIsLeftOutAndSaid() throws Exception {
        JsonNode d = beside(60, 40);
        String path = "/api/dockets/" + d.path("id").asString();
        JsonNode large = api.patch(path + "/size", "{\"width\":\"290\"}", d.path("version").asInt()).body();
        assertThat(patches(large)).as(large.toString()).isZero();
        assertThat(large.path("findings").toString()).contains("STRIP_LEFT_OUT");
        JsonNode none = api.patch(path, "{\"kind\":\"checked\",\"checked\":false}", large.path("version").asInt()).body();
        assertThat(none.path("findings").toString()).doesNotContain("STRIP_LEFT_OUT");
        assertThat(none.path("readback").asString()).doesNotContain("control strip");
    }

    /** It goes out as any picture on this paper, and its verdict stands with the paper. */
    @Test
    public void aPageToJudgeByIsPrintedAndItsVerdictKept() {
        String path = checks().replace("/checks", "/judging-pages");
        Api.Answer begun = api.post(path, "", 0);
        assertThat(begun.status()).as(begun.body().toString()).isEqualTo(201);
        JsonNode out = Waiting.until(() -> api.get(path).body().get(0), p -> p.path("state").asString().equals("done"), 60);
        assertThat(out.path("verdict").asString()).isEmpty();
        String attempt = "/api/attempts/" + out.path("attempt").asString();
        api.put(attempt + "/verdict", "{\"verdict\":\"matches\",\"remark\":\"A quiet paper.\"}", 0);
        assertThat(api.get(path).body().get(0).path("remark").asString()).isEqualTo("A quiet paper.");
        assertThat(api.get("/api/bench").body().toString()).as("it lies on no bench").doesNotContain("Page to judge");
    }
}
