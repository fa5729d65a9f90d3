package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.gamut.GamutBoundary;
import wistel.core.icc.profile.StandardSpaces;

/** What a paper's own page asks for. */
public class PaperPageTest extends SharedPrintingRoom {
    private JsonNode pairing() {
        return api.get("/api/pairings").body().get(0);
    }

    @Test
    public void aProfileIsLookedInto() {
        Api.Answer answer = api.get("/api/profiles/" + pairing().path("profileHash").asString() + "/judgement");
        assertThat(answer.status()).isEqualTo(200);
        JsonNode judged = answer.body();
        assertThat(judged.path("inspection").path("roundTrip").path("mean").asDouble()).isLessThan(0.6);
        assertThat(judged.path("chart").path("quality").path("mean").asDouble()).isLessThan(1);
        assertThat(judged.path("grays").size()).isEqualTo(48);
        assertThat(judged.path("made").asString()).startsWith("20");
        assertThat(api.get("/api/profiles/" + "0".repeat(64) + "/judgement").status()).isEqualTo(422);
    }

    @Test
    public void printsAreCountedByVersion() throws Exception {
        JsonNode p = pairing();
        String path = "/api/pairings/" + p.path("pairingId").asString() + "/uses";
        String version = p.path("number").asString();
        int before = api.get(path).body().path("prints").path(version).asInt(0);
        assertThat(state(over(released(small(4321)), 60))).isEqualTo("done");
        assertThat(api.get(path).body().path("prints").path(version).asInt(0)).isEqualTo(before + 1);
        assertThat(api.get(path).body().path("loaded").toString()).contains("baryta");
    }

    /** Against the same boundary, worked out here. */
    @Test
    public void aStandardSpaceIsSeenBesideAPaper() {
        JsonNode space = api.get("/api/spaces/SRGB/gamut?slices=50").body();
        assertThat(space.path("volume").asDouble()).isCloseTo(GamutBoundary.of(StandardSpaces.SRGB).volume(), within(1.0));
        assertThat(space.path("colours").size()).isEqualTo(space.path("vertices").size());
        assertThat(space.path("vivid").size()).isEqualTo(12);
        assertThat(space.path("slices").get(0).path("outlines").size()).isEqualTo(1);
        assertThat(api.get("/api/spaces/NONE/gamut").status()).isEqualTo(400);
        assertThat(api.get("/api/spaces/SRGB/gamut?slices=120").code()).isEqualTo("slices-out-of-range");
    }

    @Test
    public void aPicturesColoursAreToldAsPoints() throws Exception {
        JsonNode d = small(4322);
        String at = "/api/dockets/" + d.path("id").asString() + "/renditions/"
            + d.path("spec").path("renditions").get(0).path("id").asString();
        JsonNode told = api.get(at + "/gamut-colours?pairing=" + pairing().path("pairingId").asString()).body();
        assertThat(told.path("colours").size()).isBetween(1, 700);
        double share = 0;
        double outside = 0;
        for (JsonNode c : told.path("colours")) {
            share += c.path("share").asDouble();
            outside += c.path("share").asDouble() * c.path("outside").asDouble();
        }
        if (told.path("colours").size() < 700) {
            assertThat(share).isCloseTo(1, within(1e-6));
            assertThat(outside).isCloseTo(told.path("outside").asDouble(), within(1e-6));
        }
        JsonNode figures = api.get(at + "/figures").body();
        assertThat(told.path("outside").asDouble()).isCloseTo(1 - figures.path("gamut").path("inside").asDouble(), within(0.01));
        assertThat(api.get(at + "/gamut-colours?pairing=00000000-0000-0000-0000-000000000000").status()).isEqualTo(404);
    }
}
