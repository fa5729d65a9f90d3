package wistel.core.colour;

/**
 * How 16-bit codes stand for L*a*b*: codes for one unit of lightness, and for one of a* and b*, which start at -128. Values of 0 to 1 are
 * codes over 65535.
 */
public record LabEncoding(double lightness, double chroma) {
    /** FFFF = 100 (ICC.1:2022, 6.3.4.2): what goes in and comes out of transforms, and all tables but those of lut16Type. */
    public static final LabEncoding V4 = new LabEncoding(655.35, 257);
    /** FF00 = 100 (10.10): lut16Type in every version; between kernels too, as it reaches a little farther and most tables are coded in it. */
    public static final LabEncoding V2 = new LabEncoding(652.8, 256);

    private static final double EPSILON = 216.0 / 24389;
    private static final double ROOT = 6.0 / 29;

    public double l(char code) {
        return code / lightness;
    }

    /** a* or b*. */
    public double ab(char code) {
        return code / chroma - 128;
    }

    public char ofL(double l) {
        return clamped(l * lightness);
    }

    public char ofAb(double ab) {
        return clamped((ab + 128) * chroma);
    }

    public Lab lab(char[] codes, int at) {
        return new Lab(l(codes[at]), ab(codes[at + 1]), ab(codes[at + 2]));
    }

    /** Of values 0 to 1, as an exact transform gives them. */
    public Lab lab(double[] unit) {
        return new Lab(unit[0] * (65535 / lightness), unit[1] * (65535 / chroma) - 128, unit[2] * (65535 / chroma) - 128);
    }

    private static char clamped(double code) {
        return (char) Math.max(0, Math.min(65535, Math.round(code)));
    }

    /** XYZ over its white as codes (CIE 15:2018, 8.2.1.1). */
    public void write(double x, double y, double z, char[] out, int at) {
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
    public static double expanded(double f) {
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
