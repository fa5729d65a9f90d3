package wistel.core.icc.kernel;

/**
 * One short loop over the pixels of a block. A kernel is a row of them, all called from one place, through this interface: with so many
 * kinds of callee there, the JIT compiles each loop by itself, and loops this short it spreads over vector units where it can.
 */
public interface Loop {
    /** @param count pixels, a multiple of {@link Kernel#STEP}, at most {@link Kernel#BLOCK} */
    void over(int count);
}
