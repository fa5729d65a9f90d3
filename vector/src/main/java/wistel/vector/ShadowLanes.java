package wistel.vector;

import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.LONGS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Lanes.SHORTS;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.ShortVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorShuffle;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.PixelEnds;
import wistel.core.icc.kernel.ShadowGrid;
import wistel.core.icc.kernel.ShadowPlanes;

/**
 * {@link ShadowPlanes}, operation by operation. Each loop is short enough for the JIT to keep its vectors in registers. Nodes are weighed
 * two channels at a time, as they lie in their words, and go to pixels without planes in between.
 */
final class ShadowLanes extends LaneKernel {
    private static final int STEP_BITS = 15;
    private static final int STEP_MASK = (1 << STEP_BITS) - 1;
    private static final int HALF = ClutTable.FULL / 2;
    /** Each lane twice: of the lower half of a vector, and of the upper one. */
    private static final VectorShuffle<Integer> LOWER_TWICE = VectorShuffle.fromOp(INTS, i -> i / 2);
    private static final VectorShuffle<Integer> UPPER_TWICE = VectorShuffle.fromOp(INTS, i -> N / 2 + i / 2);

    private final ShadowGrid grid;
    /** From four codes a pixel to those that are outputs. */
    private final VectorShuffle<Short> wanted;

    ShadowLanes(ShadowGrid grid) {
        super(new ShadowPlanes(grid));
        this.grid = grid;
        int outputs = grid.outputs();
        wanted = VectorShuffle.fromOp(SHORTS, i -> i < outputs * N / 2 ? i / outputs * 4 + i % outputs : 0);
    }

    @Override
    List<Loop> lanes(int[][] in, int[][] out) {
        char[] codes = new char[4 * BLOCK + 2 * N];
        List<Loop> loops = new ArrayList<>(lanes(in, codes));
        loops.add(n -> PixelEnds.PLAIN.split(codes, 0, out, n));
        return loops;
    }

