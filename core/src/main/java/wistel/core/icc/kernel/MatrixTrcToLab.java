package wistel.core.icc.kernel;

import java.util.Arrays;
import wistel.core.colour.LabEncoding;

/**
 * Three channels through curves and a matrix to L*a*b* codes: what stands before a printer's table when the picture's profile is curves
 * and a matrix. Single precision is good for a hundredth of a code.
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
        float[] m = SinglePrecision.rows(matrix, offset);
        float[] red = first[0];
        float[] green = first[1];
        float[] blue = first[2];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            float r = red[in[i]];
            float g = green[in[i + 1]];
            float b = blue[in[i + 2]];
            SinglePrecision.writeLab(SinglePrecision.row(m, 0, r, g, b), SinglePrecision.row(m, 4, r, g, b),
                SinglePrecision.row(m, 8, r, g, b), codes, out, o);
        }
    }
}
