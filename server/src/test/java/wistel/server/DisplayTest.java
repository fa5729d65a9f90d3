package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.zip.InflaterInputStream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Pictures for other screens than sRGB ones. */
public class DisplayTest extends InTestRoom {
    private String master;
    private String docket;

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        JsonNode d = api.drop("vivid.png", vivid()).body().path("docket");
        docket = "/api/dockets/" + d.path("id").asString();
        master = "/api/masters/" + d.path("spec").path("renditions").get(0).path("masterHash").asString() + "/picture?longest=64";
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        assertThat(api.put(docket + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).status()).isEqualTo(200);
    }

    /** Half of it cyan, which baryta holds and sRGB only just shows. */
    private static byte[] vivid() throws IOException {
        BufferedImage image = new BufferedImage(200, 100, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 200 * 100; i++) {
            image.setRGB(i % 200, i / 200, i % 200 < 100 ? 0x00A0C8 : 0x808080);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private Api.Answer bring(byte[] profile) {
        return api.post("/api/displays", profile);
    }

    private byte[] picture(String more) {
        Api.Answer answer = api.get(master + more);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.raw().body();
    }

    private static Optional<byte[]> profileOf(byte[] png) throws IOException {
        ImageReader reader = ImageIO.getImageReadersByFormatName("png").next();
        reader.setInput(new MemoryCacheImageInputStream(new ByteArrayInputStream(png)));
        var found = ((IIOMetadataNode) reader.getImageMetadata(0).getAsTree("javax_imageio_png_1.0")).getElementsByTagName("iCCP");
        if (found.getLength() == 0) {
            return Optional.empty();
        }
        return Optional.of(
            new InflaterInputStream(new ByteArrayInputStream((byte[]) ((IIOMetadataNode) found.item(0)).getUserObject())).readAllBytes());
    }

    @DataProvider
    Object[][] spaces() {
        return new Object[][] {{"p3", StandardSpaces.P3}, {"rec2020", StandardSpaces.WIDE_RGB}};
    }

    /** The same colour in wider numbers, and the profile that says what they mean. */
    @Test(dataProvider = "spaces")
    public void wideScreensGetWidePicturesWithTheirProfile(String name, IccProfile space) throws IOException {
        byte[] plain = picture("");
        byte[] wide = picture("&display=" + name);
        assertThat(profileOf(plain)).as("sRGB is said by a chunk of its own").isEmpty();
        assertThat(profileOf(wide)).hasValueSatisfying(p -> assertThat(p).isEqualTo(space.bytes()));
        int srgb = ImageIO.read(new ByteArrayInputStream(plain)).getRGB(10, 10);
        int raw = ImageIO.read(new ByteArrayInputStream(wide)).getRaster().getPixel(10, 10, (int[]) null)[0];
        assertThat(srgb >> 16 & 255).as("no red in sRGB").isLessThan(3);
        assertThat(raw).as("some in a wider space").isGreaterThan(25);
    }

    @Test
    public void anOwnScreensProfileIsKeptUsedAndLetGo() throws IOException {
        byte[] own = ProfileWriter.of(StandardSpaces.P3).tag("cprt", StandardSpaces.SRGB.tag("cprt").orElseThrow()).write();
        Api.Answer kept = bring(own);
        assertThat(kept.status()).isEqualTo(201);
        String hash = kept.body().path("hash").asString();
        assertThat(bring(own).body().path("hash").asString()).as("the same one twice is one").isEqualTo(hash);
        assertThat(api.get("/api/displays").body().toString()).contains(hash);
        assertThat(profileOf(picture("&display=" + hash))).isPresent();
        assertThat(profileOf(picture("&display=" + hash + "&tagged=false"))).as("ready for the screen").isEmpty();
        assertThat(api.delete("/api/displays/" + hash).status()).isEqualTo(204);
        assertThat(api.get(master + "&display=" + hash).status()).isEqualTo(404);
        assertThat(api.delete("/api/displays/" + hash).status()).isEqualTo(404);
    }

    @Test
    public void whatIsNoScreensProfileIsRefusedInWords() throws IOException {
        byte[] paper = Files.readAllBytes(Path.of("../demo/profiles/skerry-baryta.icc"));
        assertThat(bring(paper).code()).isEqualTo("profile-not-a-display");
        assertThat(bring(StandardSpaces.GRAY_22.bytes()).code()).isEqualTo("profile-not-a-display");
        assertThat(bring(new byte[] {1, 2, 3}).code()).startsWith("profile-");
        assertThat(bring(new byte[0]).code()).startsWith("profile-");
        assertThat(api.get("/api/displays").body().toString()).as("nothing of them is kept").doesNotContain("Skerry")
            .doesNotContain("Gray");
    }

    /** The cyan of this picture lies at sRGB's edge and inside P3. */
    @Test
    public void whatAScreenCantShowIsCounted() {
        JsonNode narrow = api.get(docket + "/renditions/r1/figures").body().path("screen");
        JsonNode wide = api.get(docket + "/renditions/r1/figures?display=p3").body().path("screen");
        assertThat(wide.path("ofMaster").asDouble()).isZero();
        assertThat(wide.path("ofPrint").asDouble()).isLessThanOrEqualTo(narrow.path("ofPrint").asDouble());
        assertThat(api.get(docket + "/renditions/r1/figures?display=nothing").status()).isEqualTo(404);
    }
}
