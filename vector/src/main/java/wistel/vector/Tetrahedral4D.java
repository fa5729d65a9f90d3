package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import java.util.List;
import jdk.incubator.vector.FloatVector;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Kernel;

/** Four inputs: two tetrahedra over the last three, joined linearly along the first. */
final class Tetrahedral4D extends ClutLanes {
    Tetrahedral4D(ClutTable cube, Kernel scalar) {
        super(cube, scalar);
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[] first = new int[BLOCK];
        int[] x = new int[BLOCK];
        int[] y = new int[BLOCK];
        int[] z = new int[BLOCK];
        float[] parts = new float[BLOCK];
        Cells cells = new Cells(side, x, y, z);
        char[] codes = results();
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, first, x, y, z, n), cells::origins, n -> cells.shift(first, n), cells::keys, cells::sort, cells::place, cells::parts,
            cells::weigh, n -> Nodes.parts(first, side, parts, n), n -> sum(cells, parts, codes, n),
            handOver(codes, strip));
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
