package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.cgats.Readings;
import wistel.core.colour.D50;

/** Readings of wedges as they come: files of several forms, scans as they lie, and what is none. */
public class WedgeReadingTest extends ToneRoom {
    @Test
    public void readingsOfOtherLengthsAndWedgesAreRefusedAndNothingIsKept() throws Exception {
        List<String> lines = lines();
        int kept = api.get("/api/wedges/" + someWedge).body().path("readings").size();
        assertThat(bring(String.join("\n", lines.subList(0, 20))).code()).isEqualTo("reading-of-another-length");
        assertThat(bring(String.join("\n", lines) + "\n50 0 0").code()).isEqualTo("reading-of-another-length");
        StringBuilder other = new StringBuilder("CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n");
        for (int i = 0; i < lines.size(); i++) {
            other.append("W").append(someWedge + 1000).append('-').append(i + 1).append(' ').append(lines.get(i)).append('\n');
        }
        assertThat(bring(other + "END_DATA\n").code()).isEqualTo("reading-of-another-wedge");
        assertThat(bring("no numbers here").code()).isEqualTo("reading-unclear");
        assertThat(bring("").code()).isEqualTo("reading-unclear");
        assertThat(api.get("/api/wedges/" + someWedge).body().path("readings").size()).isEqualTo(kept);
    }

    @Test
    public void aReversedReadingIsToldAndTurned() throws Exception {
        List<String> lines = new ArrayList<>(lines());
        JsonNode straight = bring(String.join("\n", lines)).body().path("reading");
        Collections.reverse(lines);
        JsonNode reversed = bring(String.join("\n", lines)).body().path("reading");
        assertThat(reversed.path("reversed").asBoolean()).isTrue();
        assertThat(api.put("/api/wedges/" + someWedge + "/curve", "", 0).code()).as("not kept before it is turned").isEqualTo("stopped");
        JsonNode turned = api.patch("/api/wedges/readings/" + reversed.path("id").asString(), "{\"turned\":true}", 0).body()
            .path("reading");
        assertThat(turned.path("reversed").asBoolean()).isFalse();
        assertThat(turned.path("before").asDouble()).isCloseTo(straight.path("before").asDouble(), within(1e-6));
    }

    /** Density, decimal commas, and a patch with dust on it. */
    @Test
    public void otherFormsOfReadingsSayTheSame() throws Exception {
        List<String> lines = lines();
        double before = bring(String.join("\n", lines)).body().path("reading").path("before").asDouble();
        String commas = String.join("\n", lines).replace('.', ',');
        assertThat(bring(commas).body().path("reading").path("before").asDouble()).isCloseTo(before, within(1e-6));
        String densities = lines.stream()
            .map(l -> String.format(Locale.ROOT, "%.4f", -Math.log10(D50.luminance(Double.parseDouble(l.split(" ")[0])))))
            .collect(Collectors.joining("\n"));
        JsonNode dense = bring(densities).body();
        assertThat(dense.path("reading").path("before").asDouble()).isCloseTo(before, within(0.05));
        assertThat(dense.path("readings").get(0).path("note").asString()).contains("lightness alone");
        List<String> dusty = new ArrayList<>(lines);
        dusty.set(8, "20 0 0");
        JsonNode dust = bring(String.join("\n", dusty)).body().path("reading");
        assertThat(dust.path("steps").get(8).path("suspect").asBoolean()).isTrue();
        assertThat(dust.path("verdict").toString()).contains("suspect");
        assertThat(dust.path("after").asDouble()).isLessThan(1);
    }

