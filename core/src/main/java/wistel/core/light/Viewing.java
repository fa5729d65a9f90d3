package wistel.core.light;

/**
 * How something is looked at.
 *
 * @param white      XYZ of what the eye takes for white, Y = 100
 * @param adapting   luminance that it is adapted to, cd/m2: a fifth of the white's as a rule
 * @param background luminance factor of what lies round a colour, 20 for a middle gray
 */
public record Viewing(double whiteX, double whiteZ, double adapting, double background, Surround surround) {
    /** What lies round the field of view (CIE 248:2022, table 1). */
    public enum Surround {
        AVERAGE(1.0, 0.69, 1.0), DIM(0.9, 0.59, 0.9), DARK(0.8, 0.525, 0.8);

        private final double f;
        private final double c;
        private final double nc;

        Surround(double f, double c, double nc) {
            this.f = f;
            this.c = c;
            this.nc = nc;
        }

        double f() {
            return f;
        }

        double c() {
            return c;
        }

        double nc() {
            return nc;
        }
    }

    /** @throws IllegalArgumentException when a number isn't positive and finite */
    public Viewing {
        if (!(whiteX > 0 && whiteZ > 0 && adapting > 0 && background > 0) || !Double.isFinite(whiteX + whiteZ + adapting + background)) {
            throw new IllegalArgumentException("white " + whiteX + ", " + whiteZ + ", adapting " + adapting + ", background " + background);
        }
    }

    double[] white() {
        return new double[] {whiteX, 100, whiteZ};
    }
}
