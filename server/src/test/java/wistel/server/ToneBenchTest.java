package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.cgats.Readings;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.TransformCompiler;

/** The tone bench by its API: wedges through the queue, read in the print room, curves kept with pairings and in force on dockets. */
public class ToneBenchTest extends ToneRoom {
    private static final double LARGEST_OFF = 0.7;

    @DataProvider
    public Object[][] modes() {
        return new Object[][] {{"Moss Cotton 300", false, "DRIVER"}, {"Skerry Baryta 310", false, "DRIVER"},
            {"Corrie Lustre 260", false, "PROFILE"}, {"Moss Cotton 300", true, "DRIVER"}};
    }

    /** Even steps from paper to black, whatever the mode laid down before. */
    @Test(dataProvider = "modes")
    public void aWedgeIsReadStraightenedAndProved(String paper, boolean large, String way) throws Exception {
        JsonNode wedge = print(mode(pairing(paper, large), way, Map.of()), 33, 1, false);
        assertThat(wedge.path("printing").path("done").asBoolean()).as(wedge.path("printing").toString()).isTrue();
        JsonNode told = even(read(wedge, "instrument"));
        assertThat(told.path("points").size()).isLessThanOrEqualTo(6);
        JsonNode proof = api.post("/api/wedges/" + wedge.path("number").asInt() + "/proof", "", 0).body();
        assertThat(proof.path("ofWedge").asInt()).isEqualTo(wedge.path("number").asInt());
        JsonNode proved = even(read(out(proof.path("number").asInt()), "instrument"));
        assertThat(proved.path("before").asDouble()).as(told.toString()).isLessThan(LARGEST_OFF);
    }

    /**
     * The curve from a flatbed that was calibrated by another wedge lies near the instrument's, and so does one by the wedge's own ends.
     */
    @Test
    public void aScannersCurveIsNearTheInstruments() throws Exception {
        JsonNode target = print(mode(pairing("Skerry Baryta 310", false), "DRIVER", Map.of()), 33, 1, false);
        read(target, "instrument");
        read(target, "flatbed");
        JsonNode wedge = print(mode(pairing("Skerry Baryta 310", false), "DRIVER", Map.of("wistel-mono-darkness", "4")), 33, 1, true);
        double[] byInstrument = numbers(even(read(wedge, "instrument")).path("line"));
        JsonNode byEnds = read(wedge, "flatbed");
        assertThat(byEnds.path("readings").get(0).path("note").asString()).contains("paper and black that the profile tells");
        assertThat(100 * off(numbers(even(byEnds).path("line")), byInstrument)).isLessThan(1.5);
        assertThat(api.put("/api/wedges/" + target.path("number").asInt() + "/scanner", "", 0).body().path("wedge").asInt())
            .isEqualTo(target.path("number").asInt());
        JsonNode byTarget = read(wedge, "flatbed");
        assertThat(byTarget.path("readings").get(0).path("note").asString()).contains("scanner's curve from wedge");
        assertThat(100 * off(numbers(even(byTarget).path("line")), byInstrument)).isLessThan(0.6);
        assertThat(byTarget.path("readings").size()).as("nothing is overwritten").isEqualTo(3);
        assertThat(api.delete("/api/wedges/scanner").status()).isEqualTo(204);
    }

