package wistel.vector;

import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.LightKernel;
import wistel.core.icc.kernel.OklabMix;
import wistel.core.icc.kernel.OklabMoves;
import wistel.core.icc.kernel.ShadowGrid;

/**
 * The vector loops, found through {@link java.util.ServiceLoader}. Cubes of other shapes than pictures need are left to the scalar ones.
 */
public final class VectorKernels implements KernelFamily {

    private final Thread warming;

    /** @throws UnsupportedOperationException on machines whose vectors are too short to be worth it */
    public VectorKernels() {
        if (Lanes.N < 8) {
            throw new UnsupportedOperationException("vectors of " + Lanes.N + " lanes");
        }
        warming = Warming.start();
    }

    /** Waits until the vector loops serve: for measurements and tests. True when they do. */
    public boolean awaitWarm() throws InterruptedException {
        warming.join();
        return LaneKernel.serving();
    }

    @Override
    public String name() {
        return "vector, " + Lanes.INTS.vectorBitSize() + " bits";
    }

    @Override
    public Kernel over(ClutTable table) {
        return new ClutLanes(table);
    }

    @Override
    public Kernel over(ShadowGrid grid) {
        return new ShadowLanes(grid);
    }

    @Override
    public Kernel by(LightKernel light) {
        return new LightLanes(light);
    }

    @Override
    public Kernel moved(OklabMoves moves) {
        return new OklabLanes(moves);
    }

    @Override
    public Kernel mixed(OklabMix mix) {
        return new OklabMixLanes(mix);
    }
}
