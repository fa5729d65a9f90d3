package wistel.core.colour;

/**
 * A smooth curve through points that never turns between them: cubic Hermite pieces whose slopes are limited (F. N. Fritsch and R. E.
 * Carlson, Monotone Piecewise Cubic Interpolation, SIAM J. Numer. Anal. 17, 1980; slopes by Fritsch and Butland, 1984). Beyond its ends it
 * goes on level.
 */
public final class MonotoneCubic {
    private final double[] x;
    private final double[] y;
    private final double[] slope;

    /**
     * @param x two or more, each above the one before
     * @param y of each; both are copied
     * @throws IllegalArgumentException when there are fewer than two points, not as many of one as of the other, one isn't finite, or x
     *                                  doesn't rise
     */
    public MonotoneCubic(double[] x, double[] y) {
        if (x.length < 2 || x.length != y.length) {
            throw new IllegalArgumentException("a curve through " + x.length + " places and " + y.length + " values");
        }
        for (int i = 0; i < x.length; i++) {
            if (!Double.isFinite(x[i]) || !Double.isFinite(y[i]) || i > 0 && x[i] <= x[i - 1]) {
                throw new IllegalArgumentException(
                    "point " + i + " of a curve, (" + x[i] + ", " + y[i] + "), doesn't follow the one before");
            }
        }
        this.x = x.clone();
        this.y = y.clone();
        this.slope = slopes(x, y);
    }

    /**
     * Over a full turn of 360 degrees: the last point is followed by the first.
     *
     * @param degrees rising, all within one turn; one or more
     * @throws IllegalArgumentException as of the constructor, and when there is none
     */
    public static MonotoneCubic periodic(double[] degrees, double[] values) {
        return periodic(degrees, values, 0);
    }

    /** Degrees to degrees, a full turn further with each turn: it rises everywhere where its points do. */
    public static MonotoneCubic turning(double[] degrees, double[] to) {
        return periodic(degrees, to, 360);
    }

    private static MonotoneCubic periodic(double[] degrees, double[] values, double aTurn) {
        int n = degrees.length;
        if (n == 0 || values.length != n) {
            throw new IllegalArgumentException("a turn through " + n + " places and " + values.length + " values");
        }
        double[] x = new double[n + 4];
        double[] y = new double[n + 4];
        for (int i = 0; i < n + 4; i++) {
            int turn = Math.floorDiv(i - 2, n);
            x[i] = degrees[i - 2 - turn * n] + 360 * turn;
            y[i] = values[i - 2 - turn * n] + aTurn * turn;
        }
        return new MonotoneCubic(x, y);
    }

    private static double[] slopes(double[] x, double[] y) {
        int n = x.length;
        double[] slope = new double[n];
        for (int i = 0; i < n; i++) {
            slope[i] = i == 0 ? secant(x, y, 0) : i == n - 1 ? secant(x, y, n - 2) : inner(x, y, i);
        }
        return slope;
    }

    private static double secant(double[] x, double[] y, int i) {
        return (y[i + 1] - y[i]) / (x[i + 1] - x[i]);
    }

    /** The weighted harmonic mean of the neighbours' slopes; level where they differ in sign. */
    private static double inner(double[] x, double[] y, int i) {
        double before = secant(x, y, i - 1);
        double after = secant(x, y, i);
        if (before * after <= 0) {
            return 0;
        }
        double h0 = x[i] - x[i - 1];
        double h1 = x[i + 1] - x[i];
        double alpha = (h0 + 2 * h1) / (3 * (h0 + h1));
        return before * after / (alpha * after + (1 - alpha) * before);
    }

    /** Defined everywhere; NaN gives NaN. */
    public double at(double v) {
        if (Double.isNaN(v)) {
            return v;
        }
        int n = x.length;
        if (v <= x[0]) {
            return y[0];
        }
        if (v >= x[n - 1]) {
            return y[n - 1];
        }
        int i = 0;
        while (v >= x[i + 1]) {
            i++;
        }
        double h = x[i + 1] - x[i];
        double t = (v - x[i]) / h;
        double u = 1 - t;
        return y[i] * u * u * (1 + 2 * t) + y[i + 1] * t * t * (3 - 2 * t) + h * t * u * (slope[i] * u - slope[i + 1] * t);
    }
}
