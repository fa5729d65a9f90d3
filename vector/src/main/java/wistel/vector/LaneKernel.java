package wistel.vector;

import java.util.List;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.PixelEnds;

/**
 * A kernel with loops over lanes. Until the vector loops are compiled its plain twin's serve: interpreted, vectors would be slower than
 * anything.
 */
abstract class LaneKernel implements Kernel {
    private static volatile boolean serving;

    private final Kernel plain;

    LaneKernel(Kernel plain) {
        this.plain = plain;
    }

    /** Lets the vector loops to pictures, now that they are compiled and found right. */
    static void serve() {
        serving = true;
    }

    static boolean serving() {
        return serving;
    }

    /** As {@link Kernel#loops}, over lanes. */
    abstract List<Loop> lanes(int[][] in, int[][] out);

    /** As {@link Kernel#apply}, over lanes. */
    void lanes(char[] in, int inAt, char[] out, int outAt, int pixels) {
        inLanes().apply(in, inAt, out, outAt, pixels);
    }

    @Override
    public final void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        if (serving) {
            lanes(in, inAt, out, outAt, pixels);
        } else {
            plain.apply(in, inAt, out, outAt, pixels);
        }
    }

    @Override
    public final int inputs() {
        return plain.inputs();
    }

    @Override
    public final int outputs() {
        return plain.outputs();
    }

    @Override
    public final long bytes() {
        return plain.bytes();
    }

    @Override
    public final List<Loop> loops(int[][] in, int[][] out) {
        return serving ? lanes(in, out) : plain.loops(in, out);
    }

    @Override
    public final PixelEnds ends() {
        return serving ? LaneEnds.ENDS : PixelEnds.PLAIN;
    }

    final Kernel plain() {
        return plain;
    }

    private Kernel inLanes() {
        return new InLanes(this);
    }

    private record InLanes(LaneKernel kernel) implements Kernel {
        @Override
        public int inputs() {
            return kernel.inputs();
        }

        @Override
        public int outputs() {
            return kernel.outputs();
        }

        @Override
        public long bytes() {
            return kernel.bytes();
        }

        @Override
        public List<Loop> loops(int[][] in, int[][] out) {
            return kernel.lanes(in, out);
        }

        @Override
        public PixelEnds ends() {
            return LaneEnds.ENDS;
        }
    }
}
