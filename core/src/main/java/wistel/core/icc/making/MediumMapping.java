package wistel.core.icc.making;

import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.icc.transform.BlackPoint;

/**
 * A soft compression from the reference medium of version 4 perceptual (ICC.1:2022, 6.3.3) to this one: black to black in XYZ, chroma above
 * a knee drawn in by a slope.
 */
record MediumMapping(double blackL, double slope) {
    /** Chroma up to which colours are left alone. */
    private static final double KNEE = 35;
    private static final double PERCEPTUAL_SLOPE = 0.85;
    private static final double REFERENCE_BLACK_L = D50.lightness(0.0034731);

    static MediumMapping perceptual(double blackL) {
        return new MediumMapping(blackL, PERCEPTUAL_SLOPE);
    }

    static MediumMapping saturation(double blackL) {
        return new MediumMapping(blackL, 1);
    }

    Lab apply(Lab reference) {
        Lab scaled = scaled(reference, REFERENCE_BLACK_L, blackL);
        double c = scaled.chroma();
        return c <= KNEE ? scaled : chroma(scaled, (KNEE + (c - KNEE) * slope) / c);
    }

    Lab undo(Lab medium) {
        double c = medium.chroma();
        Lab wide = c <= KNEE ? medium : chroma(medium, (KNEE + (c - KNEE) / slope) / c);
        return scaled(wide, blackL, REFERENCE_BLACK_L);
    }

    private static Lab chroma(Lab lab, double factor) {
        return new Lab(lab.l(), lab.a() * factor, lab.b() * factor);
    }

    private static Lab scaled(Lab lab, double fromL, double toL) {
        double[] xyz = lab.toArray();
        D50.labToXyz(xyz, 0);
        BlackPoint.scaling(BlackPoint.neutral(fromL), BlackPoint.neutral(toL)).apply(xyz, 3, 1);
        D50.xyzToLab(xyz, 0);
        return Lab.of(xyz);
    }
}
