package wistel.vector;

import static wistel.core.icc.kernel.SinglePrecision.BLACK;
import static wistel.core.icc.kernel.SinglePrecision.JOINT;
import static wistel.core.icc.kernel.SinglePrecision.SLOPE;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.LabToLight;

/** {@link LabToLight}, operation by operation. */
final class LabToLightLanes extends LightLanes {
    private final LabToLight light;

    LabToLightLanes(LabToLight light) {
        super(light, light.matrix(), light.offset());
        this.light = light;
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[][] codes = new int[3][BLOCK];
        float[][] values = new float[3][BLOCK];
        List<Loop> loops = new ArrayList<>(List.of(n -> Planes.deinterleave(strip.in, strip.inAt, codes[0], codes[1], codes[2], n),
            n -> xyz(light.codes(), codes, values, n),
            n -> Planes.mix(matrix, values, n)));
        loops.addAll(LightTables.loops(light.last(), values, codes));
        loops.add(n -> Planes.together(codes[0], codes[1], codes[2], strip.out, strip.outAt, n));
        return loops;
    }

    /** L*a*b* codes to XYZ over its white. */
    static void xyz(LabEncoding coding, int[][] codes, float[][] xyz, int count) {
        float l = (float) (1 / (116 * coding.lightness()));
        float a = (float) (1 / (500 * coding.chroma()));
        float b = (float) (-1 / (200 * coding.chroma()));
        float neutral = (float) (-coding.lowest() * coding.chroma());
        for (int p = 0; p < count; p += N) {
            FloatVector y = floats(codes[0], p).mul(l);
            expanded(floats(codes[1], p).sub(neutral).mul(a).add(y)).intoArray(xyz[0], p);
            expanded(y).intoArray(xyz[1], p);
            expanded(floats(codes[2], p).sub(neutral).mul(b).add(y)).intoArray(xyz[2], p);
        }
    }

    private static FloatVector floats(int[] codes, int p) {
        return (FloatVector) IntVector.fromArray(INTS, codes, p).convertShape(VectorOperators.I2F, FLOATS, 0);
    }

    static FloatVector expanded(FloatVector above) {
        FloatVector f = above.add(BLACK);
        return f.mul(f).mul(f).blend(above.mul(SLOPE), above.compare(VectorOperators.LE, JOINT));
    }
}
