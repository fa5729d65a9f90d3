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
     * Where the nodes of one corner lie.
     *
     * @param offset added to each of {@code at}
     */
    protected record Places(long[] nodes, int[] at, int offset) {
    }

    /** Planes that one corner after another is fetched through, so that they stay in a processor's first cache. */
    private record Scratch(long[] words, int[][] low, int[][] high) {
        private Scratch() {
            this(new long[BLOCK], new int[4][BLOCK], new int[4][BLOCK]);
        }
    }

    /** Nodes to the lower and upper half of their words. */
    protected abstract List<Loop> halves(Places places, long[] words, int[] low, int[] high);

    /** The weighted lower, or upper, 16 bits of four halves, rounded to codes. */
    protected abstract Loop weigh(int[][] halves, boolean upper, int[][] weights, int[] sums);

    /** The place {@code part} on the line from one code to another, instead of the first. */
    protected abstract Loop line(int[] from, int[] to, int[] part);

    /** The weighted corners, rounded to codes of as many channels as there are planes. */
    public final List<Loop> at(Corners corners, int[][] out) {
        return sums(corners, 0, new Scratch(), out);
    }

    /** The same at each corner's next node too, and the place {@code part} on the line from the first result to that one. */
    public final List<Loop> between(Corners corners, int[] part, int[][] out) {
        int[][] next = new int[out.length][BLOCK];
        Scratch scratch = new Scratch();
        List<Loop> loops = new ArrayList<>(sums(corners, 0, scratch, out));
        loops.addAll(sums(corners, 1, scratch, next));
        for (int c = 0; c < out.length; c++) {
            loops.add(line(out[c], next[c], part));
        }
        return loops;
    }

    /** @param further how many nodes behind its corner each node is */
    private List<Loop> sums(Corners corners, int further, Scratch scratch, int[][] out) {
        List<Loop> loops = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            loops.addAll(halves(new Places(corners.nodes, corners.at[i], corners.offsets[i] + further), scratch.words, scratch.low[i],
                scratch.high[i]));
        }
        for (int c = 0; c < out.length; c++) {
            loops.add(weigh(c < 2 ? scratch.low : scratch.high, c % 2 == 1, corners.weights, out[c]));
        }
        return loops;
    }
}
