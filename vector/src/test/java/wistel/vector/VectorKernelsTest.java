package wistel.vector;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Matrix3;
import wistel.core.icc.kernel.Axis;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.InverseTrc;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.MatrixCurves;
import wistel.core.icc.kernel.MatrixTrcToLab;
import wistel.core.icc.kernel.OklabMix;
import wistel.core.icc.kernel.OklabMoves;

/** The vector loops against the scalar ones: the same codes. */
public class VectorKernelsTest {
    private static final int PIXELS = 20_011;
    private static final double[] MATRIX = {0.5, 0.38, 0.14, 0.22, 0.72, 0.06, -0.02, 0.09, 0.95};

    private KernelFamily vector;

    @BeforeClass
    public void warm() throws InterruptedException {
        vector = Kernels.best();
        if (vector instanceof VectorKernels kernels) {
            assertThat(kernels.awaitWarm()).as("the vector loops agree with the scalar ones").isTrue();
        }
    }

    /** This build's own machine has vectors of eight lanes and more; elsewhere the scalar loops must be what is chosen. */
    @Test
    public void theVectorLoopsAreChosenWhereTheJvmHasThem() {
        assertThat(vector.name()).startsWith(Lanes.N >= 8 ? "vector" : "scalar");
    }

    private static char[] pixels(int inputs) {
        SplittableRandom random = new SplittableRandom(inputs);
        char[] pixels = new char[inputs * PIXELS];
        for (int i = 0; i < pixels.length; i++) {
            // ends and nodes as often as anything between
            pixels[i] = random.nextInt(5) == 0 ? (char) (random.nextInt(2) * 65535) : (char) random.nextInt(65536);
        }
        return pixels;
    }

