package wistel.core.icc;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.making.RgbChart;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;

/** Profiles for tests: a made-up printer with a smooth, known behaviour. */
public final class MadeProfiles {
    private MadeProfiles() {
    }

    /** A printer whose measured colour is known in closed form: gamma-like ramps, unwanted absorptions, a paper of L* 95 and a black of L* 9. */
    public static Lab measured(double[] rgb) {
        double r = 0.02 + 0.98 * Math.pow(rgb[0], 1.7);
        double g = 0.02 + 0.98 * Math.pow(rgb[1], 1.8);
        double b = 0.02 + 0.98 * Math.pow(rgb[2], 1.6);
        double[] xyz = {0.86 * D50.X * (0.45 * r + 0.38 * g + 0.17 * b), 0.88 * (0.24 * r + 0.68 * g + 0.08 * b), 0.84 * D50.Z * (0.02 * r + 0.12 * g + 0.86 * b)};
        D50.xyzToLab(xyz, xyz);
        return Lab.of(xyz);
    }

    public static Cgats chart() {
        List<Patch> patches = new ArrayList<>();
        SplittableRandom noise = new SplittableRandom(3);
        for (double[] rgb : RgbChart.patches()) {
            Lab lab = measured(rgb);
            patches.add(new Patch("P" + patches.size(), rgb, new Lab(lab.l() + 0.05 * (noise.nextDouble() - 0.5), lab.a(), lab.b())));
        }
        return Cgats.of("test", "a made-up printer", patches);
    }

    private static final class Held {
        private static final ProfileMaker.Made MADE = ProfileMaker.make("Made-up printer", chart());
        private static final IccProfile PRINTER = ProfileReader.read(MADE.profile());
    }

    public static ProfileMaker.Made made() {
        return Held.MADE;
    }

    public static IccProfile printer() {
        return Held.PRINTER;
    }
}
