package wistel.vector;

import static wistel.vector.Lanes.PAIR;
import static wistel.vector.Planes.BLOCK;

import java.util.List;
import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.ClutTable;

/** Three inputs by trilinear interpolation: lines along the second axis, then the first, then the last. */
final class Trilinear extends ClutLanes {
    Trilinear(ClutTable cube) {
        super(cube, cube);
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[] x = new int[BLOCK];
        int[] y = new int[BLOCK];
        int[] z = new int[BLOCK];
        int[] origins = new int[BLOCK];
        int[][] parts = new int[3][BLOCK];
        char[] codes = results();
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, x, y, z, n), n -> Nodes.origins(x, y, z, side, origins, n),
            n -> Nodes.parts(x, side, parts[0], n),
            n -> Nodes.parts(y, side, parts[1], n), n -> Nodes.parts(z, side, parts[2], n),
            n -> sum(origins, parts[0], parts[1], parts[2], codes, n),
            handOver(codes, strip));
    }

    /** A node and the next one along the last axis lie side by side: one vector takes both, and its halves are added last. */
    private void sum(int[] origins, int[] xs, int[] ys, int[] zs, char[] codes, int count) {
        int outputs = outputs();
        int stepX = Nodes.WIDTH * side * side;
        int stepY = Nodes.WIDTH * side;
        for (int p = 0, o = 0; p < count; p++, o += outputs) {
            int n = Nodes.WIDTH * origins[p];
            IntVector near = Lanes.line(node(n), node(n + stepY), ys[p]);
            IntVector far = Lanes.line(node(n + stepX), node(n + stepX + stepY), ys[p]);
            Lanes.storePair(Lanes.line(near, far, xs[p]), zs[p], codes, o);
        }
    }

    private IntVector node(int at) {
        return IntVector.fromArray(PAIR, nodes, at);
    }
}
