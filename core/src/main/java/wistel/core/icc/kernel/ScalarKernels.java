package wistel.core.icc.kernel;

/** Plain loops: what serves everywhere, and what other families are held to. */
final class ScalarKernels implements KernelFamily {
    @Override
    public String name() {
        return "scalar";
    }

    @Override
    public Kernel over(ClutTable table) {
        return ClutPlanes.of(table);
    }

    @Override
    public Kernel over(ShadowGrid grid) {
        return new ShadowPlanes(grid);
    }

    @Override
    public Kernel by(LightKernel light) {
        return light;
    }

    @Override
    public Kernel moved(OklabMoves moves) {
        return moves;
    }

    @Override
    public Kernel mixed(OklabMix mix) {
        return mix;
    }
}
