package wistel.core.icc.kernel;

/**
 * Two grids over three inputs: one over all colours, and a finer one over the dark ones, all of whose inputs lie below a quarter. There
 * an equal step of code is the largest step of colour, and there people look first.
 */
public final class ShadowGrid implements Kernel {
    private static final int SCALE = 4;
    /** Where along each axis the finer grid ends. */
    public static final double REACH = 1.0 / SCALE;
    /** Codes below this one are dark. */
    private static final int BRIGHTEST = 65536 / SCALE;

    private final Kernel all;
    private final Kernel dark;
    private final int outputs;

    public ShadowGrid(Kernel all, Kernel dark, int outputs) {
        this.all = all;
        this.dark = dark;
        this.outputs = outputs;
    }

    public static boolean isDark(char[] codes, int at) {
        return (codes[at] | codes[at + 1] | codes[at + 2]) < BRIGHTEST;
    }

    @Override
    public long bytes() {
        return all.bytes() + dark.bytes();
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        char[] codes = new char[3 * Math.min(BATCH, pixels)];
        char[] results = new char[0];
        int[] places = new int[Math.min(BATCH, pixels)];
        for (int done = 0; done < pixels; done += BATCH) {
            int count = Math.min(BATCH, pixels - done);
            int found = taken(in, inAt + 3 * done, count, codes, places);
            if (found < count) {
                all.apply(in, inAt + 3 * done, out, outAt + outputs * done, count);
            }
            if (found == count) {
                dark.apply(codes, 0, out, outAt + outputs * done, count);
            } else if (found > 0) {
                results = results.length > 0 ? results : new char[outputs * places.length];
                dark.apply(codes, 0, results, 0, found);
                put(results, out, outAt + outputs * done, places, found);
            }
        }
    }

    /** The dark ones' codes, scaled, side by side. */
    private static int taken(char[] in, int at, int pixels, char[] codes, int[] places) {
        int found = 0;
        for (int p = 0, i = at; p < pixels; p++, i += 3) {
            if (isDark(in, i)) {
                codes[3 * found] = scaled(in[i]);
                codes[3 * found + 1] = scaled(in[i + 1]);
                codes[3 * found + 2] = scaled(in[i + 2]);
                places[found++] = p;
            }
        }
        return found;
    }

    /** A dark code over the finer grid's own axis. */
    private static char scaled(char code) {
        return (char) (code * SCALE);
    }

    private void put(char[] results, char[] out, int at, int[] places, int found) {
        for (int k = 0, r = 0; k < found; k++) {
            for (int c = 0, o = at + outputs * places[k]; c < outputs; c++) {
                out[o + c] = results[r++];
            }
        }
    }
}
