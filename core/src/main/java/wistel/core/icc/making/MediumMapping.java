package wistel.core.icc.making;

import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.transform.BlackPoint;

/**
 * A soft compression from what a rendering aims at to one paper: black to black in XYZ, chroma above a knee drawn in by a slope, grays led
 * from the paper's tint to another one.
 *
 * @param slope of chroma above the knee, over 0 and at most 1
 */
record MediumMapping(Blacks blacks, double slope, GrayTint grays) {
    /** Chroma up to which colours are left alone. */
    private static final double KNEE = 35;
    /** Of the reference medium of version 4 (ICC.1:2022, 6.3.3). */
    private static final double REFERENCE_BLACK_L = D50.lightness(0.0034731);

    /** @param from L* of the black aimed at */
    record Blacks(double fromL, double toL) {
        /** Version 2 knows no reference medium: its black is none (ICC.1:2001-04, annex E). */
        static Blacks of(ProfileWriter.Version version, double mediumL) {
            return new Blacks(version == ProfileWriter.Version.V4 ? REFERENCE_BLACK_L : 0, mediumL);
        }
    }

    Lab apply(Lab reference) {
        Lab scaled = scaled(reference, blacks.fromL, blacks.toL);
        double c = scaled.chroma();
        return grays.onto(c <= KNEE ? scaled : chroma(scaled, (KNEE + (c - KNEE) * slope) / c));
    }

    Lab undo(Lab medium) {
        Lab gray = grays.off(medium);
        double c = gray.chroma();
        Lab wide = c <= KNEE ? gray : chroma(gray, (KNEE + (c - KNEE) / slope) / c);
        return scaled(wide, blacks.toL, blacks.fromL);
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
