package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import org.testng.annotations.Test;
import wistel.core.fault.PrinterException;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.picture.Progress;
import wistel.core.picture.View;
import wistel.core.printer.Capabilities.Margins;
import wistel.core.sheet.Placement;

public class PrintRasterTest {

    @Test
    public void rasterRowsComeBackAsTheyWentIn() throws IOException {
        SplittableRandom random = new SplittableRandom(4);
        char[][] rows = new char[40][3 * 301];
        for (int y = 0; y < 40; y++) {
            for (int i = 0; i < rows[y].length; i++) {
                // stretches of equal pixels, noise and repeated rows
                rows[y][i] = y % 5 == 1 ? rows[y - 1][i] : (i / 60) % 2 == 0 ? (char) 777 : (char) random.nextInt(65536);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Writer writer = new PwgRaster.Writer(out, new PwgRaster.Page(301, 40, 360, 16, PwgRaster.Space.DEVICE3, 60, 8, "x", "gloss", 5, 1));
        for (char[] row : rows) {
            writer.row(row);
        }
        writer.finish();
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
        PwgRaster.Page page = reader.nextPage();
        assertThat(page.mediaType()).isEqualTo("gloss");
        char[] row = new char[3 * 301];
        for (char[] wanted : rows) {
            reader.row(row);
            assertThat(row).isEqualTo(wanted);
        }
        assertThat(reader.nextPage()).isNull();
    }

    @Test
    public void aBrokenRasterIsRefusedBeforeMemoryIsTaken() {
        byte[] junk = new byte[2000];
        assertThatThrownBy(() -> new PwgRaster.Reader(new ByteArrayInputStream(junk))).isInstanceOf(PrinterException.class);
        java.util.Arrays.fill(junk, (byte) 0x7F);
        System.arraycopy("RaS2".getBytes(), 0, junk, 0, 4);
        assertThatThrownBy(() -> new PwgRaster.Reader(new ByteArrayInputStream(junk)).nextPage()).isInstanceOf(PrinterException.class);
    }

    private static PrintRaster.Job job(Placement placement, int resamplePpi) {
        char[] pixels = new char[3 * 60 * 40];
        for (int i = 0; i < 60 * 40; i++) {
            // left half black, right half a bright mark, so that turning shows
            pixels[3 * i] = i % 60 < 30 ? 0 : (char) 65535;
        }
        return new PrintRaster.Job(new View(60, 40, 3, pixels), StandardSpaces.SRGB,
            TransformCompiler.convert(StandardSpaces.SRGB, StandardSpaces.SRGB, Intent.RELATIVE, false), placement, 72, PwgRaster.Space.SRGB, "a4", "m", 5, 1, resamplePpi);
    }

    private static char[][] printed(PrintRaster.Job job) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PrintRaster.write(job, out, () -> Files.newByteChannel(Path.of("target", "scratch-" + System.nanoTime()), StandardOpenOption.CREATE,
            StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE), Progress.SILENT);
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
        PwgRaster.Page page = reader.nextPage();
        char[][] rows = new char[page.height()][3 * page.width()];
        for (char[] row : rows) {
            reader.row(row);
        }
        return rows;
    }

    @Test
    public void aSheetLyingAcrossIsTurnedSoThatItsLeftEdgeLeads() throws IOException {
        Placement across = Placement.of(210, 297, true, Margins.NONE, 60, 40, 240, 160, false, 0.5, 0.5, false);
        char[][] rows = printed(job(across, 0));
        assertThat(rows).hasDimensions(842, 3 * 595);
        int middle = 3 * 297;
        assertThat((int) rows[10][middle]).as("paper before the picture").isEqualTo(65535);
        assertThat((int) rows[200][middle]).as("the dark left half leads").isLessThan(300);
        assertThat((int) rows[640][middle]).as("the bright half follows").isGreaterThan(65000);
        assertThat((int) rows[640][middle + 1]).isLessThan(300);
    }

    @Test
    public void resamplingFirstLosesNothingOfThePlacement() throws IOException {
        Placement upright = Placement.of(210, 297, false, Margins.NONE, 60, 40, 150, 100, false, 0.5, 0.5, false);
        char[][] straight = printed(job(upright, 0));
        char[][] resampled = printed(job(upright, 150));
        assertThat((int) resampled[421][3 * 200]).isCloseTo(straight[421][3 * 200], org.assertj.core.api.Assertions.within(400));
        assertThat((int) resampled[421][3 * 400]).isCloseTo(straight[421][3 * 400], org.assertj.core.api.Assertions.within(400));
    }

    @Test
    public void progressStopsTheWork() {
        Placement upright = Placement.of(210, 297, false, Margins.NONE, 60, 40, 150, 100, false, 0.5, 0.5, false);
        assertThatThrownBy(() -> PrintRaster.write(job(upright, 0), new ByteArrayOutputStream(), () -> null, share -> {
            throw new CancellationException();
        })).isInstanceOf(CancellationException.class);
    }
}
