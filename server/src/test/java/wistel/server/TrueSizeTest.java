package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.function.IntToDoubleFunction;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.core.printer.DriverSettings;
import wistel.server.pairing.PairingRepository;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.RoomPrinter;

/** Ruled lines are printed, a ruler says how long they came out, and from then on prints on the pairing come out true: on both printers. */
public class TrueSizeTest extends InTestRoom {
    /** Half a millimetre in a metre is what a ruler shows; a tick on the scan is found to a dot of the print, 0.07 mm. */
    private static final double TOLERANCE_MM = 0.2;

    @BeforeClass
    void pairUnmeasured() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE, FeedScale.NONE);
        test.room.printer().load(Feeds.REAR, SheetSize.named("A3").orElseThrow(), Paper.CORRIE_LUSTRE, 50);
        String large = api.post("/api/printers", "{\"uri\":\"" + test.ipp().replace("/ipp/print", "/ipp/large") + "\"}", 0).body()
            .path("id").asString();
        PairingVersion small = test.bean(PairingRepository.class).find(pairing(false)).orElseThrow();
        test.bean(PairingRepository.class)
            .add(new PairingVersion(UUID.randomUUID().toString(), 1, large, "", small.paper(), small.surface(), small.body(),
                DriverSettings.of(small.settings().mediaType(), Feeds.ROLL, 5), small.profileHash(), small.intent(), small.white(),
                small.blackL()));
    }

    private String pairing(boolean large) {
        return api.get("/api/pairings").body().valueStream().filter(p -> p.path("printerName").asString().contains("44") == large)
            .findFirst().orElseThrow().path("pairingId").asString();
    }

    private RoomPrinter printer(boolean large) {
        return large ? test.room.large() : test.room.printer();
    }

    private record Read(double acrossMm, double alongMm) {
    }

    private JsonNode ruler(String pairing) {
        Api.Answer asked = api.post("/api/pairings/" + pairing + "/rulers", "", 0);
        assertThat(asked.status()).as(asked.body().toString()).isEqualTo(201);
        String id = asked.body().path("id").asString();
        return Waiting.until(
            () -> api.get("/api/pairings/" + pairing + "/true-size").body().path("rulers").valueStream()
                .filter(r -> r.path("id").asString().equals(id)).findFirst().orElseThrow(),
            r -> List.of("done", "failed").contains(r.path("state").asString()), 120);
    }

    /** From tick to tick on the sheet, as somebody with a good ruler reads it. */
    private Read measured(JsonNode ruler, boolean large) throws IOException {
        LabScan scan;
        try (InputStream in = Files
            .newInputStream(printer(large).sheet(Api.page(api.attempt(ruler.path("attempt").asString())).path("jobId").asInt()))) {
            scan = LabScan.read(in);
        }
        double mm = 25.4 / scan.dpi();
        JsonNode line = api.get("/api/dockets/" + ruler.path("docketId").asString()).body().path("layout").path("pages").get(0)
            .path("marks").get(0);
        // beside the line, where nothing but its ticks lies
        int column = (int) ((line.path("fromX").asDouble() - 2.5) / mm);
        int row = (int) ((line.path("fromY").asDouble() - 4 - 2.5) / mm);
        return new Read(apart(x -> light(scan, x, row), scan.width()) * mm, apart(y -> light(scan, column, y), scan.height()) * mm);
    }

    private static double light(LabScan scan, int x, int y) {
        return LabEncoding.V4.lab(scan.pixels(), 3 * (y * scan.width() + x)).l();
    }

    /** Between the middles of the first and the last dark place, in dots. */
    private static double apart(IntToDoubleFunction lightness, int length) {
        double white = lightness.applyAsDouble(length / 2);
        List<Double> middles = new ArrayList<>();
        for (int i = 0; i < length; i++) {
            double sum = 0;
            double weighted = 0;
            while (i < length && white - lightness.applyAsDouble(i) > 4) {
                double dark = white - lightness.applyAsDouble(i);
                sum += dark;
                weighted += dark * (i + 0.5);
                i++;
            }
            if (sum > 0) {
                middles.add(weighted / sum);
            }
        }
        assertThat(middles).as("ticks").hasSizeGreaterThanOrEqualTo(2);
        return middles.get(middles.size() - 1) - middles.get(0);
    }

    @DataProvider
    Object[][] printers() {
        return new Object[][] {{false}, {true}};
    }

    @Test(dataProvider = "printers")
    public void whatARulerSaysMakesTheNextPrintsTrue(boolean large) throws IOException {
        String pairing = pairing(large);
        JsonNode before = ruler(pairing);
        Read off = measured(before, large);
        double along = before.path("alongMm").asDouble();
        assertThat(along).isGreaterThanOrEqualTo(large ? 1000 : 350);
        assertThat(Math.abs(off.alongMm - along) / along).as("the feed is not exact").isGreaterThan(0.0005);
        Api.Answer kept = api.put("/api/rulers/" + before.path("id").asString() + "/reading",
            String.format(Locale.ROOT, "{\"across\":\"%.2f\",\"along\":\"%.3fcm\"}", off.acrossMm, off.alongMm / 10), 0);
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
        assertThat(kept.body().path("words").asString()).contains("% along the feed");
        assertThat(kept.body().path("rulers").get(0).path("reading").path("version").asInt()).isEqualTo(2);
        JsonNode after = ruler(pairing);
        Read on = measured(after, large);
        assertThat(on.alongMm).isCloseTo(after.path("alongMm").asDouble(), within(TOLERANCE_MM));
        assertThat(on.acrossMm).isCloseTo(after.path("acrossMm").asDouble(), within(TOLERANCE_MM));
        JsonNode docket = api.get("/api/dockets/" + after.path("docketId").asString()).body();
        assertThat(docket.path("readback").asString()).contains("to come out true");
        // measured again with the factors in force, they stay
        double kept2 = kept.body().path("scale").path("along").asDouble();
        JsonNode again = api.put("/api/rulers/" + after.path("id").asString() + "/reading",
            String.format(Locale.ROOT, "{\"across\":\"\",\"along\":\"%.2f\"}", on.alongMm), 0).body();
        assertThat(again.path("scale").path("along").asDouble()).isCloseTo(kept2, within(0.0003));
        api.delete("/api/pairings/" + pairing + "/true-size");
        assertThat(api.get("/api/pairings/" + pairing + "/true-size").body().path("words").asString()).isEmpty();
    }

    @DataProvider
    Object[][] nonsense() {
        return new Object[][] {{"", "", "length-unclear"}, {"abc", "", "length-unclear"}, {"-1", "", "length-unclear"},
            {"NaN", "", "length-unclear"}, {"", "1e308", "length-unclear"}, {"", "0", "out-of-range"}, {"", "999999", "out-of-range"},
            {"10in", "", "out-of-range"}, {"", "0.5", "out-of-range"}};
    }

    @Test(dataProvider = "nonsense", dependsOnMethods = "whatARulerSaysMakesTheNextPrintsTrue")
    public void aNonsenseReadingIsRefusedInWordsAndChangesNothing(String across, String along, String code) {
        JsonNode before = api.get("/api/pairings/" + pairing(false) + "/true-size").body();
        String id = before.path("rulers").get(0).path("id").asString();
        Api.Answer refused = api.put("/api/rulers/" + id + "/reading", "{\"across\":\"" + across + "\",\"along\":\"" + along + "\"}", 0);
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.code()).isEqualTo(code);
        assertThat(refused.body().path("next").asString()).isNotBlank();
        assertThat(api.get("/api/pairings/" + pairing(false) + "/true-size").body()).isEqualTo(before);
    }

    @Test
    public void linesThatAreNotPrintedYetAreNotMeasured() {
        test.room.large().pace(5);
        String id = api.post("/api/pairings/" + pairing(true) + "/rulers", "", 0).body().path("id").asString();
        Api.Answer refused = api.put("/api/rulers/" + id + "/reading", "{\"across\":\"500\",\"along\":\"1000\"}", 0);
        assertThat(refused.status()).isEqualTo(409);
        test.room.large().pace(0);
        assertThat(api.post("/api/pairings/" + UUID.randomUUID() + "/rulers", "", 0).status()).isEqualTo(404);
    }
}
