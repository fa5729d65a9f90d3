package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.server.pairing.PairingRepository;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** What was decided, seen or measured stays with the version that it was decided, seen or measured on. */
public class VersionsTest extends InTestRoom {
    @BeforeClass
    void pair() throws Exception {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    private PairingVersion pairing() {
        return test.bean(PairingRepository.class).all().stream().filter(p -> p.paper().startsWith("Skerry")).findFirst().orElseThrow();
    }

    private JsonNode docket(int seed) throws Exception {
        JsonNode d = api.drop("seen-" + seed + ".png", PrintingTest.picture(seed)).body().path("docket");
        return api.put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing().pairingId() + "\"}",
            d.path("version").asInt()).body();
    }

    private boolean seen(JsonNode docket) {
        return !api.get("/api/dockets/" + docket.path("id").asString()).body().path("findings").toString().contains("PROOF_NOT_LOOKED_AT");
    }

    private JsonNode patched(JsonNode d, String command) {
        String path = "/api/dockets/" + d.path("id").asString();
        return api.patch(path, command, api.get(path).body().path("version").asInt()).body();
    }

    @Test
    public void aVersionOfAPairingKeepsItsPaperWhenThatIsEditedByName() {
        PairingVersion before = pairing();
        PaperBody other = new PaperBody(0.61, 400, "rough", PaperBody.Curl.STRONG);
        PairingVersion after = test.bean(PairingRepository.class)
            .add(new PairingVersion(before.pairingId(), 1, before.printerId(), "", before.paper(), "matte", other, before.settings(),
                before.profileHash(),
                before.intent(), before.white(), before.blackL()));
        assertThat(after.number()).isEqualTo(before.number() + 1);
        assertThat(after.body()).isEqualTo(other);
        PairingVersion kept = test.bean(PairingRepository.class).find(before.pairingId(), before.number()).orElseThrow();
        assertThat(kept).as("as it was, to the last value").isEqualTo(before);
        // what isn't known of it now stays as it was known
        PairingVersion third = test.bean(PairingRepository.class)
            .add(new PairingVersion(before.pairingId(), 1, before.printerId(), "", before.paper(), "matte", PaperBody.UNKNOWN,
                before.settings(),
                before.profileHash(), before.intent(), before.white(), before.blackL()));
        assertThat(third.body().thicknessMm()).isCloseTo(0.61, within(1e-12));
        assertThat(third.body().texture()).isEqualTo("rough");
    }

    @Test
    public void aProofIsSeenForWhatDecidesHowItLooksAndNothingElse() throws Exception {
        JsonNode d = docket(40);
        String path = "/api/dockets/" + d.path("id").asString();
        api.post(path + "/renditions/r1/proof-views", "", 0);
        assertThat(seen(d)).isTrue();
        patched(d, "{\"kind\":\"copies\",\"copies\":3}");
        patched(d, "{\"kind\":\"titled\",\"title\":\"another\"}");
        assertThat(seen(d)).as("copies and title change no proof").isTrue();
        patched(d, "{\"kind\":\"routed\",\"route\":{\"kind\":\"by-wistel\",\"intent\":\"PERCEPTUAL\",\"blackPoint\":true}}");
        assertThat(seen(d)).as("another intent is another proof").isFalse();
        api.post(path + "/undo", "", api.get(path).body().path("version").asInt());
        assertThat(seen(d)).as("the one of before was seen").isTrue();
        patched(d,
            "{\"kind\":\"treated\",\"renditionId\":\"r1\",\"treatment\":{\"kind\":\"monochrome\",\"mix\":{\"points\":[]},"
                + "\"toning\":null}}");
        patched(d,
            "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[{\"kind\":\"warmth\",\"warmth\":2,\"tint\":0}],"
                + "\"kept\":null,\"on\":true}}");
        assertThat(seen(d)).isFalse();
        patched(d,
            "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[{\"kind\":\"warmth\",\"warmth\":2,\"tint\":0}],"
                + "\"kept\":null,\"on\":false}}");
        api.post(path + "/renditions/r1/proof-views", "", 0);
        patched(d, "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[],\"kept\":null,\"on\":true}}");
        assertThat(seen(d)).as("moves that are switched off look like none").isTrue();
    }

