package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;

/** By plain loops over integers, each short enough for the JIT to spread over vector units. */
final class PlainCornerSums implements CornerSums {
    static final PlainCornerSums SUMS = new PlainCornerSums();
    private static final int BLOCK = Kernel.BLOCK;
    private static final int HALF = ClutTable.FULL / 2;

    private PlainCornerSums() {
    }

    @Override
    public PixelEnds ends() {
        return PixelEnds.PLAIN;
    }

    @Override
    public List<Loop> at(Corners corners, int[][] out) {
        return sums(corners, 0, out);
    }

    @Override
    public List<Loop> between(Corners corners, int[] part, int[][] out) {
        int[][] next = new int[out.length][BLOCK];
        List<Loop> loops = new ArrayList<>(sums(corners, 0, out));
        loops.addAll(sums(corners, 1, next));
        for (int c = 0; c < out.length; c++) {
            int[] from = out[c];
            int[] to = next[c];
            loops.add(n -> line(from, to, part, n));
        }
        return loops;
    }

    /** @param further how many nodes behind its corner each node is */
    private static List<Loop> sums(Corners corners, int further, int[][] out) {
        List<Loop> loops = new ArrayList<>();
        int[][] low = new int[4][BLOCK];
        int[][] high = new int[4][BLOCK];
        for (int i = 0; i < 4; i++) {
            int[] at = corners.at()[i];
            int offset = corners.offsets()[i] + further;
            int[] l = low[i];
            int[] h = high[i];
            loops.add(out.length > 2 ? n -> fetch(corners.nodes(), at, offset, l, h, n) : n -> fetch(corners.nodes(), at, offset, l, n));
        }
        for (int c = 0; c < out.length; c++) {
            int[][] halves = c < 2 ? low : high;
            int shift = c % 2 * 16;
            int[] sum = out[c];
            loops.add(n -> weigh(halves, shift, corners.weights(), sum, n));
        }
        return loops;
    }

    private static void fetch(long[] nodes, int[] at, int offset, int[] low, int[] high, int count) {
        for (int p = 0; p < count; p++) {
            long node = nodes[at[p] + offset];
            low[p] = (int) node;
            high[p] = (int) (node >>> 32);
        }
    }

    private static void fetch(long[] nodes, int[] at, int offset, int[] low, int count) {
        for (int p = 0; p < count; p++) {
            low[p] = (int) nodes[at[p] + offset];
        }
    }

    private static void weigh(int[][] halves, int shift, int[][] weights, int[] sums, int count) {
        weigh(halves[0], halves[1], halves[2], halves[3], shift, weights[0], weights[1], weights[2], weights[3], sums, count);
    }

    private static void weigh(int[] a, int[] b, int[] c, int[] d, int shift, int[] as, int[] bs, int[] cs, int[] ds, int[] sums,
        int count) {
        for (int p = 0; p < count; p++) {
            sums[p] = (a[p] >>> shift & 0xFFFF) * as[p] + (b[p] >>> shift & 0xFFFF) * bs[p] + (c[p] >>> shift & 0xFFFF) * cs[p]
                + (d[p] >>> shift & 0xFFFF) * ds[p] + HALF >>> 15;
        }
    }

    private static void line(int[] from, int[] to, int[] part, int count) {
        for (int p = 0; p < count; p++) {
            from[p] = (from[p] << 15) + (to[p] - from[p]) * part[p] + HALF >>> 15;
        }
    }
}
