package wistel.core.colour;

/** Linearised Bradford chromatic adaptation to the PCS white (ICC.1:2022, annex E.3). Matrices are row-major 3 x 3. */
public final class Bradford {
    private static final double[] CONE = {0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296};

    private Bradford() {
    }

    /** The matrix that takes XYZ seen under {@code white} (XYZ, Y = 1) to D50. */
    public static double[] toD50(double[] white) {
        double[] from = Matrix3.times(CONE, white);
        double[] to = Matrix3.times(CONE, new double[] {D50.X, D50.Y, D50.Z});
        double[] scale = {to[0] / from[0], 0, 0, 0, to[1] / from[1], 0, 0, 0, to[2] / from[2]};
        return Matrix3.product(Matrix3.inverse(CONE), Matrix3.product(scale, CONE));
    }
}
