package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;

/**
 * Interleaved 16-bit pixels taken apart into one array of 32-bit codes for each channel, and put together again, a block at a time.
 */
final class Planes {
    /** Pixels in a block: all planes of one stay in the nearest cache. */
    static final int BLOCK = 256;

    private Planes() {
    }

    static void deinterleave(char[] in, int at, int[] x, int[] y, int[] z, int count) {
        for (int p = 0, i = at; p < count; p += N, i += 3 * N) {
            IntVector a = Lanes.load(in, i);
            IntVector b = Lanes.load(in, i + N);
            IntVector c = Lanes.load(in, i + 2 * N);
            Lanes.first(a, b, c).intoArray(x, p);
            Lanes.second(a, b, c).intoArray(y, p);
            Lanes.third(a, b, c).intoArray(z, p);
        }
    }

    static void deinterleave(char[] in, int at, int[] k, int[] x, int[] y, int[] z, int count) {
        for (int p = 0, i = at; p < count; p += N, i += 4 * N) {
            IntVector a = Lanes.loadPairs(in, i);
            IntVector b = Lanes.loadPairs(in, i + 2 * N);
            IntVector first = Lanes.firstPairs(a, b);
            IntVector second = Lanes.secondPairs(a, b);
            first.and(0xFFFF).intoArray(k, p);
            first.lanewise(VectorOperators.LSHR, 16).intoArray(x, p);
            second.and(0xFFFF).intoArray(y, p);
            second.lanewise(VectorOperators.LSHR, 16).intoArray(z, p);
        }
    }

    static void together(int[] a, int[] b, int[] c, char[] out, int at, int count) {
        for (int p = 0, o = at; p < count; p += N, o += 3 * N) {
            Lanes.store(IntVector.fromArray(INTS, a, p), IntVector.fromArray(INTS, b, p), IntVector.fromArray(INTS, c, p), out, o);
        }
    }

    /** Three channels through a matrix in place, its rows as {@link wistel.core.icc.kernel.SinglePrecision#rows} gives them. */
    static void mix(float[] m, float[][] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector x = FloatVector.fromArray(FLOATS, values[0], p);
            FloatVector y = FloatVector.fromArray(FLOATS, values[1], p);
            FloatVector z = FloatVector.fromArray(FLOATS, values[2], p);
            x.mul(m[0]).add(y.mul(m[1])).add(z.mul(m[2])).add(m[3]).intoArray(values[0], p);
            x.mul(m[4]).add(y.mul(m[5])).add(z.mul(m[6])).add(m[7]).intoArray(values[1], p);
            x.mul(m[8]).add(y.mul(m[9])).add(z.mul(m[10])).add(m[11]).intoArray(values[2], p);
        }
    }
}
