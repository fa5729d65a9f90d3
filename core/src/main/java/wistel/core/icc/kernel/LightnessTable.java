package wistel.core.icc.kernel;

/** The first of some inputs through a table of every code; the others don't count. */
public record LightnessTable(char[] codes, int inputs, int outputs) implements Kernel {
    @Override
    public long bytes() {
        return 2L * codes.length;
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        for (int p = 0; p < pixels; p++) {
            int row = in[inAt + p * inputs] * outputs;
            for (int i = 0; i < outputs; i++) {
                out[outAt + p * outputs + i] = codes[row + i];
            }
        }
    }
}
