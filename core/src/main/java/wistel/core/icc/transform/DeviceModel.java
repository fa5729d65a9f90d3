package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.colour.Matrix3;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.LutReader;
import wistel.core.icc.profile.TagReader;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Stage;

/**
 * What a profile says about its device, as stages between device values and media-relative XYZ (ICC.1:2022, 8.10: the order of
 * precedence): the intent's table, else the perceptual one, else matrix and curves or the gray curve, else any table there is.
 */
public final class DeviceModel {
    private DeviceModel() {
    }

    /** Device values (L*a*b* and XYZ as data in their own units) to media-relative XYZ. */
    public static List<Stage> toXyz(IccProfile profile, Intent intent) {
        refuseLinks(profile);
        Optional<String> tag = table(profile, "A2B", intent);
        if (tag.isPresent()) {
            List<Stage> stages = new ArrayList<>(LutReader.read(bytes(profile, tag.get()), profile.space(), profile.pcs()));
            if (profile.pcs() == ColourSpace.LAB) {
                stages.add(new Stage.LabToXyz());
            }
            return stages;
        }
        if (profile.space() == ColourSpace.RGB && profile.has("rTRC")) {
            return List.of(new Stage.Curves(curve(profile, "rTRC"), curve(profile, "gTRC"), curve(profile, "bTRC")),
                new Stage.Linear(matrix(profile), new double[3]));
        }
        if (profile.space() == ColourSpace.GRAY && profile.has("kTRC")) {
            Stage curve = new Stage.Curves(curve(profile, "kTRC"));
            return profile.pcs() == ColourSpace.LAB ? List.of(curve, new Stage.GrayToLab(), new Stage.LabToXyz())
                : List.of(curve, new Stage.GrayToXyz());
        }
        throw missing(profile, "from its device values to measured colour");
    }

    /** Media-relative XYZ to device values. */
    public static List<Stage> fromXyz(IccProfile profile, Intent intent) {
        refuseLinks(profile);
        Optional<String> tag = table(profile, "B2A", intent);
        if (tag.isPresent()) {
            List<Stage> stages = new ArrayList<>();
            if (profile.pcs() == ColourSpace.LAB) {
                stages.add(new Stage.XyzToLab());
            }
            stages.addAll(LutReader.read(bytes(profile, tag.get()), profile.pcs(), profile.space()));
            return stages;
        }
        if (profile.space() == ColourSpace.RGB && profile.has("rTRC")) {
            return List.of(new Stage.Linear(inverse(matrix(profile)), new double[3]), new Stage.Curves(curve(profile, "rTRC").inverse(),
                curve(profile, "gTRC").inverse(), curve(profile, "bTRC").inverse()));
        }
        if (profile.space() == ColourSpace.GRAY && profile.has("kTRC")) {
            Stage curve = new Stage.Curves(curve(profile, "kTRC").inverse());
            return profile.pcs() == ColourSpace.LAB ? List.of(new Stage.XyzToLab(), new Stage.LabToGray(), curve)
                : List.of(new Stage.XyzToGray(), curve);
        }
        throw missing(profile, "from measured colour to its device values");
    }

    /** A device link from its device values to those it ends in; an abstract profile from its connection space to its other one. */
    static List<Stage> link(IccProfile profile) {
        return LutReader.read(profile.tag("A2B0").orElseThrow(() -> missing(profile, "through a table")), profile.space(), profile.pcs());
    }

    /** An abstract profile as a change of media-relative XYZ. */
    static List<Stage> abstractStep(IccProfile profile) {
        List<Stage> stages = new ArrayList<>();
        if (profile.space() == ColourSpace.LAB) {
            stages.add(new Stage.XyzToLab());
        }
        stages.addAll(link(profile));
        if (profile.pcs() == ColourSpace.LAB) {
            stages.add(new Stage.LabToXyz());
        }
        return stages;
    }

    /**
     * The {@code gamt} tag (ICC.1:2022, 9.2.28) from media-relative XYZ to one number: 0 inside, anything above outside. Empty without the
     * tag.
     */
    public static Optional<List<Stage>> gamut(IccProfile profile) {
        return profile.tag("gamt").map(tag -> {
            List<Stage> stages = new ArrayList<>();
            if (profile.pcs() == ColourSpace.LAB) {
                stages.add(new Stage.XyzToLab());
            }
            stages.addAll(LutReader.read(tag, profile.pcs(), ColourSpace.GRAY));
            return stages;
        });
    }

    /** True when this direction of this intent, or of what it falls back to, is a table. */
    static boolean hasTable(IccProfile profile, String kind, Intent intent) {
        return table(profile, kind, intent).isPresent();
    }

    /** True when the profile has what a matrix or gray model needs, whether or not tables take precedence. */
    static boolean hasMatrixOrGray(IccProfile profile) {
        return switch (profile.space()) {
            case RGB -> List.of("rTRC", "gTRC", "bTRC", "rXYZ", "gXYZ", "bXYZ").stream().allMatch(profile::has);
            case GRAY -> profile.has("kTRC");
            default -> false;
        };
    }

    private static Optional<String> table(IccProfile profile, String kind, Intent intent) {
        boolean otherModel = hasMatrixOrGray(profile);
        return List.of(kind + intent.table(), kind + "0", kind + "1", kind + "2").stream().filter(profile::has)
            .filter(tag -> !otherModel || tag.equals(kind + intent.table()) || tag.equals(kind + "0")).findFirst();
    }

    private static byte[] bytes(IccProfile profile, String tag) {
        return profile.tag(tag).orElseThrow();
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

    static double[] inverse(double[] matrix) {
        try {
            return Matrix3.inverse(matrix);
        } catch (ArithmeticException e) {
            throw new ProfileException(ProfileException.Reason.BROKEN, "This ICC profile can't be used. A matrix in it has no inverse.",
                "Choose another profile for this.");
        }
    }

    private static void refuseLinks(IccProfile profile) {
        if (profile.deviceClass() == DeviceClass.LINK || profile.deviceClass() == DeviceClass.ABSTRACT) {
            throw new ProfileException(ProfileException.Reason.NOT_A_DEVICE, "The profile '" + profile.description() + "' is a "
                + (profile.deviceClass() == DeviceClass.LINK ? "device link" : "change of colours") + " and describes no single device.",
                "Choose the profile of a picture, a display or a paper.");
        }
    }

    private static ProfileException missing(IccProfile profile, String way) {
        return new ProfileException(ProfileException.Reason.ONE_WAY, "The profile '" + profile.description() + "' has no way " + way + ".",
            "Choose another profile for this.");
    }
}
