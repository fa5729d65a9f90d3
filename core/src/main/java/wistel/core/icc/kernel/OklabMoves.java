package wistel.core.icc.kernel;

import wistel.core.colour.LabEncoding;
import wistel.core.colour.Matrix3;
import wistel.core.colour.Oklab;

/**
 * L*a*b* codes to a device that is curves and a matrix by way of Oklab, whose plane is changed by a table of two inputs, read bilinearly. Nothing is
 * clipped before the device's own codes are.
 *
 * @param plane a, b and what is added to Oklab's L, weighted 4 L (1 - L), at {@link #SIDE} x {@link #SIDE} nodes of a and b from -{@link #RANGE} to {@link #RANGE}
 * @param tint  what is added to a* and b* by L*, two values for each of {@link #TINTS} + 1 lightnesses; empty for nothing
 * @param end   from the codes that come in to the device
 */
public record OklabMoves(float[] plane, float[] tint, LabToLight end) implements Kernel {
    public static final int SIDE = 257;
    public static final double RANGE = 0.5;
    public static final int TINTS = 256;
    private static final double[] CONES = Oklab.conesOfRelativeXyz();
    private static final double[] OK = Oklab.ofCones();
    private static final double[] BACK = Matrix3.inverse(OK);
    private static final double[] XYZ = Matrix3.inverse(CONES);

    @Override
    public long bytes() {
        return 4L * (plane.length + tint.length) + end.bytes();
    }

    /** Oklab's a or b at a node: by squares, so that nodes lie nearest where moves fade out. */
    public static double node(int i) {
        double from = 2.0 * i / (SIDE - 1) - 1;
        return from * Math.abs(from) * RANGE;
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        double[] v = new double[3];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            toOklab(in, i, end.codes(), v);
            moved(v);
            toXyz(v);
            if (tint.length > 0) {
                tinted(v);
            }
            end.write(v[0], v[1], v[2], out, o);
        }
    }

    static void toOklab(char[] in, int i, LabEncoding codes, double[] v) {
        double fy = in[i] * (1 / (116 * codes.lightness())) + 16 / 116.0;
        double fx = fy + in[i + 1] * (1 / (500 * codes.chroma())) + codes.lowest() / 500;
        double fz = fy - in[i + 2] * (1 / (200 * codes.chroma())) - codes.lowest() / 200;
        v[0] = LabEncoding.expanded(fx);
        v[1] = LabEncoding.expanded(fy);
        v[2] = LabEncoding.expanded(fz);
        times(CONES, v);
        v[0] = LabEncoding.cubeRoot(v[0]);
        v[1] = LabEncoding.cubeRoot(v[1]);
        v[2] = LabEncoding.cubeRoot(v[2]);
        times(OK, v);
    }

    private static void times(double[] m, double[] v) {
        double x = v[0];
        double y = v[1];
        double z = v[2];
        v[0] = m[0] * x + m[1] * y + m[2] * z;
        v[1] = m[3] * x + m[4] * y + m[5] * z;
        v[2] = m[6] * x + m[7] * y + m[8] * z;
    }

    private void moved(double[] v) {
        double a = placed(v[1]);
        double b = placed(v[2]);
        int row = Math.min(SIDE - 2, (int) a);
        int column = Math.min(SIDE - 2, (int) b);
        float down = (float) (a - row);
        float right = (float) (b - column);
        int at = 3 * (row * SIDE + column);
        int below = at + 3 * SIDE;
        double lighter = mixed(plane[at + 2], plane[at + 5], plane[below + 2], plane[below + 5], down, right);
        v[0] += lighter * Math.max(0, 4 * v[0] * (1 - v[0]));
        v[1] = mixed(plane[at], plane[at + 3], plane[below], plane[below + 3], down, right);
        v[2] = mixed(plane[at + 1], plane[at + 4], plane[below + 1], plane[below + 4], down, right);
    }

    /** In nodes; what lies outside is taken to the edge. */
    static double placed(double v) {
        double from = Math.sqrt(Math.min(1, Math.abs(v) / RANGE));
        return (v < 0 ? 1 - from : 1 + from) * ((SIDE - 1) / 2.0);
    }

    static float mixed(float a, float b, float c, float d, float down, float right) {
        float above = a + (b - a) * right;
        return above + (c + (d - c) * right - above) * down;
    }

    /** XYZ over its white. */
    private static void toXyz(double[] v) {
        times(BACK, v);
        v[0] *= v[0] * v[0];
        v[1] *= v[1] * v[1];
        v[2] *= v[2] * v[2];
        times(XYZ, v);
    }

    private void tinted(double[] v) {
        double fy = LabEncoding.compressed(v[1]);
        double at = Math.max(0, Math.min(TINTS, (116 * fy - 16) * (TINTS / 100.0)));
        int step = Math.min(TINTS - 1, (int) at);
        double part = at - step;
        double a = tint[2 * step] + (tint[2 * step + 2] - tint[2 * step]) * part;
        double b = tint[2 * step + 1] + (tint[2 * step + 3] - tint[2 * step + 1]) * part;
        v[0] = LabEncoding.expanded(LabEncoding.compressed(v[0]) + a / 500);
        v[2] = LabEncoding.expanded(LabEncoding.compressed(v[2]) - b / 200);
    }
}
