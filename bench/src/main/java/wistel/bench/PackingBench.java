package wistel.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.Function;
import wistel.core.packing.Block;
import wistel.core.packing.Effort;
import wistel.core.packing.Guillotine;
import wistel.core.packing.Packing;
import wistel.core.packing.Shelf;
import wistel.core.packing.Skyline;
import wistel.core.packing.Space;

/** Strips that were cut up at random with straight cuts, packed again: length above the strip's, and time, with rows as the peer. */
final class PackingBench {
    private static final double WIDTH = 600;
    private static final double NARROWEST = 12;
    private static final int OF_EACH = 100;
    private static final Space ROLL = Space.roll(WIDTH, 1e6);

    private PackingBench() {
    }

    private record Instance(List<Block> blocks, double length) {
    }

    static void run() {
        for (int n : new int[] {16, 50, 100, 200}) {
            List<Instance> all = new ArrayList<>();
            for (int k = 0; k < OF_EACH; k++) {
                all.add(instance(n, k));
            }
            System.out.println(n + " blocks, " + OF_EACH + " strips");
            report("rows, first fit", all, blocks -> Shelf.firstFit(blocks, ROLL));
            report("tightest, while a hand moves", all, blocks -> Skyline.pack(blocks, ROLL, List.of(), Effort.QUICK));
            report("tightest", all, blocks -> Skyline.pack(blocks, ROLL, List.of(), Effort.THOROUGH));
            report("cut right across", all, blocks -> Guillotine.pack(blocks, ROLL, List.of(), Effort.THOROUGH));
        }
    }

    private static void report(String what, List<Instance> all, Function<List<Block>, Packing> pack) {
        // the first one warms the algorithm up, and is measured once more
        double first = pack.apply(all.get(0).blocks).length();
        double sum = 0;
        double worst = 100 * (first / all.get(0).length - 1);
        double slowest = 0;
        long began = System.nanoTime();
        for (Instance i : all) {
            long start = System.nanoTime();
            double gap = 100 * (pack.apply(i.blocks).length() / i.length - 1);
            slowest = Math.max(slowest, (System.nanoTime() - start) / 1e6);
            sum += gap;
            worst = Math.max(worst, gap);
        }
        System.out.printf(Locale.ROOT, "  %-30s %5.2f %% above the least, worst %5.2f %%; %6.1f ms, slowest %6.1f ms%n", what,
            sum / all.size(), worst, (System.nanoTime() - began) / 1e6 / all.size(), slowest);
    }

    private static Block turned(Block b) {
        double width = b.height();
        double height = b.width();
        return new Block(width, height, true);
    }

    private static Instance instance(int n, long seed) {
        Random random = new Random(seed);
        double length = WIDTH * (0.5 + 2 * random.nextDouble());
        List<Block> parts = new ArrayList<>(List.of(new Block(WIDTH, length, true)));
        while (parts.size() < n) {
            int i = random.nextInt(parts.size());
            Block part = parts.get(i);
            boolean across = random.nextDouble() < part.width() / (part.width() + part.height());
            double side = across ? part.width() : part.height();
            double at = side * (0.2 + 0.6 * random.nextDouble());
            if (Math.min(at, side - at) >= NARROWEST) {
                parts.set(i, across ? new Block(at, part.height(), true) : new Block(part.width(), at, true));
                parts.add(across ? new Block(side - at, part.height(), true) : new Block(part.width(), side - at, true));
            }
        }
        Collections.shuffle(parts, random);
        return new Instance(parts.stream().map(b -> random.nextBoolean() ? b : turned(b)).toList(), length);
    }
}
