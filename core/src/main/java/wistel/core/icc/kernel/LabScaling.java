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
        float[] m = SinglePrecision.rows(matrix, offset);
        float[] v = new float[3];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            SinglePrecision.xyz(in, i, from, v);
            SinglePrecision.writeLab(SinglePrecision.row(m, 0, v[0], v[1], v[2]), SinglePrecision.row(m, 4, v[0], v[1], v[2]),
                SinglePrecision.row(m, 8, v[0], v[1], v[2]), to, out, o);
        }
    }
}
