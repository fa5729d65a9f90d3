package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import java.util.List;
import wistel.core.icc.kernel.ClutTable;

/**
 * Four inputs: two tetrahedra over the last three, joined linearly along the first. Nodes are kept with the first input fastest, so that
 * the two that are joined lie side by side and one vector takes both.
 */
final class Tetrahedral4D extends ClutLanes {
    /** A step along the slowest axis fits into the 15 bits that {@link Cells} has for it. */
    static final int MOST_SIDE = 31;

    Tetrahedral4D(ClutTable cube) {
        super(cube, firstFastest(cube));
    }

    private static ClutTable firstFastest(ClutTable cube) {
        int side = cube.side();
        int others = side * side * side;
        int n = cube.outputs();
        char[] nodes = new char[cube.nodes().length];
        for (int k = 0; k < side; k++) {
            for (int i = 0; i < others; i++) {
                System.arraycopy(cube.nodes(), n * (k * others + i), nodes, n * (i * side + k), n);
            }
        }
        return new ClutTable(4, n, side, nodes, false);
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[] first = new int[BLOCK];
        int[] x = new int[BLOCK];
        int[] y = new int[BLOCK];
        int[] z = new int[BLOCK];
        int[] parts = new int[BLOCK];
        Cells cells = new Cells(side, side, x, y, z);
        char[] codes = results();
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, first, x, y, z, n), cells::origins, n -> cells.shift(first, n),
            cells::keys, cells::sort, cells::place,
            cells::weigh, n -> Nodes.parts(first, side, parts, n), n -> sum(cells, parts, codes, n),
            handOver(codes, strip));
    }

    private void sum(Cells cells, int[] parts, char[] codes, int count) {
        int outputs = outputs();
        for (int p = 0, o = 0; p < count; p++, o += outputs) {
            Lanes.storePair(cells.sumOfPairs(nodes, p), parts[p], codes, o);
        }
    }
}
