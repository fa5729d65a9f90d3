package wistel.core.icc.kernel;

import java.util.List;

/** Fetches the nodes at each pixel's four corners and weighs them. */
public interface CornerSums {
    /**
     * Four corners a pixel.
     *
     * @param nodes   four codes of 16 bits a node, as {@link ClutTable#nodes}
     * @param at      for each corner a plane of places in {@code nodes}
     * @param offsets for each corner what is added to its places
     * @param weights for each corner a plane of weights, which sum up to {@link ClutTable#FULL}
     */
    record Corners(long[] nodes, int[][] at, int[] offsets, int[][] weights) {
    }

    /** The weighted corners, rounded to codes of as many channels as there are planes. */
    List<Loop> at(Corners corners, int[][] out);

    /** The same at each corner's next node too, and the place {@code part} on the line from the first result to that one. */
    List<Loop> between(Corners corners, int[] part, int[][] out);

    /** The ends that go with it. */
    PixelEnds ends();
}
