package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A database of the first version is opened by this one: nothing that a photographer had is lost, and old prints can be made again. */
public class MigrationTest {
    private TestRoom test;
    private Api api;
    private final Map<Integer, JsonNode> dockets = new HashMap<>();

    @BeforeClass
    void open() throws IOException {
        test = TestRoom.ofDump("/first-schema.sql");
        api = new Api(() -> test.port);
        for (JsonNode group : api.get("/api/bench").body()) {
            for (JsonNode d : group.path("dockets")) {
                dockets.put(d.path("number").asInt(), api.get("/api/dockets/" + d.path("id").asString()).body());
            }
        }
    }

    @AfterClass(alwaysRun = true)
    void close() {
        if (test != null) {
            test.close();
        }
    }

    @Test
    public void everyDocketOnTheBenchIsAsItWas() {
        assertThat(dockets.keySet()).as("docket 3 had been put away").containsExactlyInAnyOrder(1, 2, 4, 5, 6, 7, 8);
        JsonNode salt = dockets.get(1);
        assertThat(salt.path("spec").path("heading").path("title").asString()).isEqualTo("Salt pans, February");
        assertThat(salt.path("readback").asString()).startsWith(
            "an A3+ sheet of Skerry Baryta 310 from the rear feed, picture 402 × 268 mm, white 40.5 mm at the sides, 24.4 above and 36.6 "
                + "below; "
                + "Wistel converts the colour (relative colorimetric with black point compensation), the driver leaves it alone; fine "
                + "quality");
        assertThat(salt.path("spec").path("output").path("resolution").path("pixels").asString()).isEqualTo("RESAMPLE");
        assertThat(salt.path("spec").path("output").path("resolution").path("viewingMm").asDouble()).isEqualTo(1000);
        JsonNode poppies = dockets.get(2);
        assertThat(poppies.path("spec").path("heading").path("title").asString()).isEqualTo("Poppies & copper, \"still\"");
        assertThat(poppies.path("spec").path("colour").path("route").path("kind").asString()).isEqualTo("by-driver");
        JsonNode slate = dockets.get(4);
        assertThat(Api.picture(slate).path("width").asDouble()).isCloseTo(300, within(1e-9));
        assertThat(slate.path("layout").path("losses").size()).as("it fills its frame")
            .isEqualTo(slate.path("findings").toString().contains("\"CROPPED\"") ? 1 : 0);
        assertThat(dockets.get(7).path("spec").path("colour").path("settings").path("values").path("media-type").asString())
            .isEqualTo("photographic-glossy");
    }

    @Test
    public void whatWasLookedAtStaysLookedAtAndUndoGoesBackThroughTheOldRevisions() {
        assertThat(dockets.get(6).path("findings").toString()).doesNotContain("PROOF_NOT_LOOKED_AT");
        assertThat(dockets.get(2).path("findings").toString()).contains("PROOF_NOT_LOOKED_AT");
        JsonNode salt = dockets.get(1);
        assertThat(salt.path("redo").asString()).as("the copies had been undone").isEqualTo("the last change");
        String path = "/api/dockets/" + salt.path("id").asString();
        JsonNode redone = api.post(path + "/redo", "", salt.path("version").asInt()).body();
        assertThat(redone.path("spec").path("copies").asInt()).isEqualTo(2);
        assertThat(redone.path("spec").path("heading").path("notes").asString()).isEqualTo("For the hall.");
        JsonNode back = redone;
        while (!back.path("undo").isNull()) {
            back = api.post(path + "/undo", "", back.path("version").asInt()).body();
        }
        assertThat(back.path("spec").path("heading").path("title").asString()).isEqualTo("Salt pans february");
        JsonNode changed = api.patch(path, "{\"kind\":\"copies\",\"copies\":3}", back.path("version").asInt()).body();
        assertThat(changed.path("undo").asString()).isEqualTo("3 copies");
    }

    @Test
    public void theLogIsWholeAndAnOldPrintIsMadeAgainFromItsOrderAlone() {
        JsonNode log = api.get("/api/attempts").body();
        JsonNode boat = null;
        int old = 0;
        for (JsonNode a : log) {
            boat = a.path("verdict").asString().equals("too dark") ? a : boat;
            old += a.path("docketNumber").asInt() == 3 ? 1 : 0;
        }
        assertThat(old).as("prints of the docket that was put away").isEqualTo(2);
        assertThat(boat).isNotNull();
        assertThat(boat.path("title").asString()).isEqualTo("Boat yard, night");
        assertThat(boat.path("summary").asString()).isEqualTo("A4, 250.0 × 166.7 mm");
        assertThat(boat.path("remark").asString()).contains("Lift it in the editor");
        assertThat(boat.path("state").asString()).isEqualTo("done");
        JsonNode again = api.post("/api/attempts/" + boat.path("id").asString() + "/reprints", "", 0).body();
        assertThat(again.path("orderHash").asString()).isEqualTo(boat.path("orderHash").asString());
        String id = again.path("id").asString();
        JsonNode held = Waiting.until(() -> api.get("/api/attempts/" + id).body(),
            a -> Api.page(a).path("message").asString().startsWith("Made anew")
                || List.of("done", "failed").contains(a.path("state").asString()),
            90);
        assertThat(Api.page(held).path("message").asString()).as("its file of then is gone, and nothing tells how it looked")
            .startsWith("Made anew by a newer version of Wistel");
        assertThat(api.put("/api/attempts/" + id + "/held", "{\"held\":false,\"agreed\":true}", 0).status()).isEqualTo(200);
        JsonNode done = api.over(id, 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        double apart = api.get("/api/attempts/" + id + "/pages/1/placed/i1/scan/figures").body().path("meanDifference").asDouble();
        assertThat(apart).as("the old order still gives the print that its proof promised").isBetween(0.01, 2.0);
    }

    @Test
    public void thePrinterIsKnownAgainAndTellsItsUuid() {
        JsonNode printers = api.get("/api/printers").body();
        assertThat(printers.size()).isEqualTo(1);
        assertThat(printers.get(0).path("name").asString()).isEqualTo("Ardle 17");
        assertThat(printers.get(0).path("ippUuid").asString()).startsWith("urn:uuid:");
    }
}
