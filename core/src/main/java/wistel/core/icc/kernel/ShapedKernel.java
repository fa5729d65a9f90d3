package wistel.core.icc.kernel;

/** A kernel between lookup tables: a shaper curve for each input before it, and one for each output after it, over all 16-bit codes. */
public final class ShapedKernel implements Kernel {
    private final Kernel kernel;
    private final char[][] before;
    private final char[][] after;
    private final int outputs;

    /**
     * @param before 65536 codes for each input
     * @param after  65536 codes for each output, or none at all
     */
    public ShapedKernel(Kernel kernel, int outputs, char[][] before, char[][] after) {
        this.kernel = kernel;
        this.outputs = outputs;
        this.before = before;
        this.after = after;
    }

    @Override
    public long bytes() {
        return kernel.bytes() + 131072L * (before.length + after.length);
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        int inputs = before.length;
        char[] shaped = new char[inputs * BATCH];
        for (int done = 0; done < pixels; done += BATCH) {
            int count = Math.min(BATCH, pixels - done);
            int to = outAt + done * outputs;
            look(before, in, inAt + done * inputs, shaped, 0, count);
            kernel.apply(shaped, 0, out, to, count);
            if (after.length > 0) {
                look(after, out, to, out, to, count);
            }
        }
    }

    private static void look(char[][] tables, char[] in, int inAt, char[] out, int outAt, int pixels) {
        if (tables.length == 3) {
            look3(tables[0], tables[1], tables[2], in, inAt, out, outAt, pixels);
        } else if (tables.length == 4) {
            look4(tables[0], tables[1], tables[2], tables[3], in, inAt, out, outAt, pixels);
        } else {
            for (int i = 0; i < pixels * tables.length; i++) {
                out[outAt + i] = tables[i % tables.length][in[inAt + i]];
            }
        }
    }

    private static void look3(char[] a, char[] b, char[] c, char[] in, int inAt, char[] out, int outAt, int pixels) {
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += 3) {
            out[o] = a[in[i]];
            out[o + 1] = b[in[i + 1]];
            out[o + 2] = c[in[i + 2]];
        }
    }

    private static void look4(char[] a, char[] b, char[] c, char[] d, char[] in, int inAt, char[] out, int outAt, int pixels) {
        for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 4, o += 4) {
            out[o] = a[in[i]];
            out[o + 1] = b[in[i + 1]];
            out[o + 2] = c[in[i + 2]];
            out[o + 3] = d[in[i + 3]];
        }
    }
}