    /** A name that the client sends along for its moves counts only where those are the kept ones. */
    @Test
    public void aCompensationIsNamedOnlyWhereItsMovesAreTheKeptOnes() throws Exception {
        JsonNode kept = api.post("/api/compensations",
            "{\"name\":\"for gloss\",\"moves\":[{\"kind\":\"warmth\",\"warmth\":2,\"tint\":0}],\"pairingId\":null}", 0).body();
        JsonNode d = docket(41);
        String of = "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[{\"kind\":\"warmth\",\"warmth\":%s,"
            + "\"tint\":0}],\"kept\":{\"id\":\""
            + kept.path("id").asString()
            + "\",\"version\":1,\"name\":\"forged\"},\"on\":true}}";
        assertThat(
            patched(d, of.formatted("2")).path("spec").path("renditions").get(0).path("compensation").path("kept").path("name").asString())
            .isEqualTo("for gloss");
        assertThat(api.delete("/api/compensations/" + kept.path("id").asString()).code()).isEqualTo("in-use");
        assertThat(patched(d, of.formatted("3")).path("spec").path("renditions").get(0).path("compensation").path("kept").isNull())
            .isTrue();
        assertThat(api.delete("/api/compensations/" + kept.path("id").asString()).status()).isEqualTo(204);
    }

    /**
     * A cotton paper that feeds flat and keeps 30 mm white at both ends: a size that nobody chose fits it by itself, one that somebody
     * chose stays.
     */
    @Test
    public void whatNobodyDecidedFollowsThePaperAndWhatSomebodyDidStays() throws Exception {
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.RELATIVE);
        String cotton = test.bean(PairingRepository.class).all().stream().filter(p -> p.paper().startsWith("Moss")).findFirst()
            .orElseThrow().pairingId();
        JsonNode fresh = docket(43);
        double before = Api.picture(fresh).path("width").asDouble();
        String path = "/api/dockets/" + fresh.path("id").asString();
        JsonNode on = api.put(path + "/pairing", "{\"pairingId\":\"" + cotton + "\"}", fresh.path("version").asInt()).body();
        assertThat(Api.picture(on).path("width").asDouble()).isLessThan(before);
        assertThat(on.path("findings").toString()).doesNotContain("\"STOP\"");
        assertThat(on.path("undo").asString()).startsWith("paper Moss Cotton");
        JsonNode back = api.put(path + "/pairing", "{\"pairingId\":\"" + pairing().pairingId() + "\"}", on.path("version").asInt()).body();
        assertThat(Api.picture(back).path("width").asDouble()).as("still nobody has decided").isCloseTo(before, within(1e-9));
        JsonNode typed = api.patch(path + "/size", "{\"width\":\"250\"}", back.path("version").asInt()).body();
        JsonNode kept = api.put(path + "/pairing", "{\"pairingId\":\"" + cotton + "\"}", typed.path("version").asInt()).body();
        assertThat(Api.picture(kept).path("width").asDouble()).isCloseTo(250, within(1e-9));
        assertThat(kept.path("findings").toString()).as("it doesn't fit, and that is a person's to mend").contains("\"STOP\"");
    }

    /** Nothing that only the server makes gets in, whatever it is nested in. */
    @Test
    public void pairingsAndChartsAreNoCommands() throws Exception {
        JsonNode d = docket(42);
        String path = "/api/dockets/" + d.path("id").asString();
        int version = api.get(path).body().path("version").asInt();
        for (String forged : new String[] {"{\"kind\":\"paired\",\"pairing\":{}}",
            "{\"kind\":\"charted\",\"chart\":{\"renditionId\":\"none\"}}"}) {
            assertThat(api.patch(path, forged, version).status()).isEqualTo(400);
            assertThat(api.patch(path, "{\"kind\":\"together\",\"changes\":[" + forged + "]}", version).status()).isEqualTo(400);
        }
        assertThat(api.patch(path,
            "{\"kind\":\"together\",\"changes\":[{\"kind\":\"together\",\"changes\":[{\"kind\":\"copies\",\"copies\":2}]}]}", version)
            .status()).isEqualTo(400);
        assertThat(api.patch(path,
            "{\"kind\":\"together\",\"changes\":[{\"kind\":\"copies\",\"copies\":2},{\"kind\":\"titled\",\"title\":\"two\"}]}", version)
            .body().path("spec").path("copies").asInt()).isEqualTo(2);
        assertThat(api.get("/api/bench").status()).isEqualTo(200);
    }
}
