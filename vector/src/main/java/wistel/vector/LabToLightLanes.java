package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.LONGS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.LightTable;

/** {@link LabToLight} in single precision. */
final class LabToLightLanes extends LightLanes {
    private static final float ROOT = 6f / 29;
    private static final int SMALLEST = Float.floatToRawIntBits(LightTable.SMALLEST);
    private static final int ONE = Float.floatToRawIntBits(1);

    private final LabToLight light;

    LabToLightLanes(LabToLight light) {
        super(light, light.matrix(), light.offset());
        this.light = light;
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[][] codes = new int[3][BLOCK];
        float[][] values = new float[3][BLOCK];
        long[] lines = new long[BLOCK];
        List<Loop> loops = new ArrayList<>(List.of(n -> Planes.apart(strip.in, strip.inAt, codes[0], codes[1], codes[2], n), n -> xyz(codes, values, n),
            n -> Planes.mix(matrix, values, n)));
        for (int c = 0; c < 3; c++) {
            float[] channel = values[c];
            int[] entries = codes[c];
            long[] table = light.last()[c].lines();
            loops.addAll(List.of(n -> entries(channel, entries, n), n -> fetch(table, entries, lines, n), n -> follow(lines, channel, entries, n)));
        }
        loops.add(n -> Planes.together(codes[0], codes[1], codes[2], strip.out, strip.outAt, n));
        return loops;
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

    /** For each light, its entry in the table over the logarithm, and in its place how far on from there it is. */
    private static void entries(float[] values, int[] entries, int count) {
        for (int p = 0; p < count; p += N) {
            // bits of positive floats rise as the floats do, and what is no number is above them all
            IntVector bits = FloatVector.fromArray(FLOATS, values, p).reinterpretAsInts().max(SMALLEST).min(ONE);
            bits.lanewise(VectorOperators.LSHR, LightTable.SHIFT).sub(LightTable.BOTTOM).intoArray(entries, p);
            ((FloatVector) bits.and((1 << LightTable.SHIFT) - 1).convertShape(VectorOperators.I2F, FLOATS, 0)).mul(1f / (1 << LightTable.SHIFT)).intoArray(values, p);
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
            FloatVector code = Lanes.even(a, b).add(Lanes.odd(a, b).mul(FloatVector.fromArray(FLOATS, parts, p)));
            Lanes.rounded(code).intoArray(codes, p);
        }
    }
}
