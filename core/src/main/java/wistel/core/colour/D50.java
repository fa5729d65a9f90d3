package wistel.core.colour;

/**
 * The profile connection space's white and the conversions between XYZ (Y = 1 for the perfect diffuser) and L*a*b* (CIE 15:2018, 8.2.1).
 */
public final class D50 {
    /** ICC.1:2022, 7.2.16: the PCS illuminant. */
    public static final double X = 0.9642;
    public static final double Y = 1.0;
    public static final double Z = 0.8249;

    private static final double EPSILON = 216.0 / 24389;
    private static final double KAPPA = 24389.0 / 27;

    private D50() {
    }

    public static void xyzToLab(double[] xyz, double[] lab) {
        System.arraycopy(xyz, 0, lab, 0, 3);
        xyzToLab(lab, 0);
    }

    public static void labToXyz(double[] lab, double[] xyz) {
        System.arraycopy(lab, 0, xyz, 0, 3);
        labToXyz(xyz, 0);
    }

    /** Three values in place, from {@code at} on. */
    public static void xyzToLab(double[] values, int at) {
        double fx = compress(values[at] / X);
        double fy = compress(values[at + 1] / Y);
        double fz = compress(values[at + 2] / Z);
        values[at] = 116 * fy - 16;
        values[at + 1] = 500 * (fx - fy);
        values[at + 2] = 200 * (fy - fz);
    }

    /** Three values in place, from {@code at} on. */
    public static void labToXyz(double[] values, int at) {
        double fy = (values[at] + 16) / 116;
        double fx = fy + values[at + 1] / 500;
        double fz = fy - values[at + 2] / 200;
        values[at] = X * expand(fx);
        values[at + 1] = Y * expand(fy);
        values[at + 2] = Z * expand(fz);
    }

    /** L* of a luminance factor Y (1 = perfect diffuser). */
    public static double lightness(double y) {
        return 116 * compress(y) - 16;
    }

    /** Luminance factor of an L*. */
    public static double luminance(double l) {
        return expand((l + 16) / 116);
    }

    private static double compress(double t) {
        return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
    }

    private static double expand(double f) {
        double cube = f * f * f;
        return cube > EPSILON ? cube : (116 * f - 16) / KAPPA;
    }
}
