package wistel.core.colour;

/** A CIE 1976 L*a*b* colour, D50, 2 degree observer (CIE 15:2018). L* 0 to 100; a*, b* unbounded. */
public record Lab(double l, double a, double b) {

    public double chroma() {
        return Math.hypot(a, b);
    }

    /** Hue angle in degrees, 0 to 360. */
    public double hueDegrees() {
        double degrees = Math.toDegrees(Math.atan2(b, a));
        return degrees < 0 ? degrees + 360 : degrees;
    }

    public double deltaE2000(Lab other) {
        return CieDe2000.between(l, a, b, other.l, other.a, other.b);
    }

    public double[] toArray() {
        return new double[] {l, a, b};
    }

    /** XYZ, Y = 1 for the perfect diffuser. */
    public double[] xyz() {
        double[] xyz = toArray();
        D50.labToXyz(xyz, 0);
        return xyz;
    }

    /** @param xyz Y = 1 for the perfect diffuser */
    public static Lab ofXyz(double... xyz) {
        double[] lab = xyz.clone();
        D50.xyzToLab(lab, 0);
        return of(lab);
    }

    public static Lab of(double[] lab) {
        return new Lab(lab[0], lab[1], lab[2]);
    }
}
