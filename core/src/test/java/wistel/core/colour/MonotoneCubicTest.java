package wistel.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class MonotoneCubicTest {
    @Test
    public void aLineStaysALineAndEndsGoOnLevel() {
        MonotoneCubic line = new MonotoneCubic(new double[] {0, 1, 4}, new double[] {2, 4, 10});
        for (double v = 0; v <= 4; v += 0.125) {
            assertThat(line.at(v)).isCloseTo(2 + 2 * v, within(1e-12));
        }
        assertThat(line.at(-3)).isEqualTo(2);
        assertThat(line.at(9)).isEqualTo(10);
        assertThat(line.at(Double.NaN)).isNaN();
    }

    /**
     * Worked out by hand from Fritsch and Butland's slope: secants 1 and 3, equal steps, so the weighted harmonic mean at 1 is 3 / (0.5 x 3
     * + 0.5 x 1) = 1.5; at the ends the secants 1 and 3. Half-way Hermite gives (y0 + y1) / 2 + h (m0 - m1) / 8.
     */
    @Test
    public void slopesAreTheWeightedHarmonicMean() {
        MonotoneCubic curve = new MonotoneCubic(new double[] {0, 1, 2}, new double[] {0, 1, 4});
        assertThat(curve.at(0.5)).isCloseTo(0.5 + (1 - 1.5) / 8, within(1e-12));
        assertThat(curve.at(1.5)).isCloseTo(2.5 + (1.5 - 3) / 8, within(1e-12));
    }

    /** It goes through its points and never beyond two neighbours, whatever the points: so it never turns between them. */
    @Test
    public void betweenTwoPointsItNeverLeavesThem() {
        SplittableRandom random = new SplittableRandom(5);
        for (int round = 0; round < 300; round++) {
            int n = 2 + random.nextInt(9);
            double[] x = new double[n];
            double[] y = new double[n];
            for (int i = 0; i < n; i++) {
                x[i] = (i == 0 ? 0 : x[i - 1]) + 0.001 + random.nextDouble();
                y[i] = random.nextInt(4) == 0 && i > 0 ? y[i - 1] : random.nextDouble(-50, 50);
            }
            MonotoneCubic curve = new MonotoneCubic(x, y);
            for (int i = 0; i + 1 < n; i++) {
                assertThat(curve.at(x[i])).isCloseTo(y[i], within(1e-9));
                double before = y[i];
                for (int k = 1; k <= 20; k++) {
                    double now = curve.at(x[i] + (x[i + 1] - x[i]) * k / 20);
                    assertThat((now - before) * Math.signum(y[i + 1] - y[i])).isGreaterThanOrEqualTo(-1e-9);
                    before = now;
                }
                assertThat(before).isCloseTo(y[i + 1], within(1e-9));
            }
        }
    }

    @Test
    public void aTurnClosesSmoothly() {
        MonotoneCubic turn = MonotoneCubic.periodic(new double[] {20, 140, 300}, new double[] {1, 5, 2});
        assertThat(turn.at(0)).isCloseTo(turn.at(360), within(1e-9));
        double slopeBefore = (turn.at(360) - turn.at(359.999)) / 0.001;
        double slopeAfter = (turn.at(0.001) - turn.at(0)) / 0.001;
        assertThat(slopeBefore).isCloseTo(slopeAfter, within(1e-4));
        assertThat(MonotoneCubic.periodic(new double[] {90}, new double[] {7}).at(200)).isEqualTo(7);
    }

    @DataProvider
    Object[][] noCurves() {
        return new Object[][] {{new double[] {1}, new double[] {1}}, {new double[] {0, 1}, new double[] {0, 1, 2}},
            {new double[] {0, 1, 1}, new double[] {0, 1, 2}}, {new double[] {0, 2, 1}, new double[] {0, 1, 2}},
            {new double[] {0, Double.NaN}, new double[] {0, 1}}, {new double[] {0, 1}, new double[] {0, Double.POSITIVE_INFINITY}}};
    }

    @Test(dataProvider = "noCurves")
    public void whatIsNoCurveIsRefused(double[] x, double[] y) {
        assertThatThrownBy(() -> new MonotoneCubic(x, y)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    public void aTurnThroughNothingIsRefused() {
        assertThatThrownBy(() -> MonotoneCubic.periodic(new double[0], new double[0])).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    public void laterChangesOfItsPointsAreNoneOfItsOwn() {
        double[] y = {0, 1};
        MonotoneCubic curve = new MonotoneCubic(new double[] {0, 1}, y);
        y[1] = 9;
        assertThat(curve.at(1)).isEqualTo(1);
    }
}
