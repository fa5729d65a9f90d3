package wistel.vector;

import static wistel.vector.Planes.BLOCK;

import java.util.Arrays;
import java.util.List;
import java.util.function.Supplier;
import wistel.core.icc.kernel.Kernel;

/**
 * A loop over lanes. Until the vector loops are compiled its scalar twin takes all pixels: interpreted, vectors would be slower than
 * anything. The twin has tables of its own, so it is made only when it is needed.
 */
abstract class LaneKernel implements Kernel {
    private static volatile boolean serving;

    private final Supplier<Kernel> made;
    private volatile Kernel scalar;
    private final int inputs;
    private final int outputs;

    LaneKernel(Supplier<Kernel> scalar, int inputs, int outputs) {
        this.made = scalar;
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
        Kernel twin = scalar;
        return own() + (twin == null ? 0 : twin.bytes());
    }

    @Override
    public final void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        if (!serving) {
            scalar().apply(in, inAt, out, outAt, pixels);
            return;
        }
        int whole = pixels - pixels % Lanes.N;
        int rest = pixels - whole;
        if (whole > 0) {
            lanes(in, inAt, out, outAt, whole);
        }
        if (rest > 0) {
            char[] last = Arrays.copyOf(Arrays.copyOfRange(in, inAt + inputs * whole, inAt + inputs * pixels), inputs * Lanes.N);
            char[] results = new char[outputs * Lanes.N];
            lanes(last, 0, results, 0, Lanes.N);
            System.arraycopy(results, 0, out, outAt + outputs * whole, outputs * rest);
        }
    }

    final Kernel scalar() {
        if (scalar == null) {
            scalar = made.get();
        }
        return scalar;
    }
}
