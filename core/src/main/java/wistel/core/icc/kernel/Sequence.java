package wistel.core.icc.kernel;

/** One kernel after another, through a small buffer of the first one's results. */
public record Sequence(Kernel first, Kernel second, int inputs, int between, int outputs) implements Kernel {
    @Override
    public long bytes() {
        return first.bytes() + second.bytes();
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        char[] buffer = new char[between * BATCH];
        for (int done = 0; done < pixels; done += BATCH) {
            int count = Math.min(BATCH, pixels - done);
            first.apply(in, inAt + done * inputs, buffer, 0, count);
            second.apply(buffer, 0, out, outAt + done * outputs, count);
        }
    }
}
