package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;

/**
 * A chart that a profile of an RGB printer is made from, in the order in which it is printed: a full cube of levels; grays and colours
 * between, which take no part in making it and judge it; and some patches many times, which tell how evenly the printer prints. The order
 * is random, so that what drifts over a sheet or a day falls on all colours alike; the same seed gives the same chart.
 */
public record ProfileChart(List<ChartPatch> patches) {
    /** How many patches. */
    public enum Size {
        SMALL(300, 6, 24, 36), USUAL(900, 9, 40, 80), LARGE(1700, 11, 60, 160);

        private final int count;
        private final int side;
        private final int grays;
        private final int heldBack;

        Size(int count, int side, int grays, int heldBack) {
            this.count = count;
            this.side = side;
            this.grays = grays;
            this.heldBack = heldBack;
        }

        public int count() {
            return count;
        }
    }

    /** What a patch is for. */
    public enum Role {
        CUBE, GRAY, HELD_BACK, REPEATED
    }

    /** @param rgb device values, 0 to 1 */
    public record ChartPatch(String id, double[] rgb, Role role) {
        public ChartPatch {
            rgb = rgb.clone();
        }

        @Override
        public double[] rgb() {
            return rgb.clone();
        }
    }

    /** Bare paper, black, a gray and the six corners: what is repeated. */
    private static double[][] repeated(int side) {
        double gray = side / 2 / (side - 1.0);
        return new double[][] {{1, 1, 1}, {0, 0, 0}, {gray, gray, gray}, {1, 0, 0}, {0, 1, 0}, {0, 0, 1}, {0, 1, 1}, {1, 0, 1}, {1, 1, 0}};
    }

    public ProfileChart {
        patches = List.copyOf(patches);
    }

    public static ProfileChart of(Size size, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<ChartPatch> all = new ArrayList<>();
        int top = size.side - 1;
        for (int i = 0; i < size.side * size.side * size.side; i++) {
            add(all, Role.CUBE, (double) (i / size.side / size.side) / top, (double) (i / size.side % size.side) / top,
                (double) (i % size.side) / top);
        }
        for (int i = 0; i < size.grays; i++) {
            double v = between((i + 0.5) / size.grays, top);
            add(all, Role.GRAY, v, v, v);
        }
        for (int i = 0; i < size.heldBack; i++) {
            add(all, Role.HELD_BACK, between(random.nextDouble(), top), between(random.nextDouble(), top),
                between(random.nextDouble(), top));
        }
        double[][] repeated = repeated(size.side);
        for (int i = 0; all.size() < size.count; i++) {
            double[] rgb = repeated[i % repeated.length];
            add(all, Role.REPEATED, rgb[0], rgb[1], rgb[2]);
        }
        Collections.shuffle(all, new Random(random.nextLong()));
        return new ProfileChart(all);
    }

    private static void add(List<ChartPatch> all, Role role, double r, double g, double b) {
        all.add(new ChartPatch(role.name().charAt(0) + Integer.toString(all.size() + 1), new double[] {r, g, b}, role));
    }

    /** As near to a value as one lies that is well off the cube's levels. */
    private static double between(double value, int top) {
        double place = Math.min(value * top, top - 1e-9);
        double cell = Math.floor(place);
        return (cell + Math.max(0.25, Math.min(0.75, place - cell))) / top;
    }
}
