package wistel.core.icc;

import java.util.ArrayList;
import java.util.List;
import wistel.core.colour.D50;
import wistel.core.colour.Matrix3;
import wistel.core.fault.ProfileException;

/**
 * What a profile says about its device, as stages between device values and media-relative XYZ: tables where it has them, else
 * matrix and curves, else the gray curve (ICC.1:2022, 8.10.2: the order of precedence). A missing intent falls back to A2B0 or B2A0.
 */
final class ProfileModel {
    private ProfileModel() {
    }

    static List<Stage> toXyz(IccProfile profile, Intent intent) {
        String tag = table(profile, "A2B", intent);
        if (tag != null) {
            List<Stage> stages = new ArrayList<>(LutReader.toPcs(profile.tag(tag).orElseThrow(), profile.space(), profile.pcs()));
            if (profile.pcs() == ColourSpace.LAB) {
                stages.add(new Stage.LabToXyz());
            }
            return stages;
        }
        if (profile.space() == ColourSpace.RGB) {
            return List.of(new Stage.Curves(curve(profile, "rTRC"), curve(profile, "gTRC"), curve(profile, "bTRC")),
                new Stage.Linear(matrix(profile), new double[3]));
        }
        if (profile.space() == ColourSpace.GRAY) {
            return List.of(new Stage.Curves(curve(profile, "kTRC")), new Stage.GrayToXyz());
        }
        throw missing(profile, "from its device values to measured colour");
    }

    static List<Stage> fromXyz(IccProfile profile, Intent intent) {
        String tag = table(profile, "B2A", intent);
        if (tag != null) {
            List<Stage> stages = new ArrayList<>();
            if (profile.pcs() == ColourSpace.LAB) {
                stages.add(new Stage.XyzToLab());
            }
            stages.addAll(LutReader.fromPcs(profile.tag(tag).orElseThrow(), profile.space(), profile.pcs()));
            return stages;
        }
        if (profile.space() == ColourSpace.RGB && profile.has("rTRC")) {
            double[] inverse;
            try {
                inverse = Matrix3.inverse(matrix(profile));
            } catch (ArithmeticException e) {
                throw ProfileReader.broken("Its colorants lie on one line");
            }
            return List.of(new Stage.Linear(inverse, new double[3]), new Stage.Curves(curve(profile, "rTRC").inverse(),
                curve(profile, "gTRC").inverse(), curve(profile, "bTRC").inverse()));
        }
        if (profile.space() == ColourSpace.GRAY && profile.has("kTRC")) {
            return List.of(new Stage.XyzToGray(), new Stage.Curves(curve(profile, "kTRC").inverse()));
        }
        throw missing(profile, "from measured colour to its device values");
    }

    /** True when the intents of this profile come from tables rather than from matrix and curves. */
    static boolean hasTables(IccProfile profile) {
        return profile.has("A2B0") || profile.has("A2B1");
    }

    private static String table(IccProfile profile, String kind, Intent intent) {
        String wanted = kind + intent.table();
        if (profile.has(wanted)) {
            return wanted;
        }
        return profile.has(kind + "0") ? kind + "0" : null;
    }

    private static Curve curve(IccProfile profile, String tag) {
        return TagReader.curve(profile.tag(tag).orElseThrow(() -> missing(profile, "through a curve (" + tag + ")")));
    }

    private static double[] matrix(IccProfile profile) {
        double[] r = colorant(profile, "rXYZ");
        double[] g = colorant(profile, "gXYZ");
        double[] b = colorant(profile, "bXYZ");
        return new double[] {r[0], g[0], b[0], r[1], g[1], b[1], r[2], g[2], b[2]};
    }

    private static double[] colorant(IccProfile profile, String tag) {
        return TagReader.xyz(profile.tag(tag).orElseThrow(() -> missing(profile, "through a colorant (" + tag + ")")));
    }

    /** Media-relative to absolute (or back): XYZ scaled by the media white over D50 (ICC.1:2022, 6.3.2.2). */
    static Stage whiteScale(IccProfile profile, boolean toAbsolute) {
        double[] w = profile.mediaWhite();
        double x = w[0] / D50.X;
        double y = w[1] / D50.Y;
        double z = w[2] / D50.Z;
        if (!(x > 0.05 && y > 0.05 && z > 0.05)) {
            throw ProfileReader.broken("Its media white is black");
        }
        return toAbsolute ? Stage.Linear.scale(x, y, z, 0, 0, 0) : Stage.Linear.scale(1 / x, 1 / y, 1 / z, 0, 0, 0);
    }

    private static ProfileException missing(IccProfile profile, String way) {
        return new ProfileException("profile-one-way", "The profile '" + profile.description() + "' has no way " + way + ".",
            "Choose another profile for this.");
    }
}
