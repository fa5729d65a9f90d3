package wistel.core.icc.making;

import java.util.List;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.TagWriter;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * Output profiles from measured charts: A2B and B2A for three intents (perceptual with a soft compression towards paper white and ink
 * black), version 4, the chart embedded as {@code targ}.
 */
public final class ProfileMaker {

    /** The file, and how well it predicts patches that it was not made from. */
    public record Made(byte[] profile, Quality quality) {
    }

    private static final String COPYRIGHT = "Made by Wistel from measurements of the owner";

    private ProfileMaker() {
    }

    /** Whether a profile comes from {@link #make}. */
    public static boolean madeHere(IccProfile profile) {
        return profile.text("cprt").filter(COPYRIGHT::equals).isPresent();
    }

    /** Patches of a chart that {@link #make} leaves aside to judge by; of a gray one none. */
    public static List<Patch> heldBack(Cgats chart) {
        return chart.device() == Cgats.Device.RGB ? PrinterModel.split(chart.patches()).heldBack() : List.of();
    }

    /**
     * @param chart RGB or gray patches with absolute L*a*b*
     * @throws MeasurementException when there are too few patches, the bare paper is missing, or the chart is of another device
     */
    public static Made make(String description, Cgats chart) {
        return switch (chart.device()) {
            case RGB -> rgb(description, chart);
            case GRAY -> gray(description, chart);
            case CMYK -> throw new MeasurementException(MeasurementException.Reason.CHART_OF_INKS,
                "This chart was measured from separate inks; Wistel makes profiles for printers driven by RGB or gray.",
                "Measure an RGB or a gray chart.");
        };
    }

    private static Made rgb(String description, Cgats chart) {
        PrinterModel.Split split = PrinterModel.split(chart.patches());
        PrinterModel model = PrinterModel.of(split.used());
        byte[] profile = RgbTables.into(writer(description, ColourSpace.RGB, chart).tag("wtpt", TagWriter.xyz(model.whiteXyz())), model)
            .write();
        return new Made(profile, Quality.of(differences(profile, split.heldBack())));
    }

    private static Made gray(String description, Cgats chart) {
        GrayRamp ramp = GrayRamp.of(chart.patches());
        byte[] profile = GrayTables.into(writer(description, ColourSpace.GRAY, chart).tag("wtpt", TagWriter.xyz(ramp.whiteXyz())), ramp)
            .write();
        return new Made(profile, Quality.of(ramp.leaveOneOut()));
    }

    private static ProfileWriter writer(String description, ColourSpace space, Cgats chart) {
        return new ProfileWriter(DeviceClass.OUTPUT, space, ColourSpace.LAB, description, COPYRIGHT)
            .tag("targ", TagWriter.text(chart.text()));
    }

    private static double[] differences(byte[] profile, List<Patch> patches) {
        Transform toLab = TransformCompiler.toMeasuredLab(ProfileReader.read(profile));
        return patches.stream().mapToDouble(p -> LabEncoding.V4.lab(toLab.exact(p.device())).deltaE2000(p.lab())).toArray();
    }
}
