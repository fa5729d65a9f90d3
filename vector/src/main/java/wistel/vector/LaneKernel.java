package wistel.vector;

import wistel.core.icc.kernel.Kernel;

/**
 * A loop over lanes with its scalar twin beside it. The twin takes the last few pixels of a call, and all of them until the vector loops
 * are compiled: interpreted, they would be slower than anything.
 */
abstract class LaneKernel implements Kernel {
    private final Kernel scalar;
    private final int inputs;
    private final int outputs;

    LaneKernel(Kernel scalar, int inputs, int outputs) {
        this.scalar = scalar;
        this.inputs = inputs;
        this.outputs = outputs;
    }

    final int inputs() {
        return inputs;
    }

    final int outputs() {
        return outputs;
    }

    /** Whole vectors of pixels. */
    abstract void lanes(char[] in, int inAt, char[] out, int outAt, int pixels);

    /** Bytes of its own tables. */
    abstract long own();

    @Override
    public final long bytes() {
        return own() + scalar.bytes();
    }

    @Override
    public final void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int whole = Warming.done() ? pixels - pixels % Lanes.N : 0;
        if (whole > 0) {
            lanes(in, inAt, out, outAt, whole);
        }
        scalar.apply(in, inAt + inputs * whole, out, outAt + outputs * whole, pixels - whole);
    }

    Kernel scalar() {
        return scalar;
    }
}
