package wistel.core.icc.inspection;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.ProfileException;
import wistel.core.icc.gamut.GamutBoundary;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * Everything that is told of a profile of a printer and paper before it is used.
 *
 * @param version   of the ICC format: "4.3"
 * @param madeFor   texts in it that say what it belongs to, the description first
 * @param roundTrip device to colour and back: how far a colour that the paper holds comes out from where it was
 * @param neutral   how far grays come out from gray, in a*b*, at the most
 * @param white     of the paper, as measured
 * @param blackL    L* of the deepest black by intent, as measured
 * @param volume    of what it holds, in cubic L*a*b* units
 * @param missing   intents that it has no table of its own for
 * @param rises     whether lighter device grays always come out lighter
 * @param remarks   what to be careful about, in sentences; empty where there is nothing
 */
public record ProfileInspection(String version, List<String> madeFor, RoundTrip roundTrip, double neutral, Lab white,
    Map<Intent, Double> blackL, double volume, List<Intent> missing,
    boolean rises, List<String> remarks) {
    private static final int COLOURS = 3000;
    private static final int GRAYS = 64;
    /** Mean CIEDE2000 of a round trip from which a profile's two directions don't seem to belong together; good ones stay below 0.6. */
    private static final double DOUBTFUL = 1.5;
    private static final double TINTED = 3;
    /** Of a* and b*, beyond which no paper is. */
    private static final double NO_PAPER = 20;

    /** CIEDE2000. */
    public record RoundTrip(double mean, double percentile95, double max) {
    }

    /** @throws ProfileException when it is no profile of a printer that takes RGB or gray, or lacks a direction */
    public static ProfileInspection of(IccProfile profile) {
        checked(profile);
        Transform measured = TransformCompiler.toMeasuredLab(profile);
        Transform toLab = TransformCompiler.toLab(profile);
        Transform back = TransformCompiler.compile(new Recipe.FromLab(profile, Intent.RELATIVE));
        Lab white = LabEncoding.V4.lab(measured.exact(all(profile, 1)));
        Map<Intent, Double> blacks = new EnumMap<>(Intent.class);
        for (Intent intent : Intent.values()) {
            Transform in = TransformCompiler.compile(new Recipe.FromLab(profile, intent));
            blacks.put(intent, LabEncoding.V4.lab(measured.exact(in.exact(0, 128 / 255.0, 128 / 255.0))).l());
        }
        RoundTrip trip = roundTrip(profile, toLab, back);
        double neutral = neutral(toLab, back, blacks.get(Intent.RELATIVE));
        List<Intent> missing = Arrays.stream(Intent.values())
            .filter(i -> i != Intent.ABSOLUTE && !(profile.has("B2A" + i.table()) && profile.has("A2B" + i.table()))).toList();
        boolean rises = rises(profile, toLab);
        double volume = profile.space() == ColourSpace.RGB ? GamutBoundary.of(profile).volume() : 0;
        return new ProfileInspection(version(profile), madeFor(profile), trip, neutral, white, blacks, volume, missing, rises,
            remarks(trip, neutral, white, missing, rises));
    }

    private static void checked(IccProfile profile) {
        String name = "'" + profile.description() + "'";
        if (!profile.isOutput()) {
            throw new ProfileException(ProfileException.Reason.NOT_A_PAPER,
                name + " is the profile of a " + profile.deviceClass().name().toLowerCase(Locale.ROOT)
                    + " device, not of a printer and its paper.",
                "Choose the profile that came with the paper, or was made for it on this printer.");
        }
        if (profile.space() != ColourSpace.RGB && profile.space() != ColourSpace.GRAY) {
            throw new ProfileException(ProfileException.Reason.NOT_A_PAPER,
                name + " is made for " + profile.space()
                    + " inks; the printers that Wistel drives take red, green and blue and part the inks by themselves.",
                "Ask for the paper's RGB profile.");
        }
    }

    private static String version(IccProfile profile) {
        int minor = profile.bytes()[9] & 0xFF;
        return profile.majorVersion() + "." + (minor >> 4);
    }

    private static List<String> madeFor(IccProfile profile) {
        List<String> texts = new ArrayList<>(List.of(profile.description()));
        for (String tag : List.of("dmdd", "dmnd")) {
            profile.text(tag).filter(t -> !t.isBlank() && !texts.contains(t)).ifPresent(texts::add);
        }
        return texts;
    }

    private static double[] all(IccProfile profile, double value) {
        double[] device = new double[profile.space().channels()];
        Arrays.fill(device, value);
        return device;
    }

    private static RoundTrip roundTrip(IccProfile profile, Transform toLab, Transform back) {
        SplittableRandom random = new SplittableRandom(11);
        double[] apart = new double[COLOURS];
        for (int i = 0; i < COLOURS; i++) {
            double[] device = all(profile, 0);
            Arrays.setAll(device, c -> random.nextDouble());
            double[] there = toLab.exact(device);
            apart[i] = LabEncoding.V4.lab(there).deltaE2000(LabEncoding.V4.lab(toLab.exact(back.exact(there))));
        }
        Arrays.sort(apart);
        return new RoundTrip(Arrays.stream(apart).average().orElse(0), apart[(int) (0.95 * COLOURS)], apart[COLOURS - 1]);
    }

    /** Grays that lie between the deepest black and paper. */
    private static double neutral(Transform toLab, Transform back, double blackL) {
        return IntStream.range(0, GRAYS).mapToDouble(i -> blackL + 3 + (98 - blackL - 3) * i / (GRAYS - 1))
            .map(l -> LabEncoding.V4.lab(toLab.exact(back.exact(l / 100, 128 / 255.0, 128 / 255.0))).chroma())
            .max().orElse(0);
    }

    private static boolean rises(IccProfile profile, Transform toLab) {
        double last = -1;
        for (int i = 0; i <= 255; i++) {
            double l = toLab.exact(all(profile, i / 255.0))[0];
            // a hundredth of L* is noise
            if (l < last - 1e-4) {
                return false;
            }
            last = Math.max(last, l);
        }
        return true;
    }

    private static List<String> remarks(RoundTrip trip, double neutral, Lab white, List<Intent> missing, boolean rises) {
        List<String> remarks = new ArrayList<>();
        if (!(trip.mean < DOUBTFUL)) {
            remarks.add(String.format(Locale.ROOT,
                "Its two directions don't agree: colours come back ΔE %.1f away on average. Proofs will not tell what prints.", trip.mean));
        }
        if (!(neutral < TINTED)) {
            remarks.add(String.format(Locale.ROOT, "Grays come out tinted, by up to C* %.1f.", neutral));
        }
        if (!rises) {
            remarks.add("Its tones turn back somewhere: a lighter gray is laid down darker than the one before.");
        }
        if (Math.max(Math.abs(white.a()), Math.abs(white.b())) > NO_PAPER || white.l() < 50) {
            remarks.add(String.format(Locale.ROOT, "Its white is L* %.0f, a* %.0f, b* %.0f: no paper that is sold as white.", white.l(),
                white.a(), white.b()));
        }
        if (!missing.isEmpty()) {
            remarks.add("It has no table of its own for "
                + String.join(" and ", missing.stream().map(i -> i.name().toLowerCase(Locale.ROOT)).toList())
                + "; another one serves in its place.");
        }
        return remarks;
    }
}
