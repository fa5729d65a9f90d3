package wistel.core.icc.making;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
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
import wistel.core.progress.Progress;

/**
 * Output profiles from measured charts: A2B and B2A for three intents (perceptual with a soft compression towards paper white and ink
 * black), the chart embedded as {@code targ}.
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
     * @param made the day; empty for a file that depends on the chart alone
     */
    public record Wanted(String description, ProfileWriter.Version version, ProfileChoices choices, Optional<LocalDate> made) {
    }

    /** A version 4 profile with the usual choices, the same whenever it is made. */
    public static Made make(String description, Cgats chart) {
        return make(new Wanted(description, ProfileWriter.Version.V4, ProfileChoices.USUAL, Optional.empty()), chart, Progress.SILENT);
    }

    /**
     * @param chart RGB or gray patches with absolute L*a*b*; of a gray one only the black aimed at depends on what is wanted
     * @throws MeasurementException when there are too few patches, the bare paper is missing, or the chart is of another device
     */
    public static Made make(Wanted wanted, Cgats chart, Progress progress) {
        return switch (chart.device()) {
            case RGB -> rgb(wanted, chart, progress);
            case GRAY -> gray(wanted, chart);
            case CMYK -> throw new MeasurementException(MeasurementException.Reason.CHART_OF_INKS,
                "This chart was measured from separate inks; Wistel makes profiles for printers driven by RGB or gray.",
                "Measure an RGB or a gray chart.");
        };
    }

    private static Made rgb(Wanted wanted, Cgats chart, Progress progress) {
        PrinterModel.Split split = PrinterModel.split(chart.patches());
        PrinterModel model = PrinterModel.of(split.used());
        ProfileWriter writer = writer(wanted, ColourSpace.RGB, chart).tag("wtpt", TagWriter.xyz(model.whiteXyz()));
        byte[] profile = RgbTables.into(writer, model, wanted.choices, progress).write();
        return new Made(profile, Quality.of(differences(profile, split.heldBack())));
    }

    private static Made gray(Wanted wanted, Cgats chart) {
        GrayRamp ramp = GrayRamp.of(chart.patches());
        byte[] profile = GrayTables.into(writer(wanted, ColourSpace.GRAY, chart).tag("wtpt", TagWriter.xyz(ramp.whiteXyz())), ramp)
            .write();
        return new Made(profile, Quality.of(ramp.leaveOneOut()));
    }

    private static ProfileWriter writer(Wanted wanted, ColourSpace space, Cgats chart) {
        ProfileWriter writer = new ProfileWriter(wanted.version, DeviceClass.OUTPUT, space, ColourSpace.LAB, wanted.description, COPYRIGHT)
            .tag("targ", TagWriter.text(chart.text()));
        return wanted.made.map(writer::made).orElse(writer);
    }

    /** How well a profile foresees the held-back patches of a chart; empty where it is for another device, or nothing is held back. */
    public static Optional<Quality> quality(IccProfile profile, Cgats chart) {
        List<Patch> judges = heldBack(chart);
        return judges.isEmpty() || profile.space() != ColourSpace.RGB ? Optional.empty()
            : Optional.of(Quality.of(differences(profile.bytes(), judges)));
    }

    private static double[] differences(byte[] profile, List<Patch> patches) {
        Transform toLab = TransformCompiler.toMeasuredLab(ProfileReader.read(profile));
        return patches.stream().mapToDouble(p -> LabEncoding.V4.lab(toLab.exact(p.device())).deltaE2000(p.lab())).toArray();
    }
}
