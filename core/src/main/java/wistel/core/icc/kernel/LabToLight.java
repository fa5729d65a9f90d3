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
        float[] m = SinglePrecision.rows(matrix, offset);
        float[] v = new float[3];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            SinglePrecision.xyz(in, i, codes, v);
            write(m, v[0], v[1], v[2], out, o);
        }
    }

    /**
     * XYZ over its white.
     *
     * @param m the matrix's rows
     */
    void write(float[] m, float x, float y, float z, char[] out, int o) {
        out[o] = last[0].code(SinglePrecision.row(m, 0, x, y, z));
        out[o + 1] = last[1].code(SinglePrecision.row(m, 4, x, y, z));
        out[o + 2] = last[2].code(SinglePrecision.row(m, 8, x, y, z));
    }
}
