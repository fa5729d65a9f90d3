package wistel.core.icc.kernel;

import java.util.Arrays;

/**
 * Three channels through curves, a matrix and curves again: no grid, no interpolation between colours. The matrix takes double precision:
 * where it all but cancels light, a display's curves are steep enough to show single precision's last bits.
 *
 * @param first  65536 values of light a channel; equal ones best shared
 * @param matrix row-major, light to light
 * @param offset added after it
 */
public record MatrixCurves(double[][] first, double[] matrix, double[] offset, InverseTrc[] last) implements Kernel {
    @Override
    public long bytes() {
        return Arrays.stream(first).distinct().count() * 8L * 65536 + 3 * InverseTrc.bytes();
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        double[] m = matrix;
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            double r = first[0][in[i]];
            double g = first[1][in[i + 1]];
            double b = first[2][in[i + 2]];
            out[o] = last[0].code(m[0] * r + m[1] * g + m[2] * b + offset[0]);
            out[o + 1] = last[1].code(m[3] * r + m[4] * g + m[5] * b + offset[1]);
            out[o + 2] = last[2].code(m[6] * r + m[7] * g + m[8] * b + offset[2]);
        }
    }
}
