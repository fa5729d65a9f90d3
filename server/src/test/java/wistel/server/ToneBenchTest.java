package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** The tone bench by its API: wedges through the queue, read in the print room, curves kept with pairings and in force on dockets. */
public class ToneBenchTest extends InTestRoom {
    private static final double LARGEST_OFF = 0.7;

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
    }

    private String pairing(String paper) {
        return api.get("/api/pairings").body().valueStream().filter(p -> p.path("paper").asString().equals(paper)).findFirst().orElseThrow().path("pairingId").asString();
    }

    private static String mode(String pairing, String way, Map<String, String> settings) {
        return "{\"pairingId\":\"" + pairing + "\",\"way\":\"" + way + "\",\"settings\":{" + settings.entrySet().stream().map(e -> "\"" + e.getKey() + "\":\"" + e.getValue() + "\"").collect(Collectors.joining(",")) + "}}";
    }

    private JsonNode print(String mode, int steps, int repeats, boolean scattered) throws Exception {
        Api.Answer asked = api.post("/api/wedges", "{\"mode\":" + mode + ",\"steps\":" + steps + ",\"repeats\":" + repeats + ",\"scattered\":" + scattered + "}", 0);
        assertThat(asked.status()).as(asked.body().toString()).isEqualTo(202);
        return out(asked.body().path("number").asInt());
    }

    private JsonNode out(int wedge) throws Exception {
        return Waiting.until(() -> api.get("/api/wedges/" + wedge).body(), w -> w.path("printing").path("over").asBoolean(), 120);
    }

    private JsonNode read(JsonNode wedge, String by) {
        Api.Answer read = api.post("/api/wedges/" + wedge.path("number").asInt() + "/readings/" + by, "", 0);
        assertThat(read.status()).as(read.body().toString()).isEqualTo(201);
        return read.body();
    }

    @DataProvider
    public Object[][] modes() {
        return new Object[][] {{"Moss Cotton 300", "DRIVER"}, {"Skerry Baryta 310", "DRIVER"}, {"Corrie Lustre 260", "PROFILE"}};
    }

    @Test(dataProvider = "modes")
    public void aWedgeIsReadStraightenedAndProved(String paper, String way) throws Exception {
        JsonNode wedge = print(mode(pairing(paper), way, Map.of()), 33, 1, false);
        assertThat(wedge.path("printing").path("done").asBoolean()).as(wedge.path("printing").toString()).isTrue();
        JsonNode told = read(wedge, "instrument").path("reading");
        System.err.println(paper + " " + way + " " + told.path("verdict") + " before " + told.path("before") + " after " + told.path("after") + " points " + told.path("points") + " noise " + told.path("noise") + " black " + told.path("black") + " drift " + told.path("drift") + " unsuited " + told.path("unsuited"));
        JsonNode proof = api.post("/api/wedges/" + wedge.path("number").asInt() + "/proof", "", 0).body();
        JsonNode proved = read(out(proof.path("number").asInt()), "instrument").path("reading");
        System.err.println("   proved " + proved.path("before") + " " + proved.path("verdict"));
        JsonNode flat = read(wedge, "flatbed").path("reading");
        System.err.println("   flat " + flat.path("verdict") + " before " + flat.path("before") + " after " + flat.path("after") + " points " + flat.path("points") + " noise " + flat.path("noise"));
        assertThat(proved.path("before").asDouble()).isLessThan(LARGEST_OFF);
    }
}
