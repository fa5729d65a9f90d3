package wistel.core.icc.kernel;

/** One input: every 16-bit code worked out beforehand. */
public record GrayTable(char[] codes, int outputs) implements Kernel {
    @Override
    public long bytes() {
        return 2L * codes.length;
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        for (int p = 0; p < pixels; p++) {
            int row = in[inAt + p] * outputs;
            for (int i = 0; i < outputs; i++) {
                out[outAt + p * outputs + i] = codes[row + i];
            }
        }
    }
}
