package wistel.vector;

import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.OklabMix;

/** {@link OklabMix}, operation by operation. */
final class OklabMixLanes extends LaneKernel {
    private final OklabMix mix;

    OklabMixLanes(OklabMix mix) {
        super(mix);
        this.mix = mix;
    }

    @Override
    List<Loop> lanes(int[][] in, int[][] out) {
        float[][] xyz = new float[3][BLOCK];
        float[][] v = new float[3][BLOCK];
        float[] lighter = new float[BLOCK];
        List<Loop> loops = new ArrayList<>(OklabLanes.toOklab(mix.codes(), in, xyz, v));
        loops.addAll(List.of(n -> OklabLanes.place(v[1], n), n -> OklabLanes.place(v[2], n), n -> look(v[1], v[2], lighter, n),
            n -> add(in[0], lighter, out[0], n)));
        return loops;
    }

    private void look(float[] a, float[] b, float[] lighter, int count) {
        for (int p = 0; p < count; p++) {
            lighter[p] = mix.mixed(a[p], b[p]);
        }
    }

    private void add(int[] codes, float[] lighter, int[] out, int count) {
        float lightness = (float) mix.codes().lightness();
        for (int p = 0; p < count; p += N) {
            FloatVector code = (FloatVector) IntVector.fromArray(INTS, codes, p).convertShape(VectorOperators.I2F, FLOATS, 0);
            Lanes.rounded(FloatVector.fromArray(FLOATS, lighter, p).mul(lightness).add(code).max(0).min(65535)).intoArray(out, p);
        }
    }
}
