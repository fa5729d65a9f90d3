package wistel.core.render;

import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ToneCurves;
import wistel.core.pictures.LightCurve;

/** The light curve of a picture, from its profile where that has a plain one. */
public final class PictureLight {
    private PictureLight() {
    }

    public static LightCurve of(IccProfile profile) {
        return ToneCurves.plain(profile).map(LightCurve::new).orElse(LightCurve.GAMMA_22);
    }
}
