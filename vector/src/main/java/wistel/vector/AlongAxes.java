package wistel.vector;

import static wistel.vector.Lanes.PAIR;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import wistel.core.icc.kernel.Cube;
import wistel.core.icc.kernel.Kernel;

/** Three inputs by trilinear interpolation: lines along the last axis, then the second, then the first. */
final class AlongAxes extends CubeLanes {
    AlongAxes(Cube cube, Kernel scalar) {
        super(cube, scalar);
    }

    @Override
    void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int outputs = outputs();
        int[][] planes = new int[3][BLOCK];
        float[][] parts = new float[3][BLOCK];
        int[] origins = new int[BLOCK];
        char[] codes = new char[outputs * BLOCK + 2 * Nodes.WIDTH];
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            Planes.apart(in, inAt + 3 * done, planes[0], planes[1], planes[2], count);
            Nodes.origins(planes[0], planes[1], planes[2], side, origins, count);
            for (int c = 0; c < 3; c++) {
                Nodes.parts(planes[c], side, parts[c], count);
            }
            sum(origins, parts[0], parts[1], parts[2], codes, count);
            System.arraycopy(codes, 0, out, outAt + outputs * done, outputs * count);
        }
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
