package wistel.vector;

import static jdk.incubator.vector.VectorOperators.I2F;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Lanes.PAIR;
import static wistel.vector.Nodes.fraction;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.Cube;
import wistel.core.icc.kernel.Kernel;

/** Three inputs by trilinear interpolation: lines along the last axis, then the second, then the first. */
final class AlongAxes extends LaneKernel {
    private final float[] nodes;
    private final int side;

    AlongAxes(Cube cube, Kernel scalar) {
        super(scalar, 3, cube.outputs());
        this.nodes = Nodes.padded(cube);
        this.side = cube.side();
    }

    @Override
    long own() {
        return 4L * nodes.length;
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
                parts(planes[c], parts[c], count);
            }
            sum(origins, parts[0], parts[1], parts[2], codes, count);
            System.arraycopy(codes, 0, out, outAt + outputs * done, outputs * count);
        }
    }

    /** How far it is on from the node below along one axis. */
    private void parts(int[] codes, float[] parts, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector place = Nodes.place(IntVector.fromArray(INTS, codes, p), side - 1);
            ((FloatVector) fraction(place).convertShape(I2F, FLOATS, 0)).mul(1f / Cube.FULL).intoArray(parts, p);
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
