package wistel.vector;

import static wistel.vector.Lanes.PAIR;
import static wistel.vector.Planes.BLOCK;

import java.util.List;
import jdk.incubator.vector.FloatVector;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Kernel;

/** Three inputs by trilinear interpolation: lines along the last axis, then the second, then the first. */
final class Trilinear extends ClutLanes {
    Trilinear(ClutTable cube, Kernel scalar) {
        super(cube, scalar);
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[] x = new int[BLOCK];
        int[] y = new int[BLOCK];
        int[] z = new int[BLOCK];
        int[] origins = new int[BLOCK];
        float[][] parts = new float[3][BLOCK];
        char[] codes = results();
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, x, y, z, n), n -> Nodes.origins(x, y, z, side, origins, n), n -> Nodes.parts(x, side, parts[0], n),
            n -> Nodes.parts(y, side, parts[1], n), n -> Nodes.parts(z, side, parts[2], n), n -> sum(origins, parts[0], parts[1], parts[2], codes, n),
            handOver(codes, strip));
    }

    /** A node and the next one along the last axis lie side by side: one vector takes both, and its halves are added last. */
    private void sum(int[] origins, float[] xs, float[] ys, float[] zs, char[] codes, int count) {
        int outputs = outputs();
        int stepX = Nodes.WIDTH * side * side;
        int stepY = Nodes.WIDTH * side;
        for (int p = 0, o = 0; p < count; p++, o += outputs) {
            int n = Nodes.WIDTH * origins[p];
            FloatVector y = FloatVector.broadcast(PAIR, ys[p]);
            FloatVector near = line(FloatVector.fromArray(PAIR, nodes, n), FloatVector.fromArray(PAIR, nodes, n + stepY), y);
            FloatVector far = line(FloatVector.fromArray(PAIR, nodes, n + stepX), FloatVector.fromArray(PAIR, nodes, n + stepX + stepY), y);
            FloatVector pair = line(near, far, FloatVector.broadcast(PAIR, xs[p]));
            Lanes.storePair(pair, zs[p], codes, o);
        }
    }

    private static FloatVector line(FloatVector from, FloatVector to, FloatVector part) {
        return to.sub(from).fma(part, from);
    }
}
