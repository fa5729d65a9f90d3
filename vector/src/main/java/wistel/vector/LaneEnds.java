package wistel.vector;

import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;

import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.PixelEnds;

/** Three and four channels by shuffles; the pixels after the last whole vector, and other counts of channels, by plain loops. */
final class LaneEnds implements PixelEnds {
    static final LaneEnds ENDS = new LaneEnds();

    private LaneEnds() {
    }

    @Override
    public void split(char[] in, int at, int[][] planes, int count) {
        if (count % N > 0 || planes.length < 3 || planes.length > 4) {
            PLAIN.split(in, at, planes, count);
        } else if (planes.length == 3) {
            split(in, at, planes[0], planes[1], planes[2], count);
        } else {
            split(in, at, planes, planes[0], planes[1], count);
        }
    }

    @Override
    public void join(int[][] planes, char[] out, int at, int count) {
        if (count % N > 0 || planes.length < 3 || planes.length > 4) {
            PLAIN.join(planes, out, at, count);
        } else if (planes.length == 3) {
            join(planes[0], planes[1], planes[2], out, at, count);
        } else {
            joinPairs(planes, out, at, count);
        }
    }

    private static void split(char[] in, int at, int[] x, int[] y, int[] z, int count) {
        for (int p = 0, i = at; p < count; p += N, i += 3 * N) {
            IntVector a = Lanes.load(in, i);
            IntVector b = Lanes.load(in, i + N);
            IntVector c = Lanes.load(in, i + 2 * N);
            Lanes.first(a, b, c).intoArray(x, p);
            Lanes.second(a, b, c).intoArray(y, p);
            Lanes.third(a, b, c).intoArray(z, p);
        }
    }

    private static void join(int[] x, int[] y, int[] z, char[] out, int at, int count) {
        for (int p = 0, o = at; p < count; p += N, o += 3 * N) {
            Lanes.store(IntVector.fromArray(INTS, x, p), IntVector.fromArray(INTS, y, p), IntVector.fromArray(INTS, z, p), out, o);
        }
    }

    private static void split(char[] in, int at, int[][] planes, int[] k, int[] x, int count) {
        int[] y = planes[2];
        int[] z = planes[3];
        for (int p = 0, i = at; p < count; p += N, i += 4 * N) {
            IntVector a = Lanes.pairs(in, i);
            IntVector b = Lanes.pairs(in, i + 2 * N);
            IntVector first = Lanes.firstPairs(a, b);
            IntVector second = Lanes.secondPairs(a, b);
            first.and(0xFFFF).intoArray(k, p);
            first.lanewise(VectorOperators.LSHR, 16).intoArray(x, p);
            second.and(0xFFFF).intoArray(y, p);
            second.lanewise(VectorOperators.LSHR, 16).intoArray(z, p);
        }
    }

    private static void joinPairs(int[][] planes, char[] out, int at, int count) {
        int[] k = planes[0];
        int[] x = planes[1];
        int[] y = planes[2];
        int[] z = planes[3];
        for (int p = 0, o = at; p < count; p += N, o += 4 * N) {
            Lanes.store(pair(k, x, p), pair(y, z, p), out, o);
        }
    }

    private static IntVector pair(int[] low, int[] high, int p) {
        return IntVector.fromArray(INTS, low, p).or(IntVector.fromArray(INTS, high, p).lanewise(VectorOperators.LSHL, 16));
    }
}
