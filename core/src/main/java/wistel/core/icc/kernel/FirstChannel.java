package wistel.core.icc.kernel;

/** The first of some channels; the others are left out. */
public record FirstChannel(int inputs) implements Kernel {
    @Override
    public long bytes() {
        return 0;
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        for (int p = 0; p < pixels; p++) {
            out[outAt + p] = in[inAt + p * inputs];
        }
    }
}
