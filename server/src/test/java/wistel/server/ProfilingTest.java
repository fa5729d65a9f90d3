package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
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
        return api.get("/api/pairings").body().get(0);
    }

    private JsonNode begun(String paper, String of) {
        JsonNode p = pairing();
        Api.Answer answer = api.post("/api/profilings", "{\"printerId\":\"" + p.path("printerId").asString() + "\",\"paper\":\"" + paper
            + "\",\"surface\":\"baryta gloss\",\"body\":" + p.path("body") + ",\"settings\":" + p.path("settings")
            + ",\"intent\":\"RELATIVE\",\"ofPairing\":" + of + ",\"size\":\"SMALL\",\"dryingHours\":0}", 0);
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
        JsonNode p = begun("Skerry Baryta, made here", "null");
        assertThat(p.path("pages").size()).isEqualTo(1);
        assertThat(p.path("patches").asInt()).isEqualTo(300);
        assertThat(api.get("/api/pairings").body().size()).as("not offered yet").isEqualTo(1);
        assertThat(api.post(path(p) + "/profile", "", 0).status()).as("nothing is read").isEqualTo(409);
        assertThat(api.post(path(p) + "/pairing", "", 0).status()).as("nothing is made").isEqualTo(409);
        JsonNode read = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        assertThat(read.path("suspects").size()).as(read.path("suspects").toString()).isZero();
        JsonNode twice = api.post(path(p) + "/pages/1/readings/instrument", "", 0).body();
        assertThat(twice.path("pages").get(0).path("readings").asInt()).isEqualTo(2);
        assertThat(twice.path("pages").get(0).path("noise").asDouble()).isBetween(0.005, 0.3);
        JsonNode made = api.post(path(p) + "/profile", "", 0).body();
        assertThat(made.path("quality").path("patches").asInt()).isEqualTo(60);
        assertThat(made.path("quality").path("mean").asDouble()).isLessThan(0.8);
        assertThat(made.path("quality").path("percentile95").asDouble()).isLessThan(2);
        Api.Answer kept = api.post(path(p) + "/pairing", "", 0);
        assertThat(kept.status()).isEqualTo(201);
        assertThat(kept.body().path("paper").asString()).isEqualTo("Skerry Baryta, made here");
        assertThat(kept.body().path("profileHash").asString()).isEqualTo(made.path("profileHash").asString());
        assertThat(api.get("/api/pairings").body().toString()).contains("Skerry Baryta, made here");
        assertThat(api.post(path(p) + "/pairing", "", 0).status()).as("once").isEqualTo(409);
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
}
