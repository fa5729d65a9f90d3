package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

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
import java.util.zip.DeflaterOutputStream;
import java.util.List;
import java.time.Duration;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.concurrent.ForkJoinPool;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PictureException;
import wistel.core.icc.profile.StandardSpaces;

public class PictureFileTest {

    private static PictureFile open(byte[] bytes) {
        return PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes)));
    }

    private static BufferedImage picture(int w, int h) {
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                image.setRGB(x, y, (x * 255 / w) << 16 | (y * 255 / h) << 8 | 60);
            }
        }
        return image;
    }

    private static byte[] encoded(BufferedImage image, String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        var writers = ImageIO.getImageWritersByFormatName(format);
        ImageWriter writer = writers.next();
        while (!writer.getClass().getName().startsWith("com.sun.imageio.")) {
            writer = writers.next();
        }
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(image);
        }
        return out.toByteArray();
    }

    /** A JPEG with an APP segment put in right after its start. */
    private static byte[] withSegment(byte[] jpeg, int marker, byte[] body) {
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + body.length + 4);
        out.put(jpeg, 0, 2).put((byte) 0xFF).put((byte) marker).putShort((short) (body.length + 2)).put(body).put(jpeg, 2, jpeg.length - 2);
        return out.array();
    }

    private static byte[] profileSegment(byte[] profile) {
        byte[] head = "ICC_PROFILE\0".getBytes(StandardCharsets.ISO_8859_1);
        return ByteBuffer.allocate(head.length + 2 + profile.length).put(head).put((byte) 1).put((byte) 1).put(profile).array();
    }

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
        try (PixelSpool spool = PixelSpool.of(stored, new Orientation[] {o}, PictureFileTest::scratch, Runnable::run, Progress.SILENT,
            new StageTimes())[0]) {
            for (int[] part : new int[][] {{0, 1}, {60, 70}, {3, 66}, {0, shown.height()}}) {
                assertThat(spool.rows(part[0], part[1])).isEqualTo(Arrays.copyOfRange(shown.pixels(), part[0] * row, part[1] * row));
            }
        }
    }

    private static FileChannel scratch() throws IOException {
        return FileChannel.open(Files.createTempFile("spool", ".raw"), StandardOpenOption.READ, StandardOpenOption.WRITE,
            StandardOpenOption.DELETE_ON_CLOSE);
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

    private static byte[] written(BufferedImage image, String format, Consumer<ImageWriteParam> how) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        var writers = ImageIO.getImageWritersByFormatName(format);
        ImageWriter writer = writers.next();
        while (!writer.getClass().getName().startsWith("com.sun.imageio.")) {
            writer = writers.next();
        }
        ImageWriteParam param = writer.getDefaultWriteParam();
        how.accept(param);
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), param);
        }
        return out.toByteArray();
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

    /** Exif as cameras write it: a TIFF head, one entry, tag 274 (Exif 2.32, 4.6.4). */
    private static byte[] exif(boolean little, int orientation, int tag) {
        ByteBuffer exif = ByteBuffer.allocate(8 + 2 + 12 + 4).order(little ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        exif.put((little ? "II" : "MM").getBytes(StandardCharsets.ISO_8859_1)).putShort((short) 42).putInt(8).putShort((short) 1)
            .putShort((short) tag)
            .putShort((short) 3).putInt(1).putShort((short) orientation);
        return exif.array();
    }

    private static byte[] exifSegment(byte[] exif) {
        return ByteBuffer.allocate(6 + exif.length).put("Exif\0\0".getBytes(StandardCharsets.ISO_8859_1)).put(exif).array();
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

    /** A PNG with a chunk put in behind its header. */
    private static byte[] withChunk(byte[] png, String name, byte[] body) {
        CRC32 crc = new CRC32();
        crc.update(name.getBytes(StandardCharsets.ISO_8859_1));
        crc.update(body);
        return ByteBuffer.allocate(png.length + body.length + 12).put(png, 0, 33).putInt(body.length)
            .put(name.getBytes(StandardCharsets.ISO_8859_1)).put(body)
            .putInt((int) crc.getValue())
            .put(png, 33, png.length - 33).array();
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

    /** A profile that can't be unpacked is handed on as unreadable, so that the docket can say so; the picture stays. */
    @Test
    public void aDamagedProfileInAPngCostsOnlyTheProfile() throws IOException {
        byte[] png = encoded(picture(30, 20), "png");
        for (byte[] body : new byte[][] {{'p'}, {'p', 'q', 'r', 's'}, {'p', 0, 0, 1, 2, 3, 4, 5, 6, 7}}) {
            PictureFile file = open(withChunk(png, "iCCP", body));
            assertThat(file.facts().profile()).hasSize(1);
            assertThat(file.facts().width()).isEqualTo(30);
        }
    }

    @DataProvider
    Object[][] otherFormats() {
        return new Object[][] {
            {"8BPS\0\1............", "layered"}, {"RIFF....WEBPVP8 ", "WebP"}, {"%PDF-1.7........", "PDF"}, {"....ftypheic....", "HEIF"},
            {"GIF89a..........", "GIF"}, {"................", "not a picture"}};
    }

    /** Formats that people do drop in are called by their names, and the way out is said. */
    @Test(dataProvider = "otherFormats")
    public void otherFormatsAreCalledByTheirNames(String head, String name) {
        assertThatThrownBy(() -> open(head.getBytes(StandardCharsets.ISO_8859_1))).isInstanceOfSatisfying(PictureException.class, e -> {
            assertThat(e.getMessage()).contains(name);
            assertThat(e.next()).contains("JPEG, PNG and TIFF");
        });
    }

    /** A TIFF's directory with one value of a tag changed. */
    private static byte[] withTag(byte[] tiff, int tag, int value) {
        byte[] changed = tiff.clone();
        ByteBuffer in = ByteBuffer.wrap(changed).order(changed[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int ifd = in.getInt(4);
        for (int i = 0; i < in.getShort(ifd); i++) {
            int entry = ifd + 2 + 12 * i;
            if (in.getShort(entry) == (short) tag) {
                if (in.getShort(entry + 2) == 3) {
                    in.putShort(entry + 8, (short) value);
                } else {
                    in.putInt(entry + 8, value);
                }
            }
        }
        return changed;
    }

    /** TIFF 6.0: photometric 5 is inks, 8 is CIE L*a*b*; a file of 30 000 x 30 000 packed in one strip would have to be held whole. */
    @Test
    public void tiffsOfOtherKindsSayWhatTheyAre() throws IOException {
        byte[] tiff = encoded(picture(64, 48), "tiff");
        assertThat(open(tiff).facts().width()).isEqualTo(64);
        assertCode(withTag(tiff, 262, 5), "picture-cmyk");
        assertCode(withTag(tiff, 262, 8), "picture-lab");
        assertCode(withTag(withTag(withTag(withTag(tiff, 259, 8), 256, 20_000), 257, 20_000), 278, 20_000), "picture-one-strip");
        assertCode(withTag(tiff, 256, 0), "picture-damaged");
        assertCode(withTag(tiff, 259, 6), "picture-unsupported");
    }

    /**
     * A frame header of another kind than baseline, extended and progressive (ITU-T T.81, table B.1): lossless, arithmetic, differential.
     */
    @Test
    public void jpegsOfRareKindsAreCalledUnsupportedNotDamaged() throws IOException {
        byte[] jpeg = encoded(picture(64, 48), "jpg");
        int frame = 0;
        while ((jpeg[frame] & 0xFF) != 0xFF || (jpeg[frame + 1] & 0xFF) != 0xC0) {
            frame++;
        }
        for (int kind : new int[] {0xC3, 0xC5, 0xC9, 0xCA}) {
            byte[] rare = jpeg.clone();
            rare[frame + 1] = (byte) kind;
            assertCode(rare, "picture-unsupported");
        }
    }

    /** Floating point TIFFs and BigTIFFs, written by the second TIFF library and by hand, hold the picture that an ordinary one holds. */
    @Test
    public void floatingPointAndBigTiffsAreRead() throws IOException {
        int w = 70;
        int h = 45;
        float[] values = new float[3 * w * h];
        for (int i = 0; i < values.length; i++) {
            values[i] = i == 0 ? -0.5f : i == 1 ? 7 : i == 2 ? Float.NaN : (i * 37 % 1000) / 999f;
        }
        for (boolean big : new boolean[] {false, true}) {
            for (boolean floating : new boolean[] {false, true}) {
                byte[] file = tiff(values, w, h, big, floating);
                PictureFile picture = open(file);
                assertThat(picture.facts().width()).isEqualTo(w);
                assertThat(picture.facts().bits()).isEqualTo(floating ? 32 : 16);
                char[] read = View.whole(picture.rows()).pixels();
                assertThat((int) read[0]).isZero();
                assertThat((int) read[1]).isEqualTo(65535);
                assertThat((int) read[2]).isZero();
                for (int i = 3; i < values.length; i++) {
                    assertThat((int) read[i]).as(big + " " + floating + " " + i).isEqualTo(Math.round(values[i] * 65535));
                }
            }
        }
    }

    /** TIFF 6.0 and its extension with 8-byte offsets, one uncompressed strip, as their specifications lay them out. */
    private static byte[] tiff(float[] values, int w, int h, boolean big, boolean floating) {
        int sample = floating ? 4 : 2;
        int word = big ? 8 : 4;
        int entries = 11;
        int head = big ? 16 : 8;
        int bitsAt = head + (big ? 8 + 20 * entries + 8 : 2 + 12 * entries + 4);
        int dataAt = bitsAt + 16;
        ByteBuffer b = ByteBuffer.allocate(dataAt + values.length * sample).order(ByteOrder.LITTLE_ENDIAN);
        b.put((byte) 'I').put((byte) 'I').putShort((short) (big ? 43 : 42));
        if (big) {
            b.putShort((short) 8).putShort((short) 0).putLong(16).putLong(entries);
        } else {
            b.putInt(8).putShort((short) entries);
        }
        int[][] tags = {{256, 4, 1, w}, {257, 4, 1, h}, {258, 3, 3, big ? -1 : bitsAt}, {259, 3, 1, 1}, {262, 3, 1, 2}, {273, 4, 1, dataAt},
            {277, 3, 1, 3}, {278, 4, 1, h},
            {279, 4, 1, values.length * sample}, {284, 3, 1, 1}, {339, 3, 1, floating ? 3 : 1}};
        for (int[] t : tags) {
            b.putShort((short) t[0]).putShort((short) t[1]);
            int place = b.position() + word;
            if (big) {
                b.putLong(t[2]);
            } else {
                b.putInt(t[2]);
            }
            if (t[3] == -1) {
                b.putShort((short) (8 * sample)).putShort((short) (8 * sample)).putShort((short) (8 * sample));
            } else if (t[1] == 3 && t[2] == 1) {
                b.putShort((short) t[3]);
            } else {
                b.putInt(t[3]);
            }
            b.position(place + word);
        }
        b.position(bitsAt);
        b.putShort((short) (8 * sample)).putShort((short) (8 * sample)).putShort((short) (8 * sample));
        b.position(dataAt);
        for (float v : values) {
            if (floating) {
                b.putFloat(v);
            } else {
                b.putShort((short) (v > 0 ? Math.round(Math.min(1, v) * 65535) : 0));
            }
        }
        return b.array();
    }

    @DataProvider
    Object[][] planes() {
        return new Object[][] {{1, 1, false, true}, {2, 2, false, true}, {2, 1, true, true}, {4, 2, true, true}, {2, 2, true, false},
            {1, 1, false, false}};
    }

    /**
     * Planes as TIFF 6.0, sections 20 and 21, lays them out: R = Y + 1.402 Cr, G = Y - 0.344 Cb - 0.714 Cr, B = Y + 1.772 Cb with its usual
     * coefficients.
     */
    @Test(dataProvider = "planes")
    public void luminanceAndColourInPlanesApartAreBroughtTogether(int subX, int subY, boolean packed, boolean said) throws IOException {
        int w = 75;
        int h = 41;
        PictureFile picture = open(planarTiff(w, h, subX, subY, packed, said));
        assertThat(picture.facts().channels()).isEqualTo(3);
        char[] read = View.whole(picture.rows()).pixels();
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int[] wanted = smooth((double) x / w, (double) y / h);
                for (int c = 0; c < 3; c++) {
                    // a code of rounding in each plane, and half a sample of colour at the edges
                    assertThat(read[3 * (y * w + x) + c] / 257.0).as(x + ", " + y + ", " + c).isCloseTo(wanted[c],
                        within(subX * subY > 1 ? 4.0 : 1.6));
                }
            }
        }
    }

    private static int[] smooth(double x, double y) {
        return new int[] {(int) (40 + 150 * x), (int) (200 - 120 * y), (int) (60 + 60 * x + 70 * y)};
    }

    /** @param said whether the subsampling is; unsaid, it is 2 by 2 unless the bytes tell otherwise */
    private static byte[] planarTiff(int w, int h, int subX, int subY, boolean packed, boolean said) throws IOException {
        int stripRows = 16;
        int strips = (h + stripRows - 1) / stripRows;
        ByteArrayOutputStream data = new ByteArrayOutputStream();
        int[] offsets = new int[3 * strips];
        int[] counts = new int[3 * strips];
        for (int p = 0; p < 3; p++) {
            int sx = p == 0 ? 1 : subX;
            int sy = p == 0 ? 1 : subY;
            int rows = (h + sy - 1) / sy;
            for (int strip = 0; strip < strips; strip++) {
                ByteArrayOutputStream plain = new ByteArrayOutputStream();
                for (int y = strip * stripRows / sy; y < Math.min(rows, (strip + 1) * stripRows / sy); y++) {
                    for (int x = 0; x < (w + sx - 1) / sx; x++) {
                        int[] rgb = smooth((x * sx + (sx - 1) / 2.0) / w, (y * sy + (sy - 1) / 2.0) / h);
                        double luma = 0.299 * rgb[0] + 0.587 * rgb[1] + 0.114 * rgb[2];
                        plain.write(
                            (int) Math.round(p == 0 ? luma : p == 1 ? 128 + (rgb[2] - luma) / 1.772 : 128 + (rgb[0] - luma) / 1.402));
                    }
                }
                byte[] strip8 = plain.toByteArray();
                if (packed) {
                    ByteArrayOutputStream deflated = new ByteArrayOutputStream();
                    try (DeflaterOutputStream out = new DeflaterOutputStream(deflated)) {
                        out.write(strip8);
                    }
                    strip8 = deflated.toByteArray();
                }
                offsets[p * strips + strip] = data.size();
                counts[p * strips + strip] = strip8.length;
                data.writeBytes(strip8);
            }
        }
        int entries = said ? 11 : 10;
        int behind = 8 + 2 + 12 * entries + 4;
        int dataAt = behind + 8 + 8 * offsets.length;
        ByteBuffer b = ByteBuffer.allocate(dataAt + data.size());
        b.put((byte) 'M').put((byte) 'M').putShort((short) 42).putInt(8).putShort((short) entries);
        int[][] tags = {{256, 4, 1, w}, {257, 4, 1, h}, {258, 3, 3, behind}, {259, 3, 1, packed ? 8 : 1}, {262, 3, 1, 6},
            {273, 4, offsets.length, behind + 8},
            {277, 3, 1, 3}, {278, 4, 1, stripRows}, {279, 4, counts.length, behind + 8 + 4 * offsets.length}, {284, 3, 1, 2},
            {530, 3, 2, 0}};
        for (int i = 0; i < entries; i++) {
            int[] t = tags[i];
            b.putShort((short) t[0]).putShort((short) t[1]).putInt(t[2]);
            if (t[0] == 530) {
                b.putShort((short) subX).putShort((short) subY);
            } else if (t[1] == 3 && t[2] == 1) {
                b.putShort((short) t[3]).putShort((short) 0);
            } else {
                b.putInt(t[3]);
            }
        }
        b.putInt(0).putShort((short) 8).putShort((short) 8).putShort((short) 8).putShort((short) 0);
        for (int offset : offsets) {
            b.putInt(dataAt + offset);
        }
        for (int count : counts) {
            b.putInt(count);
        }
        return b.put(data.toByteArray()).array();
    }

    /** Planes cut off, or whose directory names too few strips, are damaged files like any others. */
    @Test
    public void planesThatAreCutOffAreRefused() throws IOException {
        byte[] whole = planarTiff(75, 41, 2, 2, false, true);
        for (byte[] file : List.of(Arrays.copyOf(whole, whole.length - 300), withTag(whole, 278, 3), withTag(whole, 257, 20_000))) {
            assertThatThrownBy(() -> View.whole(open(file).rows())).isInstanceOf(PictureException.class);
        }
    }

    /** A file whose decoding takes more than its time is given up, whatever the decoder is at. */
    @Test
    public void readingEndsWhenItsTimeIsUp() throws IOException {
        for (byte[] file : List.of(encoded(picture(3000, 2000), "jpg"), encoded(picture(3000, 2000), "png"),
            encoded(picture(3000, 2000), "tiff"))) {
            assertThatThrownBy(() -> open(file).rows(Duration.ofMillis(5)).rows((y, samples) -> {})).isInstanceOfSatisfying(
                PictureException.class,
                e -> assertThat(e.reason()).isEqualTo(PictureException.Reason.TOO_SLOW));
            open(file).rows(Duration.ofMinutes(5)).rows((y, samples) -> {});
        }
    }

    private static void assertCode(byte[] file, String code) {
        assertThatThrownBy(() -> open(file)).isInstanceOfSatisfying(PictureException.class, e -> assertThat(e.code()).isEqualTo(code));
    }

    @DataProvider
    Object[][] bad() throws IOException {
        byte[] jpeg = encoded(picture(300, 200), "jpg");
        byte[] png = encoded(picture(300, 200), "png");
        byte[] huge = png.clone();
        ByteBuffer.wrap(huge).putInt(16, 100_000).putInt(20, 100_000);
        byte[] cmyk = jpeg.clone();
        for (int i = 0; i < cmyk.length - 10; i++) {
            if ((cmyk[i] & 0xFF) == 0xFF && (cmyk[i + 1] & 0xFF) == 0xC0) {
                cmyk[i + 9] = 4;
                break;
            }
        }
        return new Object[][] {
            {"an empty file", new byte[0], "picture-empty"},
            {"a text", "Dear printer, please make it nice".getBytes(StandardCharsets.ISO_8859_1), "picture-unknown"},
            {"an animation", "GIF89a..............".getBytes(StandardCharsets.ISO_8859_1), "picture-unknown"},
            {"a 100 000 x 100 000 header", huge, "picture-too-large"},
            {"a CMYK JPEG", cmyk, "picture-cmyk"},
            {"an animated PNG", animated(png), "picture-animated"},
            {"a PNG cut before its pixels", Arrays.copyOf(png, 30), "picture-truncated"}};
    }

    private static byte[] animated(byte[] png) {
        return withChunk(png, "acTL", ByteBuffer.allocate(8).putInt(2).putInt(0).array());
    }

    @Test(dataProvider = "bad")
    public void badFilesEachGetTheirSentence(String what, byte[] bytes, String code) {
        assertThatThrownBy(() -> open(bytes)).as(what).isInstanceOfSatisfying(PictureException.class,
            e -> assertThat(e.code()).isEqualTo(code));
    }

    @Test
    public void aPictureCutInTheMiddleIsFoundOutWhileItIsRead() throws IOException {
        for (String format : new String[] {"jpg", "png", "tiff"}) {
            byte[] whole = encoded(picture(600, 400), format);
            byte[] cut = format.equals("tiff") ? cutPixels(whole) : Arrays.copyOf(whole, whole.length * 6 / 10);
            assertThatThrownBy(() -> {
                PictureFile file = open(cut);
                Pictures.read(file, 0, 0, 600, 400, new char[600 * 400 * 3]);
            }).as(format).isInstanceOf(PictureException.class);
        }
    }

    /** A TIFF whose directory stands, with its strips pointing past the end. */
    private static byte[] cutPixels(byte[] tiff) {
        byte[] cut = tiff.clone();
        ByteBuffer in = ByteBuffer.wrap(cut).order(cut[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int ifd = in.getInt(4);
        for (int i = 0; i < in.getShort(ifd); i++) {
            int entry = ifd + 2 + 12 * i;
            if (in.getShort(entry) == 273) {
                int strips = in.getInt(entry + 4);
                int at = strips == 1 ? entry + 8 : in.getInt(entry + 8);
                in.putInt(at + 4 * (strips - 1), tiff.length - 20);
            }
        }
        return cut;
    }

    /** 300 MB of profile in a few hundred kilobytes of PNG: it is inflated no further than a profile may go. */
    @Test
    public void aBombInThePngProfileIsNotBlownUp() throws IOException {
        Deflater deflater = new Deflater();
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        byte[] zeros = new byte[1 << 20];
        byte[] out = new byte[1 << 16];
        for (int i = 0; i < 300; i++) {
            deflater.setInput(zeros);
            while (!deflater.needsInput()) {
                packed.write(out, 0, deflater.deflate(out));
            }
        }
        byte[] body = ByteBuffer.allocate(3 + packed.size()).put((byte) 'p').put((byte) 0).put((byte) 0).put(packed.toByteArray()).array();
        byte[] png = encoded(picture(30, 20), "png");
        byte[] bomb = withChunk(png, "iCCP", body);
        assertThat(open(bomb).facts().profile().length).isLessThan(34 << 20);
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
