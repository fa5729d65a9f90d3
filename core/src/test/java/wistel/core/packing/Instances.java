package wistel.core.packing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/** Rectangles that are known to fill a strip without a gap: the strip itself, cut up at random, its parts shuffled and turned. */
final class Instances {
    static final double WIDTH = 600;
    private static final double NARROWEST = 12;

    private Instances() {
    }

    /** @param length of the strip that the blocks fill, the optimum */
    record Instance(List<Block> blocks, double length) {
    }

    /** Cut from edge to edge, again and again. */
    static Instance straight(int n, long seed) {
        Random random = new Random(seed);
        double length = WIDTH * (0.5 + 2 * random.nextDouble());
        List<double[]> parts = new ArrayList<>(List.of(new double[] {WIDTH, length}));
        while (parts.size() < n) {
            cut(parts, random);
        }
        return new Instance(shuffled(parts, random), length);
    }

    /** Cut round a middle into five first, as often as that goes: no straight cut parts those. */
    static Instance round(int n, long seed) {
        Random random = new Random(seed);
        double length = WIDTH * (0.5 + 2 * random.nextDouble());
        List<double[]> parts = new ArrayList<>(List.of(new double[] {WIDTH, length}));
        for (int tries = 0; parts.size() + 4 <= n && tries < 1000; tries++) {
            int i = random.nextInt(parts.size());
            double w = parts.get(i)[0];
            double h = parts.get(i)[1];
            double x1 = w * (0.2 + 0.25 * random.nextDouble());
            double x2 = w * (0.55 + 0.25 * random.nextDouble());
            double y1 = h * (0.2 + 0.25 * random.nextDouble());
            double y2 = h * (0.55 + 0.25 * random.nextDouble());
            if (Math.min(Math.min(x1, w - x2), Math.min(y1, h - y2)) > NARROWEST && Math.min(x2 - x1, y2 - y1) > NARROWEST) {
                parts.remove(i);
                Collections.addAll(parts, new double[] {x2, y1}, new double[] {w - x2, y2}, new double[] {w - x1, h - y2},
                    new double[] {x1, h - y1}, new double[] {x2 - x1, y2 - y1});
            }
        }
        while (parts.size() < n) {
            cut(parts, random);
        }
        return new Instance(shuffled(parts, random), length);
    }

    private static void cut(List<double[]> parts, Random random) {
        double[] part = parts.remove(random.nextInt(parts.size()));
        boolean across = random.nextDouble() < part[0] / (part[0] + part[1]);
        double side = part[across ? 0 : 1];
        double at = side * (0.2 + 0.6 * random.nextDouble());
        if (Math.min(at, side - at) < NARROWEST) {
            parts.add(part);
            return;
        }
        parts.add(across ? new double[] {at, part[1]} : new double[] {part[0], at});
        parts.add(across ? new double[] {side - at, part[1]} : new double[] {part[0], side - at});
    }

    private static List<Block> shuffled(List<double[]> parts, Random random) {
        Collections.shuffle(parts, random);
        return parts.stream().map(p -> random.nextBoolean() ? new Block(p[0], p[1], true) : new Block(p[1], p[0], true)).toList();
    }
}
