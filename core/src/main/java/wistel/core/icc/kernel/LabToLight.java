package wistel.core.icc.kernel;

import wistel.core.colour.LabEncoding;

/**
 * L*a*b* codes to a display that is curves and a matrix, by arithmetic: no grid would follow the clipping of colours it can't show, nor
 * the steep start of its curves.
 *
 * @param matrix row-major, XYZ over its white to light
 * @param offset added after it
 */
public record LabToLight(double[] matrix, double[] offset, InverseTrc[] last, LabEncoding codes) implements Kernel {
    @Override
    public long bytes() {
        return 3 * InverseTrc.bytes();
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        double l = 1 / (116 * codes.lightness());
        double a = 1 / (500 * codes.chroma());
        double b = 1 / (200 * codes.chroma());
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            double fy = in[i] * l + 16 / 116.0;
            double x = LabEncoding.expanded(fy + in[i + 1] * a + codes.lowest() / 500);
            double y = LabEncoding.expanded(fy);
            double z = LabEncoding.expanded(fy - in[i + 2] * b - codes.lowest() / 200);
            write(x, y, z, out, o);
        }
    }

    /** XYZ over its white. */
    void write(double x, double y, double z, char[] out, int o) {
        double[] m = matrix;
        out[o] = last[0].code(m[0] * x + m[1] * y + m[2] * z + offset[0]);
        out[o + 1] = last[1].code(m[3] * x + m[4] * y + m[5] * z + offset[1]);
        out[o + 2] = last[2].code(m[6] * x + m[7] * y + m[8] * z + offset[2]);
    }
}