    private static ClutTable.Codes randomCube(int inputs, int outputs, int side, boolean trilinear) {
        char[] nodes = new char[outputs * (int) Math.round(Math.pow(side, inputs))];
        SplittableRandom random = new SplittableRandom(side);
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = (char) random.nextInt(65536);
        }
        return new ClutTable.Codes(inputs, outputs, new Axis(side - 1), nodes, trilinear);
    }

    @DataProvider
    Object[][] cubes() {
        return new Object[][] {{3, 3, 17, false}, {3, 4, 33, false}, {3, 3, 128, false}, {3, 3, 33, true}, {3, 4, 9, true},
            {4, 3, 9, false}, {4, 4, 11, false},
            {3, 1, 17, false}, {3, 6, 9, false}};
    }

    @Test(dataProvider = "cubes")
    public void interpolationGivesTheScalarLoopsCodes(int inputs, int outputs, int side, boolean trilinear) {
        ClutTable.Codes cube = randomCube(inputs, outputs, side, trilinear);
        compare(vector.over(cube), Kernels.SCALAR.over(cube), pixels(inputs), inputs, outputs);
    }

    @Test
    public void shadowsGiveTheScalarLoopsCodes() {
        for (int outputs = 1; outputs <= 6; outputs++) {
            ClutTable.Codes all = randomCube(3, outputs, 17, false);
            ClutTable.Codes dark = randomCube(3, outputs, 9, false);
            char[] in = pixels(3);
            for (int i = 0; i < in.length / 2; i++) {
                in[i] = (char) (in[i] / 3);
            }
            compare(vector.over(all, dark), Kernels.SCALAR.over(all, dark), in, 3, outputs);
        }
    }

    private static void compare(Kernel lanes, Kernel scalar, char[] in, int inputs, int outputs) {
        char[] a = new char[outputs * PIXELS + 8];
        char[] b = new char[outputs * PIXELS + 8];
        a[outputs * PIXELS] = 4711;
        // an odd start and an odd count: whole vectors, and the few pixels after them
        lanes.apply(in, inputs, a, outputs, PIXELS - 1);
        scalar.apply(in, inputs, b, outputs, PIXELS - 1);
        for (int i = outputs; i < outputs * PIXELS; i++) {
            assertThat((int) a[i]).as("sample %s of pixel %s", i % outputs, i / outputs).isEqualTo(b[i]);
        }
        assertThat((int) a[outputs * PIXELS]).as("what lies behind the last pixel").isEqualTo(4711);
    }

    /** A little darker. */
    private static float[] tones() {
        float[] tones = new float[OklabMoves.TONES + 1];
        for (int i = 0; i <= OklabMoves.TONES; i++) {
            float l = (float) i / OklabMoves.TONES;
            tones[i] = l * (0.7f + 0.3f * l);
        }
        return tones;
    }

    private static InverseTrc[] root() {
        InverseTrc table = new InverseTrc(light -> Math.pow(light, 1 / 2.2));
        return new InverseTrc[] {table, table, table};
    }

    @Test
    public void lightToLabGivesTheScalarLoopsCodes() {
        float[] curve = new float[65536];
        for (int i = 0; i < curve.length; i++) {
            curve[i] = (float) Math.pow(i / 65535.0, 2.2);
        }
        MatrixTrcToLab light = new MatrixTrcToLab(new float[][] {curve, curve, curve}, MATRIX, new double[] {0.001, 0, 0.002},
            LabEncoding.V4);
        compare(vector.by(light), light, pixels(3), 3, 3);
    }

    /** Colours of a picture: L*a*b* near gray and far from it, all of them lights that a display can hold or nearly. */
    @Test
    public void labToLightGivesTheScalarLoopsCodes() {
        char[] codes = new char[3 * PIXELS];
        float[] linear = new float[65536];
        for (int i = 0; i < linear.length; i++) {
            linear[i] = i / 65535f;
        }
        new MatrixTrcToLab(new float[][] {linear, linear, linear}, MATRIX, new double[3], LabEncoding.V2).apply(pixels(3), 0, codes, 0,
            PIXELS);
        LabToLight light = new LabToLight(Matrix3.inverse(MATRIX), new double[3], root(), LabEncoding.V2);
        compare(vector.by(light), light, codes, 3, 3);
    }

    /** Between two displays, colours out of gamut and cancelled light included: the matrix is in double precision in both loops. */
    @Test
    public void lightToLightGivesTheScalarLoopsCodes() {
        double[] curve = new double[65536];
        for (int i = 0; i < curve.length; i++) {
            curve[i] = Math.pow(i / 65535.0, 2.2);
        }
        double[] narrower = {1.66, -0.59, -0.07, -0.12, 1.13, -0.01, -0.02, -0.1, 1.12};
        MatrixCurves light = new MatrixCurves(new double[][] {curve, curve, curve}, narrower, new double[] {0, 1e-7, 0}, root());
        compare(vector.by(light), light, pixels(3), 3, 3);
    }

    @DataProvider
    Object[][] tints() {
        return new Object[][] {{0f}, {3f}};
    }

    /** Any codes at all, so that colours no device has are among them, and a plane with a turn, a squeeze and a lift in it. */
    @Test(dataProvider = "tints")
    public void movesInOklabGiveTheScalarLoopsCodes(float tint) {
        float[] plane = new float[OklabMoves.WIDTH * OklabMoves.SIDE * OklabMoves.SIDE];
        for (int i = 0; i < OklabMoves.SIDE * OklabMoves.SIDE; i++) {
            double a = OklabMoves.node(i / OklabMoves.SIDE);
            double b = OklabMoves.node(i % OklabMoves.SIDE);
            plane[OklabMoves.WIDTH * i] = (float) (0.9 * a - 0.1 * b);
            plane[OklabMoves.WIDTH * i + 1] = (float) (0.1 * a + 1.2 * b);
            plane[OklabMoves.WIDTH * i + 2] = (float) (0.2 * a);
        }
        float[] tints = new float[tint == 0 ? 0 : 2 * (OklabMoves.TINTS + 1)];
        for (int i = 0; i < tints.length; i++) {
            tints[i] = tint * (i % 7);
        }
        OklabMoves moves = new OklabMoves(plane, tones(), tints,
            new LabToLight(Matrix3.inverse(MATRIX), new double[] {0.001, 0, 0}, root(), LabEncoding.WIDE));
        compare(vector.moved(moves), moves, pixels(3), 3, 3);
    }

    @Test
    public void theMonochromeMixGivesTheScalarLoopsCodes() {
        float[] lighter = new float[OklabMoves.SIDE * OklabMoves.SIDE];
        for (int i = 0; i < lighter.length; i++) {
            lighter[i] = (float) (60 * OklabMoves.node(i / OklabMoves.SIDE) - 30 * OklabMoves.node(i % OklabMoves.SIDE));
        }
        OklabMix mix = new OklabMix(lighter, LabEncoding.WIDE);
        compare(vector.mixed(mix), mix, pixels(3), 3, 3);
    }

    private static LabToLight nowhere(double factor) {
        return new LabToLight(new double[] {factor, 0, 0, 0, factor, 0, 0, 0, factor}, new double[3], root(), LabEncoding.V2);
    }

    /** A damaged display's matrix may hold anything: what is no light is dark or full, never a place outside a table. */
    @Test
    public void lightsThatAreNoNumbersStayInsideTheTables() {
        char[] in = pixels(3);
        char[] out = new char[in.length];
        for (double factor : new double[] {Double.NaN, Double.POSITIVE_INFINITY, -1e30, 1e30}) {
            vector.by(nowhere(factor)).apply(in, 0, out, 0, PIXELS);
        }
        assertThat((int) out[3 * 7]).isIn(0, 65535);
    }

    /** A kernel holds nothing of a call: several threads use one, each on strips of its own. */
    @Test
    public void oneKernelServesSeveralThreads() {
        Kernel kernel = vector.over(randomCube(3, 3, 17, false));
        char[] in = pixels(3);
        char[] once = new char[in.length];
        kernel.apply(in, 0, once, 0, PIXELS);
        char[] together = new char[in.length];
        int strip = 160;
        IntStream.range(0, (PIXELS + strip - 1) / strip).parallel()
            .forEach(s -> kernel.apply(in, 3 * strip * s, together, 3 * strip * s, Math.min(strip, PIXELS - strip * s)));
        for (int i = 0; i < in.length; i++) {
            assertThat((int) together[i]).isEqualTo(once[i]);
        }
    }

    /** A picture may be turned in its own array. */
    @Test
    public void pixelsMayBeReplacedInPlace() {
        LabToLight light = new LabToLight(Matrix3.inverse(MATRIX), new double[3], root(), LabEncoding.V2);
        char[] in = pixels(3);
        char[] out = new char[in.length];
        vector.by(light).apply(in, 0, out, 0, PIXELS);
        vector.by(light).apply(in, 0, in, 0, PIXELS);
        assertThat(in).isEqualTo(out);
    }
}
