package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Three channels through curves, a matrix and curves again: no grid, no interpolation between colours. The matrix takes double precision:
 * where it all but cancels light, a display's curves are steep enough to show single precision's last bits.
 *
 * @param first  65536 values of light a channel; equal ones best shared
 * @param matrix row-major, a row for each output, light to light
 * @param offset added after it
 * @param last   a curve for each output
 */
public record MatrixCurves(double[][] first, double[] matrix, double[] offset, InverseTrc[] last) implements LightKernel {
    @Override
    public int outputs() {
        return last.length;
    }

    @Override
    public long bytes() {
        return Arrays.stream(first).distinct().count() * 8L * 65536 + last.length * InverseTrc.bytes();
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out, PlaneLoops by) {
        double[][] lit = new double[3][BLOCK];
        float[][] light = new float[last.length][BLOCK];
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < 3; c++) {
            int channel = c;
            loops.add(n -> PlaneLoops.look(first[channel], in[channel], lit[channel], n));
        }
        for (int c = 0; c < last.length; c++) {
            int row = 3 * c;
            double added = offset[c];
            float[] mixed = light[c];
            loops.add(n -> mix(matrix[row], matrix[row + 1], matrix[row + 2], added, lit[0], lit[1], lit[2], mixed, n));
        }
        loops.addAll(by.codes(last, light, out));
        return loops;
    }

    private static void mix(double a, double b, double c, double d, double[] x, double[] y, double[] z, float[] mixed, int count) {
        for (int p = 0; p < count; p++) {
            mixed[p] = (float) (a * x[p] + b * y[p] + c * z[p] + d);
        }
    }
}
