package wistel.core.icc.profile;

import wistel.core.colour.Lab;

/** L*a*b* as 16-bit samples (ICC.1:2022, 6.3.4.2): 0 to 65535 is L* 0 to 100 and a*, b* -128 to 127. */
public final class LabCode {
    private LabCode() {
    }

    public static double l(char code) {
        return code / 655.35;
    }

    public static double ab(char code) {
        return code / 257.0 - 128;
    }

    public static char ofL(double l) {
        return clamp(l * 655.35);
    }

    public static char ofAb(double ab) {
        return clamp((ab + 128) * 257);
    }

    public static Lab lab(char[] codes, int at) {
        return new Lab(l(codes[at]), ab(codes[at + 1]), ab(codes[at + 2]));
    }

    /** From the 0 to 1 values of an exact transform to L*a*b*. */
    public static Lab lab(double[] unit) {
        return new Lab(unit[0] * 100, unit[1] * 255 - 128, unit[2] * 255 - 128);
    }

    private static char clamp(double code) {
        return (char) Math.max(0, Math.min(65535, Math.round(code)));
    }
}
