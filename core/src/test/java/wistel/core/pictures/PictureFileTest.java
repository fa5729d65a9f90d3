package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static wistel.core.pictures.PictureFiles.encoded;
import static wistel.core.pictures.PictureFiles.exif;
import static wistel.core.pictures.PictureFiles.exifSegment;
import static wistel.core.pictures.PictureFiles.open;
import static wistel.core.pictures.PictureFiles.picture;
import static wistel.core.pictures.PictureFiles.profileSegment;
import static wistel.core.pictures.PictureFiles.scratch;
import static wistel.core.pictures.PictureFiles.withChunk;
import static wistel.core.pictures.PictureFiles.withSegment;
import static wistel.core.pictures.PictureFiles.written;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.concurrent.ForkJoinPool;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PictureException;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.progress.Progress;

/** Profiles, depths and orientations of pictures as their files hold them. */
public class PictureFileTest {

    @Test
    public void anEmbeddedProfileIsFoundAndChangesNoPixel() throws IOException {
        byte[] plain = encoded(picture(90, 60), "jpg");
        byte[] tagged = withSegment(plain, 0xE2, profileSegment(StandardSpaces.WIDE_RGB.bytes()));
        PictureFile file = open(tagged);
        assertThat(file.facts().profile()).isEqualTo(StandardSpaces.WIDE_RGB.bytes());
        char[] a = new char[90 * 60 * 3];
        char[] b = new char[90 * 60 * 3];
        Pictures.read(file, 0, 0, 90, 60, a);
        Pictures.read(open(plain), 0, 0, 90, 60, b);
        assertThat(a).isEqualTo(b);
    }

    @Test
    public void sixteenBitGrayTiffAndPngKeepEveryBit() throws IOException {
        BufferedImage image = new BufferedImage(50, 40, BufferedImage.TYPE_USHORT_GRAY);
        for (int i = 0; i < 2000; i++) {
            image.getRaster().setSample(i % 50, i / 50, 0, i * 31 + 7);
        }
        for (String format : new String[] {"tiff", "png"}) {
            PictureFile file = open(encoded(image, format));
            assertThat(file.facts().bits()).isEqualTo(16);
            assertThat(file.facts().channels()).isEqualTo(1);
            char[] row = new char[50];
            Pictures.read(file, 0, 17, 50, 1, row);
            assertThat((int) row[3]).isEqualTo((17 * 50 + 3) * 31 + 7);
        }
    }

