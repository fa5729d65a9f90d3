package wistel.vector;

import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.LONGS;
import static wistel.vector.Lanes.N;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.CornerSums;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.PixelEnds;

/** Nodes are fetched one by one, which is quicker than the vector units' own gathering, and weighed a vector of pixels at a time. */
final class LaneCornerSums implements CornerSums {
    static final LaneCornerSums SUMS = new LaneCornerSums();
    private static final int BLOCK = Kernel.BLOCK;
    private static final int HALF = ClutTable.FULL / 2;

    private LaneCornerSums() {
    }

    @Override
    public PixelEnds ends() {
        return LaneEnds.ENDS;
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

    private static List<Loop> sums(Corners corners, int further, int[][] out) {
        int[][] low = new int[4][BLOCK];
        int[][] high = new int[4][BLOCK];
        long[] words = new long[BLOCK];
        List<Loop> loops = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int[] at = corners.at()[i];
            int offset = corners.offsets()[i] + further;
            int[] l = low[i];
            int[] h = high[i];
            loops.add(n -> fetch(corners.nodes(), at, offset, words, n));
            loops.add(n -> halve(words, l, h, n));
        }
        for (int c = 0; c < out.length; c++) {
            int[][] halves = c < 2 ? low : high;
            int[] sum = out[c];
            loops.add(c % 2 == 0 ? n -> weighLow(halves, corners.weights(), sum, n) : n -> weighHigh(halves, corners.weights(), sum, n));
        }
        return loops;
    }

    static void fetch(int[] table, int[] at, int[] out, int count) {
        for (int p = 0; p < count; p++) {
            out[p] = table[at[p]];
        }
    }

    private static void fetch(long[] nodes, int[] at, int offset, long[] words, int count) {
        for (int p = 0; p < count; p++) {
            words[p] = nodes[at[p] + offset];
        }
    }

    private static void halve(long[] words, int[] low, int[] high, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector a = LongVector.fromArray(LONGS, words, p).reinterpretAsInts();
            IntVector b = LongVector.fromArray(LONGS, words, p + N / 2).reinterpretAsInts();
            Lanes.firstPairs(a, b).intoArray(low, p);
            Lanes.secondPairs(a, b).intoArray(high, p);
        }
    }

    private static void weighLow(int[][] nodes, int[][] weights, int[] sums, int count) {
        int[] a = nodes[0];
        int[] b = nodes[1];
        int[] c = nodes[2];
        int[] d = nodes[3];
        for (int p = 0; p < count; p += N) {
            IntVector sum = at(a, p).and(0xFFFF).mul(at(weights[0], p)).add(at(b, p).and(0xFFFF).mul(at(weights[1], p)))
                .add(at(c, p).and(0xFFFF).mul(at(weights[2], p))).add(at(d, p).and(0xFFFF).mul(at(weights[3], p)));
            rounded(sum).intoArray(sums, p);
        }
    }

    private static void weighHigh(int[][] nodes, int[][] weights, int[] sums, int count) {
        int[] a = nodes[0];
        int[] b = nodes[1];
        int[] c = nodes[2];
        int[] d = nodes[3];
        for (int p = 0; p < count; p += N) {
            IntVector sum = upper(a, p).mul(at(weights[0], p)).add(upper(b, p).mul(at(weights[1], p)))
                .add(upper(c, p).mul(at(weights[2], p))).add(upper(d, p).mul(at(weights[3], p)));
            rounded(sum).intoArray(sums, p);
        }
    }

    private static IntVector at(int[] plane, int p) {
        return IntVector.fromArray(INTS, plane, p);
    }

    private static IntVector upper(int[] plane, int p) {
        return at(plane, p).lanewise(VectorOperators.LSHR, 16);
    }

    private static IntVector rounded(IntVector sums) {
        return sums.add(HALF).lanewise(VectorOperators.LSHR, 15);
    }

    private static void line(int[] from, int[] to, int[] part, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector a = IntVector.fromArray(INTS, from, p);
            IntVector b = IntVector.fromArray(INTS, to, p);
            rounded(a.lanewise(VectorOperators.LSHL, 15).add(b.sub(a).mul(IntVector.fromArray(INTS, part, p)))).intoArray(from, p);
        }
    }
}
