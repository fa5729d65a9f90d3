package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.LightTable;

/** {@link LabToLight} in single precision. */
final class LabToLightLanes extends LaneKernel {
    private static final float ROOT = 6f / 29;

    private final LabToLight light;
    private final float[] matrix;

    LabToLightLanes(LabToLight light) {
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
            xyz(codes, values, count);
            mix(values, count);
            for (int c = 0; c < 3; c++) {
                curve(light.last()[c].codes(), values[c], codes[c], count);
            }
            Planes.together(codes[0], codes[1], codes[2], out, outAt + 3 * done, count);
        }
    }

    /** L*a*b* codes to XYZ over its white. */
    private void xyz(int[][] codes, float[][] xyz, int count) {
        float l = (float) (1 / (116 * light.codes().lightness()));
        float a = (float) (1 / (500 * light.codes().chroma()));
        float b = (float) (-1 / (200 * light.codes().chroma()));
        for (int p = 0; p < count; p += N) {
            FloatVector fy = floats(codes[0], p).mul(l).add(16 / 116f);
            expanded(floats(codes[1], p).mul(a).add(fy).sub(128 / 500f)).intoArray(xyz[0], p);
            expanded(fy).intoArray(xyz[1], p);
            expanded(floats(codes[2], p).mul(b).add(fy).add(128 / 200f)).intoArray(xyz[2], p);
        }
    }

    private static FloatVector floats(int[] codes, int p) {
        return (FloatVector) IntVector.fromArray(INTS, codes, p).convertShape(VectorOperators.I2F, FLOATS, 0);
    }

    private static FloatVector expanded(FloatVector f) {
        return f.mul(f).mul(f).blend(f.sub(4 / 29f).mul(3 * ROOT * ROOT), f.compare(VectorOperators.LE, ROOT));
    }

    private void mix(float[][] values, int count) {
        float[] m = matrix;
        for (int p = 0; p < count; p += N) {
            FloatVector x = FloatVector.fromArray(FLOATS, values[0], p);
            FloatVector y = FloatVector.fromArray(FLOATS, values[1], p);
            FloatVector z = FloatVector.fromArray(FLOATS, values[2], p);
            x.mul(m[0]).add(y.mul(m[1])).add(z.mul(m[2])).add(m[3]).intoArray(values[0], p);
            x.mul(m[4]).add(y.mul(m[5])).add(z.mul(m[6])).add(m[7]).intoArray(values[1], p);
            x.mul(m[8]).add(y.mul(m[9])).add(z.mul(m[10])).add(m[11]).intoArray(values[2], p);
        }
    }

    /** Light through the table over its logarithm; {@code codes} serves as the map and takes the result. */
    private static void curve(float[] table, float[] values, int[] codes, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector bits = FloatVector.fromArray(FLOATS, values, p).max(LightTable.SMALLEST).min(1).reinterpretAsInts();
            bits.lanewise(VectorOperators.LSHR, LightTable.SHIFT).sub(LightTable.BOTTOM).intoArray(codes, p);
            FloatVector part = ((FloatVector) bits.and((1 << LightTable.SHIFT) - 1).convertShape(VectorOperators.I2F, FLOATS, 0)).mul(1f / (1 << LightTable.SHIFT));
            FloatVector low = FloatVector.fromArray(FLOATS, table, 0, codes, p);
            FloatVector high = FloatVector.fromArray(FLOATS, table, 1, codes, p);
            ((IntVector) high.sub(low).fma(part, low).add(0.5f).convertShape(VectorOperators.F2I, INTS, 0)).intoArray(codes, p);
        }
    }
}
