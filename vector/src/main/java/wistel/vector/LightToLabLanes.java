package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.LightToLab;

/** {@link LightToLab} in single precision, which is good for a hundredth of a code. */
final class LightToLabLanes extends LaneKernel {
    private static final float EPSILON = 216f / 24389;
    /** The bits of 1.0f times 4/3, less what makes the guess wrong by as much above as below. */
    private static final float INVERSE_ROOT_OF_ONE = 0x54A21D2A;

    private final LightToLab light;
    private final float[] matrix;

    LightToLabLanes(LightToLab light) {
        super(light, 3, 3);
        this.light = light;
        this.matrix = Planes.rows(light.matrix(), light.offset());
    }

    @Override
    long own() {
        return 4L * matrix.length;
    }

    @Override
    void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int[][] codes = new int[3][BLOCK];
        float[][] values = new float[3][BLOCK];
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            Planes.apart(in, inAt + 3 * done, codes[0], codes[1], codes[2], count);
            for (int c = 0; c < 3; c++) {
                look(light.first()[c], codes[c], values[c], count);
            }
            Planes.mix(matrix, values, count);
            for (int c = 0; c < 3; c++) {
                compress(values[c], count);
            }
            code(values, codes, count);
            Planes.together(codes[0], codes[1], codes[2], out, outAt + 3 * done, count);
        }
    }

    /** One by one, which is quicker than the vector units' own gathering. */
    private static void look(float[] table, int[] codes, float[] values, int count) {
        for (int p = 0; p < count; p++) {
            values[p] = table[codes[p]];
        }
    }

    /** The standard's f in place: cube roots by arithmetic, a line in the dark. */
    private static void compress(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector t = FloatVector.fromArray(FLOATS, values, p);
            FloatVector line = t.mul((float) (24389.0 / 27 / 116)).add(16 / 116f);
            cubeRoot(t.max(EPSILON)).blend(line, t.compare(VectorOperators.LT, EPSILON)).intoArray(values, p);
        }
    }

    /**
     * Newton's iteration for the inverse cube root, r (4 - t r^3) / 3, which needs no division: from a first guess by the float's exponent,
     * wrong by less than 4 %, three steps reach single precision.
     */
    private static FloatVector cubeRoot(FloatVector t) {
        FloatVector third = ((FloatVector) t.reinterpretAsInts().convertShape(VectorOperators.I2F, FLOATS, 0)).mul(-1 / 3f).add(INVERSE_ROOT_OF_ONE);
        FloatVector r = ((IntVector) third.convertShape(VectorOperators.F2I, INTS, 0)).reinterpretAsFloats();
        r = closer(t, closer(t, closer(t, r)));
        return r.mul(r).mul(t);
    }

    private static FloatVector closer(FloatVector t, FloatVector r) {
        return r.mul(r.mul(r).mul(r).mul(t).mul(-1 / 3f).add(4 / 3f));
    }

    private void code(float[][] values, int[][] codes, int count) {
        float l = (float) light.codes().lightness();
        float ab = (float) light.codes().chroma();
        for (int p = 0; p < count; p += N) {
            FloatVector x = FloatVector.fromArray(FLOATS, values[0], p);
            FloatVector y = FloatVector.fromArray(FLOATS, values[1], p);
            FloatVector z = FloatVector.fromArray(FLOATS, values[2], p);
            rounded(y.mul(116 * l).sub(16 * l)).intoArray(codes[0], p);
            rounded(x.sub(y).mul(500 * ab).add(128 * ab)).intoArray(codes[1], p);
            rounded(y.sub(z).mul(200 * ab).add(128 * ab)).intoArray(codes[2], p);
        }
    }

    private static IntVector rounded(FloatVector v) {
        return (IntVector) v.max(0).min(65535).add(0.5f).convertShape(VectorOperators.F2I, INTS, 0);
    }
}
