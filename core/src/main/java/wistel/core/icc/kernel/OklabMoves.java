package wistel.core.icc.kernel;

import static wistel.core.icc.kernel.SinglePrecision.row;

import wistel.core.colour.LabEncoding;
import wistel.core.colour.Matrix3;
import wistel.core.colour.Oklab;

/**
 * L*a*b* codes to a device that is curves and a matrix by way of Oklab, whose plane is changed by a table of two inputs, read bilinearly.
 * Nothing is clipped before the device's own codes are. Single precision is good for a tenth of a code.
 *
 * @param plane {@link #WIDTH} numbers for each of {@link #SIDE} x {@link #SIDE} nodes of a and b from -{@link #RANGE} to {@link #RANGE}: a,
 *              b, what is added to Oklab's L, weighted 4 L (1 - L), and nothing
 * @param tint  what is added to a* and b* by L*, two values for each of {@link #TINTS} + 1 lightnesses; empty for nothing
 * @param end   from the codes that come in to the device
 */
public record OklabMoves(float[] plane, float[] tint, LabToLight end) implements Kernel {
    public static final int SIDE = 257;
    public static final int WIDTH = 4;
    public static final float RANGE = 0.5f;
    public static final int TINTS = 256;
    private static final double[] NOTHING = new double[3];
    /**
     * XYZ over its white to the cones, their roots to Oklab, and back; rows as {@link SinglePrecision#rows} gives them. Not to be changed.
     */
    public static final float[] CONES = SinglePrecision.rows(Oklab.conesOfRelativeXyz(), NOTHING);
    public static final float[] OK = SinglePrecision.rows(Oklab.ofCones(), NOTHING);
    public static final float[] ROOTS = SinglePrecision.rows(Matrix3.inverse(Oklab.ofCones()), NOTHING);
    public static final float[] XYZ = SinglePrecision.rows(Matrix3.inverse(Oklab.conesOfRelativeXyz()), NOTHING);

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
        float[] v = new float[3];
        float[] m = SinglePrecision.rows(end.matrix(), end.offset());
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            toOklab(in, i, end.codes(), v);
            moved(v);
            times(ROOTS, v);
            v[0] = v[0] * v[0] * v[0];
            v[1] = v[1] * v[1] * v[1];
            v[2] = v[2] * v[2] * v[2];
            times(XYZ, v);
            if (tint.length > 0) {
                tinted(v);
            }
            end.write(m, v[0], v[1], v[2], out, o);
        }
    }

    static void toOklab(char[] in, int i, LabEncoding codes, float[] v) {
        SinglePrecision.xyz(in, i, codes, v);
        times(CONES, v);
        v[0] = SinglePrecision.signedCubeRoot(v[0]);
        v[1] = SinglePrecision.signedCubeRoot(v[1]);
        v[2] = SinglePrecision.signedCubeRoot(v[2]);
        times(OK, v);
    }

    private static void times(float[] m, float[] v) {
        float x = v[0];
        float y = v[1];
        float z = v[2];
        v[0] = row(m, 0, x, y, z);
        v[1] = row(m, 4, x, y, z);
        v[2] = row(m, 8, x, y, z);
    }

    private void moved(float[] v) {
        float a = placed(v[1]);
        float b = placed(v[2]);
        int row = cell(a);
        int column = cell(b);
        float down = a - row;
        float right = b - column;
        int at = WIDTH * (row * SIDE + column);
        float lighter = mixed(plane, at + 2, down, right);
        v[0] = v[0] + lighter * Math.max(0, v[0] * 4 * (1 - v[0]));
        v[1] = mixed(plane, at, down, right);
        v[2] = mixed(plane, at + 1, down, right);
    }

    /** In nodes; what lies outside is taken to the edge. */
    static float placed(float v) {
        float from = (float) Math.sqrt(Math.min(1, Math.abs(v) * (1 / RANGE)));
        return ((v < 0 ? -from : from) + 1) * ((SIDE - 1) / 2);
    }

    static int cell(float place) {
        return Math.min(SIDE - 2, (int) place);
    }

    private static float mixed(float[] plane, int at, float down, float right) {
        int below = at + WIDTH * SIDE;
        return mixed(plane[at], plane[at + WIDTH], plane[below], plane[below + WIDTH], down, right);
    }

    static float mixed(float a, float b, float c, float d, float down, float right) {
        float above = (b - a) * right + a;
        float under = (d - c) * right + c;
        return (under - above) * down + above;
    }

    private void tinted(float[] v) {
        float fy = SinglePrecision.compressed(v[1]);
        float at = Math.max(0, Math.min(TINTS, (fy * 116 - 16) * (TINTS / 100f)));
        int step = Math.min(TINTS - 1, (int) at);
        float part = at - step;
        v[0] = SinglePrecision.expanded(SinglePrecision.compressed(v[0]) + tint(2 * step, part) / 500 - SinglePrecision.BLACK);
        v[2] = SinglePrecision.expanded(SinglePrecision.compressed(v[2]) - tint(2 * step + 1, part) / 200 - SinglePrecision.BLACK);
    }

    /** Between an entry and the next of its kind. */
    public float tint(int at, float part) {
        return (tint[at + 2] - tint[at]) * part + tint[at];
    }
}
