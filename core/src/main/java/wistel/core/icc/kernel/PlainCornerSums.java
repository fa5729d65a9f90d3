package wistel.core.icc.kernel;

import java.util.List;

/** By plain loops over integers, each short enough for the JIT to spread over vector units. */
final class PlainCornerSums extends CornerSums {
    static final PlainCornerSums SUMS = new PlainCornerSums();

    private PlainCornerSums() {
    }

    @Override
    public PixelEnds ends() {
        return PixelEnds.PLAIN;
    }

    @Override
    protected List<Loop> halves(Places from, long[] words, int[] low, int[] high) {
        return List.of(n -> fetch(from.nodes(), from.at(), from.offset(), low, high, n));
    }

    @Override
    protected Loop weigh(int[][] halves, boolean upper, int[][] weights, int[] sums) {
        int shift = upper ? 16 : 0;
        return n -> weigh(halves, shift, weights, sums, n);
    }

    @Override
    protected Loop line(int[] from, int[] to, int[] part) {
        return n -> line(from, to, part, n);
    }

    private static void fetch(long[] nodes, int[] at, int offset, int[] low, int[] high, int count) {
        for (int p = 0; p < count; p++) {
            long node = nodes[at[p] + offset];
            low[p] = (int) node;
            high[p] = (int) (node >>> 32);
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
