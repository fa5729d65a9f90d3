package wistel.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.render.PwgRaster;
import wistel.standin.room.MachineModel;

/** The public IPP Everywhere conformance suite (PWG 5100.14, as cups-ipp-utils ships it), run against the stand-in. */
public class IppEverywhereTest {
    private static final Path SUITES = Path.of("/usr/share/cups/ipptool");
    private static final Pattern SAMPLE = Pattern.compile("FILE (pwg-raster-samples-(\\d+)dpi/([a-z0-9-]+)/(\\S+)\\.pwg)");

    @DataProvider
    Object[][] printers() {
        return new Object[][] {{MachineModel.ARDLE_17}, {MachineModel.ARDLE_44}};
    }

    @Test(dataProvider = "printers")
    public void theConformanceSuiteFindsNoFault(MachineModel model) throws Exception {
        assertThat(SUITES.resolve("ipp-everywhere.test")).as("cups-ipp-utils must be installed: ./wistel test does it").exists();
        Path folder = Files.createTempDirectory("ipp");
        try (var tests = Files.list(SUITES)) {
            for (Path test : tests.filter(p -> p.toString().endsWith(".test")).toList()) {
                Files.copy(test, folder.resolve(test.getFileName().toString()));
            }
        }
        samples(folder);
        try (PrintRoom room = new PrintRoom(Files.createTempDirectory("room"), 0, 0)) {
            Path report = folder.resolve("report.txt");
            Process suite = new ProcessBuilder("ipptool", "-V", "2.0", "-tIR", "-f", "color.jpg",
                "ipp://localhost:" + room.port() + model.path(), "ipp-everywhere.test")
                .directory(folder.toFile()).redirectErrorStream(true).redirectOutput(report.toFile()).start();
            assertThat(suite.waitFor(180, TimeUnit.SECONDS)).as("the suite ended in time").isTrue();
            String text = Files.readString(report, StandardCharsets.UTF_8);
            assertThat(count(text, "[FAIL]")).as(text.lines().filter(l -> l.contains("[FAIL]")).findFirst().orElse("")).isZero();
            assertThat(count(text, "[PASS]")).isGreaterThan(300);
            System.out.printf("%s: %d PASS, %d SKIP, no FAIL%n", model.name(), count(text, "[PASS]"), count(text, "[SKIP]"));
        }
    }

    private static long count(String text, String word) {
        return text.lines().filter(l -> l.contains(word)).count();
    }

    /** Tiny white documents under the names that the suite asks for. */
    private static void samples(Path folder) throws IOException {
        Matcher names = SAMPLE.matcher(Files.readString(folder.resolve("ipp-everywhere.test")));
        while (names.find()) {
            PwgRaster.Space space = switch (names.group(3)) {
                case "black-1" -> PwgRaster.Space.BLACK;
                case "cmyk-8" -> PwgRaster.Space.CMYK;
                case "sgray-8" -> PwgRaster.Space.SGRAY;
                default -> PwgRaster.Space.SRGB;
            };
            int bits = Integer.parseInt(names.group(3).replaceAll(".*-", ""));
            Path file = folder.resolve(names.group(1));
            Files.createDirectories(file.getParent());
            Files.write(file, page(space, Integer.parseInt(names.group(2)), bits));
        }
        Path jpeg = folder.resolve("color.jpg");
        ImageIO.write(new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB), "jpg", jpeg.toFile());
        Files.copy(jpeg, folder.resolve("gray.jpg"));
        for (String name : List.of("document-a4.pdf", "document-letter.pdf", "document-a4.ps", "document-letter.ps")) {
            Files.writeString(folder.resolve(name), "%PDF-1.4\n%%EOF\n");
        }
    }

    private static byte[] page(PwgRaster.Space space, int dpi, int bits) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int w = 4 * dpi;
        int h = 6 * dpi;
        PwgRaster.Writer writer = new PwgRaster.Writer(out,
            new PwgRaster.Page(w, h, dpi, bits, space, 288, 432, "na_index-4x6_4x6in", "", 4, 1));
        char[] row = new char[w * space.channels()];
        Arrays.fill(row, (char) 65535);
        for (int y = 0; y < h; y++) {
            writer.row(row);
        }
        writer.finish();
        return out.toByteArray();
    }
}
