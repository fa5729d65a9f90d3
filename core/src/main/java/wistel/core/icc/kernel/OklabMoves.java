package wistel.core.icc.kernel;

import static wistel.core.icc.kernel.SinglePrecision.row;

import java.util.ArrayList;
import java.util.List;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Matrix3;
import wistel.core.colour.Oklab;

/**
 * L*a*b* codes to a device that is curves and a matrix by way of Oklab, whose plane is changed by a table of two inputs, read bilinearly.
 * Before that, a table moves Oklab's L. Nothing is clipped before the device's own codes are. Single precision is good for a tenth of a
 * code.
 *
 * @param plane {@link #WIDTH} numbers for each of {@link #SIDE} x {@link #SIDE} nodes of a and b from -{@link #RANGE} to {@link #RANGE}: a,
 *              b, what is added to Oklab's L, weighted 4 L (1 - L), and nothing
 * @param tones what Oklab's L becomes, at {@link #TONES} + 1 of its values from 0 to 1; chroma falls with it where it falls, and in lifted
 *              shadows. Empty for nothing
 * @param tint  what is added to a* and b* by L*, two values for each of {@link #TINTS} + 1 lightnesses; empty for nothing
 * @param end   from the codes that come in to the device
 */
public record OklabMoves(float[] plane, float[] tones, float[] tint, LabToLight end) implements Kernel {
    public static final int SIDE = 257;
    public static final int WIDTH = 4;
    public static final float RANGE = 0.5f;
    public static final int TINTS = 256;
    public static final int TONES = 4096;
    /** Below this L there is no chroma to speak of. */
    public static final float DARKEST = 1e-6f;
    /** L over that of the joint of the standard's f (CIE 15:2018, 8.2.1.1). */
    public static final float SHOWN = 29 / 6f;
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
        return 4L * (plane.length + tones.length + tint.length) + end.bytes();
    }

    /** Oklab's a or b at a node: by squares, so that nodes lie nearest where moves fade out. */
    public static double node(int i) {
        double from = 2.0 * i / (SIDE - 1) - 1;
        return from * Math.abs(from) * RANGE;
    }

    @Override
    public int inputs() {
        return 3;
    }

    @Override
    public int outputs() {
        return 3;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        float[][] light = new float[3][BLOCK];
        float[] m = SinglePrecision.rows(end.matrix(), end.offset());
        List<Loop> loops = new ArrayList<>();
        loops.add(n -> light(in, m, light, n));
        loops.addAll(PlaneLoops.PLAIN.codes(end.last(), light, out));
        return loops;
    }

    private void light(int[][] in, float[] m, float[][] light, int count) {
        float[] v = new float[3];
        for (int p = 0; p < count; p++) {
            toOklab(in, p, end.codes(), v);
            if (tones.length > 0) {
                toned(v);
            }
            moved(v);
            times(ROOTS, v);
            v[0] = v[0] * v[0] * v[0];
            v[1] = v[1] * v[1] * v[1];
            v[2] = v[2] * v[2] * v[2];
            times(XYZ, v);
            if (tint.length > 0) {
                tinted(v);
            }
            times(m, v);
            light[0][p] = v[0];
            light[1][p] = v[1];
            light[2][p] = v[2];
        }
    }

    static void toOklab(int[][] in, int p, LabEncoding codes, float[] v) {
        SinglePrecision.xyz(in[0][p], in[1][p], in[2][p], codes, v);
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

    private void toned(float[] v) {
        float inside = Math.min(Math.max(v[0], 0), 1);
        float place = inside * TONES;
        int cell = Math.min((int) place, TONES - 1);
        float moved = (tones[cell + 1] - tones[cell]) * (place - cell) + tones[cell] + (v[0] - inside);
        float darker = Math.min(Math.max(moved / Math.max(v[0], DARKEST), 0), 1);
        float share = darker * Math.min(shown(v[0]) / Math.max(shown(moved), DARKEST * DARKEST), 1);
        v[0] = moved;
        v[1] = v[1] * share;
        v[2] = v[2] * share;
    }

    /** How much of Oklab's chroma L*a*b* shows: below the joint of the standard's f a share that falls with the square of L. */
    private static float shown(float l) {
        float part = l * SHOWN;
        return Math.min(part * part, 1);
    }

    /** What lies outside the table is moved as the colour of its hue at the edge, in proportion. */
    private void moved(float[] v) {
        float beyond = Math.max(Math.max(Math.abs(v[1]), Math.abs(v[2])) * (1 / RANGE), 1);
        float a = placed(v[1] / beyond);
        float b = placed(v[2] / beyond);
        int row = cell(a);
        int column = cell(b);
        float down = a - row;
        float right = b - column;
        int at = WIDTH * (row * SIDE + column);
        float lighter = mixed(plane, at + 2, down, right);
        v[0] = v[0] + lighter * Math.max(0, v[0] * 4 * (1 - v[0]));
        v[1] = mixed(plane, at, down, right) * beyond;
        v[2] = mixed(plane, at + 1, down, right) * beyond;
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
