package wistel.vector;

import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;

import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.PixelEnds;

/** Three channels by shuffles; the pixels after the last whole vector, and other counts of channels, by plain loops. */
final class LaneEnds implements PixelEnds {
    static final LaneEnds ENDS = new LaneEnds();

    private LaneEnds() {
    }

    @Override
    public void split(char[] in, int at, int[][] planes, int count) {
        if (count % N > 0 || planes.length != 3) {
            PLAIN.split(in, at, planes, count);
        } else {
            split(in, at, planes[0], planes[1], planes[2], count);
        }
    }

    @Override
    public void join(int[][] planes, char[] out, int at, int count) {
        if (count % N > 0 || planes.length != 3) {
            PLAIN.join(planes, out, at, count);
        } else {
            join(planes[0], planes[1], planes[2], out, at, count);
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
}
