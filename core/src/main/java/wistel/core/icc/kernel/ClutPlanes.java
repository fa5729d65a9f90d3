package wistel.core.icc.kernel;

import static wistel.core.icc.kernel.ClutTable.FULL;

import java.util.ArrayList;
import java.util.List;

/**
 * Reads a {@link ClutTable}: loops over planes of integers find each pixel's corners and what they weigh, in 15 bits; then the corners are
 * fetched and weighed, which is all that families do in their own way.
 */
public final class ClutPlanes implements Kernel {
    private final ClutTable table;
    private final CornerSums sums;
    private final long[] nodes;
    /** Nodes from one to the next along the last of the three inputs that make the cell. */
    private final int scale;

    private ClutPlanes(ClutTable table, long[] nodes, CornerSums sums) {
        this.table = table;
        this.sums = sums;
        this.nodes = nodes;
        this.scale = table.inputs() == 4 ? table.side() : 1;
    }

    /** In plain loops. */
    public static ClutPlanes of(ClutTable table) {
        return new ClutPlanes(table, table.inputs() == 4 ? firstFastest(table) : table.nodes(), PlainCornerSums.SUMS);
    }

    /** The same, its corners weighed in another way. */
    public ClutPlanes with(CornerSums other) {
        return new ClutPlanes(table, nodes, other);
    }

    /** Nodes of four inputs in another order, so that the two that are joined along the first input lie side by side. */
    private static long[] firstFastest(ClutTable table) {
        int side = table.side();
        int others = side * side * side;
        long[] nodes = new long[table.nodes().length];
        for (int k = 0; k < side; k++) {
            for (int i = 0; i < others; i++) {
                nodes[i * side + k] = table.nodes()[k * others + i];
            }
        }
        return nodes;
    }

    @Override
    public int inputs() {
        return table.inputs();
    }

    @Override
    public int outputs() {
        return table.outputs();
    }

    @Override
    public PixelEnds ends() {
        return sums.ends();
    }

    @Override
    public long bytes() {
        return 8L * nodes.length;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        int side = table.side();
        int first = in.length - 3;
        List<Loop> loops = new ArrayList<>();
        int[][] cells = new int[in.length][BLOCK];
        int[][] parts = new int[in.length][BLOCK];
        for (int c = 0; c < in.length; c++) {
            int[] codes = in[c];
            int[] cell = cells[c];
            int[] part = parts[c];
            loops.add(n -> table.axis().places(codes, cell, n));
            loops.add(n -> apart(cell, part, n));
        }
        int[] origins = new int[BLOCK];
        loops.add(n -> origins(cells[first], cells[first + 1], cells[first + 2], side, origins, n));
        if (in.length == 4) {
            loops.add(n -> withFirst(cells[0], side, origins, n));
        }
        int[][] weights = new int[4][BLOCK];
        if (table.trilinear()) {
            loops.add(n -> squares(parts[0], parts[1], weights[0], weights[1], weights[2], weights[3], n));
            loops.addAll(sums.between(new CornerSums.Corners(nodes, new int[][] {origins, origins, origins, origins},
                new int[] {0, side, side * side, side * side + side}, weights), parts[2], out));
            return loops;
        }
        int[][] keys = {parts[first], parts[first + 1], parts[first + 2]};
        int[] second = new int[BLOCK];
        int[] third = new int[BLOCK];
        int diagonal = scale * (side * side + side + 1);
        loops.add(n -> TetrahedronLoops.keys(keys[0], side * side, keys[1], side, keys[2], n));
        loops.add(n -> TetrahedronLoops.sort(keys[0], keys[1], keys[2], n));
        loops.add(n -> TetrahedronLoops.second(origins, keys[0], scale, second, n));
        loops.add(n -> TetrahedronLoops.third(origins, keys[2], scale, third, n));
        loops.add(n -> TetrahedronLoops.weights(keys[0], keys[1], keys[2], weights, n));
        CornerSums.Corners corners = new CornerSums.Corners(nodes, new int[][] {origins, second, third, origins},
            new int[] {0, 0, diagonal, diagonal}, weights);
        loops.addAll(in.length == 4 ? sums.between(corners, parts[0], out) : sums.at(corners, out));
        return loops;
    }

    /** Places to the cell along an axis, and how far on from there, 0 to {@link ClutTable#FULL}. */
    private static void apart(int[] places, int[] parts, int count) {
        for (int p = 0; p < count; p++) {
            parts[p] = (places[p] & 0xFFFFFF) + 256 >>> 9;
            places[p] >>>= 24;
        }
    }

    private static void origins(int[] xs, int[] ys, int[] zs, int side, int[] origins, int count) {
        for (int p = 0; p < count; p++) {
            origins[p] = (xs[p] * side + ys[p]) * side + zs[p];
        }
    }

    private static void withFirst(int[] cells, int side, int[] origins, int count) {
        for (int p = 0; p < count; p++) {
            origins[p] = origins[p] * side + cells[p];
        }
    }

    /** Weights of a square's corners: neither far, far along the second axis, along the first, along both. */
    private static void squares(int[] xs, int[] ys, int[] none, int[] second, int[] first, int[] both, int count) {
        for (int p = 0; p < count; p++) {
            int product = xs[p] * ys[p] >>> 15;
            both[p] = product;
            first[p] = xs[p] - product;
            second[p] = ys[p] - product;
            none[p] = FULL - xs[p] - ys[p] + product;
        }
    }
}
