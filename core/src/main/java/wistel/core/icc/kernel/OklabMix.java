package wistel.core.icc.kernel;

import java.util.List;
import wistel.core.colour.LabEncoding;

/**
 * L*a*b* codes to codes of lightness alone, in the first of three: to L* is added what a table has for the colour's place in Oklab's plane.
 *
 * @param lighter L* at nodes of a and b as {@link OklabMoves} has them
 */
public record OklabMix(float[] lighter, LabEncoding codes) implements Kernel {
    private static final int SIDE = OklabMoves.SIDE;

    @Override
    public long bytes() {
        return 4L * lighter.length;
    }

    @Override
    public int inputs() {
        return 3;
    }

    @Override
    public int outputs() {
        return 3;
    }

    /** The other two are 0. */
    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        return List.of(n -> mixed(in, out[0], n));
    }

    private void mixed(int[][] in, int[] out, int count) {
        float[] v = new float[3];
        for (int p = 0; p < count; p++) {
            OklabMoves.toOklab(in, p, codes, v);
            out[p] = SinglePrecision.code(mixed(OklabMoves.placed(v[1]), OklabMoves.placed(v[2])) * (float) codes.lightness() + in[0][p]);
        }
    }

    /** What is added to L* at a place in nodes. */
    public float mixed(float a, float b) {
        int row = OklabMoves.cell(a);
        int column = OklabMoves.cell(b);
        int at = row * SIDE + column;
        return OklabMoves.mixed(lighter[at], lighter[at + 1], lighter[at + SIDE], lighter[at + SIDE + 1], a - row, b - column);
    }
}
