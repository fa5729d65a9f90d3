package wistel.vector;

import static wistel.core.icc.kernel.SinglePrecision.BLACK;
import static wistel.core.icc.kernel.SinglePrecision.BRIGHTEST;
import static wistel.core.icc.kernel.SinglePrecision.C0;
import static wistel.core.icc.kernel.SinglePrecision.C1;
import static wistel.core.icc.kernel.SinglePrecision.C2;
import static wistel.core.icc.kernel.SinglePrecision.C3;
import static wistel.core.icc.kernel.SinglePrecision.C4;
import static wistel.core.icc.kernel.SinglePrecision.C5;
import static wistel.core.icc.kernel.SinglePrecision.C6;
import static wistel.core.icc.kernel.SinglePrecision.C7;
import static wistel.core.icc.kernel.SinglePrecision.C8;
import static wistel.core.icc.kernel.SinglePrecision.EPSILON;
import static wistel.core.icc.kernel.SinglePrecision.JOINT;
import static wistel.core.icc.kernel.SinglePrecision.LINE;
import static wistel.core.icc.kernel.SinglePrecision.ROOT_OFFSET;
import static wistel.core.icc.kernel.SinglePrecision.ROOT_SCALE;
import static wistel.core.icc.kernel.SinglePrecision.SLOPE;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.LONGS;
import static wistel.vector.Lanes.N;

import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.InverseTrc;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.PixelEnds;
import wistel.core.icc.kernel.PlaneLoops;

/** {@link PlaneLoops} over lanes, operation by operation. */
final class LanePlaneLoops extends PlaneLoops {
    static final LanePlaneLoops LANES = new LanePlaneLoops();

    private LanePlaneLoops() {
    }

    @Override
    public PixelEnds ends() {
        return LaneEnds.ENDS;
    }

    private static FloatVector at(float[] plane, int p) {
        return FloatVector.fromArray(FLOATS, plane, p);
    }

    @Override
    protected void mix(float[] rows, int row, float[] x, float[] y, float[] z, float[] mixed, int count) {
        for (int p = 0; p < count; p += N) {
            at(x, p).mul(rows[row]).add(at(y, p).mul(rows[row + 1])).add(at(z, p).mul(rows[row + 2])).add(rows[row + 3])
                .intoArray(mixed, p);
        }
    }

    @Override
    public void expand(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector above = at(values, p);
            FloatVector f = above.max(JOINT).add(BLACK);
            f.mul(f).mul(f).add(above.sub(JOINT).min(0).mul(SLOPE)).intoArray(values, p);
        }
    }

    @Override
    public void compress(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector t = at(values, p);
            FloatVector u = t.max(EPSILON).min(BRIGHTEST).sqrt().sqrt().mul(ROOT_SCALE).add(ROOT_OFFSET);
            FloatVector root = u.mul(C8).add(C7).mul(u).add(C6).mul(u).add(C5).mul(u).add(C4).mul(u).add(C3).mul(u).add(C2).mul(u).add(C1)
                .mul(u).add(C0);
            root.add(t.sub(EPSILON).min(0).mul(LINE)).intoArray(values, p);
        }
    }

    @Override
    protected void code(float[] f, float scale, float offset, int[] codes, int count) {
        for (int p = 0; p < count; p += N) {
            toCode(at(f, p).mul(scale).add(offset)).intoArray(codes, p);
        }
    }

    @Override
    protected void code(float[] f, float[] less, float scale, float offset, int[] codes, int count) {
        for (int p = 0; p < count; p += N) {
            toCode(at(f, p).sub(at(less, p)).mul(scale).add(offset)).intoArray(codes, p);
        }
    }

    static IntVector toCode(FloatVector value) {
        return (IntVector) value.max(0).min(65535).add(0.5f).convertShape(VectorOperators.F2I, INTS, 0);
    }

    @Override
    protected List<Loop> codes(InverseTrc curve, float[] light, int[] codes) {
        long[] table = curve.lines();
        long[] lines = new long[Kernel.BLOCK];
        return List.of(n -> entries(light, codes, n), n -> fetch(table, codes, lines, n), n -> follow(lines, light, codes, n));
    }

    /** For each light, its entry in the table over the logarithm, and in its place how far on from there it is. */
    private static void entries(float[] values, int[] entries, int count) {
        for (int p = 0; p < count; p += N) {
            // bits of positive floats rise as the floats do, and what is no number is above them all
            IntVector bits = at(values, p).reinterpretAsInts().max(InverseTrc.DARKEST).min(InverseTrc.ONE);
            bits.lanewise(VectorOperators.LSHR, InverseTrc.SHIFT).sub(InverseTrc.BOTTOM).intoArray(entries, p);
            ((FloatVector) bits.and((1 << InverseTrc.SHIFT) - 1).convertShape(VectorOperators.I2F, FLOATS, 0))
                .mul(1f / (1 << InverseTrc.SHIFT)).intoArray(values, p);
        }
    }

    /** One by one: half the time of the vector units' own gathering, as one load brings both floats. */
    private static void fetch(long[] table, int[] entries, long[] lines, int count) {
        for (int p = 0; p < count; p++) {
            lines[p] = table[entries[p]];
        }
    }

    private static void follow(long[] lines, float[] parts, int[] codes, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector a = LongVector.fromArray(LONGS, lines, p).reinterpretAsFloats();
            FloatVector b = LongVector.fromArray(LONGS, lines, p + N / 2).reinterpretAsFloats();
            FloatVector code = Lanes.even(a, b).add(Lanes.odd(a, b).mul(at(parts, p)));
            Lanes.rounded(code).intoArray(codes, p);
        }
    }
}
