package wistel.core.icc.inspection;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.gamut.GamutBoundary;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * How evenly a profile's tables go: along ramps of the device, there, and round hue circles that the paper holds, back. Where a way bends
 * far more than round about, a gradient shows a line.
 *
 * @param circles ways round the hues, for a plot
 * @param kinks   places where a way bends, the worst first, at most {@value #MOST}
 */
public record Smoothness(List<Circle> circles, List<Kink> kinks) {
    static final int MOST = 8;
    private static final int STEPS = 96;
    private static final int AROUND = 180;
    private static final double[] LIGHTNESSES = {35, 50, 65, 80};
    /** Of the chroma that every hue of a circle's lightness has. */
    private static final double INSIDE = 0.85;
    /** How many steps either way tell what bending is usual there. */
    private static final int NEAR = 10;
    /** A bend counts from this many times what is usual there. */
    private static final double TIMES = 4;
    /** Off the straight line by this at least, L*a*b* units: less shows in no print. */
    private static final double LEAST = 0.25;

    /**
     * One way round the hues at one lightness and chroma.
     *
     * @param device red, green, blue, 0 to 1, of evenly spaced hues from 0 degrees on
     */
    public record Circle(double lightness, double chroma, List<double[]> device) {
    }

    /**
     * A colour where a way bends.
     *
     * @param where in words: "blue, L* 38, from black to blue"
     * @param size  how far the middle one of three neighbours lies off the line between the others, L*a*b* units
     */
    public record Kink(String where, Lab at, double size) {
    }

    public Smoothness {
        circles = List.copyOf(circles);
        kinks = List.copyOf(kinks);
    }

    /** @param profile of three colorants; others have no kinks that are looked for */
    static Smoothness of(IccProfile profile) {
        if (profile.space().channels() != 3) {
            return new Smoothness(List.of(), List.of());
        }
        Transform toLab = TransformCompiler.toLab(profile);
        List<Kink> kinks = new ArrayList<>();
        for (int corner = 0; corner < 8; corner++) {
            double[] colour = corner(corner);
            if (corner > 0) {
                ramp(toLab, corner(0), colour, "from black to " + NAMES[corner], kinks);
            }
            if (corner > 0 && corner < 7) {
                ramp(toLab, colour, corner(7), "from " + NAMES[corner] + " to paper", kinks);
            }
        }
        List<Circle> circles = circles(profile, toLab, kinks);
        kinks.sort(Comparator.comparingDouble(Kink::size).reversed());
        return new Smoothness(circles, kinks.subList(0, Math.min(MOST, kinks.size())));
    }

    private static final String[] NAMES = {"black", "blue", "green", "cyan", "red", "magenta", "yellow", "paper"};

    private static double[] corner(int bits) {
        return new double[] {bits >> 2 & 1, bits >> 1 & 1, bits & 1};
    }

    private static void ramp(Transform toLab, double[] from, double[] to, String name, List<Kink> kinks) {
        List<Lab> way = new ArrayList<>();
        for (int i = 0; i <= STEPS; i++) {
            double t = (double) i / STEPS;
            way.add(LabEncoding.V4.lab(toLab.exact(from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1]),
                from[2] + t * (to[2] - from[2]))));
        }
        bends(way, false).forEach(i -> kinks.add(kink(way, i, false, name)));
    }

    private static List<Circle> circles(IccProfile profile, Transform toLab, List<Kink> kinks) {
        GamutBoundary boundary = GamutBoundary.of(profile);
        Transform back = TransformCompiler.compile(new Recipe.FromLab(profile, Intent.RELATIVE));
        List<Circle> circles = new ArrayList<>();
        for (double lightness : LIGHTNESSES) {
            double chroma = INSIDE * boundary.slice(lightness).stream().flatMap(List::stream).mapToDouble(ab -> Math.hypot(ab[0], ab[1]))
                .min().orElse(0);
            if (chroma < 5) {
                continue;
            }
            List<double[]> device = new ArrayList<>();
            List<Lab> way = new ArrayList<>();
            for (int i = 0; i < AROUND; i++) {
                double hue = 2 * Math.PI * i / AROUND;
                Lab asked = new Lab(lightness, chroma * Math.cos(hue), chroma * Math.sin(hue));
                double[] codes = back.exact(asked.l() / 100, (asked.a() + 128) / 255, (asked.b() + 128) / 255);
                device.add(codes);
                way.add(LabEncoding.V4.lab(toLab.exact(codes)));
            }
            circles.add(new Circle(lightness, chroma, device));
            bends(way, true).forEach(i -> kinks.add(kink(way, i, true, "round the hues")));
        }
        return circles;
    }

    private static Kink kink(List<Lab> way, int at, boolean round, String name) {
        Lab lab = way.get(at);
        return new Kink(HueNames.of(lab) + ", L* " + Math.round(lab.l()) + ", " + name, lab, off(way, at, round));
    }

    /** Where a way bends more than round about; of neighbours the worst alone. */
    private static List<Integer> bends(List<Lab> way, boolean round) {
        int n = way.size();
        double[] off = new double[n];
        for (int i = 0; i < n; i++) {
            off[i] = !round && (i == 0 || i == n - 1) ? 0 : off(way, i, round);
        }
        List<Integer> bends = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            double[] near = new double[2 * NEAR + 1];
            boolean worst = true;
            for (int k = -NEAR; k <= NEAR; k++) {
                int at = round ? Math.floorMod(i + k, n) : Math.max(1, Math.min(n - 2, i + k));
                near[k + NEAR] = off[at];
                worst &= Math.abs(k) > 2 || off[at] <= off[i];
            }
            Arrays.sort(near);
            if (worst && off[i] > LEAST && off[i] > TIMES * near[NEAR]) {
                bends.add(i);
            }
        }
        return bends;
    }

    private static double off(List<Lab> way, int i, boolean round) {
        int n = way.size();
        Lab before = way.get(round ? Math.floorMod(i - 1, n) : i - 1);
        Lab after = way.get(round ? (i + 1) % n : i + 1);
        Lab at = way.get(i);
        double l = at.l() - (before.l() + after.l()) / 2;
        double a = at.a() - (before.a() + after.a()) / 2;
        double b = at.b() - (before.b() + after.b()) / 2;
        return Math.sqrt(l * l + a * a + b * b);
    }
}
