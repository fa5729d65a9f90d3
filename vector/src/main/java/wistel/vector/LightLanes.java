package wistel.vector;

import wistel.core.icc.kernel.Kernel;

/** A loop over lanes with a matrix between three channels of light and three others. */
abstract class LightLanes extends LaneKernel {
    /** See {@link Planes#rows}. */
    final float[] matrix;

    LightLanes(Kernel scalar, double[] matrix, double[] offset) {
        super(scalar, 3, 3);
        this.matrix = Planes.rows(matrix, offset);
    }

    @Override
    final long own() {
        return 4L * matrix.length;
    }
}
