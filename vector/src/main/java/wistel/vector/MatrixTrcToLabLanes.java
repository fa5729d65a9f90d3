package wistel.vector;

import static wistel.core.icc.kernel.SinglePrecision.BLACK;
import static wistel.core.icc.kernel.SinglePrecision.EPSILON;
import static wistel.core.icc.kernel.SinglePrecision.INVERSE_ROOT_OF_ONE;
import static wistel.core.icc.kernel.SinglePrecision.LINE;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.MatrixTrcToLab;

/** {@link MatrixTrcToLab}, operation by operation. */
final class MatrixTrcToLabLanes extends LightLanes {
    private final MatrixTrcToLab light;

    MatrixTrcToLabLanes(MatrixTrcToLab light) {
        super(light, light.matrix(), light.offset());
        this.light = light;
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[][] codes = new int[3][BLOCK];
        float[][] values = new float[3][BLOCK];
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, codes[0], codes[1], codes[2], n), n -> look(codes, values, n),
            n -> Planes.mix(matrix, values, n),
            n -> compress(values[0], n), n -> compress(values[1], n), n -> compress(values[2], n), n -> code(values, codes, n),
            n -> Planes.together(codes[0], codes[1], codes[2], strip.out, strip.outAt, n));
    }

    private void look(int[][] codes, float[][] values, int count) {
        for (int c = 0; c < 3; c++) {
            look(light.first()[c], codes[c], values[c], count);
        }
    }

    /** One by one, which is quicker than the vector units' own gathering. */
    private static void look(float[] table, int[] codes, float[] values, int count) {
        for (int p = 0; p < count; p++) {
            values[p] = table[codes[p]];
        }
    }

    /** The standard's f in place: cube roots by arithmetic, a line in the dark. */
    static void compress(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector t = FloatVector.fromArray(FLOATS, values, p);
            FloatVector line = t.mul(LINE).add(BLACK);
            cubeRoot(t.max(EPSILON)).blend(line, t.compare(VectorOperators.LT, EPSILON)).intoArray(values, p);
        }
    }

    static FloatVector cubeRoot(FloatVector t) {
        FloatVector upper = (FloatVector) t.reinterpretAsInts().lanewise(VectorOperators.LSHR, 8).convertShape(VectorOperators.I2F, FLOATS,
            0);
        FloatVector r = Lanes.rounded(upper.mul(-1 / 3f).add(INVERSE_ROOT_OF_ONE)).lanewise(VectorOperators.LSHL, 8).reinterpretAsFloats();
        r = closer(t, closer(t, closer(t, r)));
        return r.mul(r).mul(t);
    }

    private static FloatVector closer(FloatVector t, FloatVector r) {
        return r.mul(r.mul(r).mul(r).mul(t).mul(-1 / 3f).add(4 / 3f));
    }

    private void code(float[][] values, int[][] codes, int count) {
        float l = (float) light.codes().lightness();
        float ab = (float) light.codes().chroma();
        float zero = (float) (-light.codes().lowest() * light.codes().chroma());
        for (int p = 0; p < count; p += N) {
            FloatVector x = FloatVector.fromArray(FLOATS, values[0], p);
            FloatVector y = FloatVector.fromArray(FLOATS, values[1], p);
            FloatVector z = FloatVector.fromArray(FLOATS, values[2], p);
            rounded(y.mul(116 * l).sub(16 * l)).intoArray(codes[0], p);
            rounded(x.sub(y).mul(500 * ab).add(zero)).intoArray(codes[1], p);
            rounded(y.sub(z).mul(200 * ab).add(zero)).intoArray(codes[2], p);
        }
    }

    private static IntVector rounded(FloatVector v) {
        return Lanes.rounded(v.max(0).min(65535));
    }
}
