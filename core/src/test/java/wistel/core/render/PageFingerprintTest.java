package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.LabEncoding;

public class PageFingerprintTest {
    private static final int PLACES = PageFingerprint.COLUMNS * PageFingerprint.ROWS;

    /** Rows of a page whose value is a function of place, taken in bands of a given height on several threads. */
    private static char[] codes(int width, int height, int band) {
        FingerprintSink sink = new FingerprintSink(new SampleSink(1, 16, false), width, height);
        IntStream.range(0, (height + band - 1) / band).parallel().forEach(b -> {
            int rows = Math.min(band, height - b * band);
            char[] samples = new char[rows * width];
            for (int i = 0; i < samples.length; i++) {
                samples[i] = (char) (10 * (i % width) + b * band + i / width);
            }
            sink.pack(samples, b * band, rows);
        });
        return sink.codes();
    }

    @Test
    public void eachPlaceHoldsTheMeanOfFourByFourPixelsAboutItsMiddleHoweverThePageIsCut() {
        char[] whole = codes(960, 640, 640);
        for (int band : new int[] {1, 7, 50}) {
            assertThat(codes(960, 640, band)).isEqualTo(whole);
        }
        // place (2, 3): pixels 23..26 of 20..29 across, 33..36 of 30..39 down
        assertThat((int) whole[3 * PageFingerprint.COLUMNS + 2]).isEqualTo((int) Math.round(10 * 24.5 + 34.5));
        assertThat((int) whole[PLACES - 1]).isEqualTo((int) Math.round(10 * (953 + 1.5) + 633 + 1.5));
    }

    @Test
    public void aPageSmallerThanItsPlacesHasAllOfThem() {
        assertThat(codes(3, 2, 1)).hasSize(PLACES);
        assertThat((int) codes(1, 1, 1)[17]).isZero();
    }

    @Test
    public void differencesAreThoseOfTheFormulaOverAllPlaces() {
        char[] gray = new char[3 * PLACES];
        for (int i = 0; i < gray.length; i += 3) {
            gray[i] = LabEncoding.V4.ofL(50);
            gray[i + 1] = LabEncoding.V4.ofAb(0);
            gray[i + 2] = LabEncoding.V4.ofAb(0);
        }
        char[] one = gray.clone();
        one[300] = LabEncoding.V4.ofL(56);
        double apart = CieDe2000.between(50, 0, 0, 56, 0, 0);
        PageFingerprint.Difference difference = PageFingerprint.of(gray).difference(PageFingerprint.read(PageFingerprint.of(one).bytes()));
        assertThat(difference.most()).isCloseTo(apart, within(0.01));
        assertThat(difference.mean()).isCloseTo(apart / PLACES, within(1e-5));
        assertThat(PageFingerprint.of(gray).difference(PageFingerprint.of(gray)).most()).isZero();
        assertThat(PageFingerprint.read(PageFingerprint.of(one).bytes())).isEqualTo(PageFingerprint.of(one))
            .isNotEqualTo(PageFingerprint.of(gray));
    }

    @Test
    public void otherSizesAreRefused() {
        assertThatThrownBy(() -> PageFingerprint.read(Arrays.copyOf(new byte[3], 12))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> PageFingerprint.of(new char[6])).isInstanceOf(IllegalArgumentException.class);
    }
}
