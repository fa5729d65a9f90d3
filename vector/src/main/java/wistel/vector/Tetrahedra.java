package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import wistel.core.icc.kernel.Cube;
import wistel.core.icc.kernel.Kernel;

/** Three inputs by tetrahedral interpolation. Cells are found for many pixels at once, sums are taken over a node's channels at once. */
final class Tetrahedra extends CubeLanes {
    Tetrahedra(Cube cube, Kernel scalar) {
        super(cube, scalar);
    }

    @Override
    void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int outputs = outputs();
        int[][] planes = new int[3][BLOCK];
        char[] codes = new char[outputs * BLOCK + Nodes.WIDTH];
        Cells cells = new Cells(side);
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            Planes.apart(in, inAt + 3 * done, planes[0], planes[1], planes[2], count);
            cells.find(planes[0], planes[1], planes[2], count);
            sum(cells, codes, count);
            System.arraycopy(codes, 0, out, outAt + outputs * done, outputs * count);
        }
    }

    private void sum(Cells cells, char[] codes, int count) {
        int outputs = outputs();
        for (int p = 0, o = 0; p < count; p++, o += outputs) {
            Lanes.storeNode(cells.sum(nodes, 0, p), codes, o);
        }
    }
}
