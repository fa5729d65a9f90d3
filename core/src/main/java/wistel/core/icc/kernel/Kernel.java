package wistel.core.icc.kernel;

/** A pixel loop with its tables. Immutable and safe for any number of threads. */
public interface Kernel {
    /**
     * Pixels that are best handed over at once: loops take room of their own at each call, which must be worth it, and results stay in the
     * second cache.
     */
    int BATCH = 8192;

    /**
     * Interleaved 16-bit pixels.
     *
     * @param in  samples from {@code inAt} on
     * @param out room from {@code outAt} on; may be {@code in} at the same place when a pixel doesn't grow
     */
    void apply(char[] in, int inAt, char[] out, int outAt, int pixels);

    /** Bytes that its tables hold. */
    long bytes();
}
