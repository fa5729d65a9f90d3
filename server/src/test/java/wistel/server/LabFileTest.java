package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.pictures.PictureFacts;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Files for somebody else's printer: what a lab's programs find in them. */
public class LabFileTest extends InTestRoom {
    private static final Set<String> OVER = Set.of("done", "failed", "cancelled");
    private String docket;

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        JsonNode d = api.drop("fells & light.png", PrintingTest.picture(800)).body().path("docket");
        docket = "/api/dockets/" + d.path("id").asString();
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        api.put(docket + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt());
        change("{\"kind\":\"titled\",\"title\":\"Fells & light\"}");
    }

    private JsonNode now() {
        return api.get(docket).body();
    }

    private JsonNode change(String change) {
        Api.Answer answer = api.patch(docket, change, now().path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode written(String format, String space, boolean sheet) {
        Api.Answer asked = api.post(docket + "/files",
            "{\"format\":\"" + format + "\",\"quality\":92,\"space\":\"" + space + "\",\"sheet\":" + sheet + "}",
            now().path("version").asInt());
        assertThat(asked.status()).as(asked.body().toString()).isEqualTo(202);
        String id = asked.body().path("id").asString();
        JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + id).body(), a -> OVER.contains(a.path("state").asString()), 60);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        return done;
    }

    private Api.Answer file(JsonNode attempt) {
        return api.send(api.request("/api/attempts/" + attempt.path("id").asString() + "/pages/1/file").GET());
    }

    @DataProvider
    Object[][] forms() {
        return new Object[][] {{"TIFF", "SRGB", true}, {"TIFF", "PAPER", false}, {"TIFF", "WIDE", false}, {"JPEG", "SRGB", false},
            {"JPEG", "PAPER", true}};
    }

    @Test(dataProvider = "forms")
    public void aPictureFileHasItsSizeResolutionProfileAndTitle(String format, String space, boolean sheet) {
        JsonNode attempt = written(format, space, sheet);
        Api.Answer answer = file(attempt);
        byte[] bytes = answer.raw().body();
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        PictureFacts facts = PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))).facts();
        assertThat(facts.format()).isEqualTo(format);
        assertThat(facts.bits()).isEqualTo(format.equals("TIFF") ? 16 : 8);
        JsonNode view = now();
        JsonNode page = view.path("layout").path("pages").get(0);
        double width = sheet ? page.path("widthMm").asDouble() : Api.picture(view).path("width").asDouble();
        double height = sheet ? page.path("heightMm").asDouble() : Api.picture(view).path("height").asDouble();
        double dpi = api.get("/api/attempts/" + attempt.path("id").asString() + "/order").body().path("output").path("dpi").asDouble();
        assertThat((double) facts.width()).isCloseTo(width / 25.4 * dpi, within(0.51));
        assertThat((double) facts.height()).isCloseTo(height / 25.4 * dpi, within(0.51));
        if (space.equals("SRGB")) {
            assertThat(facts.profile()).isEqualTo(StandardSpaces.SRGB.bytes());
        } else {
            assertThat(facts.profile().length).isGreaterThan(400);
        }
        assertThat(new String(bytes, StandardCharsets.UTF_8)).contains("Fells &amp; light");
        assertThat(answer.raw().headers().firstValue("Content-Disposition").orElse("")).contains("attachment")
            .contains(format.equals("TIFF") ? ".tif" : ".jpg");
        assertThat(attempt.path("readback").asString()).contains("Print at 100 %").contains(
            (dpi == Math.rint(dpi) ? Long.toString(Math.round(dpi)) : String.format(Locale.ROOT, "%.2f", dpi)) + " pixels an inch");
        if (format.equals("JPEG")) {
            assertThat(bytes[13]).as("resolution in dots an inch").isEqualTo((byte) 1);
            assertThat((bytes[14] & 0xFF) << 8 | bytes[15] & 0xFF).isEqualTo((int) Math.round(dpi));
        }
    }

    /**
     * A picture whose pixels are kept: the file's are the master's own, to the bit, and its resolution is the fraction that gives its size.
     */
    @Test
    public void thePixelsThatAreKeptAreTheMastersOwn() throws IOException {
        BufferedImage image = new BufferedImage(1200, 803, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(3);
        for (int i = 0; i < 1200 * 803; i++) {
            image.setRGB(i % 1200, i / 1200, random.nextInt(1 << 24));
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        JsonNode d = api.drop("kept-pixels.png", png.toByteArray()).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        d = api.put(path + "/pairing", "{\"pairingId\":\"" + api.get("/api/pairings").body().get(0).path("pairingId").asString() + "\"}",
            d.path("version").asInt()).body();
        d = api.patch(path + "/size", "{\"width\":\"107.3\"}", d.path("version").asInt()).body();
        for (boolean sheet : new boolean[] {false, true}) {
            JsonNode written = api.post(path + "/files", "{\"format\":\"TIFF\",\"quality\":90,\"space\":\"SRGB\",\"sheet\":" + sheet + "}",
                d.path("version").asInt()).body();
            JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + written.path("id").asString()).body(),
                a -> a.path("state").asString().equals("done"), 60);
            byte[] tiff = file(done).raw().body();
            View view = View.whole(PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(tiff))).rows());
            double ppi = 1200 * 25.4 / 107.3;
            JsonNode page = d.path("layout").path("pages").get(0);
            assertThat(view.width()).isEqualTo(sheet ? (int) Math.round(page.path("widthMm").asDouble() / 25.4 * ppi) : 1200);
            int left = sheet ? (int) Math.round(Api.picture(d).path("x").asDouble() / 25.4 * ppi) : 0;
            int top = sheet ? (int) Math.round(Api.picture(d).path("y").asDouble() / 25.4 * ppi) : 0;
            for (int y = 0; y < 803; y++) {
                for (int x = 0; x < 1200; x++) {
                    int at = 3 * ((top + y) * view.width() + left + x);
                    int rgb = view.pixels()[at] / 257 << 16 | view.pixels()[at + 1] / 257 << 8 | view.pixels()[at + 2] / 257;
                    if (rgb != (image.getRGB(x, y) & 0xFFFFFF)) {
                        throw new AssertionError("pixel " + x + ", " + y + " of " + (sheet ? "the sheet" : "the picture") + " is another");
                    }
                }
            }
            // TIFF 6.0, tag 282: a fraction, here of the directory that our writer puts last
            assertThat(resolution(tiff)).isCloseTo(ppi, within(1e-6));
        }
        JsonNode jpeg = api
            .post(path + "/files", "{\"format\":\"JPEG\",\"quality\":90,\"space\":\"SRGB\",\"sheet\":false}", d.path("version").asInt())
            .body();
        JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + jpeg.path("id").asString()).body(),
            a -> a.path("state").asString().equals("done"), 60);
        byte[] bytes = file(done).raw().body();
        int exif = new String(bytes, StandardCharsets.ISO_8859_1).indexOf("Exif\0\0MM");
        assertThat(exif).isPositive();
        ByteBuffer tiff = ByteBuffer.wrap(bytes, exif + 6, 80).slice();
        assertThat((double) tiff.getInt(tiff.getInt(18)) / tiff.getInt(tiff.getInt(18) + 4)).isCloseTo(1200 * 25.4 / 107.3, within(1e-6));
    }

    /** XResolution of the first directory. */
    private static double resolution(byte[] tiff) {
        ByteBuffer b = ByteBuffer.wrap(tiff).order(tiff[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int directory = b.getInt(4);
        for (int i = 0; i < b.getShort(directory); i++) {
            int entry = directory + 2 + 12 * i;
            if (b.getShort(entry) == 282) {
                int at = b.getInt(entry + 8);
                return (double) b.getInt(at) / b.getInt(at + 4);
            }
        }
        throw new AssertionError("no resolution in it");
    }

    @Test
    public void aPdfIsAsLargeAsThePaperAndHoldsSixteenBits() throws IOException {
        JsonNode attempt = written("PDF", "PAPER", true);
        try (PDDocument document = Loader.loadPDF(file(attempt).raw().body())) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            JsonNode page = now().path("layout").path("pages").get(0);
            assertThat((double) document.getPage(0).getMediaBox().getWidth()).isCloseTo(page.path("widthMm").asDouble() / 25.4 * 72,
                within(0.01));
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Fells & light");
            COSName name = document.getPage(0).getResources().getXObjectNames().iterator().next();
            PDImageXObject image = (PDImageXObject) document.getPage(0).getResources().getXObject(name);
            assertThat(image.getBitsPerComponent()).isEqualTo(16);
            assertThat(image.getColorSpace().getNumberOfComponents()).isEqualTo(3);
            try (var samples = image.createInputStream()) {
                assertThat(samples.readAllBytes()).hasSize(image.getWidth() * image.getHeight() * 6);
            }
        }
    }

    /** A JPEG shows the colours of the TIFF of the same docket. */
    @Test
    public void aJpegHasTheColoursOfTheTiff() {
        View tiff = View.whole(PictureFile
            .open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(file(written("TIFF", "SRGB", false)).raw().body())))
            .rows());
        View jpeg = View.whole(PictureFile
            .open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(file(written("JPEG", "SRGB", false)).raw().body())))
            .rows());
        double sum = 0;
        for (int i = 0; i < tiff.pixels().length; i++) {
            sum += Math.abs(tiff.pixels()[i] - jpeg.pixels()[i]) / 257.0;
        }
        assertThat(sum / tiff.pixels().length).as("mean difference in 8-bit codes").isLessThan(3);
    }

    @Test
    public void theSameOrderWrittenTwiceIsTheSameFile() {
        for (String format : new String[] {"TIFF", "JPEG", "PDF"}) {
            JsonNode first = written(format, "SRGB", false);
            JsonNode second = written(format, "SRGB", false);
            assertThat(second.path("orderHash")).isEqualTo(first.path("orderHash"));
            assertThat(Api.page(second).path("fileHash")).as(format).isEqualTo(Api.page(first).path("fileHash"));
        }
    }

    @Test
    public void whatCannotBeWrittenIsToldSo() throws IOException {
        for (String bad : new String[] {"{\"format\":\"GIF\",\"quality\":90,\"space\":\"SRGB\",\"sheet\":true}",
            "{\"format\":\"JPEG\",\"quality\":0,\"space\":\"SRGB\",\"sheet\":true}", "{}"}) {
            Api.Answer answer = api.post(docket + "/files", bad, now().path("version").asInt());
            assertThat(answer.status()).isEqualTo(400);
            assertThat(answer.body().path("next").asString()).isNotBlank();
        }
        JsonNode unpaired = api.drop("unpaired.png", PrintingTest.picture(801)).body().path("docket");
        Api.Answer answer = api.post("/api/dockets/" + unpaired.path("id").asString() + "/files",
            "{\"format\":\"TIFF\",\"quality\":90,\"space\":\"SRGB\",\"sheet\":true}", unpaired.path("version").asInt());
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().path("detail").asString()).contains("No paper");
        HttpRequest.Builder missing = api.request("/api/attempts/00000000-0000-0000-0000-000000000000/pages/1/file").GET();
        assertThat(api.send(missing).status()).isEqualTo(404);
    }
}
