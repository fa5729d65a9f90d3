package wistel.core.icc;

import java.util.List;
import wistel.core.colour.D50;

/**
 * Black point compensation after ISO 18619:2015: XYZ is scaled linearly so that the source's black lands on the destination's, white
 * staying where it is (clause 4). Black points are kept neutral, as L* alone.
 */
final class BlackPoint {
    /** The reference medium's black of the v4 perceptual intent (ICC.1:2022, 6.3.3, Y = 0.0034731). */
    private static final double PERCEPTUAL_BLACK_Y = 0.0034731;

    private BlackPoint() {
    }

    /** L* of the darkest colour that a source means. */
    static double ofSource(IccProfile profile, Intent intent) {
        if (usesReferenceBlack(profile, intent)) {
            return D50.lightness(PERCEPTUAL_BLACK_Y);
        }
        if (profile.isOutput() && profile.space() == ColourSpace.CMYK) {
            return roundTripBlack(profile, Intent.PERCEPTUAL, Intent.RELATIVE);
        }
        double[] work = new double[16];
        if (profile.space() == ColourSpace.CMYK) {
            java.util.Arrays.fill(work, 0, 4, 1);
        }
        return lightness(ProfileModel.toXyz(profile, intent), work);
    }

    /** L* of the darkest colour that a destination gives with this intent. */
    static double ofDestination(IccProfile profile, Intent intent) {
        if (usesReferenceBlack(profile, intent)) {
            return D50.lightness(PERCEPTUAL_BLACK_Y);
        }
        return profile.isOutput() && ProfileModel.hasTables(profile)
            ? roundTripBlack(profile, intent, Intent.RELATIVE) : ofSource(profile, Intent.RELATIVE);
    }

    private static boolean usesReferenceBlack(IccProfile profile, Intent intent) {
        return profile.majorVersion() >= 4 && ProfileModel.hasTables(profile)
            && (intent == Intent.PERCEPTUAL || intent == Intent.SATURATION);
    }

    /** Black sent through the printer and measured. */
    private static double roundTripBlack(IccProfile profile, Intent out, Intent back) {
        double[] work = new double[16];
        for (Stage stage : ProfileModel.fromXyz(profile, out)) {
            stage.apply(work, work);
        }
        return lightness(ProfileModel.toXyz(profile, back), work);
    }

    private static double lightness(List<Stage> stages, double[] work) {
        for (Stage stage : stages) {
            stage.apply(work, work);
        }
        return Math.max(0, Math.min(50, D50.lightness(work[1])));
    }

    /** The scaling of XYZ from one black to another (ISO 18619, 4.4). */
    static Stage scaling(double fromL, double toL) {
        double from = D50.luminance(fromL);
        double to = D50.luminance(toL);
        double a = (1 - to) / (1 - from);
        double b = 1 - a;
        return Stage.Linear.scale(a, a, a, b * D50.X, b * D50.Y, b * D50.Z);
    }
}
