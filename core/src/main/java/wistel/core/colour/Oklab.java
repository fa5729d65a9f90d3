package wistel.core.colour;

/**
 * Oklab (CSS Color Module Level 4, section 9.3 and its sample code): L 0 to 1, a and b about -0.4 to 0.4. Its D65 is reached from the D50
 * of L*a*b* by Bradford.
 */
public final class Oklab {
    /** CSS Color 4, XYZ (D65) to the cones' responses. */
    private static final double[] CONES = {0.8190224379967030, 0.3619062600528904, -0.1288737815209879, 0.0329836539323885,
        0.9292868615863434, 0.0361446663506424,
        0.0481771893596242, 0.2642395317527308, 0.6335478284694309};
    private static final double[] TO_LAB = {0.2104542683093140, 0.7936177747023054, -0.0040720430116193, 1.9779985324311684,
        -2.4285922420485799, 0.4505937096174110,
        0.0259040424655478, 0.7827717124575296, -0.8086757549230774};
    /** CIE 15:2018, the chromaticity of D65 as CSS Color 4 rounds it. */
    private static final double[] D65 = {0.3127 / 0.3290, 1, (1 - 0.3127 - 0.3290) / 0.3290};
    private static final double[] FROM_XYZ = neutral();
    private static final double[] TO_XYZ = Matrix3.inverse(FROM_XYZ);
    private static final double[] FROM_LAB = Matrix3.inverse(TO_LAB);

    private Oklab() {
    }

    /**
     * D50 to the cones; rows scaled by a part in a million or so, that the white of D50 is 1, 1, 1 exactly and neutrals have no chroma at
     * all.
     */
    private static double[] neutral() {
        double[] m = Matrix3.product(CONES, Matrix3.inverse(Bradford.toD50(D65)));
        double[] white = Matrix3.times(m, new double[] {D50.X, D50.Y, D50.Z});
        for (int i = 0; i < 9; i++) {
            m[i] /= white[i / 3];
        }
        return m;
    }

    /** L*a*b* (D50) to Oklab, in place from {@code at} on. */
    public static void fromLab(double[] values, int at) {
        D50.labToXyz(values, at);
        times(FROM_XYZ, values, at);
        for (int i = at; i < at + 3; i++) {
            values[i] = Math.cbrt(values[i]);
        }
        times(TO_LAB, values, at);
    }

    /** Oklab to L*a*b* (D50), in place from {@code at} on. */
    public static void toLab(double[] values, int at) {
        times(FROM_LAB, values, at);
        for (int i = at; i < at + 3; i++) {
            values[i] = values[i] * values[i] * values[i];
        }
        times(TO_XYZ, values, at);
        D50.xyzToLab(values, at);
    }

    /** Degrees, 0 to 360; 0 for neutrals. */
    public static double hue(double a, double b) {
        double degrees = Math.toDegrees(Math.atan2(b, a));
        return degrees < 0 ? degrees + 360 : degrees;
    }

    /** XYZ over D50's white to the cones' responses, row-major. */
    public static double[] conesOfRelativeXyz() {
        return Matrix3.product(FROM_XYZ, new double[] {D50.X, 0, 0, 0, D50.Y, 0, 0, 0, D50.Z});
    }

    /** Cube roots of the cones' responses to Oklab, row-major. */
    public static double[] ofCones() {
        return TO_LAB.clone();
    }

    private static void times(double[] m, double[] v, int at) {
        double x = v[at];
        double y = v[at + 1];
        double z = v[at + 2];
        v[at] = m[0] * x + m[1] * y + m[2] * z;
        v[at + 1] = m[3] * x + m[4] * y + m[5] * z;
        v[at + 2] = m[6] * x + m[7] * y + m[8] * z;
    }
}
