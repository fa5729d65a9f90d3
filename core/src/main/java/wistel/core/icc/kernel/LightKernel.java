package wistel.core.icc.kernel;

import java.util.List;

/** A kernel of three inputs: curves, matrices and the arithmetic of L*a*b*, whose loops a family may have in its own way. */
public interface LightKernel extends Kernel {
    /** As {@link Kernel#loops(int[][], int[][])}, by a family's loops. */
    List<Loop> loops(int[][] in, int[][] out, PlaneLoops by);

    @Override
    default int inputs() {
        return 3;
    }

    @Override
    default List<Loop> loops(int[][] in, int[][] out) {
        return loops(in, out, PlaneLoops.PLAIN);
    }
}
