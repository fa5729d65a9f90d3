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

    /** The range of {@link #compressed}: above it all is as bright as this. */
    public static final float BRIGHTEST = 2;
    /** From the fourth root of {@link #EPSILON} to that of {@link #BRIGHTEST} onto -1 to 1. */
    public static final float ROOT_SCALE = 2.266454178756031f;
    public static final float ROOT_OFFSET = -1.6952834352043207f;
    /**
     * The cube root of t by its fourth root, in which it is nearly straight: t^(1/3) as a polynomial of u = ROOT_SCALE t^(1/4) +
     * ROOT_OFFSET, lowest power first. Chebyshev's expansion over that range, cut off where it is wrong by 1.4e-7.
     */
    public static final float C0 = 0.6789855250627539f;
    public static final float C1 = 0.5340201284208427f;
    public static final float C2 = 0.05249930293387866f;
    public static final float C3 = -0.006893106875717089f;
    public static final float C4 = 0.0017005465700647994f;
    public static final float C5 = -0.0004940937001165247f;
    public static final float C6 = 0.0001679348941503145f;
    public static final float C7 = -0.00012056725487388675f;
    public static final float C8 = 5.546344433895456e-05f;

    /**
     * The standard's f: a cube root above {@link #EPSILON}, and below it the tangent there. Square roots, unlike a first guess by a float's
     * bits, the JIT spreads over vector units by itself.
     */
    static float compressed(float t) {
        float lit = Math.min(Math.max(t, EPSILON), BRIGHTEST);
        float u = (float) Math.sqrt((float) Math.sqrt(lit)) * ROOT_SCALE + ROOT_OFFSET;
        float root = (((((((C8 * u + C7) * u + C6) * u + C5) * u + C4) * u + C3) * u + C2) * u + C1) * u + C0;
        return root + Math.min(t - EPSILON, 0) * LINE;
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
        float f = Math.max(above, JOINT) + BLACK;
        return f * f * f + Math.min(above - JOINT, 0) * SLOPE;
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
    static void xyz(int l, int a, int b, LabEncoding codes, float[] v) {
        float y = l * (float) (1 / (116 * codes.lightness()));
        float neutral = (float) (-codes.lowest() * codes.chroma());
        v[0] = expanded((a - neutral) * (float) (1 / (500 * codes.chroma())) + y);
        v[1] = expanded(y);
        v[2] = expanded((b - neutral) * (float) (-1 / (200 * codes.chroma())) + y);
    }

    /** A matrix's rows, each with its offset. */
    public static float[] rows(double[] matrix, double[] offset) {
        float[] rows = new float[4 * offset.length];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = (float) (i % 4 == 3 ? offset[i / 4] : matrix[3 * (i / 4) + i % 4]);
        }
        return rows;
    }

    /** One row of {@link #rows}, the one that starts at {@code at}. */
    static float row(float[] m, int at, float x, float y, float z) {
        return x * m[at] + y * m[at + 1] + z * m[at + 2] + m[at + 3];
    }
}
