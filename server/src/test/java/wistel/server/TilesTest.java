package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** A picture over several sheets, from the docket to the joined scans. */
public class TilesTest extends InTestRoom {
    private static final String A5 = "{\"kind\":\"sheet\",\"name\":\"A5\",\"widthMm\":148.0,\"lengthMm\":210.0}";

    @BeforeClass
    void pair() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
    }

    private JsonNode fresh(String file) throws IOException {
        JsonNode d = api.drop(file, Files.readAllBytes(Path.of("../demo/pictures/" + file))).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        return api.put(path(d) + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
    }

    private static String path(JsonNode d) {
        return "/api/dockets/" + d.path("id").asString();
    }

    private JsonNode decided(JsonNode d, String change) {
        Api.Answer answer = api.patch(path(d), change, d.path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    /** 280 mm wide over A5 that lies across. */
    private JsonNode overA5(String file) throws IOException {
        JsonNode over = decided(fresh(file), "{\"kind\":\"over-sheets\"}");
        JsonNode sized = api.patch(path(over) + "/pieces/i1", "{\"width\":\"280\"}", over.path("version").asInt()).body();
        return decided(sized, "{\"kind\":\"sheets-chosen\",\"stock\":" + A5 + ",\"across\":true,\"feed\":null}");
    }

    @Test
    public void itIsPrintedSheetBySheetAndTheScansMeet() throws IOException {
        JsonNode d = overA5("greenhouse-morning.jpg");
        assertThat(d.path("layout").path("pages").size()).isEqualTo(4);
        assertThat(d.path("readback").asString()).contains("4 A5 sheets").contains("with 12.7 mm of overlap to be glued");
        assertThat(d.path("pictures").get(0).path("printed").size()).as("one picture, not four").isEqualTo(1);
        JsonNode done = api.over(api.post(path(d) + "/attempts", "", d.path("version").asInt()).body().path("id").asString(), 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        assertThat(done.path("summary").asString()).startsWith("280").contains("over 4 sheets of A5");
        JsonNode seams = api.get("/api/attempts/" + done.path("id").asString() + "/seams").body();
        assertThat(seams.size()).isEqualTo(4);
        for (JsonNode seam : seams) {
            assertThat(seam.path("meanDifference").asDouble()).as(seam.toString()).isBetween(0.01, 1.5);
            assertThat(seam.path("acrossMm").asDouble()).as(seam.toString()).isCloseTo(0, within(0.2));
        }
        HttpResponse<byte[]> joined = api.get("/api/attempts/" + done.path("id").asString() + "/joined?longest=400").raw();
        assertThat(joined.statusCode()).isEqualTo(200);
        assertThat(ImageIO.read(new ByteArrayInputStream(joined.body())).getWidth()).isEqualTo(400);
        assertThat(api.get("/api/attempts/" + done.path("id").asString() + "/pages/2/placed/i1.2/scan/figures").body()
            .path("meanDifference").asDouble()).isBetween(0.01, 2.5);
    }

    /** A set that stopped goes on from the sheet where it did; what came out stays. */
    @Test
    public void aSetThatStoppedGoesOnFromThereAndNoSheetIsPrintedTwice() throws IOException {
        JsonNode d = overA5("slate-quarry.tif");
        test.room.printer().pace(40);
        String id = api.post(path(d) + "/attempts", "", d.path("version").asInt()).body().path("id").asString();
        Waiting.until(() -> api.attempt(id), a -> a.path("pages").get(0).path("state").asString().equals("done"), 60);
        assertThat(api.post("/api/attempts/" + id + "/cancel", "", 0).status()).isIn(200, 202, 204);
        JsonNode stopped = api.over(id, 60);
        assertThat(stopped.path("state").asString()).isEqualTo("cancelled");
        long came = stopped.path("pages").valueStream().filter(p -> p.path("state").asString().equals("done")).count();
        assertThat(came).isBetween(1L, 3L);
        test.room.printer().pace(0);
        String first = stopped.path("pages").get(0).path("scanHash").asString();
        assertThat(api.post("/api/attempts/" + id + "/rest", "", 0).status()).isEqualTo(202);
        JsonNode done = api.over(id, 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        assertThat(done.path("pages").valueStream().map(p -> p.path("state").asString())).containsOnly("done");
        assertThat(done.path("pages").get(0).path("scanHash").asString()).isEqualTo(first);
        assertThat(api.get("/api/attempts/" + id + "/seams").body().size()).isEqualTo(4);
        assertThat(api.post("/api/attempts/" + id + "/rest", "", 0).code()).isEqualTo("not-found");
    }

    @Test
    public void allStocksAreComparedAndTheFewestComeFirst() throws IOException {
        JsonNode d = overA5("fells-first-light.jpg");
        JsonNode tilings = api.get(path(d) + "/tilings").body();
        int before = 0;
        for (JsonNode t : tilings) {
            int sheets = t.path("columns").asInt() * t.path("rows").asInt();
            assertThat(sheets).isGreaterThanOrEqualTo(before);
            before = sheets;
            assertThat(t.path("bareShare").asDouble()).isBetween(0.0, 1.0);
        }
        assertThat(tilings.valueStream().filter(t -> t.path("name").asString().equals("A5"))).hasSize(2);
        JsonNode chosen = tilings.get(0).path("chosen");
        JsonNode on = decided(d, chosen.toString().replaceFirst("\\{", "{\"kind\":\"sheets-chosen\","));
        assertThat(on.path("layout").path("pages").size())
            .isEqualTo(tilings.get(0).path("columns").asInt() * tilings.get(0).path("rows").asInt());
    }

    @Test
    public void jointsAreMovedUndoneAndFoundOffWhatTheEyeFollows() throws IOException {
        JsonNode d = overA5("harbour-last-ferry.jpg");
        JsonNode seam = d.path("planned").path("seams").get(0);
        double even = seam.path("atMm").asDouble();
        assertThat(seam.path("highMm").asDouble()).isGreaterThan(even + 5);
        JsonNode moved = decided(d, "{\"kind\":\"seam-moved\",\"betweenColumns\":true,\"seam\":0,\"toMm\":" + (even + 5) + "}");
        assertThat(moved.path("planned").path("seams").get(0).path("atMm").asDouble()).isCloseTo(even + 5, within(1e-6));
        assertThat(moved.path("planned").path("movedMm").asDouble()).isCloseTo(5, within(1e-6));
        JsonNode back = api.post(path(d) + "/undo", "", moved.path("version").asInt()).body();
        assertThat(back.path("planned").path("seams").get(0).path("atMm").asDouble()).isCloseTo(even, within(1e-6));
        JsonNode quiet = decided(back, "{\"kind\":\"sheets-parted\",\"choice\":\"QUIET\"}");
        assertThat(quiet.path("planned").path("movedMm").asDouble()).isGreaterThan(1);
        assertThat(api.patch(path(d), "{\"kind\":\"seam-moved\",\"betweenColumns\":true,\"seam\":7,\"toMm\":90}",
            quiet.path("version").asInt()).code()).isEqualTo("item-unknown");
    }

    @Test
    public void theWorkbenchGetsAPageWithTheOrderAndTheCuts() throws IOException {
        JsonNode d = overA5("dune-west-wind.jpg");
        HttpResponse<byte[]> pdf = api.get(path(d) + "/joining").raw();
        assertThat(pdf.statusCode()).isEqualTo(200);
        try (var document = Loader.loadPDF(pdf.body())) {
            String text = new PDFTextStripper().getText(document);
            assertThat(text).contains("In this order", "Row 2, column 2", "mm from the left edge", "lies on top");
        }
    }

    @Test
    public void badWishesAreRefusedInWords() throws IOException {
        JsonNode d = overA5("salt-pans-february.jpg");
        for (String joint : List.of("0", "-1", "1e308", "201")) {
            Api.Answer refused = api.patch(path(d), "{\"kind\":\"sheets-joined\",\"joint\":{\"way\":\"GLUED\",\"overMm\":" + joint + "}}",
                d.path("version").asInt());
            assertThat(refused.status()).as(joint).isIn(400, 422);
            assertThat(refused.body().path("detail").asString()).as(joint).isNotBlank();
        }
        JsonNode wide = decided(d, "{\"kind\":\"sheets-joined\",\"joint\":{\"way\":\"GLUED\",\"overMm\":140}}");
        assertThat(wide.path("findings").valueStream().map(f -> f.path("code").asString())).contains("NOTHING_BESIDE_OVERLAP");
        assertThat(api.post(path(d) + "/attempts", "", wide.path("version").asInt()).status()).isEqualTo(409);
        JsonNode mended = decided(wide, wide.path("findings").valueStream()
            .filter(f -> f.path("code").asString().equals("NOTHING_BESIDE_OVERLAP")).findFirst().orElseThrow().path("fixes").get(0)
            .path("change").toString());
        assertThat(mended.path("layout").path("pages").size()).isEqualTo(4);
        JsonNode huge = api.patch(path(mended) + "/pieces/i1", "{\"width\":\"5 m\"}", mended.path("version").asInt()).body();
        assertThat(huge.path("findings").valueStream().map(f -> f.path("code").asString())).contains("TOO_MANY_SHEETS");
        JsonNode single = decided(huge, "{\"kind\":\"on-one-sheet\"}");
        assertThat(single.path("spec").path("plan").path("kind").asString()).isEqualTo("single");
    }
}
