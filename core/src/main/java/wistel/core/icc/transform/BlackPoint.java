package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Stage;

/**
 * Black point compensation after ISO 18619:2015: the source's black is estimated from its darkest colorants, the destination's from the
 * round trip of a gray ramp, and XYZ is scaled linearly so that one lands on the other, white staying where it is. Black points are
 * neutral and never lighter than L* 50.
 */
public final class BlackPoint {
    /** XYZ of the reference medium's black, where perceptual and saturation tables of version 4 end (ICC.1:2022, 6.3.3). */
    private static final double[] REFERENCE_BLACK = {0.00336, 0.0034731, 0.00287};
    private static final double[] NONE = {0, 0, 0};
    private static final double LIGHTEST = 50;

    private BlackPoint() {
    }

    /** Whether black is scaled between two profiles: never with the absolute intent, else when wanted or when it always is. */
    static boolean applies(IccProfile destination, Intent intent, boolean wanted) {
        return intent != Intent.ABSOLUTE && (wanted || always(destination, intent));
    }

    /**
     * Intents by which reaching this destination takes the scaling even when nobody asks for it: the perceptual and saturation intents of
     * version 4 are defined over the reference medium with its own black (ICC.1:2022, 6.3.3).
     */
    public static Set<Intent> always(IccProfile destination) {
        return Arrays.stream(Intent.values()).filter(i -> always(destination, i))
            .collect(Collectors.toCollection(() -> EnumSet.noneOf(Intent.class)));
    }

    private static boolean always(IccProfile destination, Intent intent) {
        return hasReferenceBlack(destination, intent);
    }

    /** The scaling of XYZ between two black points, each the XYZ of a neutral. */
    public static Stage scaling(double[] from, double[] to) {
        double[] white = {D50.X, D50.Y, D50.Z};
        double[] a = new double[3];
        double[] b = new double[3];
        for (int i = 0; i < 3; i++) {
            a[i] = (white[i] - to[i]) / (white[i] - from[i]);
            b[i] = white[i] * (1 - a[i]);
        }
        return Stage.Linear.scale(a[0], a[1], a[2], b[0], b[1], b[2]);
    }

    /** XYZ of the darkest colour that a source means with this intent. */
    static double[] ofSource(IccProfile profile, Intent intent) {
        if (describesNoDevice(profile)) {
            return NONE;
        }
        if (hasReferenceBlack(profile, intent)) {
            return DeviceModel.hasMatrixOrGray(profile) ? darkestColorant(profile, Intent.RELATIVE) : REFERENCE_BLACK;
        }
        if (intent == Intent.RELATIVE && profile.isOutput() && profile.space() == ColourSpace.CMYK) {
            // four inks at full would be darker than the press ever prints: black as the perceptual table separates it
            return DeviceModel.hasTable(profile, "B2A", Intent.PERCEPTUAL) ? neutral(roundTrip(profile, Intent.PERCEPTUAL).at(0, 0, 0)[0])
                : NONE;
        }
        return darkestColorant(profile, intent);
    }

    /** XYZ of the darkest colour that a destination gives with this intent. */
    static double[] ofDestination(IccProfile profile, Intent intent) {
        ColourSpace space = profile.space();
        boolean estimated = DeviceModel.hasTable(profile, "B2A", intent) && DeviceModel.hasTable(profile, "A2B", Intent.RELATIVE)
            && (space == ColourSpace.GRAY || space == ColourSpace.RGB || space == ColourSpace.CMYK);
        if (describesNoDevice(profile) || hasReferenceBlack(profile, intent) || !estimated) {
            return ofSource(profile, intent);
        }
        double first = intent == Intent.RELATIVE ? lightness(ofSource(profile, intent)) : 0;
        return neutral(DestinationBlackFit.black(roundTrip(profile, intent), intent, first));
    }

    private static boolean describesNoDevice(IccProfile profile) {
        return profile.deviceClass() == DeviceClass.LINK || profile.deviceClass() == DeviceClass.ABSTRACT;
    }

    private static boolean hasReferenceBlack(IccProfile profile, Intent intent) {
        return profile.majorVersion() >= 4 && (intent == Intent.PERCEPTUAL || intent == Intent.SATURATION);
    }

    private static double[] darkestColorant(IccProfile profile, Intent intent) {
        double[] darkest = new double[Chain.STRIDE];
        switch (profile.space()) {
            case GRAY, RGB, LAB -> {
            }
            case CMYK, CMY -> Arrays.fill(darkest, 0, profile.space().channels(), 1);
            default -> {
                return NONE;
            }
        }
        List<Stage> stages = new ArrayList<>(DeviceModel.toXyz(profile, intent));
        stages.add(new Stage.XyzToLab());
        return neutral(Chain.of(stages).at(darkest)[0]);
    }

    /** L*a*b* sent through the device with this intent and measured. */
    private static Chain roundTrip(IccProfile profile, Intent intent) {
        List<Stage> stages = new ArrayList<>(List.of(new Stage.LabToXyz()));
        stages.addAll(DeviceModel.fromXyz(profile, intent));
        stages.addAll(DeviceModel.toXyz(profile, Intent.RELATIVE));
        stages.add(new Stage.XyzToLab());
        return Chain.of(stages);
    }

    /** XYZ of a neutral of this lightness, 0 to 50. */
    public static double[] neutral(double l) {
        double[] xyz = new double[3];
        D50.labToXyz(new Lab(Math.max(0, Math.min(LIGHTEST, l)), 0, 0).toArray(), xyz);
        return xyz;
    }

    private static double lightness(double[] xyz) {
        return D50.lightness(xyz[1]);
    }
}
