package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;

/** Fetches the nodes at each pixel's four corners and weighs them; families have their own loops for it. */
public abstract class CornerSums {
    /** Half the weights' sum, added before they are taken off: rounds. */
    protected static final int HALF = ClutTable.FULL / 2;
    private static final int BLOCK = Kernel.BLOCK;

    /**
     * Four corners a pixel.
     *
     * @param nodes   four codes of 16 bits a node, as {@link ClutTable#nodes}
     * @param at      for each corner a plane of places in {@code nodes}
     * @param offsets for each corner what is added to its places
     * @param weights for each corner a plane of weights, which sum up to {@link ClutTable#FULL}
     */
    public record Corners(long[] nodes, int[][] at, int[] offsets, int[][] weights) {
    }

    /** The ends that go with it. */
    public abstract PixelEnds ends();

    /**
     * Nodes to the lower and upper half of their words.
     *
     * @param offset added to each of {@code at}
     */
    protected abstract List<Loop> halves(long[] nodes, int[] at, int offset, int[] low, int[] high);

    /** The weighted lower, or upper, 16 bits of four halves, rounded to codes. */
    protected abstract Loop weigh(int[][] halves, boolean upper, int[][] weights, int[] sums);

    /** The place {@code part} on the line from one code to another, instead of the first. */
    protected abstract Loop line(int[] from, int[] to, int[] part);

    /** The weighted corners, rounded to codes of as many channels as there are planes. */
    public final List<Loop> at(Corners corners, int[][] out) {
        return sums(corners, 0, out);
    }

    /** The same at each corner's next node too, and the place {@code part} on the line from the first result to that one. */
    public final List<Loop> between(Corners corners, int[] part, int[][] out) {
        int[][] next = new int[out.length][BLOCK];
        List<Loop> loops = new ArrayList<>(sums(corners, 0, out));
        loops.addAll(sums(corners, 1, next));
        for (int c = 0; c < out.length; c++) {
            loops.add(line(out[c], next[c], part));
        }
        return loops;
    }

    /** @param further how many nodes behind its corner each node is */
    private List<Loop> sums(Corners corners, int further, int[][] out) {
        int[][] low = new int[4][BLOCK];
        int[][] high = new int[4][BLOCK];
        List<Loop> loops = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            loops.addAll(halves(corners.nodes, corners.at[i], corners.offsets[i] + further, low[i], high[i]));
        }
        for (int c = 0; c < out.length; c++) {
            loops.add(weigh(c < 2 ? low : high, c % 2 == 1, corners.weights, out[c]));
        }
        return loops;
    }
}
