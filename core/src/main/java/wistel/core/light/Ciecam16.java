package wistel.core.light;

import wistel.core.colour.Matrix3;

/**
 * The CIECAM16 colour appearance model (CIE 248:2022; C. Li et al., Color Research and Application 42, 2017), forward and back, for one way
 * of looking. Colours beside the spectrum's own get the nearest response that the model has, so that it never gives no number.
 */
public final class Ciecam16 {
    private static final double[] M16 = {0.401288, 0.650173, -0.051461, -0.250268, 1.204414, 0.045854, -0.002079, 0.048952, 0.953127};
    private static final double[] BACK = Matrix3.inverse(M16);
    private static final double MOST_RESPONSE = 399.9;

    private final double[] gains = new double[3];
    private final double fl;
    private final double nbb;
    private final double z;
    private final double aw;
    private final double n;
    private final Viewing.Surround surround;

    /**
     * What a colour looks like.
     *
     * @param lightness    J, 0 to 100 for white
     * @param chroma       C
     * @param hue          h, degrees
     * @param brightness   Q
     * @param colourfulness M
     */
    public record Appearance(double lightness, double chroma, double hue, double brightness, double colourfulness) {
    }

    public Ciecam16(Viewing viewing) {
        surround = viewing.surround();
        double la = viewing.adapting();
        double[] white = Matrix3.times(M16, viewing.white());
        double d = Math.max(0, Math.min(1, surround.f() * (1 - Math.exp((-la - 42) / 92) / 3.6)));
        for (int c = 0; c < 3; c++) {
            gains[c] = d * 100 / white[c] + 1 - d;
        }
        double k4 = Math.pow(1 / (5 * la + 1), 4);
        fl = 0.2 * k4 * 5 * la + 0.1 * Math.pow(1 - k4, 2) * Math.cbrt(5 * la);
        n = viewing.background() / 100;
        z = 1.48 + Math.sqrt(n);
        nbb = 0.725 * Math.pow(1 / n, 0.2);
        double[] adapted = new double[3];
        for (int c = 0; c < 3; c++) {
            adapted[c] = response(white[c] * gains[c]);
        }
        aw = achromatic(adapted);
    }

    /** @param x, y, zz XYZ, Y = 100 for white */
    public Appearance of(double x, double y, double zz) {
        double[] cone = Matrix3.times(M16, new double[] {x, y, zz});
        double[] r = new double[3];
        for (int c = 0; c < 3; c++) {
            r[c] = response(cone[c] * gains[c]);
        }
        double a = r[0] - 12 * r[1] / 11 + r[2] / 11;
        double b = (r[0] + r[1] - 2 * r[2]) / 9;
        double hue = Math.toDegrees(Math.atan2(b, a));
        hue = hue < 0 ? hue + 360 : hue;
        double light = 100 * Math.pow(Math.max(0, achromatic(r)) / aw, surround.c() * z);
        double bright = 4 / surround.c() * Math.sqrt(light / 100) * (aw + 4) * Math.pow(fl, 0.25);
        double t = 50000.0 / 13 * surround.nc() * nbb * eccentricity(hue) * Math.hypot(a, b) / (r[0] + r[1] + 21 * r[2] / 20);
        double chroma = alpha(Math.max(0, t)) * Math.sqrt(light / 100);
        return new Appearance(light, chroma, hue, bright, chroma * Math.pow(fl, 0.25));
    }

    private double alpha(double t) {
        return Math.pow(t, 0.9) * Math.pow(1.64 - Math.pow(0.29, n), 0.73);
    }

    /**
     * The colour that looks so.
     *
     * @param lightness     J
     * @param colourfulness M
     * @param hue           h, degrees
     * @return XYZ, Y = 100 for white
     */
    public double[] colour(double lightness, double colourfulness, double hue) {
        if (!(lightness > 0)) {
            return new double[3];
        }
        double root = Math.sqrt(lightness / 100);
        double chroma = Math.max(0, colourfulness) / Math.pow(fl, 0.25);
        double t = Math.pow(chroma / (root * Math.pow(1.64 - Math.pow(0.29, n), 0.73)), 1 / 0.9);
        double p2 = aw * Math.pow(lightness / 100, 1 / (surround.c() * z)) / nbb + 0.305;
        double cos = Math.cos(Math.toRadians(hue));
        double sin = Math.sin(Math.toRadians(hue));
        double p1 = 50000.0 / 13 * surround.nc() * nbb * eccentricity(hue);
        // a and b lie on the line of the hue: one factor for both follows from the definitions of t and of the achromatic response
        double gamma = 23 * p2 * t / (23 * p1 + 11 * t * cos + 108 * t * sin);
        double a = gamma * cos;
        double b = gamma * sin;
        double[] cone = {(460 * p2 + 451 * a + 288 * b) / 1403, (460 * p2 - 891 * a - 261 * b) / 1403,
            (460 * p2 - 220 * a - 6300 * b) / 1403};
        for (int c = 0; c < 3; c++) {
            cone[c] = stimulus(cone[c]) / gains[c];
        }
        return Matrix3.times(BACK, cone);
    }

    private double achromatic(double[] r) {
        return (2 * r[0] + r[1] + r[2] / 20 - 0.305) * nbb;
    }

    private static double eccentricity(double hue) {
        return 0.25 * (Math.cos(Math.toRadians(hue) + 2) + 3.8);
    }

    private double response(double cone) {
        double x = Math.pow(fl * Math.abs(cone) / 100, 0.42);
        return Math.signum(cone) * 400 * x / (x + 27.13) + 0.1;
    }

    private double stimulus(double response) {
        double x = Math.max(-MOST_RESPONSE, Math.min(MOST_RESPONSE, response - 0.1));
        return Math.signum(x) * 100 / fl * Math.pow(27.13 * Math.abs(x) / (400 - Math.abs(x)), 1 / 0.42);
    }
}
