package wistel.core.icc.transform;

import wistel.core.colour.Bradford;
import wistel.core.colour.D50;
import wistel.core.colour.Matrix3;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.stage.Stage;

/**
 * Media-relative to absolute colorimetry and back (ICC.1:2022, 6.3.2.2, annex F.3): XYZ is scaled by the media white over D50. Who looks
 * is taken as adapted to D50, or as not adapted; then the profile's own adaptation ({@code chad}) is undone as well.
 *
 * <p>The white of a version 2 display profile is the display's colour before adaptation (v2.4, 6.4.25): to an adapted eye it is D50, and
 * the way from it to D50 stands in for the {@code chad} that such profiles lack.
 */
final class MediaWhite {
    private MediaWhite() {
    }

    static Stage toAbsolute(IccProfile profile, Observer observer) {
        double[] w = white(profile);
        double[] scale = {w[0] / D50.X, 0, 0, 0, w[1] / D50.Y, 0, 0, 0, w[2] / D50.Z};
        return new Stage.Linear(observer == Observer.ADAPTED ? scale : Matrix3.product(DeviceModel.inverse(adaptation(profile)), scale),
            new double[3]);
    }

    static Stage fromAbsolute(IccProfile profile, Observer observer) {
        return new Stage.Linear(DeviceModel.inverse(((Stage.Linear) toAbsolute(profile, observer)).matrix()), new double[3]);
    }

    private static double[] white(IccProfile profile) {
        if (oldDisplay(profile)) {
            return new double[] {D50.X, D50.Y, D50.Z};
        }
        return usable(profile.mediaWhite());
    }

    private static double[] adaptation(IccProfile profile) {
        return profile.adaptation()
            .orElseGet(() -> Bradford.toD50(oldDisplay(profile) ? usable(profile.mediaWhite()) : new double[] {D50.X, D50.Y, D50.Z}));
    }

    private static double[] usable(double[] white) {
        if (!(white[0] > 0.05 && white[1] > 0.05 && white[2] > 0.05)) {
            throw new ProfileException(ProfileException.Reason.BROKEN, "This ICC profile can't be used. Its media white is black.",
                "Choose another profile for this.");
        }
        return white;
    }

    private static boolean oldDisplay(IccProfile profile) {
        return profile.majorVersion() < 4 && profile.deviceClass() == DeviceClass.DISPLAY;
    }
}
