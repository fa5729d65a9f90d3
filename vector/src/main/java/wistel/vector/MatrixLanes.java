package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import java.util.ArrayList;
import java.util.List;
import wistel.core.icc.kernel.MatrixCurves;

/** {@link MatrixCurves}, its matrix in double precision too: plain loops, which the compiler spreads over lanes by itself. */
final class MatrixLanes extends LaneKernel {
    private final MatrixCurves light;

    MatrixLanes(MatrixCurves light) {
        super(() -> light, 3, 3);
        this.light = light;
    }

    @Override
    long own() {
        return 0;
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[][] codes = new int[3][BLOCK];
        double[][] in = new double[3][BLOCK];
        float[][] values = new float[3][BLOCK];
        List<Loop> loops = new ArrayList<>(
            List.of(n -> Planes.deinterleave(strip.in, strip.inAt, codes[0], codes[1], codes[2], n), n -> look(codes, in, n)));
        for (int row = 0; row < 3; row++) {
            double[] m = {light.matrix()[3 * row], light.matrix()[3 * row + 1], light.matrix()[3 * row + 2], light.offset()[row]};
            float[] channel = values[row];
            loops.add(n -> mix(in[0], in[1], in[2], m, channel, n));
        }
        loops.addAll(LightTables.loops(light.last(), values, codes));
        loops.add(n -> Planes.together(codes[0], codes[1], codes[2], strip.out, strip.outAt, n));
        return loops;
    }

    private void look(int[][] codes, double[][] values, int count) {
        for (int c = 0; c < 3; c++) {
            look(light.first()[c], codes[c], values[c], count);
        }
    }

    private static void look(double[] table, int[] codes, double[] values, int count) {
        for (int p = 0; p < count; p++) {
            values[p] = table[codes[p]];
        }
    }

    private static void mix(double[] x, double[] y, double[] z, double[] m, float[] out, int count) {
        double a = m[0];
        double b = m[1];
        double c = m[2];
        double d = m[3];
        for (int p = 0; p < count; p++) {
            out[p] = (float) (a * x[p] + b * y[p] + c * z[p] + d);
        }
    }
}