    /**
     * Kept with the pairing, it is in force where its mode is asked for, and nowhere else; the print is what the proof showed, with it and
     * without.
     */
    @Test
    public void aKeptCurveIsInForceOnMonochromeDocketsOfItsMode() throws Exception {
        String pairing = pairing("Moss Cotton 300", false);
        int before = version(pairing);
        JsonNode wedge = print(mode(pairing, "DRIVER", Map.of("wistel-mono-tint", "warm")), 51, 1, false);
        read(wedge, "instrument");
        String curve = "/api/wedges/" + wedge.path("number").asInt() + "/curve";
        assertThat(api.put(curve, "", 0).body().path("kept").asBoolean()).isTrue();
        assertThat(version(pairing)).isEqualTo(before + 1);
        JsonNode d = api.drop("tones.png", PrintingTest.picture(71)).body().path("docket");
        d = api
            .put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt())
            .body();
        d = change(d, "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":120,\"heightMm\":80}");
        d = change(d, "{\"kind\":\"routed\",\"route\":{\"kind\":\"driver-monochrome\"}}");
        assertThat(codes(d)).contains("MONOCHROME_UNMEASURED", "NO_WEDGE");
        assertThat(d.path("pictures").get(0).path("tones").isNull()).isTrue();
        d = change(d, "{\"kind\":\"set\",\"setting\":\"wistel-mono-tint\",\"value\":\"warm\",\"said\":\"\"}");
        assertThat(codes(d)).doesNotContain("MONOCHROME_UNMEASURED", "NO_WEDGE");
        assertThat(d.path("pictures").get(0).path("tones").path("wedge").asInt()).isEqualTo(wedge.path("number").asInt());
        assertThat(d.path("readback").asString()).contains("straightened by wedge " + wedge.path("number").asInt());
        assertThat(printed(d)).as("by the curve").isLessThan(1);
        d = change(d, "{\"kind\":\"straightens\",\"renditionId\":\"r1\",\"on\":false}");
        assertThat(d.path("readback").asString()).doesNotContain("straightened");
        assertThat(codes(d)).contains("CURVE_OFF");
        assertThat(printed(d)).as("as the mode lays it down").isLessThan(1.5);
        assertThat(api.delete(curve).body().path("kept").asBoolean()).isFalse();
        assertThat(codes(api.get("/api/dockets/" + d.path("id").asString()).body())).contains("NO_WEDGE");
    }

    private int version(String pairing) {
        return api.get("/api/pairings").body().valueStream().filter(p -> p.path("pairingId").asString().equals(pairing)).findFirst()
            .orElseThrow().path("number").asInt();
    }

    private JsonNode change(JsonNode d, String change) {
        Api.Answer changed = api.patch("/api/dockets/" + d.path("id").asString(), change, d.path("version").asInt());
        assertThat(changed.status()).as(changed.body().toString()).isEqualTo(200);
        return changed.body();
    }

    private static List<String> codes(JsonNode d) {
        return d.path("findings").valueStream().map(f -> f.path("code").asString()).toList();
    }

    /** Mean difference between what the proof showed and the sheet. */
    private double printed(JsonNode d) throws Exception {
        String attempt = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
            .asString();
        Waiting.until(() -> api.get("/api/attempts/" + attempt).body(), a -> a.path("state").asString().equals("done"), 60);
        return api.get("/api/attempts/" + attempt + "/pages/1/placed/i1/scan/figures").body().path("meanDifference").asDouble();
    }

    @Test
    public void aPersonsPointsAreTakenAndGivenBack() throws Exception {
        JsonNode fitted = bring(String.join("\n", lines())).body().path("reading");
        String reading = "/api/wedges/readings/" + fitted.path("id").asString();
        JsonNode drawn = api.patch(reading, "{\"points\":[{\"wanted\":0.5,\"sent\":0.46}]}", 0).body().path("reading");
        assertThat(drawn.path("drawn").asBoolean()).isTrue();
        assertThat(drawn.path("points").size()).isEqualTo(1);
        assertThat(drawn.path("line").get(50).asDouble()).isCloseTo(0.46, within(1e-9));
        assertThat(api.patch(reading, "{\"points\":[{\"wanted\":0.5,\"sent\":0.99}]}", 0).code()).isEqualTo("curve-unclear");
        assertThat(api.patch(reading, "{\"fitted\":true}", 0).body().path("reading").path("points")).isEqualTo(fitted.path("points"));
        assertThat(api.patch(reading, "{\"leftOut\":[4]}", 0).body().path("reading").path("steps").get(4).path("leftOut").asBoolean())
            .isTrue();
    }

    /** A server that starts anew says the same, without fitting again; another aim is fitted anew. */
    @Test
    public void whatAFitCameToIsKept() throws Exception {
        JsonNode told = bring(String.join("\n", lines())).body().path("reading");
        String reading = told.path("id").asString();
        test.sql("update wedge_reading set fit = jsonb_set(fit, '{byPoints,0}', '77') where id = '" + reading + "'");
        test.stop();
        test.start();
        JsonNode again = api.get("/api/wedges/" + someWedge).body().path("reading");
        assertThat(again.path("points")).isEqualTo(told.path("points"));
        assertThat(again.path("byPoints").get(0).asDouble()).as("from what was kept").isEqualTo(77);
        JsonNode other = api.patch("/api/wedges/readings/" + reading, "{\"target\":\"PROOF\"}", 0).body().path("reading");
        assertThat(other.path("byPoints").get(0).asDouble()).isNotEqualTo(77);
    }

    @Test
    public void moreThanAReadingHoldsIsRefused() throws Exception {
        lines();
        Api.Answer large = api.post("/api/wedges/" + someWedge + "/readings", new byte[(8 << 20) + 10]);
        assertThat(large.status()).isEqualTo(413);
        assertThat(large.code()).isEqualTo("file-too-large");
    }

    @Test
    public void aScaleFromElsewhereIsJudgedAndExported() throws Exception {
        String text = IntStream.rangeClosed(0, 24).mapToObj(i -> String.format(Locale.ROOT, "%.2f 0 0", 96 - 80 * Math.pow(i / 24.0, 1.2)))
            .collect(Collectors.joining("\n"));
        JsonNode wedge = api
            .post("/api/wedges/elsewhere?way=DRIVER&pairing=" + pairing("Skerry Baryta 310", false) + "&measured=2024-11-03",
                text.getBytes(StandardCharsets.UTF_8))
            .body();
        assertThat(wedge.path("steps").asInt()).isEqualTo(25);
        assertThat(wedge.path("reading").path("before").asDouble()).isGreaterThan(2);
        assertThat(wedge.path("readings").get(0).path("taken").asString()).startsWith("2024-11-03");
        int wedges = api.get("/api/wedges").body().size();
        String foreign = "/api/wedges/elsewhere?way=DRIVER&pairing=" + pairing("Skerry Baryta 310", false);
        assertThat(api.post(foreign + "&measured=2999-01-01", text.getBytes(StandardCharsets.UTF_8)).code()).isEqualTo("out-of-range");
        assertThat(api.get("/api/wedges").body().size()).as("nothing is left of it").isEqualTo(wedges);
        String darkest = URLEncoder.encode("{\"values\":{\"wistel-mono-darkness\":\"5\"}}", StandardCharsets.UTF_8);
        JsonNode dark = api.post(foreign + "&settings=" + darkest, text.getBytes(StandardCharsets.UTF_8)).body();
        assertThat(dark.path("mode").path("settings").path("wistel-mono-darkness").asString()).as("in the mode that was chosen")
            .isEqualTo("5");
        String path = "/api/wedges/" + wedge.path("number").asInt();
        IccProfile gray = ProfileReader.read(api.get(path + "/scale.icc").raw().body());
        assertThat(gray.space()).isEqualTo(ColourSpace.GRAY);
        // even steps between the ends: half gray prints half way
        assertThat(LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(gray).exact(0.5)).l()).isCloseTo(56, within(0.8));
        assertThat(Readings.parse(new String(api.get(path + "/scale.txt").raw().body(), StandardCharsets.UTF_8)).all()).hasSize(51);
    }

    @Test
    public void thePageToJudgeTonesByIsPrinted() throws Exception {
        String attempt = api.post("/api/wedges/test-page", mode(pairing("Moss Cotton 300", false), "PROFILE", Map.of()), 0).body()
            .path("attempt").asString();
        JsonNode a = Waiting.until(() -> api.get("/api/attempts/" + attempt).body(), x -> x.path("state").asString().equals("done"), 60);
        assertThat(a.path("title").asString()).isEqualTo("Page to judge tones by");
        assertThat(api.get("/api/bench").body().toString()).as("it lies on no bench").doesNotContain("Page to judge");
    }

    @Test
    public void whatCantBePrintedLeavesNothing() {
        int before = api.get("/api/wedges").body().size();
        String steps = "{\"mode\":" + mode(pairing("Skerry Baryta 310", false), "DRIVER", Map.of())
            + ",\"steps\":22,\"repeats\":1,\"scattered\":false}";
        assertThat(api.post("/api/wedges", steps, 0).code()).isEqualTo("out-of-range");
        String unknown = "{\"mode\":" + mode(pairing("Skerry Baryta 310", false), "DRIVER", Map.of("wistel-mono-darkness", "9"))
            + ",\"steps\":21,\"repeats\":1,\"scattered\":false}";
        assertThat(api.post("/api/wedges", unknown, 0).code()).isEqualTo("settings-unclear");
        assertThat(api.post("/api/wedges/4711/readings/instrument", "", 0).status()).isEqualTo(404);
        assertThat(api.get("/api/wedges").body().size()).isEqualTo(before);
    }
}
