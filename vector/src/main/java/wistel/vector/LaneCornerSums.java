package wistel.vector;

import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.LONGS;
import static wistel.vector.Lanes.N;

import java.util.List;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.CornerSums;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.PixelEnds;

/** Nodes are fetched one by one, which is quicker than the vector units' own gathering, and weighed a vector of pixels at a time. */
final class LaneCornerSums extends CornerSums {
    static final LaneCornerSums SUMS = new LaneCornerSums();

    private LaneCornerSums() {
    }

    @Override
    public PixelEnds ends() {
        return LaneEnds.ENDS;
    }

    @Override
    protected List<Loop> halves(Places from, long[] words, int[] low, int[] high) {
        return List.of(n -> fetch(from.nodes(), from.at(), from.offset(), words, n), n -> halve(words, low, high, n));
    }

    @Override
    protected Loop weigh(int[][] halves, boolean upper, int[][] weights, int[] sums) {
        return upper ? n -> weighHigh(halves, weights, sums, n) : n -> weighLow(halves, weights, sums, n);
    }

    @Override
    protected Loop line(int[] from, int[] to, int[] part) {
        return n -> line(from, to, part, n);
    }

    static void fetch(long[] nodes, int[] at, int offset, long[] words, int count) {
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
