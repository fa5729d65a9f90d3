package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import java.util.List;
import wistel.core.icc.kernel.ClutTable;

/** Three inputs by tetrahedral interpolation. Cells are found for many pixels at once, sums are taken over a node's channels at once. */
final class Tetrahedral3D extends ClutLanes {
    Tetrahedral3D(ClutTable cube) {
        super(cube, cube);
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[] x = new int[BLOCK];
        int[] y = new int[BLOCK];
        int[] z = new int[BLOCK];
        Cells cells = new Cells(side, 1, x, y, z);
        char[] codes = results();
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, x, y, z, n), cells::origins, cells::keys, cells::sort, cells::place,
            cells::weigh,
            n -> sum(cells, codes, n), handOver(codes, strip));
    }

    private void sum(Cells cells, char[] codes, int count) {
        int outputs = outputs();
        for (int p = 0, o = 0; p < count; p++, o += outputs) {
            Lanes.storeNode(cells.sum(nodes, p), codes, o);
        }
    }
}