    @Test
    public void sixteenBitRgbKeepsEveryBit() throws IOException {
        ComponentColorModel model = new ComponentColorModel(ColorSpace.getInstance(ColorSpace.CS_sRGB), false, false, Transparency.OPAQUE,
            DataBuffer.TYPE_USHORT);
        WritableRaster raster = Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, 20, 10, 3, null);
        raster.setPixel(7, 4, new int[] {65535, 1234, 40001});
        for (String format : new String[] {"tiff", "png"}) {
            char[] pixel = new char[3];
            Pictures.read(open(encoded(new BufferedImage(model, raster, false, null), format)), 7, 4, 1, 1, pixel);
            assertThat(pixel).containsExactly((char) 65535, (char) 1234, (char) 40001);
        }
    }

    @DataProvider
    Object[][] orientations() {
        Object[][] all = new Object[8][];
        for (int i = 0; i < 8; i++) {
            all[i] = new Object[] {Orientation.values()[i]};
        }
        return all;
    }

    @Test(dataProvider = "orientations")
    public void everyShownPixelComesFromWhereTheOrientationSays(Orientation o) {
        char[] stored = new char[7 * 5];
        for (int i = 0; i < stored.length; i++) {
            stored[i] = (char) i;
        }
        View shown = new View(7, 5, 1, stored).oriented(o);
        for (int y = 0; y < shown.height(); y++) {
            for (int x = 0; x < shown.width(); x++) {
                int[] at = o.toStored(x, y, 7, 5);
                assertThat((int) shown.pixel(x, y)[0]).isEqualTo(at[1] * 7 + at[0]);
            }
        }
    }

    @Test(dataProvider = "orientations")
    public void anOrientationAfterAnotherShowsWhatBothShowInTurn(Orientation o) {
        View picture = new View(3, 2, 1, new char[] {1, 2, 3, 4, 5, 6});
        for (Orientation other : Orientation.values()) {
            assertThat(picture.oriented(o.then(other)).pixels()).isEqualTo(picture.oriented(o).oriented(other).pixels());
        }
    }

    @Test(dataProvider = "orientations")
    public void aSpoolGivesTheRowsOfTheTurnedPictureInAnyOrder(Orientation o) throws IOException {
        // wider than a group of columns and higher than a block of rows would be for a real picture
        char[] pixels = new char[3 * 150 * 90];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) (i * 7919);
        }
        View stored = new View(150, 90, 3, pixels);
        View shown = stored.oriented(o);
        int row = 3 * shown.width();
        try (PixelSpool spool = PixelSpool.of(stored, new Orientation[] {o},
            new PixelSpool.Means(PictureFiles::scratch, Runnable::run, Progress.SILENT, new StageTimes()))[0]) {
            for (int[] part : new int[][] {{0, 1}, {60, 70}, {3, 66}, {0, shown.height()}}) {
                assertThat(spool.rows(part[0], part[1])).isEqualTo(Arrays.copyOfRange(shown.pixels(), part[0] * row, part[1] * row));
            }
        }
    }

    /** Interlaced PNGs come in seven passes, tiled TIFFs in squares: the rows are the same. */
    @Test
    public void interlacedAndTiledFilesGiveTheSameRows() throws IOException {
        BufferedImage image = picture(90, 70);
        char[] plain = Pictures.upright(open(encoded(image, "png"))).pixels();
        assertThat(Pictures.upright(open(written(image, "png", param -> param.setProgressiveMode(ImageWriteParam.MODE_DEFAULT)))).pixels())
            .isEqualTo(plain);
        assertThat(Pictures.upright(open(written(image, "tiff", param -> {
            param.setTilingMode(ImageWriteParam.MODE_EXPLICIT);
            param.setTiling(32, 16, 0, 0);
        }))).pixels()).isEqualTo(plain);
    }

    /** A progressive JPEG stores the picture in several scans; what counts is what stands after the last, as another decoder gives it. */
    @Test
    public void aProgressiveJpegGivesTheRowsOfItsLastScan() throws IOException {
        byte[] jpeg = written(picture(333, 207), "jpeg", param -> param.setProgressiveMode(ImageWriteParam.MODE_DEFAULT));
        var readers = ImageIO.getImageReadersByFormatName("jpeg");
        ImageReader reader = readers.next();
        while (!reader.getClass().getName().startsWith("com.sun.")) {
            reader = readers.next();
        }
        reader.setInput(new MemoryCacheImageInputStream(new ByteArrayInputStream(jpeg)));
        BufferedImage whole = reader.read(0);
        View view = Pictures.upright(open(jpeg));
        for (int y = 0; y < 207; y++) {
            for (int x = 0; x < 333; x++) {
                char[] pixel = view.pixel(x, y);
                assertThat((pixel[0] / 257) << 16 | (pixel[1] / 257) << 8 | pixel[2] / 257).isEqualTo(whole.getRGB(x, y) & 0xFFFFFF);
            }
        }
        assertThatThrownBy(() -> Pictures.upright(open(Arrays.copyOf(jpeg, jpeg.length / 2)))).isInstanceOf(PictureException.class);
        BufferedImage gray = new BufferedImage(60, 40, BufferedImage.TYPE_BYTE_GRAY);
        gray.getGraphics().fillRect(10, 10, 20, 20);
        assertThat((int) Pictures.upright(open(written(gray, "jpeg", param -> param.setProgressiveMode(ImageWriteParam.MODE_DEFAULT))))
            .pixel(15, 15)[0]).isGreaterThan(60000);
    }

    /** What is transparent shows the paper, in true colour and in palettes alike. */
    @Test
    public void transparentPartsShowThePaper() throws IOException {
        BufferedImage image = new BufferedImage(3, 1, BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, 0xFF204060);
        image.setRGB(1, 0, 0x00204060);
        image.setRGB(2, 0, 0x80204060);
        char[] row = new char[9];
        Pictures.read(open(encoded(image, "png")), 0, 0, 3, 1, row);
        assertThat(row[0] / 257).isEqualTo(0x20);
        assertThat((int) row[3]).isEqualTo(65535);
        // 128/255 of the colour over white
        assertThat(row[8] / 257.0).isCloseTo(0x60 * 128 / 255.0 + 127, within(0.6));

        IndexColorModel palette = new IndexColorModel(8, 3, new byte[] {0x20, 0x20, 0x20}, new byte[] {0x40, 0x40, 0x40},
            new byte[] {0x60, 0x60, 0x60},
            new byte[] {-1, 0, (byte) 0x80});
        BufferedImage indexed = new BufferedImage(3, 1, BufferedImage.TYPE_BYTE_INDEXED, palette);
        indexed.getRaster().setPixels(0, 0, 3, 1, new int[] {0, 1, 2});
        char[] same = new char[9];
        PictureFile file = open(encoded(indexed, "png"));
        assertThat(file.facts().channels()).isEqualTo(3);
        Pictures.read(file, 0, 0, 3, 1, same);
        for (int c = 0; c < 9; c++) {
            assertThat((double) same[c]).isCloseTo(row[c], within(257.0));
        }
    }

    /** ISO/IEC 15948, 11.3.3.5: the chunk says that the numbers are sRGB's; in gray, of its curve. */
    @Test
    public void aPngThatSaysSrgbBringsThatProfile() throws IOException {
        assertThat(open(withChunk(encoded(picture(9, 6), "png"), "sRGB", new byte[] {0})).facts().profile())
            .isEqualTo(StandardSpaces.SRGB.bytes());
        byte[] gray = encoded(new BufferedImage(9, 6, BufferedImage.TYPE_BYTE_GRAY), "png");
        assertThat(open(withChunk(gray, "sRGB", new byte[] {0})).facts().profile()).isEqualTo(StandardSpaces.SGRAY.bytes());
        assertThat(open(gray).facts().profile()).isEmpty();
    }

    @Test
    public void aPictureHeldUprightIsShownUpright() throws IOException {
        byte[] jpeg = encoded(picture(90, 60), "jpg");
        byte[] png = encoded(picture(90, 60), "png");
        for (boolean little : new boolean[] {true, false}) {
            byte[] quarter = exif(little, 6, 274);
            assertThat(Pictures.upright(open(withSegment(jpeg, 0xE1, exifSegment(quarter)))).width()).isEqualTo(60);
            assertThat(open(withChunk(png, "eXIf", quarter)).facts().orientation()).isEqualTo(Orientation.QUARTER_RIGHT);
        }
    }

    /** A damaged Exif block, or one that says nothing of it, costs the orientation and not the picture. */
    @Test
    public void exifThatSaysNothingUsefulIsPassedOver() throws IOException {
        byte[] jpeg = encoded(picture(90, 60), "jpg");
        byte[] elsewhere = exif(true, 6, 274);
        ByteBuffer.wrap(elsewhere).order(ByteOrder.LITTLE_ENDIAN).putInt(4, 1_000_000);
        for (byte[] exif : new byte[][] {elsewhere, exif(true, 6, 271), exif(true, 77, 274), {'I', 'I', 42, 0}}) {
            assertThat(open(withSegment(jpeg, 0xE1, exifSegment(exif))).facts().orientation()).isEqualTo(Orientation.UPRIGHT);
        }
    }

    @Test
    public void aPictureReadInStripsIsCountedOncePerPixelAndScaledLikeTheWhole() throws IOException {
        PictureFile file = open(encoded(picture(5000, 900), "png"));
        Histogram.Counter counter = new Histogram.Counter(3);
        View strips = View.fitting(file.rows(), 100, LightCurve.GAMMA_22, counter, ForkJoinPool.commonPool());
        assertThat(Arrays.stream(counter.histogram().counts()[0]).sum()).isEqualTo(5000 * 900);
        assertThat(counter.histogram().bareShare()).isZero();
        assertThat(strips.pixels()).isEqualTo(View.whole(file.rows()).fitting(100, LightCurve.GAMMA_22).pixels());
    }

    /** A picture whose last rows are missing is refused, although its first rows were counted. */
    @Test
    public void aPictureReadInStripsIsRefusedWhenItsEndIsMissing() throws IOException {
        byte[] whole = encoded(picture(2500, 1800), "jpg");
        PictureFile cut = open(Arrays.copyOf(whole, whole.length * 9 / 10));
        assertThatThrownBy(() -> View.fitting(cut.rows(), 100, LightCurve.GAMMA_22, new Histogram.Counter(3), ForkJoinPool.commonPool()))
            .isInstanceOfSatisfying(PictureException.class, e -> assertThat(e.code()).isEqualTo("picture-truncated"));
    }

    /** Mean light is kept: a fine black and white grid becomes the gray of half the light, not of half the code. */
    @Test
    public void reducingAveragesLightNotCodes() {
        char[] grid = new char[64 * 64];
        for (int i = 0; i < grid.length; i++) {
            grid[i] = (i + i / 64) % 2 == 0 ? (char) 65535 : 0;
        }
        View small = new View(64, 64, 1, grid).scaled(Crop.whole(64, 64), 8, 8, LightCurve.GAMMA_22);
        assertThat(small.pixels()[3 * 8 + 4] / 65535.0).isCloseTo(Math.pow(0.5, 1 / 2.2), within(0.01));
    }

    @Test
    public void aFlatPictureStaysFlatAtAnySize() {
        char[] flat = new char[33 * 21];
        Arrays.fill(flat, (char) 23456);
        for (int w : new int[] {5, 33, 77}) {
            for (char v : new View(33, 21, 1, flat).scaled(Crop.whole(33, 21), w, 40, LightCurve.GAMMA_22).pixels()) {
                assertThat((int) v).isBetween(23450, 23462);
            }
        }
    }

    @Test
    public void aLabScanIsReadBackAsItWasWritten() throws IOException {
        char[] pixels = new char[3 * 40 * 30];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) (i * 17 % 65280);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new LabScan(40, 30, 90, pixels).write(out);
        LabScan back = LabScan.read(new ByteArrayInputStream(out.toByteArray()));
        assertThat(back.dpi()).isEqualTo(90);
        for (int i = 0; i < pixels.length; i++) {
            assertThat((double) back.pixels()[i]).isCloseTo(pixels[i], within(1.0));
        }
    }
}
