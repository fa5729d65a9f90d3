package wistel.core.icc.kernel;

import java.util.List;

/**
 * A pixel loop with its tables. Immutable and safe for any number of threads. A block of pixels is taken apart into one plane of 16-bit
 * codes for each channel, goes through short loops, and is put together again; several kernels in a row do the ends only once
 * ({@link Sequence}).
 */
public interface Kernel {
    /** Pixels that are best handed over at once: room is taken at each call, which must be worth it. */
    int BATCH = 8192;
    /** Pixels in a block: its planes stay in the nearest cache. */
    int BLOCK = 256;
    /** Loops run over whole steps; what stands in a plane behind the last pixel is left from before, and is a code. */
    int STEP = 16;

    int inputs();

    int outputs();

    /** Bytes that its tables hold. */
    long bytes();

    /**
     * What is done to a block, in this order, with room of its own for what lies between.
     *
     * @param in  a plane of codes for each input; may be overwritten
     * @param out planes for the outputs, none of them one of {@code in}
     */
    List<Loop> loops(int[][] in, int[][] out);

    /** How pixels become planes and planes pixels. */
    default PixelEnds ends() {
        return PixelEnds.PLAIN;
    }

    /**
     * Interleaved 16-bit pixels.
     *
     * @param in  samples from {@code inAt} on
     * @param out room from {@code outAt} on; may be {@code in} at the same place when a pixel doesn't grow
     */
    default void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int[][] from = new int[inputs()][BLOCK];
        int[][] to = new int[outputs()][BLOCK];
        PixelEnds ends = ends();
        Loop[] loops = loops(from, to).toArray(Loop[]::new);
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            int whole = (count + STEP - 1) / STEP * STEP;
            ends.split(in, inAt + inputs() * done, from, count);
            for (Loop loop : loops) {
                loop.over(whole);
            }
            ends.join(to, out, outAt + outputs() * done, count);
        }
    }
}
