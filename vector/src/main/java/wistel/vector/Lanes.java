package wistel.vector;

import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.ShortVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorShape;
import jdk.incubator.vector.VectorShuffle;
import jdk.incubator.vector.VectorSpecies;
import wistel.core.icc.kernel.SinglePrecision;

/** The widest vectors of this machine, and the shuffles that take interleaved pixels apart and put them together again. */
final class Lanes {
    static final VectorSpecies<Integer> INTS = IntVector.SPECIES_PREFERRED;
    static final VectorSpecies<Float> FLOATS = VectorSpecies.of(float.class, INTS.vectorShape());
    /** As many 16-bit lanes as {@link #INTS} has, in half the width. */
    static final VectorSpecies<Short> HALF = VectorSpecies.of(short.class, VectorShape.forBitSize(INTS.vectorBitSize() / 2));
    /** Twice as many 16-bit lanes, in the same width. */
    static final VectorSpecies<Short> SHORTS = VectorSpecies.of(short.class, INTS.vectorShape());
    /** Half as many 64-bit lanes, in the same width. */
    static final VectorSpecies<Long> LONGS = VectorSpecies.of(long.class, INTS.vectorShape());
    static final int N = INTS.length();

    private Lanes() {
    }

    private static VectorShuffle<Integer> shuffle(IntUnaryOperator from) {
        return VectorShuffle.fromOp(INTS, i -> Math.floorMod(from.applyAsInt(i), N));
    }

    private static VectorMask<Integer> mask(IntPredicate where) {
        boolean[] bits = new boolean[N];
        for (int i = 0; i < N; i++) {
            bits[i] = where.test(i);
        }
        return VectorMask.fromArray(INTS, bits, 0);
    }

    // Apart: channel c of pixel i is sample 3 i + c of three vectors in a row. One shuffle serves all three vectors; masks pick.
    private static final VectorShuffle<Integer> APART_0 = shuffle(i -> 3 * i);
    private static final VectorShuffle<Integer> APART_1 = shuffle(i -> 3 * i + 1);
    private static final VectorShuffle<Integer> APART_2 = shuffle(i -> 3 * i + 2);
    private static final VectorMask<Integer> APART_0_SECOND = mask(i -> 3 * i / N == 1);
    private static final VectorMask<Integer> APART_0_THIRD = mask(i -> 3 * i / N == 2);
    private static final VectorMask<Integer> APART_1_SECOND = mask(i -> (3 * i + 1) / N == 1);
    private static final VectorMask<Integer> APART_1_THIRD = mask(i -> (3 * i + 1) / N == 2);
    private static final VectorMask<Integer> APART_2_SECOND = mask(i -> (3 * i + 2) / N == 1);
    private static final VectorMask<Integer> APART_2_THIRD = mask(i -> (3 * i + 2) / N == 2);

    /**
     * Codes, or anything from 0 to 2^23, to the nearest integers: a float as large as 2^23 has no fraction, so adding it rounds into the
     * lowest bits. JDK 17 has no quick conversion from floats to integers.
     */
    static IntVector rounded(FloatVector codes) {
        return codes.add(SinglePrecision.ROUND).reinterpretAsInts().and(SinglePrecision.ROUNDED);
    }

    static IntVector load(char[] in, int at) {
        // sign-extended, then cut: the conversion that extends with zeros fails on JDK 17 until it is compiled
        return ((IntVector) ShortVector.fromCharArray(HALF, in, at).convertShape(VectorOperators.S2I, INTS, 0)).and(0xFFFF);
    }

    static IntVector first(IntVector a, IntVector b, IntVector c) {
        return a.rearrange(APART_0).blend(b.rearrange(APART_0), APART_0_SECOND).blend(c.rearrange(APART_0), APART_0_THIRD);
    }

    static IntVector second(IntVector a, IntVector b, IntVector c) {
        return a.rearrange(APART_1).blend(b.rearrange(APART_1), APART_1_SECOND).blend(c.rearrange(APART_1), APART_1_THIRD);
    }

    static IntVector third(IntVector a, IntVector b, IntVector c) {
        return a.rearrange(APART_2).blend(b.rearrange(APART_2), APART_2_SECOND).blend(c.rearrange(APART_2), APART_2_THIRD);
    }

