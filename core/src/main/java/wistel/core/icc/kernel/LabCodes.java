package wistel.core.icc.kernel;


/**
 * How 16-bit codes stand for L*a*b*: codes for one unit of lightness, and for one of a* and b*, which start at -128.
 */
public record LabCodes(double lightness, double chroma) {
    /** FFFF = 100 (ICC.1:2022, 6.3.4.2): what goes in and comes out of transforms. */
    public static final LabCodes OUTER = new LabCodes(655.35, 257);
    /** FF00 = 100 (10.10): between kernels, as it reaches a little farther and is what most tables are coded in. */
    public static final LabCodes INNER = new LabCodes(652.8, 256);

    private static final double EPSILON = 216.0 / 24389;
    private static final double ROOT = 6.0 / 29;

    /** XYZ over its white as codes (CIE 15:2018, 8.2.1.1). */
    void write(double x, double y, double z, char[] out, int at) {
        double fx = compressed(x);
        double fy = compressed(y);
        double fz = compressed(z);
        out[at] = code(fy * (116 * lightness) - 16 * lightness);
        out[at + 1] = code((fx - fy) * (500 * chroma) + 128 * chroma);
        out[at + 2] = code((fy - fz) * (200 * chroma) + 128 * chroma);
    }

    private static char code(double v) {
        return (char) (v > 0 ? v < 65535 ? v + 0.5 : 65535 : 0);
    }

    private static double compressed(double t) {
        return t < EPSILON ? t * (24389.0 / 27 / 116) + 16 / 116.0 : CubeRoot.of(t);
    }

    /** The inverse of the standard's f (8.2.1.2): the cube above 6/29, a line below. */
    static double expanded(double f) {
        return f > ROOT ? f * f * f : (f - 4 / 29.0) * (3 * ROOT * ROOT);
    }

    /** Cube roots tabled over the logarithm of their argument: a float's exponent and upper bits pick the entry, lines between. */
    private static final class CubeRoot {
        /** 2^10 entries an octave: lines between them err by less than 2e-7. */
        private static final int FRACTION_BITS = 10;
        private static final int SHIFT = 23 - FRACTION_BITS;
        /** From 2^-7, just below (6/29)^3, to 2^2: XYZ over its white never comes near 4. */
        private static final int BOTTOM = 127 - 7 << FRACTION_BITS;
        private static final float LARGEST = 3.999f;
        private static final float[] ROOTS = new float[(9 << FRACTION_BITS) + 2];

        static {
            for (int i = 0; i < ROOTS.length; i++) {
                ROOTS[i] = (float) Math.cbrt(Float.intBitsToFloat(BOTTOM + i << SHIFT));
            }
        }

        private CubeRoot() {
        }

        static double of(double t) {
            float f = (float) t;
            int bits = Float.floatToRawIntBits(f < LARGEST ? f : LARGEST);
            int entry = (bits >>> SHIFT) - BOTTOM;
            float low = ROOTS[entry];
            return low + (ROOTS[entry + 1] - low) * ((bits & (1 << SHIFT) - 1) * (1f / (1 << SHIFT)));
        }
    }
}
