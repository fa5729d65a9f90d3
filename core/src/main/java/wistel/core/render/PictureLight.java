package wistel.core.render;

import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ToneCurves;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.LightCurve;

/** The light curve of a picture, from its profile where that has a plain one. */
public final class PictureLight {
    private PictureLight() {
    }

    /** Weights of the channels in luminance, adding up to one: what each alone gives, by the profile itself. */
    public static float[] luminance(IccProfile profile) {
        int channels = profile.space().channels();
        double[] weights = new double[channels];
        double sum = 0;
        Transform toLab = TransformCompiler.compile(new Recipe.DeviceToLab(profile, false));
        for (int c = 0; c < channels; c++) {
            double[] alone = new double[channels];
            alone[c] = 1;
            weights[c] = Math.max(0, D50.luminance(LabEncoding.V4.lab(toLab.exact(alone)).l()));
            sum += weights[c];
        }
        float[] share = new float[channels];
        for (int c = 0; c < channels; c++) {
            share[c] = (float) (weights[c] / sum);
        }
        return share;
    }

    public static LightCurve of(IccProfile profile) {
        return ToneCurves.plain(profile).map(LightCurve::new).orElse(LightCurve.GAMMA_22);
    }
}
