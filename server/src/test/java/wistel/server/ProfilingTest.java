package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Collectors;
import java.util.concurrent.Future;
import java.util.concurrent.Executors;
import java.util.concurrent.ExecutorService;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.cgats.Cgats;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** A profile made in the house, from the chart to the pairing. */
public class ProfilingTest extends InTestRoom {
    private static final Paper PAPER = Paper.SKERRY_BARYTA;

    @BeforeClass
    void pair() throws Exception {
        PrintingTest.pair(test, PAPER, Feeds.REAR, Intent.RELATIVE);
    }

    private JsonNode pairing() {
        for (JsonNode p : api.get("/api/pairings").body()) {
            if (p.path("paper").asString().equals(PAPER.label())) {
                return p;
            }
        }
        throw new IllegalStateException("no pairing of " + PAPER.label());
    }

    private JsonNode begun(String paper, String of) {
        return begun(paper, of, "\"size\":\"SMALL\"");
    }

    private Api.Answer asked(String paper, String of, String chart) {
        JsonNode p = pairing();
        return api.post("/api/profilings", "{\"printerId\":\"" + p.path("printerId").asString() + "\",\"paper\":\"" + paper
            + "\",\"surface\":\"baryta gloss\",\"body\":" + p.path("body") + ",\"settings\":" + p.path("settings")
            + ",\"intent\":\"RELATIVE\",\"ofPairing\":" + of + "," + chart + (chart.isEmpty() ? "" : ",") + "\"dryingHours\":0}", 0);
    }

    private JsonNode begun(String paper, String of, String chart) {
        Api.Answer answer = asked(paper, of, chart);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(201);
        JsonNode begun = answer.body();
        return Waiting.until(() -> api.get("/api/profilings/" + begun.path("id").asString()).body(), ProfilingTest::out, 60);
    }

    private static boolean out(JsonNode profiling) {
        for (JsonNode page : profiling.path("pages")) {
            if (!page.path("state").asString().equals("done")) {
                return false;
            }
        }
        return true;
    }

    private static String path(JsonNode profiling) {
        return "/api/profilings/" + profiling.path("id").asString();
    }

    private static final String USUAL = "{\"compression\":\"MIDDLE\",\"grays\":\"PAPER\",\"tables\":\"USUAL\"}";

    /** What was made, once it is. */
    private JsonNode made(JsonNode p, String choices) {
        Api.Answer begun = api.post(path(p) + "/profile", choices, 0);
        assertThat(begun.status()).as(begun.body().toString()).isEqualTo(202);
        JsonNode ended = Waiting.until(() -> api.get(path(p)).body(),
            v -> v.path("making").isNull() || !v.path("making").path("failure").isNull(), 60);
        assertThat(ended.path("making").isNull()).as(ended.path("making").toString()).isTrue();
        return ended.path("made");
    }

    /** A page as it was read, as a person's own instrument writes it: names of places, L*, a*, b*. */
    private static List<String> lines(JsonNode profiling) {
        List<String> lines = new ArrayList<>();
        for (JsonNode patch : profiling.path("pages").get(0).path("patches")) {
            JsonNode lab = patch.path("colour");
            lines.add(patch.path("name").asString() + " " + lab.path("l").asDouble() + " " + lab.path("a").asDouble() + " "
                + lab.path("b").asDouble());
        }
        return lines;
    }

    private static String cgats(List<String> lines) {
        return "CGATS.17\nNUMBER_OF_FIELDS 4\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nNUMBER_OF_SETS "
            + lines.size() + "\nBEGIN_DATA\n" + String.join("\n", lines) + "\nEND_DATA\n";
    }

