package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import wistel.core.icc.kernel.Cube;
import wistel.core.icc.kernel.Kernel;

/** Four inputs: two tetrahedra over the last three, joined linearly along the first. */
final class JoinedTetrahedra extends CubeLanes {
    JoinedTetrahedra(Cube cube, Kernel scalar) {
        super(cube, scalar);
    }

    @Override
    void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int outputs = outputs();
        int[][] planes = new int[4][BLOCK];
        float[] parts = new float[BLOCK];
        char[] codes = new char[outputs * BLOCK + Nodes.WIDTH];
        Cells cells = new Cells(side);
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            Planes.apart(in, inAt + 4 * done, planes[0], planes[1], planes[2], planes[3], count);
            cells.find(planes[1], planes[2], planes[3], count);
            cells.shift(planes[0], side * side * side, count);
            Nodes.parts(planes[0], side, parts, count);
            sum(cells, parts, codes, count);
            System.arraycopy(codes, 0, out, outAt + outputs * done, outputs * count);
        }
    }

    private void sum(Cells cells, float[] parts, char[] codes, int count) {
        int outputs = outputs();
        int up = Nodes.WIDTH * side * side * side;
        for (int p = 0, o = 0; p < count; p++, o += outputs) {
            FloatVector low = cells.sum(nodes, 0, p);
            Lanes.storeNode(low.add(cells.sum(nodes, up, p).sub(low).mul(parts[p])), codes, o);
        }
    }
}
