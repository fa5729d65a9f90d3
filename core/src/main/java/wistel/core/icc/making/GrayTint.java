package wistel.core.icc.making;

import wistel.core.colour.D50;
import wistel.core.colour.Lab;

/**
 * Where grays lie between two that a print may have: the paper's tint, which is a* = b* = 0 relative to the paper, and gray under D50. The
 * shift depends on lightness alone, so that it can be undone exactly.
 */
final class GrayTint {
    /** L* from which grays take on the paper's tint, to be the bare paper at 100. */
    private static final double TURNS_AT = 70;

    private final boolean shifts;
    private final double[] neutral = new double[3];

    private GrayTint(boolean shifts, double[] whiteXyz) {
        this.shifts = shifts;
        // gray under D50, divided by the paper's white, its luminance that of the paper
        neutral[0] = D50.X * D50.X * whiteXyz[1] / (whiteXyz[0] * D50.Y);
        neutral[1] = D50.Y;
        neutral[2] = D50.Z * D50.Z * whiteXyz[1] / (whiteXyz[2] * D50.Y);
    }

    /** @param whiteXyz of the bare paper, Y = 1 for the perfect diffuser */
    static GrayTint of(ProfileChoices.GrayBalance balance, double... whiteXyz) {
        return new GrayTint(balance == ProfileChoices.GrayBalance.D50, whiteXyz);
    }

    /** A colour among grays of the paper's tint, among these grays. */
    Lab onto(Lab lab) {
        return shifted(lab, 1);
    }

    Lab off(Lab lab) {
        return shifted(lab, -1);
    }

    private Lab shifted(Lab lab, double sign) {
        if (!shifts || lab.l() >= 100 || lab.l() <= 0) {
            return lab;
        }
        double y = D50.luminance(lab.l());
        double[] gray = {neutral[0] * y, neutral[1] * y, neutral[2] * y};
        D50.xyzToLab(gray, 0);
        double t = Math.max(0, Math.min(1, (lab.l() - TURNS_AT) / (100 - TURNS_AT)));
        double weight = sign * (1 - t * t * (3 - 2 * t));
        return new Lab(lab.l(), lab.a() + weight * gray[1], lab.b() + weight * gray[2]);
    }
}