    @Test
    public void aChartIsPrintedReadAndBecomesAPairing() {
        int offered = api.get("/api/pairings").body().size();
        JsonNode p = begun("Skerry Baryta, made here", "null");
        assertThat(p.path("pages").size()).isEqualTo(1);
        assertThat(p.path("patches").asInt()).isEqualTo(300);
        assertThat(api.get("/api/pairings").body().size()).as("not offered yet").isEqualTo(offered);
        assertThat(api.post(path(p) + "/profile", USUAL, 0).status()).as("nothing is read").isEqualTo(409);
        assertThat(api.post(path(p) + "/pairing", "", 0).status()).as("nothing is made").isEqualTo(409);
        JsonNode read = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        assertThat(read.path("suspects").size()).as(read.path("suspects").toString()).isZero();
        JsonNode twice = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        assertThat(twice.path("pages").get(0).path("readings").asInt()).isEqualTo(2);
        assertThat(twice.path("pages").get(0).path("noise").asDouble()).isBetween(0.005, 0.3);
        JsonNode made = made(p, USUAL);
        assertThat(made.path("quality").path("patches").asInt()).isEqualTo(60);
        assertThat(made.path("quality").path("mean").asDouble()).isLessThan(0.8);
        assertThat(made.path("quality").path("percentile95").asDouble()).isLessThan(2);
        Api.Answer kept = api.post(path(p) + "/pairing", "", 0);
        assertThat(kept.status()).isEqualTo(201);
        assertThat(kept.body().path("paper").asString()).isEqualTo("Skerry Baryta, made here");
        assertThat(kept.body().path("profileHash").asString()).isEqualTo(made.path("profileHash").asString());
        assertThat(api.get("/api/pairings").body().toString()).contains("Skerry Baryta, made here");
        assertThat(api.post(path(p) + "/pairing", "", 0).status()).as("once").isEqualTo(409);
        Api.Answer two = api.get(path(p) + "/profile?version=V2");
        assertThat(two.status()).isEqualTo(200);
        // against the profile that came with the paper: grays of both within what 300 patches know
        JsonNode judged = api.get("/api/profiles/" + made.path("profileHash").asString() + "/judgement").body();
        assertThat(judged.path("inspection").path("roundTrip").path("mean").asDouble()).isLessThan(0.8);
        assertThat(judged.path("inspection").path("neutral").asDouble()).isLessThan(2);
    }

    @Test
    public void aReadingUpsideDownIsPutRightAndSpecksAreNamed() {
        JsonNode p = begun("Skerry Baryta, again", "\"" + pairing().path("pairingId").asString() + "\"");
        JsonNode read = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        List<String> lines = lines(read);
        api.delete(path(p) + "/pages/1/readings");
        List<String> turned = new ArrayList<>();
        lines.forEach(l -> turned.add(l.substring(l.indexOf(' ') + 1)));
        Collections.reverse(turned);
        Api.Answer upsideDown = api.post(path(p) + "/pages/1/readings", String.join("\n", turned).getBytes(StandardCharsets.US_ASCII));
        assertThat(upsideDown.status()).as(upsideDown.body().toString()).isEqualTo(201);
        assertThat(upsideDown.body().path("pages").get(0).path("words").toString()).contains("upside down");
        assertThat(upsideDown.body().path("pages").get(0).path("patches")).isEqualTo(read.path("pages").get(0).path("patches"));
        api.delete(path(p) + "/pages/1/readings");
        JsonNode speck = read.path("pages").get(0).path("patches").get(40);
        Lab was = new Lab(speck.path("colour").path("l").asDouble(), 0, 0);
        lines.set(40, speck.path("name").asString() + " " + (was.l() > 50 ? was.l() - 25 : was.l() + 25) + " 0 0");
        JsonNode spoilt = api.post(path(p) + "/pages/1/readings", cgats(lines).getBytes(StandardCharsets.US_ASCII)).body();
        assertThat(spoilt.path("suspects").toString()).contains("\"" + speck.path("name").asString() + "\"");
        JsonNode out = api.put(path(p) + "/left-out", "{\"patches\":[\"" + speck.path("id").asString() + "\"]}", 0).body();
        assertThat(out.path("suspects").get(0).path("leftOut").asBoolean()).isTrue();
        assertThat(api.put(path(p) + "/left-out", "{\"patches\":[\"nobody\"]}", 0).status()).isEqualTo(400);
    }

