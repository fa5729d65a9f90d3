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
    /**
     * FF00 = 100 (10.10): lut16Type in every version; between kernels too, as it reaches a little farther and most tables are coded in it.
     */
    public static final LabEncoding V2 = new LabEncoding(652.8, 256, -128);

    /** a* and b* to 256: what the widest standard RGB spaces hold. Between kernels only. */
    public static final LabEncoding WIDE = new LabEncoding(655.35, 128, -256);

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

    /** Codes of neutrals from black to white, L* 0 to 100 in even steps. */
    public char[] neutrals(int count) {
        char[] codes = new char[3 * count];
        for (int i = 0; i < count; i++) {
            codes[3 * i] = ofL(100.0 * i / (count - 1));
            codes[3 * i + 1] = ofAb(0);
            codes[3 * i + 2] = ofAb(0);
        }
        return codes;
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
}
