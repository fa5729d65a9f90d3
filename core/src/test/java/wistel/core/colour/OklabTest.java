package wistel.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class OklabTest {
    /** L*a*b* (D50) to Oklab, worked out apart in Python from CSS Color 4's matrices (its own D50 to D65 Bradford among them). */
    @DataProvider
    Object[][] gold() {
        return new Object[][] {
            {new double[] {50, 0, 0}, new double[] {0.56897, 0, 0}},
            {new double[] {54.29, 80.81, 69.89}, new double[] {0.62795, 0.22488, 0.12584}},
            {new double[] {29.57, 68.30, -112.03}, new double[] {0.45204, -0.03237, -0.31153}},
            {new double[] {87.82, -79.27, 80.99}, new double[] {0.86645, -0.23388, 0.17949}},
            {new double[] {60, 20, -30}, new double[] {0.66624, 0.05224, -0.08235}},
            {new double[] {20, 10, 10}, new double[] {0.31254, 0.02809, 0.02453}}};
    }

    @Test(dataProvider = "gold")
    public void labBecomesOklabAsPublished(double[] lab, double[] wanted) {
        double[] got = lab.clone();
        Oklab.fromLab(got, 0);
        assertThat(got).containsExactly(wanted, within(2e-4));
    }

    @Test
    public void oklabAndBackIsTheSameColour() {
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 2000; i++) {
            double[] lab = {random.nextDouble(100), random.nextDouble(-100, 100), random.nextDouble(-100, 100)};
            double[] got = lab.clone();
            Oklab.fromLab(got, 0);
            Oklab.toLab(got, 0);
            assertThat(got).containsExactly(lab, within(1e-8));
        }
    }

    @Test
    public void neutralsHaveNoChromaAtAll() {
        for (int l = 0; l <= 100; l++) {
            double[] lab = {l, 0, 0};
            Oklab.fromLab(lab, 0);
            assertThat(Math.hypot(lab[1], lab[2])).isLessThan(1e-12);
        }
    }
}
