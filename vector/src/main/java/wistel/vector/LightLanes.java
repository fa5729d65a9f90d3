package wistel.vector;

import java.util.List;
import wistel.core.icc.kernel.LightKernel;
import wistel.core.icc.kernel.Loop;

/** A {@link LightKernel} over lanes. */
final class LightLanes extends LaneKernel {
    private final LightKernel light;

    LightLanes(LightKernel light) {
        super(light);
        this.light = light;
    }

    @Override
    List<Loop> lanes(int[][] in, int[][] out) {
        return light.loops(in, out, LanePlaneLoops.LANES);
    }
}
