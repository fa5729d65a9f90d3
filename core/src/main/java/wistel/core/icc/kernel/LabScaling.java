package wistel.core.icc.kernel;

import wistel.core.colour.LabEncoding;

/** L*a*b* codes through a linear change of XYZ over its white, as black point compensation between two tables is. */
public record LabScaling(double[] matrix, double[] offset, LabEncoding from, LabEncoding to) implements Kernel {
    @Override
    public long bytes() {
        return 0;
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        double[] m = matrix;
        double l = 1 / (116 * from.lightness());
        double a = 1 / (500 * from.chroma());
        double b = 1 / (200 * from.chroma());
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            double fy = in[i] * l + 16 / 116.0;
            double x = LabEncoding.expanded(fy + in[i + 1] * a + from.lowest() / 500);
            double y = LabEncoding.expanded(fy);
            double z = LabEncoding.expanded(fy - in[i + 2] * b - from.lowest() / 200);
            to.write(m[0] * x + m[1] * y + m[2] * z + offset[0], m[3] * x + m[4] * y + m[5] * z + offset[1],
                m[6] * x + m[7] * y + m[8] * z + offset[2], out, o);
        }
    }
}
