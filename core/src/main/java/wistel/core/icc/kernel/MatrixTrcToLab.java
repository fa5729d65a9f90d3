package wistel.core.icc.kernel;

import java.util.Arrays;
import wistel.core.colour.LabEncoding;

/**
 * Three channels through curves and a matrix to L*a*b* codes: what stands before a printer's table when the picture's profile is curves
 * and a matrix.
 *
 * @param first  65536 values of light a channel; equal ones best shared
 * @param matrix row-major, light to XYZ over its white
 */
public record MatrixTrcToLab(float[][] first, double[] matrix, double[] offset, LabEncoding codes) implements Kernel {
    @Override
    public long bytes() {
        return Arrays.stream(first).distinct().count() * 4L * 65536;
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        double[] m = matrix;
        float[] red = first[0];
        float[] green = first[1];
        float[] blue = first[2];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            double r = red[in[i]];
            double g = green[in[i + 1]];
            double b = blue[in[i + 2]];
            codes.write(m[0] * r + m[1] * g + m[2] * b + offset[0], m[3] * r + m[4] * g + m[5] * b + offset[1],
                m[6] * r + m[7] * g + m[8] * b + offset[2], out, o);
        }
    }
}
