package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Kernels;

/** A loop over lanes that reads a cube. */
abstract class ClutLanes extends LaneKernel {
    /** See {@link Nodes#padded}. */
    final int[] nodes;
    final int side;

    /** @param laid the same nodes in the order that its loop wants them in */
    ClutLanes(ClutTable cube, ClutTable laid) {
        super(() -> Kernels.SCALAR.over(cube), cube.inputs(), cube.outputs());
        this.nodes = Nodes.padded(laid);
        this.side = cube.side();
    }

    @Override
    final long own() {
        return 4L * nodes.length;
    }

    /** Room for a block's results: nodes are stored whole, so the last one reaches beyond its pixel. */
    final char[] results() {
        return new char[outputs() * BLOCK + 2 * Nodes.WIDTH];
    }

    /** The last loop: what lies in {@link #results} goes where it is wanted. */
    final Loop handOver(char[] results, Strip strip) {
        return n -> System.arraycopy(results, 0, strip.out, strip.outAt, outputs() * n);
    }
}
