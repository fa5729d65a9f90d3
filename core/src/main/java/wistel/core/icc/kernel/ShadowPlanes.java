package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;

/** Reads a {@link ShadowGrid} by tetrahedra, in plain loops. */
public record ShadowPlanes(ShadowGrid grid) implements Kernel {
    @Override
    public int inputs() {
        return 3;
    }

    @Override
    public int outputs() {
        return grid.outputs();
    }

    @Override
    public long bytes() {
        return 8L * grid.nodes().length;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        int cells = grid.all().cells();
        int more = grid.dark().cells() - cells;
        int[][] parts = new int[3][BLOCK];
        int[] dark = new int[BLOCK];
        int[] sides = new int[BLOCK];
        int[] origins = new int[BLOCK];
        int[] last = new int[BLOCK];
        int[] second = new int[BLOCK];
        int[] third = new int[BLOCK];
        int[][] weights = new int[4][BLOCK];
        List<Loop> loops = new ArrayList<>();
        loops.add(n -> dark(in[0], in[1], in[2], dark, n));
        loops.add(n -> sides(dark, cells, more, sides, n));
        for (int c = 0; c < 3; c++) {
            int[] codes = in[c];
            int[] part = parts[c];
            loops.add(n -> places(codes, dark, sides, part, n));
        }
        loops.add(n -> origins(in[0], in[1], in[2], dark, grid.darkStart(), sides, origins, n));
        loops.add(n -> last(origins, sides, last, n));
        loops.add(n -> TetrahedronLoops.keys(parts[0], parts[1], parts[2], sides, n));
        loops.add(n -> TetrahedronLoops.sort(parts[0], parts[1], parts[2], n));
        loops.add(n -> TetrahedronLoops.second(origins, parts[0], 1, second, n));
        loops.add(n -> TetrahedronLoops.third(last, parts[2], 1, third, n));
        loops.add(n -> TetrahedronLoops.weights(parts[0], parts[1], parts[2], weights, n));
        loops.addAll(PlainCornerSums.SUMS
            .at(new CornerSums.Corners(grid.nodes(), new int[][] {origins, second, third, last}, new int[4], weights), out));
        return loops;
    }

    /** 1 where all inputs are dark, else 0. */
    private static void dark(int[] x, int[] y, int[] z, int[] dark, int count) {
        for (int p = 0; p < count; p++) {
            dark[p] = (x[p] | y[p] | z[p]) - ShadowGrid.BRIGHTEST >>> 31;
        }
    }

    /** Nodes along each axis of a pixel's grid. */
    private static void sides(int[] dark, int cells, int more, int[] sides, int count) {
        for (int p = 0; p < count; p++) {
            sides[p] = cells + 1 + dark[p] * more;
        }
    }

    /** Codes to the cell along an axis of a pixel's grid, and how far on from there, 0 to {@link ClutTable#FULL}. */
    private static void places(int[] codes, int[] dark, int[] sides, int[] parts, int count) {
        for (int p = 0; p < count; p++) {
            int code = codes[p] + codes[p] * (ShadowGrid.SCALE - 1) * dark[p];
            int place = (code << 8 | code >>> 8) * (sides[p] - 1);
            codes[p] = place >>> 24;
            parts[p] = (place & 0xFFFFFF) + 256 >>> 9;
        }
    }

    private static void origins(int[] x, int[] y, int[] z, int[] dark, int darkStart, int[] sides, int[] origins, int count) {
        for (int p = 0; p < count; p++) {
            origins[p] = dark[p] * darkStart + (x[p] * sides[p] + y[p]) * sides[p] + z[p];
        }
    }

    private static void last(int[] origins, int[] sides, int[] last, int count) {
        for (int p = 0; p < count; p++) {
            last[p] = origins[p] + (sides[p] + 1) * sides[p] + 1;
        }
    }
}
