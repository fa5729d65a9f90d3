package wistel.core.icc.kernel;

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
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        float[] v = new float[3];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            OklabMoves.toOklab(in, i, codes, v);
            out[o] = SinglePrecision.code(mixed(OklabMoves.placed(v[1]), OklabMoves.placed(v[2])) * (float) codes.lightness() + in[i]);
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
