package wistel.core.icc.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.Test;

public class StageTest {

    /** A curve that is full from three quarters on: what asks for full, or for more by a rounding, gets where full begins. */
    @Test
    public void aPlateauAtTheTopIsUndoneToItsLowerEnd() {
        Curve clipped = new Curve.Table(new double[] {0, 1 / 3.0, 2 / 3.0, 1, 1});
        assertThat(clipped.inverse().at(1)).isCloseTo(0.75, within(1e-9));
        assertThat(clipped.inverse().at(1 + 1e-12)).isCloseTo(0.75, within(1e-9));
        assertThat(clipped.inverse().at(7)).isCloseTo(0.75, within(1e-9));
    }

    @Test
    public void everyCurveIsUndoneByItsInverse() {
        Curve srgb = new Curve.Parametric(2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045, 0, 0);
        for (Curve curve : new Curve[] {srgb, new Curve.Power(2.2), new Curve.Table(new double[] {0, 0.1, 0.4, 1}),
            srgb.then(new Curve.Power(0.5))}) {
            for (double x = 0; x <= 1; x += 0.05) {
                assertThat(curve.inverse().at(curve.at(x))).isCloseTo(x, within(1e-6));
            }
        }
        assertThat(srgb.at(0.04)).isCloseTo(0.04 / 12.92, within(1e-12));
        assertThat(srgb.inverse().at(0.002)).isCloseTo(0.002 * 12.92, within(1e-12));
    }

    @Test
    public void aFlatFootOfATableIsUndoneToItsLowerEnd() {
        Curve crushed = new Curve.Table(new double[] {0, 0, 0, 0.5, 1});
        assertThat(crushed.inverse().at(0)).isZero();
        assertThat(crushed.inverse().at(0.5)).isCloseTo(0.75, within(1e-9));
        Curve falling = new Curve.Table(new double[] {1, 0.25, 0});
        assertThat(falling.inverse().at(0.25)).isCloseTo(0.5, within(1e-9));
    }

    @Test
    public void fourInputsJoinTwoTetrahedraAndReproduceALinearFunction() {
        int[] sizes = {3, 4, 3, 5};
        float[] values = new float[3 * 4 * 3 * 5];
        for (int at = 0; at < values.length; at++) {
            values[at] = (float) (0.1 + 0.2 * (at / 60) / 2 + 0.3 * (at / 15 % 4) / 3 + 0.15 * (at / 5 % 3) / 2 + 0.25 * (at % 5) / 4);
        }
        ClutGrid grid = new ClutGrid(sizes, 1, values);
        double[] out = new double[1];
        grid.at(new double[] {0.37, 0.81, 0.11, 0.62}, out);
        assertThat(out[0]).isCloseTo(0.1 + 0.2 * 0.37 + 0.3 * 0.81 + 0.15 * 0.11 + 0.25 * 0.62, within(1e-6));
        grid.at(new double[] {1, 1, 1, 1}, out);
        assertThat(out[0]).isCloseTo(1.0, within(1e-6));
    }

    /** The written-out trilinear loop against the general one, which is reached by adding an input that changes nothing. */
    @Test
    public void threeInputsWrittenOutGiveWhatTheGeneralSumGives() {
        SplittableRandom random = new SplittableRandom(4);
        float[] values = new float[2 * 4 * 3 * 5];
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) random.nextDouble();
        }
        float[] twice = new float[2 * values.length];
        System.arraycopy(values, 0, twice, 0, values.length);
        System.arraycopy(values, 0, twice, values.length, values.length);
        ClutGrid three = new ClutGrid(new int[] {4, 3, 5}, 2, values);
        ClutGrid four = new ClutGrid(new int[] {2, 4, 3, 5}, 2, twice);
        for (int i = 0; i < 500; i++) {
            double[] a = {random.nextDouble() * 1.2 - 0.1, random.nextDouble(), random.nextDouble(), 0};
            double[] b = {random.nextDouble(), a[0], a[1], a[2]};
            Interpolation.MULTILINEAR.apply(three, a, 4, 1);
            Interpolation.MULTILINEAR.apply(four, b, 4, 1);
            assertThat(a[0]).isCloseTo(b[0], within(1e-9));
            assertThat(a[1]).isCloseTo(b[1], within(1e-9));
        }
    }

    @Test
    public void aChainIsSimplifiedWithoutChangingIt() {
        List<Stage> stages = List.of(new Stage.Curves(new Curve.Power(2), Curve.Power.IDENTITY, Curve.Power.IDENTITY),
            new Stage.Curves(new Curve.Power(1.5), Curve.Power.IDENTITY, Curve.Power.IDENTITY),
            Stage.Linear.scale(2, 3, 4, 0.1, 0.2, 0.3), Stage.Linear.scale(0.5, 1, 2, 0, -0.1, 0), new Stage.LabToXyz(),
            new Stage.XyzToLab(),
            new Stage.Curves(Curve.Power.IDENTITY, Curve.Power.IDENTITY, Curve.Power.IDENTITY));
        Chain chain = Chain.of(stages);
        assertThat(chain.stages()).hasSize(2);
        double[] work = {0.3, 0.5, 0.2};
        stages.forEach(s -> s.apply(work, 3, 1));
        double[] simple = chain.at(0.3, 0.5, 0.2);
        for (int i = 0; i < 3; i++) {
            assertThat(simple[i]).isCloseTo(work[i], within(1e-9));
        }
    }
}
