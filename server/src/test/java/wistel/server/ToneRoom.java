package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.DriverSettings;
import wistel.server.pairing.PairingRepository;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.MachineModel;

/** A room with papers of both blacks and the large printer, where wedges are printed and read. */
abstract class ToneRoom extends InTestRoom {
    @BeforeClass
    void openPapersPapers() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        String large = api.post("/api/printers", "{\"uri\":\"" + test.ipp().replace("/ipp/print", "/ipp/large") + "\"}", 0).body()
            .path("id").asString();
        PairingVersion small = test.bean(PairingRepository.class).find(pairing("Moss Cotton 300", false)).orElseThrow();
        test.bean(PairingRepository.class)
            .add(new PairingVersion(UUID.randomUUID().toString(), 1, large, "", small.paper(), small.surface(), small.body(),
                DriverSettings.of(small.settings().mediaType(), Feeds.ROLL, 5), small.profileHash(), small.intent(), small.white(),
                small.blackL()).withFeedScale(MachineModel.ARDLE_44.feedScale(Paper.MOSS_COTTON)));
    }

    String pairing(String paper, boolean large) {
        return api.get("/api/pairings").body().valueStream()
            .filter(p -> p.path("paper").asString().equals(paper) && p.path("printerName").asString().contains("44") == large).findFirst()
            .orElseThrow().path("pairingId").asString();
    }

    /** At a coarse resolution, which no tone hangs on: it takes a quarter of the time. */
    static String mode(String pairing, String way, Map<String, String> own) {
        Map<String, String> settings = new TreeMap<>(own);
        settings.put("printer-resolution", "180");
        return "{\"pairingId\":\"" + pairing + "\",\"way\":\"" + way + "\",\"settings\":{"
            + settings.entrySet().stream().map(e -> "\"" + e.getKey() + "\":\"" + e.getValue() + "\"").collect(Collectors.joining(","))
            + "}}";
    }

    JsonNode print(String mode, int steps, int repeats, boolean scattered) throws Exception {
        Api.Answer asked = api.post("/api/wedges",
            "{\"mode\":" + mode + ",\"steps\":" + steps + ",\"repeats\":" + repeats + ",\"scattered\":" + scattered + "}", 0);
        assertThat(asked.status()).as(asked.body().toString()).isEqualTo(202);
        return out(asked.body().path("number").asInt());
    }

    JsonNode out(int wedge) throws Exception {
        return Waiting.until(() -> api.get("/api/wedges/" + wedge).body(), w -> w.path("printing").path("over").asBoolean(), 120);
    }

    JsonNode read(JsonNode wedge, String by) {
        Api.Answer read = api.post("/api/wedges/" + wedge.path("number").asInt() + "/readings/" + by, "", 0);
        assertThat(read.status()).as(read.body().toString()).isEqualTo(201);
        return read.body();
    }

    int someWedge = -1;
    List<String> someLines;

    /** A printed ramp of 21 steps, and its reading. */
    List<String> lines() throws Exception {
        if (someWedge < 0) {
            someWedge = print(mode(pairing("Skerry Baryta 310", false), "DRIVER", Map.of()), 21, 1, false).path("number").asInt();
            read(api.get("/api/wedges/" + someWedge).body(), "instrument");
            String text = new String(api.get("/api/wedges/" + someWedge + "/reading.txt").raw().body(), StandardCharsets.UTF_8);
            someLines = text.lines().dropWhile(l -> !l.equals("BEGIN_DATA")).skip(1).takeWhile(l -> !l.equals("END_DATA"))
                .map(l -> l.substring(l.indexOf(' ') + 1)).toList();
        }
        return someLines;
    }

    Api.Answer bring(String text) throws Exception {
        lines();
        return api.post("/api/wedges/" + someWedge + "/readings", text.getBytes(StandardCharsets.UTF_8));
    }

    JsonNode even(JsonNode wedge) {
        return api.patch("/api/wedges/readings/" + wedge.path("reading").path("id").asString(), "{\"target\":\"EVEN\"}", 0).body()
            .path("reading");
    }

    static double[] numbers(JsonNode list) {
        return list.valueStream().mapToDouble(JsonNode::asDouble).toArray();
    }

    static double off(double[] a, double[] b) {
        return Math.sqrt(IntStream.range(0, a.length).mapToDouble(i -> Math.pow(a[i] - b[i], 2)).average().orElseThrow());
    }
}
