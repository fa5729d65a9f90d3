package wistel.vector;

/**
 * One short loop over the pixels of a block. A kernel is a row of them, all called from one place, through this interface: with so many
 * kinds of callee there, the compiler compiles each loop by itself. Left to pull them together into one large method, it runs out of the
 * room it allows itself, and from there on every vector becomes an object.
 */
interface Loop {
    /** @param count pixels, a multiple of {@link Lanes#N}, at most {@link Planes#BLOCK} */
    void over(int count);
}