    @Override
    void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int[][] planes = new int[3][BLOCK];
        char[] codes = new char[4 * BLOCK + 2 * N];
        Loop[] loops = lanes(planes, codes).toArray(Loop[]::new);
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            LaneEnds.ENDS.split(in, inAt + 3 * done, planes, count);
            int whole = (count + STEP - 1) / STEP * STEP;
            for (Loop loop : loops) {
                loop.over(whole);
            }
            System.arraycopy(codes, 0, out, outAt + grid.outputs() * done, grid.outputs() * count);
        }
    }

    private List<Loop> lanes(int[][] in, char[] codes) {
        int cells = grid.all().cells();
        int more = grid.dark().cells() - cells;
        int darkStart = grid.darkStart();
        int[] x = in[0];
        int[] y = in[1];
        int[] z = in[2];
        int[] sides = new int[BLOCK];
        int[][] corners = new int[4][BLOCK];
        int[][] weights = new int[4][2 * BLOCK];
        long[][] nodes = new long[4][BLOCK];
        int[] even = new int[2 * BLOCK];
        List<Loop> loops = new ArrayList<>();
        loops.add(n -> places(x, y, z, cells, more, sides, corners[0], n));
        loops.add(n -> origins(x, y, z, sides, darkStart, corners[0], corners[3], n));
        loops.add(n -> keys(x, y, z, sides, n));
        loops.add(n -> sort(x, y, z, corners[0], corners[1], corners[2], corners[3], n));
        loops.add(n -> weights(x, y, z, weights, n));
        for (int i = 0; i < 4; i++) {
            int[] at = corners[i];
            long[] fetched = nodes[i];
            loops.add(n -> LaneCornerSums.fetch(grid.nodes(), at, 0, fetched, n));
        }
        loops.add(n -> weighEven(nodes, weights, even, n));
        loops.add(n -> weighOdd(nodes, weights, even, codes, n));
        return loops;
    }

    private static IntVector at(int[] plane, int p) {
        return IntVector.fromArray(INTS, plane, p);
    }

    /** Codes to places in a pixel's grid, the cell in the upper 8 bits, how far on in the lower 24; its side, and whether it is dark. */
    private static void places(int[] xs, int[] ys, int[] zs, int cells, int more, int[] sides, int[] darks, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector x = at(xs, p);
            IntVector y = at(ys, p);
            IntVector z = at(zs, p);
            IntVector dark = x.or(y).or(z).sub(ShadowGrid.BRIGHTEST).lanewise(VectorOperators.LSHR, 31);
            IntVector spans = dark.mul(more).add(cells);
            IntVector scale = dark.mul(ShadowGrid.SCALE - 1).add(1);
            place(x.mul(scale)).mul(spans).intoArray(xs, p);
            place(y.mul(scale)).mul(spans).intoArray(ys, p);
            place(z.mul(scale)).mul(spans).intoArray(zs, p);
            spans.add(1).intoArray(sides, p);
            dark.intoArray(darks, p);
        }
    }

    private static IntVector place(IntVector codes) {
        return codes.lanewise(VectorOperators.LSHL, 8).or(codes.lanewise(VectorOperators.LSHR, 8));
    }

    private static IntVector upper(IntVector place) {
        return place.lanewise(VectorOperators.LSHR, 24);
    }

    /** The first corner of a pixel's cell, where it was told whether it is dark, and the last one. */
    private static void origins(int[] xs, int[] ys, int[] zs, int[] sides, int darkStart, int[] first, int[] last, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector side = at(sides, p);
            IntVector origin = upper(at(xs, p)).mul(side).add(upper(at(ys, p))).mul(side).add(upper(at(zs, p)))
                .add(at(first, p).mul(darkStart));
            origin.intoArray(first, p);
            side.add(1).mul(side).add(1).add(origin).intoArray(last, p);
        }
    }

    private static void keys(int[] xs, int[] ys, int[] zs, int[] sides, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector side = at(sides, p);
            fraction(xs, p).or(side.mul(side)).intoArray(xs, p);
            fraction(ys, p).or(side).intoArray(ys, p);
            fraction(zs, p).or(1).intoArray(zs, p);
        }
    }

    private static IntVector fraction(int[] places, int p) {
        return at(places, p).and(0xFFFFFF).add(256).lanewise(VectorOperators.LSHR, 9).lanewise(VectorOperators.LSHL, STEP_BITS);
    }

    /** Keys to fractions, the largest first; and the two corners between. */
    private static void sort(int[] xs, int[] ys, int[] zs, int[] first, int[] second, int[] third, int[] last, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector x = at(xs, p);
            IntVector y = at(ys, p);
            IntVector z = at(zs, p);
            IntVector most = x.max(y).max(z);
            IntVector least = x.min(y).min(z);
            most.and(STEP_MASK).add(at(first, p)).intoArray(second, p);
            at(last, p).sub(least.and(STEP_MASK)).intoArray(third, p);
            most.lanewise(VectorOperators.LSHR, STEP_BITS).intoArray(xs, p);
            x.add(y).add(z).sub(most).sub(least).lanewise(VectorOperators.LSHR, STEP_BITS).intoArray(ys, p);
            least.lanewise(VectorOperators.LSHR, STEP_BITS).intoArray(zs, p);
        }
    }

    /** Each weight twice, for the two halves of a node's word. */
    private static void weights(int[] most, int[] middle, int[] least, int[][] weights, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector big = at(most, p);
            IntVector mid = at(middle, p);
            IntVector small = at(least, p);
            twice(big.neg().add(ClutTable.FULL), weights[0], p);
            twice(big.sub(mid), weights[1], p);
            twice(mid.sub(small), weights[2], p);
            twice(small, weights[3], p);
        }
    }

    private static void twice(IntVector weight, int[] weights, int p) {
        weight.rearrange(LOWER_TWICE).intoArray(weights, 2 * p);
        weight.rearrange(UPPER_TWICE).intoArray(weights, 2 * p + N);
    }

    private static IntVector halves(long[] nodes, int p) {
        return LongVector.fromArray(LONGS, nodes, p).reinterpretAsInts();
    }

    /** The first and third channels. */
    private static void weighEven(long[][] nodes, int[][] weights, int[] even, int count) {
        long[] a = nodes[0];
        long[] b = nodes[1];
        long[] c = nodes[2];
        long[] d = nodes[3];
        for (int p = 0; p < count; p += N / 2) {
            halves(a, p).and(0xFFFF).mul(at(weights[0], 2 * p)).add(halves(b, p).and(0xFFFF).mul(at(weights[1], 2 * p)))
                .add(halves(c, p).and(0xFFFF).mul(at(weights[2], 2 * p))).add(halves(d, p).and(0xFFFF).mul(at(weights[3], 2 * p)))
                .add(HALF).lanewise(VectorOperators.LSHR, STEP_BITS).intoArray(even, 2 * p);
        }
    }

    /** The second and fourth channels, put together with the others. */
    private void weighOdd(long[][] nodes, int[][] weights, int[] even, char[] codes, int count) {
        long[] a = nodes[0];
        long[] b = nodes[1];
        long[] c = nodes[2];
        long[] d = nodes[3];
        int step = grid.outputs() * N / 2;
        for (int p = 0, o = 0; p < count; p += N / 2, o += step) {
            IntVector odd = upperHalf(a, p).mul(at(weights[0], 2 * p)).add(upperHalf(b, p).mul(at(weights[1], 2 * p)))
                .add(upperHalf(c, p).mul(at(weights[2], 2 * p))).add(upperHalf(d, p).mul(at(weights[3], 2 * p))).add(HALF)
                .lanewise(VectorOperators.LSHL, 1).and(0xFFFF0000);
            ShortVector both = odd.or(at(even, 2 * p)).reinterpretAsShorts();
            both.rearrange(wanted).intoCharArray(codes, o);
        }
    }

    private static IntVector upperHalf(long[] nodes, int p) {
        return halves(nodes, p).lanewise(VectorOperators.LSHR, 16);
    }
}
