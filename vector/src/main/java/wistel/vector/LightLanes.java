package wistel.vector;

import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.SinglePrecision;

/** A loop over lanes with a matrix between three channels of light and three others. */
abstract class LightLanes extends LaneKernel {
    /** See {@link SinglePrecision#rows}. */
    final float[] matrix;

    LightLanes(Kernel scalar, double[] matrix, double[] offset) {
        super(() -> scalar, 3, 3);
        this.matrix = SinglePrecision.rows(matrix, offset);
    }

    @Override
    final long own() {
        return 4L * matrix.length;
    }
}
