package wistel.vector;

import java.util.List;
import wistel.core.icc.kernel.ClutPlanes;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Loop;

/** A {@link ClutTable}, its corners weighed in lanes. */
final class ClutLanes extends LaneKernel {
    private final ClutPlanes lanes;

    ClutLanes(ClutTable table) {
        this(ClutPlanes.of(table));
    }

    private ClutLanes(ClutPlanes plain) {
        super(plain);
        lanes = plain.with(LaneCornerSums.SUMS);
    }

    @Override
    List<Loop> lanes(int[][] in, int[][] out) {
        return lanes.loops(in, out);
    }
}
