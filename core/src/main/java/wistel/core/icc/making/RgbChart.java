package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/** The chart that Wistel prints to profile an RGB printer: a full cube of levels, then colours between them that only judge the profile. */
public final class RgbChart {
    private static final int CHART_SIDE = 11;
    private static final double[] CHART_LEVELS = IntStream.range(0, CHART_SIDE).mapToDouble(i -> i / (CHART_SIDE - 1.0)).toArray();
    private static final int HELD_BACK = 150;

    private RgbChart() {
    }

    /** Device values, 0 to 1. */
    public static List<double[]> patches() {
        List<double[]> patches = new ArrayList<>();
        for (double r : CHART_LEVELS) {
            for (double g : CHART_LEVELS) {
                for (double b : CHART_LEVELS) {
                    patches.add(new double[] {r, g, b});
                }
            }
        }
        SplittableRandom random = new SplittableRandom(11);
        for (int i = 0; i < HELD_BACK; i++) {
            patches.add(new double[] {between(random), between(random), between(random)});
        }
        return patches;
    }

    private static double between(SplittableRandom random) {
        return (random.nextInt(CHART_SIDE - 1) + 0.3 + 0.4 * random.nextDouble()) / (CHART_SIDE - 1);
    }

    /** True for values of the cube, false for those that were held back. */
    static boolean onCube(double[] rgb) {
        for (double v : rgb) {
            if (Arrays.stream(CHART_LEVELS).noneMatch(l -> Math.abs(l - v) < 0.002)) {
                return false;
            }
        }
        return true;
    }
}
