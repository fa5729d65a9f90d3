package wistel.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.server.display.Display;

/** What is written is read by the JDK's own reader. */
public class PngTest {
    private static char[] codes(int count) {
        SplittableRandom random = new SplittableRandom(5);
        char[] codes = new char[count];
        for (int i = 0; i < count; i++) {
            codes[i] = (char) random.nextInt(65536);
        }
        return codes;
    }

    @DataProvider
    Object[][] sizes() {
        return new Object[][] {{1, 1}, {7, 3}, {900, 601}};
    }

    @Test(dataProvider = "sizes")
    public void aPictureComesBackRoundedToEightBits(int width, int height) throws IOException {
        char[] codes = codes(3 * width * height);
        BufferedImage read = ImageIO.read(new ByteArrayInputStream(Png.of(width, height, codes)));
        assertThat(read.getWidth()).isEqualTo(width);
        assertThat(read.getHeight()).isEqualTo(height);
        for (int i = 0; i < codes.length; i++) {
            int sample = read.getRGB(i / 3 % width, i / 3 / width) >> 16 - 8 * (i % 3) & 0xFF;
            assertThat(sample).isEqualTo((int) Math.round(codes[i] / 257.0));
        }
    }

    @DataProvider
    Object[][] profiles() {
        return new Object[][] {{StandardSpaces.SRGB, "sRGB"}, {StandardSpaces.P3, "iCCP"}};
    }

    @Test(dataProvider = "profiles")
    public void itSaysWhatItsCodesMean(IccProfile profile, String chunk) throws IOException {
        byte[] png = Png.of(20, 10, codes(600), new Display(profile, true));
        ImageReader reader = ImageIO.getImageReadersByFormatName("png").next();
        try (MemoryCacheImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(png))) {
            reader.setInput(in);
            IIOMetadataNode tree = (IIOMetadataNode) reader.getImageMetadata(0).getAsTree("javax_imageio_png_1.0");
            assertThat(tree.getElementsByTagName(chunk).getLength()).isEqualTo(1);
        } finally {
            reader.dispose();
        }
    }

    @Test
    public void marksKeepWhatShowsThrough() throws IOException {
        BufferedImage marks = new BufferedImage(5, 4, BufferedImage.TYPE_INT_ARGB);
        marks.setRGB(2, 1, 0xD0FFFFFF);
        marks.setRGB(4, 3, 0x40102030);
        BufferedImage read = ImageIO.read(new ByteArrayInputStream(Png.ofMarks(marks)));
        for (int i = 0; i < 20; i++) {
            int at = marks.getRGB(i % 5, i / 5);
            int got = read.getRGB(i % 5, i / 5);
            assertThat(got >>> 24).isEqualTo(at >>> 24);
            assertThat(at >>> 24 == 0 || at == got).isTrue();
        }
    }
}
