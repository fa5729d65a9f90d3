package wistel.core.icc.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Matrix3;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.icc.stage.Interpolation;
import wistel.core.icc.stage.Stage;

/** The scalar loops against plain twins in double precision. */
public class KernelTest {
    private static final int PIXELS = 4000;

    @DataProvider
    Object[][] cubes() {
        return new Object[][] {{3, 3, 17, false}, {3, 4, 128, false}, {3, 1, 9, false}, {3, 6, 9, false}, {3, 3, 33, true}, {3, 4, 2, true},
            {4, 3, 11, false}, {4, 8, 5, false}};
    }

    /** A random cube through the loop and through the stage room's own interpolation. */
    @Test(dataProvider = "cubes")
    public void interpolationIsRightToOneCode(int inputs, int outputs, int side, boolean trilinear) {
        SplittableRandom random = new SplittableRandom(side);
        int[] sizes = new int[inputs];
        Arrays.fill(sizes, side);
        char[] nodes = new char[outputs * (int) Math.round(Math.pow(side, inputs))];
        float[] values = new float[nodes.length];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = (char) random.nextInt(65536);
            values[i] = nodes[i] / 65535f;
        }
        Stage twin = new Stage.Clut(new ClutGrid(sizes, outputs, values),
            trilinear ? Interpolation.MULTILINEAR : Interpolation.forInputs(inputs));
        char[] in = new char[inputs * PIXELS];
        for (int i = 0; i < in.length; i++) {
            in[i] = i < 64 ? (char) ((i & 1) * 65535) : (char) random.nextInt(65536);
        }
        char[] out = new char[outputs * PIXELS];
        Kernels.SCALAR.over(new ClutTable.Codes(inputs, outputs, new Axis(side - 1), nodes, trilinear)).apply(in, 0, out, 0, PIXELS);
        for (int p = 0; p < PIXELS; p++) {
            double[] work = new double[16];
            for (int c = 0; c < inputs; c++) {
                work[c] = in[p * inputs + c] / 65535.0;
            }
            twin.apply(work, 16, 1);
            for (int c = 0; c < outputs; c++) {
                // places have 15 bits: between nodes as far apart as these, that alone is up to two codes; three roundings come on top
                assertThat((double) out[p * outputs + c]).isCloseTo(65535 * work[c], within(trilinear || inputs == 4 ? 4.0 : 2.6));
            }
        }
    }

    /** Dark colours go through the second grid, as if they were all there is; all others through the first. */
    @Test
    public void shadowsGoThroughTheirOwnGrid() {
        ClutTable.Codes all = new ClutTable.Codes(3, 4, new Axis(8), randomCodes(4 * 729, 3), false);
        ClutTable.Codes dark = new ClutTable.Codes(3, 4, new Axis(16), randomCodes(4 * 4913, 4), false);
        Kernel both = Kernels.SCALAR.over(all, dark);
        char[] in = randomCodes(3 * PIXELS, 5);
        char[] scaled = in.clone();
        for (int i = 0; i < in.length; i++) {
            in[i] = i < in.length / 2 ? (char) (in[i] / 4) : in[i];
            scaled[i] = (char) (4 * in[i]);
        }
        in[0] = 16384; // the first that isn't dark
        char[] got = new char[4 * PIXELS];
        char[] inDark = got.clone();
        char[] inAll = got.clone();
        both.apply(in, 0, got, 0, PIXELS);
        Kernels.SCALAR.over(dark).apply(scaled, 0, inDark, 0, PIXELS);
        Kernels.SCALAR.over(all).apply(in, 0, inAll, 0, PIXELS);
        for (int p = 0; p < PIXELS; p++) {
            boolean shadow = p > 0 && (in[3 * p] | in[3 * p + 1] | in[3 * p + 2]) < 16384;
            assertThat(Arrays.copyOfRange(got, 4 * p, 4 * p + 4)).isEqualTo(Arrays.copyOfRange(shadow ? inDark : inAll, 4 * p, 4 * p + 4));
        }
    }

    /** The cube root by two square roots and a polynomial, against CIE 15:2018, 8.2.1.1 in double precision; beyond 2 it stays. */
    @Test
    public void theStandardsRootIsFollowedToAThousandthOfLightness() {
        for (double t = -0.1; t < 2; t += 0.00037) {
            double exact = t > 216.0 / 24389 ? Math.cbrt(t) : 24389.0 / 27 / 116 * t + 16.0 / 116;
            assertThat(116.0 * SinglePrecision.compressed((float) t)).as("of %s", t).isCloseTo(116 * exact, within(1e-4));
        }
        assertThat((double) SinglePrecision.compressed(100)).isCloseTo(Math.cbrt(2), within(1e-6));
    }

    /** White, black and every corner of the cube must not lose a code. */
    @Test
    public void cornersAreExact() {
        char[] nodes = randomCodes(3 * 33 * 33 * 33, 1);
        for (boolean trilinear : new boolean[] {false, true}) {
            Kernel kernel = Kernels.SCALAR.over(new ClutTable.Codes(3, 3, new Axis(32), nodes, trilinear));
            for (int corner = 0; corner < 8; corner++) {
                char[] in = {(char) ((corner >> 2) * 65535), (char) ((corner >> 1 & 1) * 65535), (char) ((corner & 1) * 65535)};
                char[] out = new char[3];
                kernel.apply(in, 0, out, 0, 1);
                int node = 3 * ((corner >> 2) * 32 * 33 * 33 + (corner >> 1 & 1) * 32 * 33 + (corner & 1) * 32);
                assertThat(out).isEqualTo(Arrays.copyOfRange(nodes, node, node + 3));
            }
        }
    }

    /** Light to L*a*b* and back to light, each against CIE 15's formulas in the colour room. */
    @Test
    public void lightBecomesLabAndLabLight() {
        float[] square = new float[65536];
        for (int i = 0; i < square.length; i++) {
            square[i] = (float) Math.pow(i / 65535.0, 2);
        }
        double[] m = {0.5, 0.4, 0.1, 0.2, 0.7, 0.1, 0.05, 0.15, 0.8};
        MatrixTrcToLab there = new MatrixTrcToLab(new float[][] {square, square, square}, m, new double[3], LabEncoding.V4);
        InverseTrc root = new InverseTrc(Math::sqrt);
        LabToLight back = new LabToLight(Matrix3.inverse(m), new double[3], new InverseTrc[] {root, root, root}, LabEncoding.V4);
        SplittableRandom random = new SplittableRandom(2);
        char[] lab = new char[3];
        char[] again = new char[3];
        for (int i = 0; i < 5000; i++) {
            char[] in = {(char) random.nextInt(65536), (char) random.nextInt(65536), (char) random.nextInt(65536)};
            there.apply(in, 0, lab, 0, 1);
            double[] xyz = Matrix3.times(m, new double[] {square[in[0]], square[in[1]], square[in[2]]});
            double[] wanted = {xyz[0] * D50.X, xyz[1], xyz[2] * D50.Z};
            D50.xyzToLab(wanted, 0);
            assertThat(lab[0] / 655.35).isCloseTo(wanted[0], within(0.002));
            assertThat(lab[1] / 257.0 - 128).isCloseTo(wanted[1], within(0.004));
            assertThat(lab[2] / 257.0 - 128).isCloseTo(wanted[2], within(0.004));
            back.apply(lab, 0, again, 0, 1);
            for (int c = 0; c < 3; c++) {
                // in light, as the root is steep in the dark and L*a*b* was rounded
                assertThat(Math.pow(again[c] / 65535.0, 2)).isCloseTo(square[in[c]], within(2e-4));
            }
        }
    }

    /** Black scaled between two tables, against the formula in XYZ. */
    @Test
    public void labScalesThroughXyz() {
        double[] m = {0.9, 0, 0, 0, 0.9, 0, 0, 0, 0.9};
        double[] offset = {0.1, 0.1, 0.1};
        char[] in = {(char) Math.round(30 * 652.8), 148 * 256, 98 * 256};
        char[] out = new char[3];
        new LabScaling(m, offset, LabEncoding.V2, LabEncoding.V4).apply(in, 0, out, 0, 1);
        double[] wanted = {30, 20, -30};
        D50.labToXyz(wanted, 0);
        wanted[0] = 0.9 * wanted[0] + 0.1 * D50.X;
        wanted[1] = 0.9 * wanted[1] + 0.1;
        wanted[2] = 0.9 * wanted[2] + 0.1 * D50.Z;
        D50.xyzToLab(wanted, 0);
        assertThat(out[0] / 655.35).isCloseTo(wanted[0], within(0.003));
        assertThat(out[1] / 257.0 - 128).isCloseTo(wanted[1], within(0.01));
        assertThat(out[2] / 257.0 - 128).isCloseTo(wanted[2], within(0.01));
    }

    @DataProvider
    Object[][] displayCurves() {
        DoubleUnaryOperator srgb = x -> x <= 0.0031308 ? 12.92 * x : 1.055 * Math.pow(x, 1 / 2.4) - 0.055; // IEC 61966-2-1
        return new Object[][] {{srgb}, {(DoubleUnaryOperator) x -> Math.pow(x, 1 / 1.8)}, {(DoubleUnaryOperator) x -> Math.pow(x, 1 / 2.2)},
            {(DoubleUnaryOperator) x -> Math.pow(x, 1 / 2.6)},
            {DoubleUnaryOperator.identity()}};
    }

    /**
     * A table over the logarithm of light follows each curve to an eighth of a code, and rounding, from no light at all up to full; it
     * never falls.
     */
    @Test(dataProvider = "displayCurves")
    public void aLightTableFollowsItsCurve(DoubleUnaryOperator curve) {
        InverseTrc table = new InverseTrc(curve);
        assertThat((int) table.code(0)).isZero();
        assertThat((int) table.code(1)).isEqualTo(65535);
        assertThat((int) table.code(2)).isEqualTo(65535);
        assertThat((int) table.code(-1)).isZero();
        assertThat((int) table.code(Float.NaN)).as("no number, as the vector loops have it").isEqualTo(65535);
        int last = 0;
        for (double light = 1e-9; light < 1; light *= 1.0037) {
            int code = table.code((float) light);
            assertThat((double) code).isCloseTo(65535 * curve.applyAsDouble(light), within(0.63));
            assertThat(code).isGreaterThanOrEqualTo(last);
            last = code;
        }
    }

    /** Kernels work through blocks of their own size; where one ends must not show. */
    @Test
    public void stripsOfAnyLengthAndStartGiveTheSameCodes() {
        char[] nodes = randomCodes(3 * 9 * 9 * 9, 6);
        Kernel cube = Kernels.SCALAR.over(new ClutTable.Codes(3, 3, new Axis(8), nodes, false));
        char[] straight = identity();
        Kernel whole = Sequence.of(new CodeTables(new char[][] {straight, straight, straight}), cube, cube);
        int pixels = 20_000;
        char[] in = randomCodes(3 * pixels, 7);
        char[] once = new char[in.length];
        whole.apply(in, 0, once, 0, pixels);
        char[] inParts = new char[in.length];
        for (int from = 0, step = 1; from < pixels; from += step, step = Math.min(pixels - from, 3 * step + 1)) {
            whole.apply(in, 3 * from, inParts, 3 * from, step);
        }
        assertThat(inParts).isEqualTo(once);
        whole.apply(in, 0, in, 0, pixels);
        assertThat(in).as("in place").isEqualTo(once);
    }

    @Test
    public void shapersStandBeforeAndAfterTheirKernel() {
        char[] negative = new char[65536];
        char[] halved = new char[65536];
        for (int i = 0; i < 65536; i++) {
            negative[i] = (char) (65535 - i);
            halved[i] = (char) (i / 2);
        }
        Kernel same = new FirstInputTable(1, new char[][] {identity()});
        char[] out = new char[2];
        Sequence.of(new CodeTables(new char[][] {negative}), same, new CodeTables(new char[][] {halved})).apply(new char[] {0, 65535}, 0,
            out,
            0, 2);
        assertThat(out).containsExactly((char) 32767, (char) 0);
    }

    private static char[] randomCodes(int count, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        char[] codes = new char[count];
        for (int i = 0; i < count; i++) {
            codes[i] = (char) random.nextInt(65536);
        }
        return codes;
    }

    private static char[] identity() {
        char[] codes = new char[65536];
        for (int i = 0; i < 65536; i++) {
            codes[i] = (char) i;
        }
        return codes;
    }
}
