package wistel.vector;

import wistel.core.icc.kernel.Cube;
import wistel.core.icc.kernel.Kernel;

/** A loop over lanes that reads a cube. */
abstract class CubeLanes extends LaneKernel {
    /** See {@link Nodes#padded}. */
    final float[] nodes;
    final int side;

    CubeLanes(Cube cube, Kernel scalar) {
        super(scalar, cube.inputs(), cube.outputs());
        this.nodes = Nodes.padded(cube);
        this.side = cube.side();
    }

    @Override
    final long own() {
        return 4L * nodes.length;
    }
}
