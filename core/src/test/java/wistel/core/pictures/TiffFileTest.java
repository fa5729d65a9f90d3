package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static wistel.core.pictures.PictureFiles.assertCode;
import static wistel.core.pictures.PictureFiles.encoded;
import static wistel.core.pictures.PictureFiles.open;
import static wistel.core.pictures.PictureFiles.picture;
import static wistel.core.pictures.PictureFiles.planarTiff;
import static wistel.core.pictures.PictureFiles.smooth;
import static wistel.core.pictures.PictureFiles.tiff;
import static wistel.core.pictures.PictureFiles.withTag;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PictureException;

/** What TIFF files can hold besides the usual. */
public class TiffFileTest {
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

    /** Planes cut off, or whose directory names too few strips, are damaged files like any others. */
    @Test
    public void planesThatAreCutOffAreRefused() throws IOException {
        byte[] whole = planarTiff(75, 41, 2, 2, false, true);
        for (byte[] file : List.of(Arrays.copyOf(whole, whole.length - 300), withTag(whole, 278, 3), withTag(whole, 257, 20_000))) {
            assertThatThrownBy(() -> View.whole(open(file).rows())).isInstanceOf(PictureException.class);
        }
    }
}
