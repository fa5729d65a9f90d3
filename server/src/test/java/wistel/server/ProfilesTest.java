package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.StandardSpaces;

/** Profiles of papers that people bring, and the pairings made with them. */
public class ProfilesTest extends InTestRoom {
    private static byte[] demo(String name) throws IOException {
        return Files.readAllBytes(Path.of("../demo/profiles", name + ".icc"));
    }

    private record Entry(String name, byte[] bytes) {
    }

    private static byte[] zip(Entry... entries) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Entry e : entries) {
                zip.putNextEntry(new ZipEntry(e.name));
                zip.write(e.bytes);
            }
        }
        return out.toByteArray();
    }

    private static byte[] zipOfNothing(String name, int megabytes) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            for (int i = 0; i < megabytes; i++) {
                zip.write(new byte[1 << 20]);
            }
        }
        return out.toByteArray();
    }

    private Api.Answer bring(byte[] file) {
        return api.post("/api/profiles", file);
    }

    private String pairing(String hash, JsonNode proposal, String mediaType) {
        return "{\"profileHash\":\"" + hash + "\",\"printerId\":\"" + printer() + "\",\"paper\":\"Moss Cotton, mine\",\"surface\":\""
            + proposal.path("surface").asString()
            + "\",\"body\":{\"thicknessMm\":0.52,\"grammage\":300,\"texture\":\"\",\"curl\":\"FLAT\"},"
            + "\"settings\":{\"values\":{\"media-type\":\""
            + mediaType
            + "\",\"media-source\":\"" + proposal.path("feed").asString() + "\",\"print-quality\":\"5\"}},\"intent\":\"RELATIVE\"}";
    }

    private String printer() {
        return api.get("/api/printers").body().get(0).path("id").asString();
    }

    /** From the file to a docket's paper, by what the profile's own texts say; then offered no more. */
    @Test
    public void aProfileIsInspectedPairedRankedAndRetired() throws IOException {
        JsonNode taken = bring(demo("moss-cotton")).body().get(0).path("profile");
        JsonNode inspection = taken.path("inspection");
        assertThat(inspection.path("white").path("l").asDouble()).isCloseTo(95.8, within(0.2));
        assertThat(inspection.path("blackL").path("RELATIVE").asDouble()).isCloseTo(13.0, within(0.6));
        assertThat(inspection.path("roundTrip").path("mean").asDouble()).isLessThan(1);
        assertThat(inspection.path("missing").size()).isZero();
        String hash = taken.path("hash").asString();
        assertThat(bring(demo("moss-cotton")).body().get(0).path("profile").path("hash").asString()).as("the same one twice is one")
            .isEqualTo(hash);
        assertThat(ImageIO.read(new ByteArrayInputStream(api.get("/api/profiles/" + hash + "/sweep").raw().body())).getWidth())
            .isEqualTo(480);
        JsonNode proposal = api.get("/api/profiles/" + hash + "/proposal?printerId=" + printer()).body();
        assertThat(proposal.path("surface").asString()).isEqualTo("cotton");
        assertThat(proposal.path("mediaType").asString()).isNotEmpty();
        assertThat(proposal.path("feed").asString()).isNotEmpty();
        Api.Answer wrong = api.post("/api/pairings", pairing(hash, proposal, "glass"), 0);
        assertThat(wrong.status()).isEqualTo(400);
        assertThat(wrong.body().path("detail").asString()).contains("paper kind glass");
        JsonNode made = api.post("/api/pairings", pairing(hash, proposal, proposal.path("mediaType").asString()), 0).body();
        assertThat(made.path("paper").asString()).isEqualTo("Moss Cotton, mine");
        JsonNode d = api.drop("cotton.png", PrintingTest.picture(3)).body().path("docket");
        String docket = "/api/dockets/" + d.path("id").asString();
        assertThat(api.get(docket + "/renditions/r1/pairing-comparison").body().toString()).contains(made.path("pairingId").asString());
        assertThat(api.put(docket + "/pairing", "{\"pairingId\":\"" + made.path("pairingId").asString() + "\"}", d.path("version").asInt())
            .status()).isEqualTo(200);
        assertThat(api.delete("/api/pairings/" + made.path("pairingId").asString()).status()).isEqualTo(204);
        assertThat(api.get("/api/pairings").body().toString()).doesNotContain(made.path("pairingId").asString());
        assertThat(api.get(docket).body().path("pairing").path("paper").asString()).as("the docket keeps it")
            .isEqualTo("Moss Cotton, mine");
    }

    /** Each file of a zip is told by itself; what is no profile is passed over. */
    @Test
    public void aZipMayHoldSeveral() throws IOException {
        JsonNode taken = bring(
            zip(new Entry("Read me.txt", "hello".getBytes(StandardCharsets.UTF_8)), new Entry("papers/lustre.icc", demo("corrie-lustre")),
                new Entry("screen.icm", StandardSpaces.SRGB.bytes()), new Entry("broken.icc", Arrays.copyOf(demo("corrie-lustre"), 4000))))
            .body();
        assertThat(taken.size()).isEqualTo(3);
        assertThat(taken.get(0).path("profile").path("inspection").path("blackL").path("RELATIVE").asDouble()).isCloseTo(4, within(0.5));
        assertThat(taken.get(1).path("refusal").asString()).contains("not of a printer");
        assertThat(taken.get(2).path("refusal").asString()).contains("can't be read");
    }

    @Test
    public void whatCantBeAPaperIsRefusedInWords() throws IOException {
        assertThat(bring(StandardSpaces.SRGB.bytes()).code()).isEqualTo("profile-not-a-paper");
        assertThat(bring(new byte[0]).code()).startsWith("profile-");
        assertThat(bring(new byte[33 << 20]).code()).startsWith("profile-");
        assertThat(bring(zip(new Entry("Read me.txt", new byte[10]))).code()).isEqualTo("request-unclear");
        assertThat(bring(Arrays.copyOf(zip(new Entry("a.icc", demo("corrie-lustre"))), 2000)).code()).isEqualTo("request-unclear");
        // 200 MB of nothing in 200 KB
        assertThat(bring(zipOfNothing("a.icc", 200)).code()).isEqualTo("file-too-large");
        assertThat(api.get("/api/profiles/0123").status()).isGreaterThanOrEqualTo(400).isLessThan(500);
    }
}
