package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import java.util.List;
import wistel.core.icc.kernel.Kernel;

/**
 * A loop over lanes with its scalar twin beside it. The twin takes the last few pixels of a call, and all of them until the vector loops
 * are compiled: interpreted, they would be slower than anything.
 */
abstract class LaneKernel implements Kernel {
    private static volatile boolean serving;

    private final Kernel scalar;
    private final int inputs;
    private final int outputs;

    LaneKernel(Kernel scalar, int inputs, int outputs) {
        this.scalar = scalar;
        this.inputs = inputs;
        this.outputs = outputs;
    }

    /** Lets the vector loops to pictures, now that they are compiled and found right. */
    static void serve() {
        serving = true;
    }

    static boolean serving() {
        return serving;
    }

    final int inputs() {
        return inputs;
    }

    final int outputs() {
        return outputs;
    }

    /** What is done to a block, in this order, with room of its own for what lies between. */
    abstract List<Loop> loops(Strip strip);

    /** Whole vectors of pixels. */
    final void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        Strip strip = new Strip(in, out);
        Loop[] loops = loops(strip).toArray(Loop[]::new);
        for (int done = 0; done < pixels; done += BLOCK) {
            strip.inAt = inAt + inputs * done;
            strip.outAt = outAt + outputs * done;
            for (Loop loop : loops) {
                loop.over(Math.min(BLOCK, pixels - done));
            }
        }
    }

    /** Bytes of its own tables. */
    abstract long own();

    @Override
    public final long bytes() {
        return own() + scalar.bytes();
    }

    @Override
    public final void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int whole = serving ? pixels - pixels % Lanes.N : 0;
        if (whole > 0) {
            lanes(in, inAt, out, outAt, whole);
        }
        scalar.apply(in, inAt + inputs * whole, out, outAt + outputs * whole, pixels - whole);
    }

    Kernel scalar() {
        return scalar;
    }
}
