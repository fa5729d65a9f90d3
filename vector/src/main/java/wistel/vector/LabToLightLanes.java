package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.LabToLight;

/** {@link LabToLight} in single precision. */
final class LabToLightLanes extends LightLanes {
    private static final float ROOT = 6f / 29;

    private final LabToLight light;

    LabToLightLanes(LabToLight light) {
        super(light, light.matrix(), light.offset());
        this.light = light;
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[][] codes = new int[3][BLOCK];
        float[][] values = new float[3][BLOCK];
        List<Loop> loops = new ArrayList<>(List.of(n -> Planes.deinterleave(strip.in, strip.inAt, codes[0], codes[1], codes[2], n), n -> xyz(codes, values, n),
            n -> Planes.mix(matrix, values, n)));
        loops.addAll(LightTables.loops(light.last(), values, codes));
        loops.add(n -> Planes.together(codes[0], codes[1], codes[2], strip.out, strip.outAt, n));
        return loops;
    }

    /** L*a*b* codes to XYZ over its white. */
    private void xyz(int[][] codes, float[][] xyz, int count) {
        float l = (float) (1 / (116 * light.codes().lightness()));
        float a = (float) (1 / (500 * light.codes().chroma()));
        float b = (float) (-1 / (200 * light.codes().chroma()));
        float lowest = (float) light.codes().lowest();
        for (int p = 0; p < count; p += N) {
            FloatVector fy = floats(codes[0], p).mul(l).add(16 / 116f);
            expanded(floats(codes[1], p).mul(a).add(fy).add(lowest / 500)).intoArray(xyz[0], p);
            expanded(fy).intoArray(xyz[1], p);
            expanded(floats(codes[2], p).mul(b).add(fy).sub(lowest / 200)).intoArray(xyz[2], p);
        }
    }

    private static FloatVector floats(int[] codes, int p) {
        return (FloatVector) IntVector.fromArray(INTS, codes, p).convertShape(VectorOperators.I2F, FLOATS, 0);
    }

    private static FloatVector expanded(FloatVector f) {
        return f.mul(f).mul(f).blend(f.sub(4 / 29f).mul(3 * ROOT * ROOT), f.compare(VectorOperators.LE, ROOT));
    }
}
