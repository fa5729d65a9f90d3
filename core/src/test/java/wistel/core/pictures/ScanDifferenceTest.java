package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/** Two scans of the same: a known shift and a known change of colour are found. */
public class ScanDifferenceTest {
    private static final LightCurve STRAIGHT = new LightCurve(v -> v);

    /** Soft noise in lightness, four times as fine as the scans. */
    private static View fine() {
        SplittableRandom random = new SplittableRandom(9);
        int w = 320;
        int h = 960;
        double[] grid = random.doubles((w / 10 + 2) * (h / 10 + 2)).toArray();
        char[] pixels = new char[3 * w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int gx = x / 10;
                int gy = y / 10;
                double fx = x % 10 / 10.0;
                double fy = y % 10 / 10.0;
                int row = w / 10 + 2;
                double v = (grid[gy * row + gx] * (1 - fx) + grid[gy * row + gx + 1] * fx) * (1 - fy)
                    + (grid[(gy + 1) * row + gx] * (1 - fx) + grid[(gy + 1) * row + gx + 1] * fx) * fy;
                int at = 3 * (y * w + x);
                pixels[at] = (char) (12000 + 40000 * v);
                pixels[at + 1] = 0x8080;
                pixels[at + 2] = 0x8080;
            }
        }
        return new View(w, h, 3, pixels);
    }

    private static View seen(View fine, double x, double y) {
        return fine.scaled(new Crop(40 + 4 * x, 40 + 4 * y, 200, 800), 50, 200, STRAIGHT);
    }

    @Test
    public void aShiftOfPartsOfAPixelIsFound() {
        View fine = fine();
        for (double[] shift : new double[][] {{0, 0}, {1.5, -2.25}, {-3.25, 4}, {0.5, 0.25}}) {
            ScanDifference.Shift found = ScanDifference.of(seen(fine, 0, 0), seen(fine, -shift[0], -shift[1]), new boolean[10_000], 0.25)
                .orElseThrow().shift().orElseThrow();
            assertThat(found.xMm()).isCloseTo(shift[0] * 0.25, within(0.06));
            assertThat(found.yMm()).isCloseTo(shift[1] * 0.25, within(0.06));
        }
    }

    @Test
    public void aChangeOfColourIsToldAndWhatIsLeftOutIsNot() {
        View one = seen(fine(), 0, 0);
        char[] changed = one.pixels().clone();
        for (int i = 0; i < changed.length; i += 3) {
            changed[i + 1] = (char) (changed[i + 1] + 3 * 257);
        }
        double expected = new Lab(50, 0, 0).deltaE2000(new Lab(50, 3, 0));
        boolean[] leftOut = new boolean[10_000];
        assertThat(ScanDifference.of(one, new View(50, 200, 3, changed), leftOut, 0.25).orElseThrow().meanDeltaE())
            .isCloseTo(expected, within(0.05));
        // a mark on one of them
        Arrays.fill(changed, 0, 3 * 50 * 40, (char) 0);
        Arrays.fill(leftOut, 0, 50 * 40, true);
        assertThat(ScanDifference.of(one, new View(50, 200, 3, changed), leftOut, 0.25).orElseThrow().meanDeltaE())
            .isCloseTo(expected, within(0.05));
        Arrays.fill(leftOut, true);
        assertThat(ScanDifference.of(one, one, leftOut, 0.25)).isEmpty();
    }

    @Test
    public void whereNothingIsToBeSeenNoShiftIsTold() {
        char[] flat = new char[3 * 50 * 200];
        Arrays.fill(flat, (char) 0x8080);
        View sky = new View(50, 200, 3, flat);
        ScanDifference found = ScanDifference.of(sky, sky, new boolean[10_000], 0.25).orElseThrow();
        assertThat(found.shift()).isEmpty();
        assertThat(found.meanDeltaE()).isZero();
        assertThat(LabEncoding.V4.lab(new double[] {1, 0.5, 0.5}).l()).isCloseTo(100, within(1e-9));
    }
}
