package wistel.core.colour;

/**
 * How 16-bit codes stand for L*a*b*. Values of 0 to 1 are codes over 65535.
 *
 * @param lightness codes for one unit of L*
 * @param chroma    codes for one unit of a* or b*
 * @param lowest    of a* and b*, which code 0 stands for
 */
public record LabEncoding(double lightness, double chroma, double lowest) {
    /** FFFF = 100 (ICC.1:2022, 6.3.4.2): what goes in and comes out of transforms, and all tables but those of lut16Type. */
    public static final LabEncoding V4 = new LabEncoding(655.35, 257, -128);
    /** FF00 = 100 (10.10): lut16Type in every version; between kernels too, as it reaches a little farther and most tables are coded in it. */
    public static final LabEncoding V2 = new LabEncoding(652.8, 256, -128);

    /** a* and b* to 256: what the widest standard RGB spaces hold. Between kernels only. */
    public static final LabEncoding WIDE = new LabEncoding(655.35, 128, -256);

    private static final double EPSILON = 216.0 / 24389;
    private static final double ROOT = 6.0 / 29;

    public double l(char code) {
        return code / lightness;
    }

    /** a* or b*. */
    public double ab(char code) {
        return code / chroma + lowest;
    }

    public char ofL(double l) {
        return clamped(l * lightness);
    }

    public char ofAb(double ab) {
        return clamped((ab - lowest) * chroma);
    }

    public Lab lab(char[] codes, int at) {
        return new Lab(l(codes[at]), ab(codes[at + 1]), ab(codes[at + 2]));
    }

    /** Of values 0 to 1, as an exact transform gives them. */
    public Lab lab(double[] unit) {
        return new Lab(unit[0] * (65535 / lightness), unit[1] * (65535 / chroma) + lowest, unit[2] * (65535 / chroma) + lowest);
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
        out[at + 1] = code((fx - fy) * (500 * chroma) - lowest * chroma);
        out[at + 2] = code((fy - fz) * (200 * chroma) - lowest * chroma);
    }

    private static char code(double v) {
        return (char) (v > 0 ? v < 65535 ? v + 0.5 : 65535 : 0);
    }

    /** The inverse of the standard's f (8.2.1.2): the cube above 6/29, a line below. */
    public static double expanded(double f) {
        return f > ROOT ? f * f * f : (f - 4 / 29.0) * (3 * ROOT * ROOT);
    }

    /** Within 2 in 10 million, of numbers of any size and sign. */
    public static double cubeRoot(double t) {
        return t > CubeRoot.SMALLEST && t < CubeRoot.LARGEST ? CubeRoot.of(t) : Math.cbrt(t);
    }

    /** The standard's f (8.2.1.1): the cube root above (6/29)^3, a line below. */
    public static double compressed(double t) {
        return t < EPSILON ? t * (24389.0 / 27 / 116) + 16 / 116.0 : cubeRoot(t);
    }

    /** Cube roots tabled over the logarithm of their argument: a float's exponent and upper bits pick the entry, lines between. */
    private static final class CubeRoot {
        /** 2^10 entries an octave: lines between them err by less than 2e-7. */
        private static final int FRACTION_BITS = 10;
        private static final int SHIFT = 23 - FRACTION_BITS;
        /** From 2^-20 to 2^2: XYZ over its white never comes near 4. */
        private static final int BOTTOM = 127 - 20 << FRACTION_BITS;
        private static final float SMALLEST = 1f / (1 << 20);
        private static final float LARGEST = 3.999f;
        private static final float[] ROOTS = new float[(22 << FRACTION_BITS) + 2];

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
