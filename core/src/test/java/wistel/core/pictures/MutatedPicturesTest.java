package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.FileImageInputStream;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PictureException;

/** Whatever is done to a picture file, it is read or refused with a typed error; nothing else comes out, in bounded time. */
public class MutatedPicturesTest {

    private static PictureFile open(byte[] bytes) {
        return PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes)));
    }

    private static ImageInputStream stream(Path file) {
        try {
            return new FileImageInputStream(file.toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] encoded(String format) throws IOException {
        BufferedImage image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 64 * 48; i++) {
            image.setRGB(i % 64, i / 64, i * 2654435 & 0xFFFFFF);
        }
        ImageWriter writer = null;
        var writers = ImageIO.getImageWritersByFormatName(format);
        while (writer == null || !writer.getClass().getName().startsWith("com.sun.")) {
            writer = writers.next();
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(image);
        }
        return out.toByteArray();
    }

    @DataProvider
    Object[][] formats() throws IOException {
        return new Object[][] {{encoded("jpg"), 1}, {encoded("png"), 2}, {encoded("tiff"), 3}};
    }

    @Test(dataProvider = "formats", timeOut = 60_000)
    public void damagedFilesAreReadOrRefused(byte[] whole, int seed) throws IOException {
        SplittableRandom random = new SplittableRandom(seed);
        Path scratch = Files.createTempFile("mutated", ".bin");
        int refused = 0;
        for (int i = 0; i < 700; i++) {
            byte[] bytes = whole.clone();
            // the front of the file, where the sizes stand, is hit most
            for (int k = 0; k <= random.nextInt(5); k++) {
                bytes[random.nextInt(random.nextBoolean() ? Math.min(200, bytes.length) : bytes.length)] = (byte) random.nextInt(256);
            }
            if (random.nextInt(6) == 0) {
                bytes = Arrays.copyOf(bytes, random.nextInt(bytes.length));
            }
            Files.write(scratch, bytes);
            try {
                PictureFile file = PictureFile.open(() -> stream(scratch));
                if ((long) file.facts().width() * file.facts().height() < 4_000_000) {
                    file.rows().rows((y, samples) -> {});
                }
            } catch (PictureException e) {
                refused++;
                assertThat(e.next()).isNotBlank();
            }
        }
        assertThat(refused).isGreaterThan(50);
    }

    /** A JPEG's frame header says how large it is and how it is coded; both are believed only within bounds. */
    @Test
    public void aHugeProgressiveJpegIsRefusedBecauseItWouldHaveToBeHeld() throws IOException {
        byte[] jpeg = encoded("jpg");
        for (int i = 2; i < jpeg.length - 9; i++) {
            if ((jpeg[i] & 0xFF) == 0xFF && (jpeg[i + 1] & 0xFF) == 0xC0) {
                jpeg[i + 1] = (byte) 0xC2;
                ByteBuffer.wrap(jpeg).putShort(i + 5, (short) 20_000).putShort(i + 7, (short) 20_000);
                break;
            }
        }
        assertThatThrownBy(() -> open(jpeg)).isInstanceOfSatisfying(PictureException.class,
            e -> assertThat(e.code()).isEqualTo("picture-progressive"));
    }

    /** Exif orientation 6: the camera was turned; the picture is shown upright and its sides are swapped. */
    @Test
    public void theExifOrientationOfAJpegTurnsIt() throws IOException {
        byte[] jpeg = encoded("jpg");
        byte[] exif = ByteBuffer.allocate(6 + 26).put("Exif\0\0MM".getBytes(StandardCharsets.ISO_8859_1))
            .put(new byte[] {0, 42, 0, 0, 0, 8, 0, 1, 1, 18, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0}).array();
        byte[] turned = ByteBuffer.allocate(jpeg.length + exif.length + 4).put(jpeg, 0, 2).put((byte) 0xFF).put((byte) 0xE1)
            .putShort((short) (exif.length + 2))
            .put(exif).put(jpeg, 2, jpeg.length - 2).array();
        PictureFile file = open(turned);
        assertThat(file.facts().orientation()).isEqualTo(Orientation.QUARTER_RIGHT);
        assertThat(Pictures.upright(file).width()).isEqualTo(48);
        assertThat(file.facts().shownHeight()).isEqualTo(64);
        char[] corner = new char[3];
        Pictures.read(file, 0, 0, 1, 1, corner);
        char[] stored = new char[3];
        Pictures.read(open(jpeg), 0, 47, 1, 1, stored);
        assertThat(corner).isEqualTo(stored);
    }

    /** The demo's own 16-bit TIFFs store differences, which the usual reader of the JDK doesn't take. */
    @Test
    public void sixteenBitTiffsWithDifferencesAreRead() {
        for (String name : new String[] {"slate-quarry.tif", "poppies-copper-still.tif"}) {
            PictureFile file = PictureFile.open(() -> stream(Path.of("../demo/pictures", name)));
            assertThat(file.facts().bits()).isEqualTo(16);
            assertThat(file.facts().profile().length).isGreaterThan(100);
            int n = file.facts().channels();
            char[] row = new char[file.facts().width() * n];
            Pictures.read(file, 0, file.facts().height() / 2, file.facts().width(), 1, row);
            // neighbours of a photograph are alike: undoing the differences wrongly would give noise
            double jumps = 0;
            for (int i = n; i < row.length; i++) {
                jumps += Math.abs(row[i] - row[i - n]);
            }
            assertThat(jumps / row.length).as(name).isBetween(20.0, 6000.0);
        }
    }
}
