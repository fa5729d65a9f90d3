package wistel.core.render;

import static wistel.core.render.RenderSamples.places;
import static wistel.core.render.RenderSamples.picture;
import static wistel.core.render.RenderSamples.pixels;
import static wistel.core.render.RenderSamples.page;
import static wistel.core.render.RenderSamples.pixelOf;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Arrays;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ForkJoinPool;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PrinterException;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PictureFile;
import wistel.core.progress.Progress;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;

/** Files of rasters: PWG raster there and back, TIFF beyond 4 GB. */
public class RasterFileTest {
    /** A TIFF sink's file is what another program's reader reads: size, resolution, profile and every sample. */
    @Test
    public void aTiffIsReadByTheJdkAsItWasRendered() throws IOException {
        Page page = page(40, 30, Orientation.UPRIGHT, new Placed("r", Crop.whole(24, 16), 0, pixels(3, 2, 24, 16), Orientation.UPRIGHT));
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, Map.of("r", picture(places())), 10, Double.POSITIVE_INFINITY,
            Sharpener.NONE);
        for (int bits : new int[] {8, 16}) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            new LayoutRenderer(ForkJoinPool.commonPool(), RenderSamples::scratch).render(job,
                new TiffSink(40, 30, bits, 3, 10, StandardSpaces.SRGB.bytes(), Xmp.titled("Fells & <light>")), out, Progress.SILENT);
            ImageReader reader = null;
            var readers = ImageIO.getImageReadersByFormatName("tiff");
            while (reader == null || !reader.getClass().getName().startsWith("com.sun.")) {
                reader = readers.next();
            }
            reader.setInput(new MemoryCacheImageInputStream(new ByteArrayInputStream(out.toByteArray())));
            int[] pixel = reader.read(0).getRaster().getPixel(3 + 7, 2 + 5, (int[]) null);
            char[] wanted = pixelOf(places(), 7, 5);
            for (int c = 0; c < 3; c++) {
                assertThat((double) pixel[c]).isCloseTo(bits == 16 ? wanted[c] : wanted[c] / 257.0, within(0.51));
            }
            var file = PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(out.toByteArray())));
            assertThat(file.facts().profile()).isEqualTo(StandardSpaces.SRGB.bytes());
            assertThat(file.facts().bits()).isEqualTo(bits);
        }
    }

    /** BigTIFF (Adobe's proposal as libtiff writes it): 43, 8-byte offsets, a directory at 16. */
    @Test
    public void aTiffBeyondFourGigabytesIsABigTiff() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new TiffSink(40_000, 20_000, 16, 3, 720, new byte[0], new byte[0]).begin(out, 100);
        var head = ByteBuffer.wrap(out.toByteArray());
        assertThat(head.getShort(2)).isEqualTo((short) 43);
        assertThat(head.getLong(8)).isEqualTo(16);
        assertThat(head.getLong(16)).isEqualTo(15);
        assertThat(out.size()).isGreaterThan(2 * 8 * 200);
    }

    @DataProvider
    Object[][] depths() {
        return new Object[][] {{16}, {8}, {1}};
    }

    @Test(dataProvider = "depths")
    public void rasterRowsComeBackAsTheyWentIn(int bits) throws IOException {
        SplittableRandom random = new SplittableRandom(4);
        PwgRaster.Space space = bits == 1 ? PwgRaster.Space.BLACK : PwgRaster.Space.DEVICE3;
        int n = space.channels();
        int step = 65535 / ((1 << bits) - 1);
        char[][] rows = new char[600][n * 301];
        for (int y = 0; y < rows.length; y++) {
            for (int i = 0; i < rows[y].length; i++) {
                // stretches of equal pixels, noise, and repeated rows, some of them more often than a count can say
                rows[y][i] = y % 5 == 1 || y > 200 && y < 500 ? rows[y - 1][i]
                    : (i / 60) % 2 == 0 ? (char) 0 : (char) (random.nextInt(65536) / step * step);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Writer writer = new PwgRaster.Writer(out,
            new PwgRaster.Page(301, rows.length, 360, bits, space, 60, 8, "x", "gloss", 5, 1));
        for (char[] row : rows) {
            writer.row(row);
        }
        writer.finish();
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
        PwgRaster.Page page = reader.nextPage();
        assertThat(page.mediaType()).isEqualTo("gloss");
        char[] row = new char[n * 301];
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
        Arrays.fill(junk, (byte) 0x7F);
        System.arraycopy("RaS2".getBytes(StandardCharsets.ISO_8859_1), 0, junk, 0, 4);
        assertThatThrownBy(() -> new PwgRaster.Reader(new ByteArrayInputStream(junk)).nextPage()).isInstanceOf(PrinterException.class);
    }
}