    /** As a person's own instrument writes them; read upside down, each still stands beside its patch. */
    @Test
    public void spectraOfAReadingGoAlongIntoTheChart() {
        JsonNode p = begun("Skerry Baryta, spectra", "null");
        List<String> lines = lines(api.post(path(p) + "/pages/1/readings/instrument", "", 0).body());
        api.delete(path(p) + "/pages/1/readings");
        List<String> turned = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            turned.add(lines.get(i).substring(lines.get(i).indexOf(' ') + 1) + " 0." + (1000 + i) + " 0.5".repeat(15));
        }
        Collections.reverse(turned);
        String bands = IntStream.range(0, 16).mapToObj(i -> " SPECTRAL_NM_" + (400 + 20 * i)).collect(Collectors.joining());
        String file = cgats(turned).replace("SAMPLE_ID LAB_L LAB_A LAB_B", "LAB_L LAB_A LAB_B" + bands);
        Api.Answer read = api.post(path(p) + "/pages/1/readings", file.getBytes(StandardCharsets.US_ASCII));
        assertThat(read.status()).as(read.body().toString()).isEqualTo(201);
        Cgats chart = Cgats.parse(new String(api.get(path(p) + "/chart").raw().body(), StandardCharsets.US_ASCII));
        assertThat(chart.patches().get(0).spectrum().orElseThrow().values().get(0)).isEqualTo(0.1);
        assertThat(chart.patches().get(299).spectrum().orElseThrow().values().get(0)).isEqualTo(0.1299);
        api.post(path(p) + "/pages/1/readings/instrument", "", 0);
        assertThat(Cgats.parse(new String(api.get(path(p) + "/chart").raw().body(), StandardCharsets.US_ASCII)).patches().get(0).spectrum())
            .as("read again without them: those that were told stay").isPresent();
    }

    @Test
    public void twoPeopleReadAChartWhosePrinterIsRetiredMeanwhile() throws Exception {
        JsonNode p = begun("Skerry Baryta, of two", "null");
        ExecutorService people = Executors.newFixedThreadPool(2);
        try {
            List<Future<Api.Answer>> both = people
                .invokeAll(Collections.nCopies(2, () -> api.post(path(p) + "/pages/1/readings/instrument", "", 0)));
            for (Future<Api.Answer> one : both) {
                assertThat(one.get().status()).as(one.get().body().toString()).isEqualTo(201);
            }
        } finally {
            people.shutdown();
        }
        assertThat(api.get(path(p)).body().path("pages").get(0).path("readings").asInt()).isEqualTo(2);
        String printer = "/api/printers/" + pairing().path("printerId").asString();
        assertThat(api.patch(printer, "{\"retired\":true}", 0).status()).isEqualTo(200);
        try {
            assertThat(made(p, USUAL).path("profileHash").asString()).hasSize(64);
            Api.Answer kept = api.post(path(p) + "/pairing", "", 0);
            assertThat(kept.status()).as(kept.body().toString()).isEqualTo(201);
        } finally {
            api.patch(printer, "{\"retired\":false}", 0);
        }
    }

    @Test
    public void whatIsNoReadingOfItIsRefusedInWords() {
        JsonNode p = begun("Skerry Baryta, not read", "null");
        for (String bad : List.of("", "12 13 14", "no numbers\nat all", cgats(List.of("A1 50 0 0")), "1 50 0 0\n2 51 0 0")) {
            Api.Answer answer = api.post(path(p) + "/pages/1/readings", bad.getBytes(StandardCharsets.US_ASCII));
            assertThat(answer.status()).as(bad).isBetween(400, 422);
            assertThat(answer.body().path("detail").asString()).isNotBlank();
            assertThat(answer.body().path("next").asString()).isNotBlank();
        }
        List<String> doubled = new ArrayList<>();
        for (JsonNode patch : p.path("pages").get(0).path("patches")) {
            doubled.add((doubled.isEmpty() ? patch.path("name").asString() : "B1") + " 50 0 0");
        }
        assertThat(
            api.post(path(p) + "/pages/1/readings", cgats(doubled).getBytes(StandardCharsets.US_ASCII)).body().path("detail").asString())
            .contains("are called B1");
        assertThat(api.post(path(p) + "/pages/9/readings/instrument", "", 0).status()).isEqualTo(404);
        assertThat(api.get(path(p)).body().path("pages").get(0).path("readings").asInt()).isZero();
        assertThat(api.get("/api/profilings").body().toString()).contains("Skerry Baryta, not read");
        assertThat(api.delete(path(p)).status()).isEqualTo(204);
        assertThat(api.get(path(p)).status()).isEqualTo(404);
    }

    @Test
    public void anotherChoiceMakesAnotherProfileBesideTheOneInUse() {
        JsonNode p = begun("Skerry Baryta, chosen", "\"" + pairing().path("pairingId").asString() + "\"");
        api.post(path(p) + "/pages/1/readings/instrument", "", 0);
        JsonNode usual = made(p, USUAL);
        assertThat(usual.path("inUse").asString()).isEqualTo(pairing().path("profileHash").asString());
        assertThat(usual.path("inUseQuality").path("mean").asDouble()).as("made from the same printer").isBetween(0.01, 1.0);
        JsonNode small = made(p, "{\"compression\":\"STRONG\",\"grays\":\"D50\",\"tables\":\"SMALL\"}");
        assertThat(small.path("profileHash")).isNotEqualTo(usual.path("profileHash"));
        assertThat(api.get(path(p)).body().path("choices").path("grays").asString()).isEqualTo("D50");
        api.post(path(p) + "/profile", "{\"compression\":\"SOFT\",\"grays\":\"PAPER\",\"tables\":\"LARGE\"}", 0);
        JsonNode stopped = api.delete(path(p) + "/profile").body();
        assertThat(stopped.path("making").isNull()).isTrue();
        assertThat(stopped.path("made").path("profileHash")).as("what was made before stays").isEqualTo(small.path("profileHash"));
    }

    /** In the printer's own monochrome: its profile is one of grays, as is its pairing. */
    @Test
    public void aChartOfGraysBecomesAGrayPairing() {
        JsonNode p = begun("Skerry Baryta, grays", "null", "\"size\":\"GRAYS\"");
        assertThat(p.path("gray").asBoolean()).isTrue();
        assertThat(p.path("patches").asInt()).isEqualTo(105);
        JsonNode read = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        for (JsonNode patch : read.path("pages").get(0).path("patches")) {
            assertThat(Math.hypot(patch.path("colour").path("a").asDouble(), patch.path("colour").path("b").asDouble())).isLessThan(6);
        }
        assertThat(read.path("suspects").size()).as(read.path("suspects").toString()).isZero();
        assertThat(made(p, USUAL).path("quality").path("mean").asDouble()).isLessThan(0.5);
        JsonNode kept = api.post(path(p) + "/pairing", "", 0).body();
        assertThat(kept.path("settings").toString()).contains("print-color-mode");
    }

    @Test
    public void aHundredPatchesMoreAddToWhatTheProfileWasMadeFrom() {
        String of = "\"" + pairing().path("pairingId").asString() + "\"";
        JsonNode p = begun("Skerry Baryta", of, "");
        assertThat(p.path("adds").asBoolean()).isTrue();
        assertThat(p.path("patches").asInt()).isEqualTo(100);
        JsonNode read = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        assertThat(read.path("suspects").size()).as(read.path("suspects").toString()).isLessThan(3);
        JsonNode made = made(p, USUAL);
        assertThat(made.path("quality").path("mean").asDouble())
            .isLessThan(made.path("inUseQuality").path("mean").asDouble() + 0.05);
        assertThat(asked("Skerry Baryta", "null", "").status()).as("of which paper").isEqualTo(400);
    }

    @Test
    public void aChartOfOnesOwnIsPrintedInItsOrder() {
        StringBuilder own = new StringBuilder("BEGIN_DATA_FORMAT\\nSAMPLE_ID RGB_R RGB_G RGB_B\\nEND_DATA_FORMAT\\nBEGIN_DATA\\n");
        for (int i = 0; i < 125; i++) {
            own.append("own").append(i).append(' ').append(i / 25 * 25).append(' ').append(i / 5 % 5 * 25).append(' ').append(i % 5 * 25)
                .append("\\n");
        }
        JsonNode p = begun("Skerry Baryta, own chart", "null", "\"chart\":\"" + own + "END_DATA\\n\"");
        assertThat(p.path("pages").get(0).path("patches").get(7).path("id").asString()).isEqualTo("own7");
        api.post(path(p) + "/pages/1/readings/instrument", "", 0);
        assertThat(made(p, USUAL).path("profileHash").asString()).hasSize(64);
        for (String bad : List.of("nothing", "BEGIN_DATA_FORMAT\\nRGB_R RGB_G RGB_B\\nEND_DATA_FORMAT\\nBEGIN_DATA\\n1 2 3\\nEND_DATA",
            "BEGIN_DATA_FORMAT\\nCMYK_C CMYK_M CMYK_Y CMYK_K\\nEND_DATA_FORMAT\\nBEGIN_DATA\\n1 2 3 4\\nEND_DATA")) {
            Api.Answer refused = asked("Skerry", "null", "\"chart\":\"" + bad + "\"");
            assertThat(refused.status()).as(bad).isBetween(400, 422);
            assertThat(refused.body().path("next").asString()).isNotBlank();
        }
        assertThat(asked("Skerry", "null", "\"size\":\"SMALL\",\"chart\":\"x\"").status()).as("both").isEqualTo(400);
    }

    @Test
    public void aPaperUnderTwoNamesBecomesOne() {
        JsonNode p = pairing();
        JsonNode twin = api.post("/api/pairings",
            "{\"profileHash\":\"" + p.path("profileHash").asString() + "\",\"printerId\":\"" + p.path("printerId").asString()
                + "\",\"paper\":\"Skerry B. 310\",\"surface\":\"gloss\",\"body\":" + p.path("body") + ",\"settings\":" + p.path("settings")
                + ",\"intent\":\"RELATIVE\"}",
            0).body();
        String path = "/api/pairings/" + twin.path("pairingId").asString() + "/same-paper";
        String as = "{\"pairingId\":\"" + p.path("pairingId").asString() + "\"}";
        JsonNode merged = api.post(path, as, 0).body();
        assertThat(merged.path("paper").asString()).isEqualTo(PAPER.label());
        assertThat(merged.path("surface")).isEqualTo(p.path("surface"));
        assertThat(merged.path("number").asInt()).isEqualTo(2);
        assertThat(api.post(path, as, 0).status()).as("once").isEqualTo(409);
        api.delete("/api/pairings/" + twin.path("pairingId").asString());
    }
}
