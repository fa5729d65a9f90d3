package wistel.vector;

import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.MatrixCurves;
import wistel.core.icc.kernel.MatrixTrcToLab;
import wistel.core.icc.kernel.OklabMix;
import wistel.core.icc.kernel.OklabMoves;

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
    public Kernel over(ClutTable cube) {
        if (cube.outputs() < 3 || cube.outputs() > 4 || cube.inputs() == 4 && cube.side() > Tetrahedral4D.MOST_SIDE) {
            return Kernels.SCALAR.over(cube);
        }
        if (cube.inputs() == 4) {
            return new Tetrahedral4D(cube);
        }
        return cube.trilinear() ? new Trilinear(cube) : new Tetrahedral3D(cube);
    }

    @Override
    public Kernel toLab(MatrixTrcToLab light) {
        return new MatrixTrcToLabLanes(light);
    }

    @Override
    public Kernel fromLab(LabToLight light) {
        return new LabToLightLanes(light);
    }

    @Override
    public Kernel moved(OklabMoves moves) {
        return new OklabLanes(moves);
    }

    @Override
    public Kernel mixed(OklabMix mix) {
        return new OklabMixLanes(mix);
    }

    @Override
    public Kernel between(MatrixCurves light) {
        return new MatrixLanes(light);
    }
}