    /** However it lies on the glass, as long as all of it does. */
    @Test
    public void scansAreReadAsTheyLieOrRefusedInWords() throws Exception {
        JsonNode instrument = even(bring(String.join("\n", lines())).body());
        BufferedImage scan = flatbed(someWedge);
        BufferedImage down = turned(scan, Math.PI);
        assertThat(100 * off(numbers(even(bring(down)).path("line")), numbers(instrument.path("line")))).isLessThan(1.5);
        BufferedImage askew = turned(scan, Math.toRadians(6));
        assertThat(100 * off(numbers(even(bring(askew)).path("line")), numbers(instrument.path("line")))).isLessThan(1.5);
        BufferedImage warm = tinted(scan, 0.82);
        assertThat(100 * off(numbers(even(bring(warm)).path("line")), numbers(instrument.path("line")))).isLessThan(1.5);
        assertThat(bringScan(tinted(scan, 0.25)).code()).isEqualTo("scan-unclear");
        assertThat(bringScan(scan.getSubimage(0, 0, scan.getWidth() * 3 / 4, scan.getHeight())).code()).isEqualTo("scan-cropped");
        assertThat(bringScan(new BufferedImage(600, 800, BufferedImage.TYPE_INT_RGB)).code()).isEqualTo("scan-without-wedge");
        int other = print(mode(pairing("Skerry Baryta 310", false), "DRIVER", Map.of()), 21, 1, false).path("number").asInt();
        assertThat(bringScan(flatbed(other)).code()).isEqualTo("reading-of-another-wedge");
    }

    private JsonNode bring(BufferedImage scan) throws IOException {
        Api.Answer read = bringScan(scan);
        assertThat(read.status()).as(read.body().toString()).isEqualTo(201);
        return read.body();
    }

    private Api.Answer bringScan(BufferedImage scan) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(scan, "png", out);
        return api.post("/api/wedges/" + someWedge + "/readings", out.toByteArray());
    }

    /** The flatbed's picture; as a PNG it loses its profile, so its curve is made that of sRGB first. */
    private BufferedImage flatbed(int wedge) throws Exception {
        String attempt = api.get("/api/wedges/" + wedge).body().path("printing").path("attemptId").asString();
        int job = Api.page(api.get("/api/attempts/" + attempt).body()).path("jobId").asInt();
        try (InputStream in = URI.create("http://localhost:" + test.room.port() + "/flatbed/print/" + job + ".tif").toURL().openStream()) {
            BufferedImage deep = ImageIO.read(in);
            BufferedImage image = new BufferedImage(deep.getWidth(), deep.getHeight(), BufferedImage.TYPE_INT_RGB);
            for (int y = 0; y < image.getHeight(); y++) {
                for (int x = 0; x < image.getWidth(); x++) {
                    int rgb = 0;
                    for (int c = 0; c < 3; c++) {
                        double light = Math.pow(deep.getRaster().getSample(x, y, c) / 65535.0, 1.8);
                        double code = light <= 0.0031308 ? 12.92 * light : 1.055 * Math.pow(light, 1 / 2.4) - 0.055;
                        rgb = rgb << 8 | (int) Math.round(255 * code);
                    }
                    image.setRGB(x, y, rgb);
                }
            }
            return image;
        }
    }

    private static BufferedImage turned(BufferedImage scan, double by) {
        int side = (int) (1.1 * Math.max(scan.getWidth(), scan.getHeight()));
        BufferedImage turned = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = turned.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, side, side);
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.translate(side / 2.0, side / 2.0);
        g.rotate(by);
        g.drawImage(scan, -scan.getWidth() / 2, -scan.getHeight() / 2, null);
        g.dispose();
        return turned;
    }

    /** With less blue. */
    private static BufferedImage tinted(BufferedImage scan, double blue) {
        BufferedImage tinted = new BufferedImage(scan.getWidth(), scan.getHeight(), BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < scan.getHeight(); y++) {
            for (int x = 0; x < scan.getWidth(); x++) {
                int rgb = scan.getRGB(x, y);
                tinted.setRGB(x, y, rgb & 0xFFFF00 | (int) Math.round(blue * (rgb & 255)));
            }
        }
        return tinted;
    }
}
