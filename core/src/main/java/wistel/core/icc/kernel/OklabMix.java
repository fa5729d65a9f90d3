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
        double[] v = new double[3];
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            OklabMoves.toOklab(in, i, codes, v);
            double a = OklabMoves.placed(v[1]);
            double b = OklabMoves.placed(v[2]);
            int row = Math.min(SIDE - 2, (int) a);
            int column = Math.min(SIDE - 2, (int) b);
            int at = row * SIDE + column;
            out[o] = codes.ofL(in[i] / codes.lightness() + OklabMoves.mixed(lighter[at], lighter[at + 1], lighter[at + SIDE], lighter[at + SIDE + 1],
                (float) (a - row), (float) (b - column)));
        }
    }
}
