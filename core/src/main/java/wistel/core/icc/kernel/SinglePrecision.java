package wistel.core.icc.kernel;

import wistel.core.colour.LabEncoding;

/**
 * Steps of a loop in single precision, each operation rounded as IEEE 754 says and in a stated order, so that vector units, which do the
 * same operations on many pixels at once, end at the same bits.
 */
public final class SinglePrecision {
    /** Added to anything from 0 to 2^23, it leaves the nearest integer in a float's lower 23 bits. */
    public static final float ROUND = 1 << 23;
    public static final int ROUNDED = 0x7FFFFF;
    /** (6/29)^3: above it the standard's f is the cube root, below it a line (CIE 15:2018, 8.2.1.1). */
    public static final float EPSILON = 216f / 24389;
    public static final float LINE = (float) (24389.0 / 27 / 116);
    /** f at that joint. */
    private static final float ROOT = 6f / 29;
    /** f of black. Everything is counted from there, so that nothing cancels in the dark. */
    public static final float BLACK = 4f / 29;
    public static final float JOINT = ROOT - BLACK;
    public static final float SLOPE = 3 * ROOT * ROOT;
    /** The upper bits of 1.0f times 4/3, less what makes the guess wrong by as much above as below. */
    public static final float INVERSE_ROOT_OF_ONE = 0x54A21D;

    public static final float SMALLEST = 1e-12f;

    private SinglePrecision() {
    }

    /** The nearest integer to a number from 0 to 2^23, ties to even. */
    static int rounded(float value) {
        return Float.floatToRawIntBits(value + ROUND) & ROUNDED;
    }

    /** The nearest code; what lies outside is clipped. */
    static char code(float value) {
        return (char) rounded(Math.min(Math.max(value, 0), 65535));
    }

    /** The standard's f. */
    static float compressed(float t) {
        return t < EPSILON ? t * LINE + BLACK : cubeRoot(t);
    }

    /**
     * Newton's iteration for the inverse cube root, r (4 - t r^3) / 3, which needs no division: from a first guess by the float's exponent,
     * wrong by less than 4 %, three steps reach single precision.
     */
    private static float cubeRoot(float t) {
        float upper = Float.floatToRawIntBits(t) >>> 8;
        float r = Float.intBitsToFloat(rounded(upper * (-1 / 3f) + INVERSE_ROOT_OF_ONE) << 8);
        r = closer(t, closer(t, closer(t, r)));
        return r * r * t;
    }

    private static float closer(float t, float r) {
        return r * (r * r * r * t * (-1 / 3f) + 4 / 3f);
    }

    /** The inverse of f, of how far f is above that of black: the cube above the joint, a line below (8.2.1.2). */
    static float expanded(float above) {
        float f = above + BLACK;
        return above <= JOINT ? above * SLOPE : f * f * f;
    }

    /**
     * The cube root of a number of either sign; below {@link #SMALLEST} as of that, as the first guess would overflow on the way to none at
     * all.
     */
    static float signedCubeRoot(float t) {
        float root = cubeRoot(Math.max(Math.abs(t), SMALLEST));
        return t < 0 ? -root : root;
    }

    /** L*a*b* codes to XYZ over its white. */
    static void xyz(char[] in, int i, LabEncoding codes, float[] v) {
        float y = in[i] * (float) (1 / (116 * codes.lightness()));
        float neutral = (float) (-codes.lowest() * codes.chroma());
        v[0] = expanded((in[i + 1] - neutral) * (float) (1 / (500 * codes.chroma())) + y);
        v[1] = expanded(y);
        v[2] = expanded((in[i + 2] - neutral) * (float) (-1 / (200 * codes.chroma())) + y);
    }

    /** XYZ over its white to L*a*b* codes (CIE 15:2018, 8.2.1.1). */
    static void writeLab(float xOverWhite, float yOverWhite, float zOverWhite, LabEncoding codes, char[] out, int o) {
        float l = (float) codes.lightness();
        float ab = (float) codes.chroma();
        float neutral = (float) (-codes.lowest() * codes.chroma());
        float x = compressed(xOverWhite);
        float y = compressed(yOverWhite);
        float z = compressed(zOverWhite);
        out[o] = code(y * (116 * l) - 16 * l);
        out[o + 1] = code((x - y) * (500 * ab) + neutral);
        out[o + 2] = code((y - z) * (200 * ab) + neutral);
    }

    /** A matrix's rows, each with its offset. */
    public static float[] rows(double[] matrix, double[] offset) {
        float[] rows = new float[12];
        for (int i = 0; i < 12; i++) {
            rows[i] = (float) (i % 4 == 3 ? offset[i / 4] : matrix[3 * (i / 4) + i % 4]);
        }
        return rows;
    }

    /** One row of {@link #rows}, the one that starts at {@code at}. */
    static float row(float[] m, int at, float x, float y, float z) {
        return x * m[at] + y * m[at + 1] + z * m[at + 2] + m[at + 3];
    }
}