    // Together: lane k of the v-th vector is sample v N + k, which is channel (v N + k) % 3 of pixel (v N + k) / 3.
    private static final VectorShuffle<Integer> TOGETHER_0 = shuffle(k -> k / 3);
    private static final VectorShuffle<Integer> TOGETHER_1 = shuffle(k -> (N + k) / 3);
    private static final VectorShuffle<Integer> TOGETHER_2 = shuffle(k -> (2 * N + k) / 3);
    private static final VectorMask<Integer> TOGETHER_0_SECOND = mask(k -> k % 3 == 1);
    private static final VectorMask<Integer> TOGETHER_0_THIRD = mask(k -> k % 3 == 2);
    private static final VectorMask<Integer> TOGETHER_1_SECOND = mask(k -> (N + k) % 3 == 1);
    private static final VectorMask<Integer> TOGETHER_1_THIRD = mask(k -> (N + k) % 3 == 2);
    private static final VectorMask<Integer> TOGETHER_2_SECOND = mask(k -> (2 * N + k) % 3 == 1);
    private static final VectorMask<Integer> TOGETHER_2_THIRD = mask(k -> (2 * N + k) % 3 == 2);

    static void store(IntVector x, IntVector y, IntVector z, char[] out, int at) {
        narrow(x.rearrange(TOGETHER_0).blend(y.rearrange(TOGETHER_0), TOGETHER_0_SECOND).blend(z.rearrange(TOGETHER_0), TOGETHER_0_THIRD),
            out, at);
        narrow(x.rearrange(TOGETHER_1).blend(y.rearrange(TOGETHER_1), TOGETHER_1_SECOND).blend(z.rearrange(TOGETHER_1), TOGETHER_1_THIRD),
            out, at + N);
        narrow(x.rearrange(TOGETHER_2).blend(y.rearrange(TOGETHER_2), TOGETHER_2_SECOND).blend(z.rearrange(TOGETHER_2), TOGETHER_2_THIRD),
            out, at + 2 * N);
    }

    private static void narrow(IntVector v, char[] out, int at) {
        ((ShortVector) v.convertShape(VectorOperators.I2S, HALF, 0)).intoCharArray(out, at);
    }

    // Four channels: two 16-bit samples in each 32-bit lane, so that pairs move as one.
    private static final VectorShuffle<Integer> EVEN_PAIRS = shuffle(i -> 2 * i);
    private static final VectorShuffle<Integer> ODD_PAIRS = shuffle(i -> 2 * i + 1);
    private static final VectorMask<Integer> UPPER = mask(i -> 2 * i >= N);

    static IntVector firstPairs(IntVector a, IntVector b) {
        return a.rearrange(EVEN_PAIRS).blend(b.rearrange(EVEN_PAIRS), UPPER);
    }

    static IntVector secondPairs(IntVector a, IntVector b) {
        return a.rearrange(ODD_PAIRS).blend(b.rearrange(ODD_PAIRS), UPPER);
    }

    private static final VectorShuffle<Integer> LOWER_TWICE = shuffle(i -> i / 2);
    private static final VectorShuffle<Integer> UPPER_TWICE = shuffle(i -> (N + i) / 2);
    private static final VectorMask<Integer> EVERY_SECOND = mask(i -> i % 2 == 1);

    /** Codes of four channels of N pixels, as N / 2 pixels a vector of pairs. */
    static IntVector pairs(char[] in, int at) {
        return ShortVector.fromCharArray(SHORTS, in, at).reinterpretAsInts();
    }

    static void store(IntVector firstPairs, IntVector secondPairs, char[] out, int at) {
        firstPairs.rearrange(LOWER_TWICE).blend(secondPairs.rearrange(LOWER_TWICE), EVERY_SECOND).reinterpretAsShorts()
            .intoCharArray(out, at);
        firstPairs.rearrange(UPPER_TWICE).blend(secondPairs.rearrange(UPPER_TWICE), EVERY_SECOND).reinterpretAsShorts()
            .intoCharArray(out, at + 2 * N);
    }

    // Floats that come in twos.
    private static final VectorShuffle<Float> EVEN = EVEN_PAIRS.cast(FLOATS);
    private static final VectorShuffle<Float> ODD = ODD_PAIRS.cast(FLOATS);
    private static final VectorMask<Float> UPPER_FLOATS = UPPER.cast(FLOATS);

    static FloatVector even(FloatVector a, FloatVector b) {
        return a.rearrange(EVEN).blend(b.rearrange(EVEN), UPPER_FLOATS);
    }

    static FloatVector odd(FloatVector a, FloatVector b) {
        return a.rearrange(ODD).blend(b.rearrange(ODD), UPPER_FLOATS);
    }
}
