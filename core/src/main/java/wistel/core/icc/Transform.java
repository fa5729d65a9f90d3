package wistel.core.icc;

/**
 * A compiled colour transform. The exact chain works in double precision; pixels go through a grid baked from it, whose size is
 * chosen by its own measured error. Immutable and safe for any number of threads.
 */
public final class Transform {
    /** Widest colour inside a chain: eight colorants, with room. */
    private static final int WIDEST = 16;

    private final Stage[] stages;
    private final ColourSpace from;
    private final ColourSpace to;
    private final Baked baked;

    Transform(Stage[] stages, ColourSpace from, ColourSpace to) {
        this.stages = stages;
        this.from = from;
        this.to = to;
        this.baked = Baked.of(this);
    }

    public ColourSpace from() {
        return from;
    }

    public ColourSpace to() {
        return to;
    }

    public int inputs() {
        return from.channels();
    }

    public int outputs() {
        return to.channels();
    }

    /** One colour through the exact chain: values 0 to 1, L*a*b* as its 16-bit code over 65535. */
    public double[] exact(double... in) {
        double[] work = new double[WIDEST];
        System.arraycopy(in, 0, work, 0, inputs());
        run(work);
        return java.util.Arrays.copyOf(work, outputs());
    }

    /** In place, in a working array of sixteen; results clamped to 0 to 1. */
    void run(double[] work) {
        for (Stage stage : stages) {
            stage.apply(work, work);
        }
        for (int i = 0; i < outputs(); i++) {
            work[i] = work[i] > 0 ? Math.min(1, work[i]) : 0;
        }
    }

    /**
     * Pixels of interleaved 16-bit samples through the baked form.
     *
     * @param in  {@code pixels * inputs()} samples from {@code inAt}
     * @param out room for {@code pixels * outputs()} samples from {@code outAt}; may be {@code in} when channels agree
     */
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        baked.apply(in, inAt, out, outAt, pixels);
    }

    public char[] apply(char[] in) {
        int pixels = in.length / inputs();
        char[] out = new char[pixels * outputs()];
        apply(in, 0, out, 0, pixels);
        return out;
    }

    /** Mean error of the baked form against the exact chain, in 16-bit codes, over a fixed sample. */
    public double bakedErrorCodes() {
        return baked.errorCodes();
    }
}
