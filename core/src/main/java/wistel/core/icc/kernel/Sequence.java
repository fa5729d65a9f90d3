package wistel.core.icc.kernel;


/** One kernel after another, through a small buffer of the first one's results. */
public record Sequence(Kernel first, Kernel second, int inputs, int between, int outputs) implements Kernel {
    private static final int BLOCK = 8192;

    @Override
    public long bytes() {
        return first.bytes() + second.bytes();
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        char[] buffer = new char[between * BLOCK];
        for (int done = 0; done < pixels; done += BLOCK) {
            int count = Math.min(BLOCK, pixels - done);
            first.apply(in, inAt + done * inputs, buffer, 0, count);
            second.apply(buffer, 0, out, outAt + done * outputs, count);
        }
    }
}
