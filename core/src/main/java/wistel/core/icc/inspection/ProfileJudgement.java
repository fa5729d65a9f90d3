package wistel.core.icc.inspection;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.ProfileException;
import wistel.core.fault.WistelException;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.making.Quality;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * A paper's profile looked into, for its own page: what {@link ProfileInspection} tells in figures, place by place.
 *
 * @param made       the day that its file names; empty where it names none
 * @param grays      grays that are asked for, from the deepest black to paper, and how they come out
 * @param returns    there and back, by hue and lightness; cells without a colour are left out
 * @param smoothness where its tables bend
 * @param chart      how far it is from the chart in it; empty where there is none that is read
 * @param oddities   what is unusual about the file, in sentences
 */
public record ProfileJudgement(ProfileInspection inspection, Optional<LocalDate> made, List<GrayWay> grays, List<ReturnCell> returns,
    Smoothness smoothness, Optional<ChartCheck> chart, List<String> oddities) {
    private static final int GRAYS = 48;
    private static final int COLOURS = 20_000;
    public static final int HUES = 24;
    public static final int BANDS = 10;
    /** Tags of ICC.1:2022 and ICC.1:2001-04 that a printer's profile may have. */
    private static final Set<String> KNOWN = Set.of("desc", "cprt", "wtpt", "bkpt", "chad", "A2B0", "A2B1", "A2B2", "A2B3", "B2A0", "B2A1",
        "B2A2", "B2A3", "D2B0", "D2B1", "D2B2", "D2B3", "B2D0", "B2D1", "B2D2", "B2D3", "gamt", "targ", "meta", "view", "vued", "lumi",
        "meas", "tech", "dmnd", "dmdd", "calt", "ciis", "clro", "clrt", "clot", "pseq", "psid", "resp", "rig0", "rig2", "kTRC", "chrm",
        "pre0", "pre1", "pre2", "scrn", "scrd", "bfd ", "devs", "ncl2", "ncol", "ps2i", "ps2s", "psd0", "psd1", "psd2", "psd3", "crdi",
        "arts", "gbd0", "gbd1", "gbd2", "gbd3");
    /** CIEDE2000 from which the white of the tables isn't that of the paper. */
    private static final double OTHER_WHITE = 2;

    /**
     * @param lightness asked for, L* relative to the paper
     * @param came      what comes out
     */
    public record GrayWay(double lightness, Lab came) {
    }

    /**
     * Colours of a part of what the paper holds.
     *
     * @param hue  sector of {@link #HUES}, from 0 degrees on
     * @param band of L*, of {@link #BANDS}, the darkest first
     * @param mean CIEDE2000 between a colour and itself after a way back and there
     */
    public record ReturnCell(int hue, int band, double mean, double most, int colours) {
    }

    /** @param heldBack the patches took no part in making it; else they may have, and it is kinder than a print will be */
    public record ChartCheck(Quality quality, boolean heldBack) {
    }

    public ProfileJudgement {
        grays = List.copyOf(grays);
        returns = List.copyOf(returns);
        oddities = List.copyOf(oddities);
    }

    /** @throws ProfileException as {@link ProfileInspection#of} */
    public static ProfileJudgement of(IccProfile profile) {
        ProfileInspection inspection = ProfileInspection.of(profile);
        Transform toLab = TransformCompiler.toLab(profile);
        Transform back = TransformCompiler.compile(new Recipe.FromLab(profile, Intent.RELATIVE));
        return new ProfileJudgement(inspection, made(profile), grays(toLab, back), returns(profile, toLab, back), Smoothness.of(profile),
            chart(profile), oddities(profile, toLab));
    }

    /** ICC.1:2022, 7.2.8: year, month, day as 16-bit numbers from byte 24 on. */
    private static Optional<LocalDate> made(IccProfile profile) {
        byte[] b = profile.bytes();
        try {
            int year = number(b, 24);
            return year < 1990 ? Optional.empty() : Optional.of(LocalDate.of(year, number(b, 26), number(b, 28)));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static int number(byte[] b, int at) {
        return (b[at] & 0xFF) << 8 | b[at + 1] & 0xFF;
    }

    private static List<GrayWay> grays(Transform toLab, Transform back) {
        double black = LabEncoding.V4.lab(toLab.exact(back.exact(0, 128 / 255.0, 128 / 255.0))).l();
        List<GrayWay> grays = new ArrayList<>();
        for (int i = 0; i < GRAYS; i++) {
            double l = black + (100 - black) * i / (GRAYS - 1);
            grays.add(new GrayWay(l, LabEncoding.V4.lab(toLab.exact(back.exact(l / 100, 128 / 255.0, 128 / 255.0)))));
        }
        return grays;
    }

    private static List<ReturnCell> returns(IccProfile profile, Transform toLab, Transform back) {
        SplittableRandom random = new SplittableRandom(12);
        double[] sums = new double[HUES * BANDS];
        double[] most = new double[HUES * BANDS];
        int[] counts = new int[HUES * BANDS];
        double[] device = new double[profile.space().channels()];
        for (int i = 0; i < COLOURS; i++) {
            for (int c = 0; c < device.length; c++) {
                device[c] = random.nextDouble();
            }
            double[] there = toLab.exact(device);
            Lab lab = LabEncoding.V4.lab(there);
            double apart = lab.deltaE2000(LabEncoding.V4.lab(toLab.exact(back.exact(there))));
            int cell = (int) Math.min(HUES - 1, lab.hueDegrees() * HUES / 360) * BANDS
                + (int) Math.max(0, Math.min(BANDS - 1, lab.l() * BANDS / 100));
            sums[cell] += apart;
            most[cell] = Math.max(most[cell], apart);
            counts[cell]++;
        }
        List<ReturnCell> cells = new ArrayList<>();
        for (int cell = 0; cell < counts.length; cell++) {
            if (counts[cell] > 0) {
                cells.add(new ReturnCell(cell / BANDS, cell % BANDS, sums[cell] / counts[cell], most[cell], counts[cell]));
            }
        }
        return cells;
    }

    private static Optional<ChartCheck> chart(IccProfile profile) {
        return profile.chartText().flatMap(text -> {
            try {
                Cgats chart = Cgats.parse(text);
                if (chart.patches().isEmpty() || chart.patches().get(0).device().length != profile.space().channels()) {
                    return Optional.empty();
                }
                List<Patch> held = ProfileMaker.madeHere(profile) ? ProfileMaker.heldBack(chart) : List.of();
                Transform measured = TransformCompiler.toMeasuredLab(profile);
                return Optional.of(new ChartCheck(Quality.of((held.isEmpty() ? chart.patches() : held).stream()
                    .mapToDouble(p -> LabEncoding.V4.lab(measured.exact(p.device())).deltaE2000(p.lab())).toArray()), !held.isEmpty()));
            } catch (WistelException e) {
                return Optional.empty();
            }
        });
    }

    private static List<String> oddities(IccProfile profile, Transform toLab) {
        List<String> odd = new ArrayList<>();
        List<String> unknown = profile.tags().keySet().stream().filter(t -> !KNOWN.contains(t)).toList();
        if (!unknown.isEmpty()) {
            odd.add("It holds " + unknown.size() + (unknown.size() == 1 ? " tag" : " tags") + " of somebody's own ("
                + String.join(", ", unknown.stream().limit(6).map(t -> t.replaceAll("[^\\x21-\\x7e]", "·")).toList())
                + "), which stay as they are and change nothing here.");
        }
        if (!profile.has("wtpt")) {
            odd.add("It doesn't say how white its paper is (no wtpt): absolute colours are taken as relative ones.");
        }
        if (profile.majorVersion() < 4 && profile.has("chad")) {
            odd.add("A version 2 profile with an adaptation (chad) of version 4: its white may be meant the other way.");
        }
        if (!profile.has("targ")) {
            odd.add("The chart that it was made from isn't in it, so how true it is can't be told without a print.");
        }
        if (profile.tag("B2A0").isPresent() && profile.tag("B2A1").isPresent()
            && Arrays.equals(profile.tag("B2A0").get(), profile.tag("B2A1").get())) {
            odd.add("Its perceptual and relative tables are the same: the choice between them changes nothing but the black.");
        }
        double[] paper = new double[profile.space().channels()];
        Arrays.fill(paper, 1);
        Lab white = LabEncoding.V4.lab(toLab.exact(paper));
        double apart = white.deltaE2000(new Lab(100, 0, 0));
        if (apart > OTHER_WHITE) {
            odd.add(String.format(Locale.ROOT, "Bare paper isn't white in its own tables but ΔE %.1f away: whites will get ink.", apart));
        }
        odd.addAll(profile.notes());
        return odd;
    }
}
