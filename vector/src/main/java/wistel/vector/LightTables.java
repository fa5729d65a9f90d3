package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.LONGS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.InverseTrc;

/** Three channels of light through the {@link InverseTrc}s of a display. */
final class LightTables {
    private LightTables() {
    }

    /** @param light is lost on the way to {@code codes} */
    static List<Loop> loops(InverseTrc[] tables, float[][] light, int[][] codes) {
        long[] lines = new long[BLOCK];
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < 3; c++) {
            float[] channel = light[c];
            int[] entries = codes[c];
            InverseTrc curve = tables[c];
            if (curve.isSearched()) {
                loops.add(n -> search(curve, channel, entries, n));
                continue;
            }
            long[] table = curve.lines();
            loops.addAll(
                List.of(n -> entries(channel, entries, n), n -> fetch(table, entries, lines, n), n -> follow(lines, channel, entries, n)));
        }
        return loops;
    }

    private static void search(InverseTrc curve, float[] light, int[] codes, int count) {
        for (int p = 0; p < count; p++) {
            codes[p] = curve.code(light[p]);
        }
    }

    /** For each light, its entry in the table over the logarithm, and in its place how far on from there it is. */
    private static void entries(float[] values, int[] entries, int count) {
        for (int p = 0; p < count; p += N) {
            // bits of positive floats rise as the floats do, and what is no number is above them all
            IntVector bits = FloatVector.fromArray(FLOATS, values, p).reinterpretAsInts().max(InverseTrc.DARKEST).min(InverseTrc.ONE);
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
            FloatVector code = Lanes.even(a, b).add(Lanes.odd(a, b).mul(FloatVector.fromArray(FLOATS, parts, p)));
            Lanes.rounded(code).intoArray(codes, p);
        }
    }
}
