package wistel.core.icc.kernel;

import java.util.function.DoubleUnaryOperator;

/**
 * A device curve from light to 16-bit codes, tabled over the logarithm of light: the exponent and upper bits of a float pick the entry,
 * so that shadows get as many entries as lights; lines between entries.
 */
public final class InverseTrc {
    /**
     * 2^7 entries for each of 40 octaves below 1: a line between two is wrong by an eighth of a code at most for a power of light, and the
     * octaves that pictures use stay in the nearest cache. Below the last octave, a display's darkest code is far away.
     */
    private static final int FRACTION_BITS = 7;
    private static final int OCTAVES = 40;
    /** A float's bits above this one pick the entry, those below it tell how far on. */
    public static final int SHIFT = 23 - FRACTION_BITS;
    /** The bits of the first entry's light. */
    public static final int BOTTOM = 127 - OCTAVES << FRACTION_BITS;
    private static final int ENTRIES = (OCTAVES << FRACTION_BITS) + 1;

    /** The bits of the light below which all is as dark as none, and those of full light. */
    public static final int DARKEST = BOTTOM << SHIFT;
    public static final int ONE = Float.floatToRawIntBits(1);

    /** Between two entries a line may be wrong by as many codes; a table that bends more is followed sample by sample. */
    private static final double FINE_ENOUGH = 0.5;
    private static final int PARTS = 8;

    private final long[] lines;
    /**
     * The samples of a table that lines don't follow, and for each entry the first sample that may not lie below its light; both empty
     * otherwise.
     */
    private final double[] samples;
    private final int[] starts;

    /** @param curve from light to device value, both 0 to 1 */
    public InverseTrc(DoubleUnaryOperator curve) {
        this(curve, new double[0]);
    }

    /**
     * @param curve   from light to device value, both 0 to 1
     * @param samples never falling, 0 to 1: the table from device value to light that {@code curve} undoes. Its flat parts become steps,
     *                which lines over the logarithm would cut off: then the table itself is searched
     */
    public InverseTrc(DoubleUnaryOperator curve, double[] samples) {
        lines = new long[ENTRIES];
        float next = code(curve, 0);
        for (int i = 0; i < ENTRIES; i++) {
            float here = next;
            next = code(curve, Math.min(1, Float.intBitsToFloat(BOTTOM + i + 1 << SHIFT)));
            lines[i] = (long) Float.floatToRawIntBits(next - here) << 32 | Float.floatToRawIntBits(here) & 0xFFFFFFFFL;
        }
        this.samples = samples.length > 0 && !followedByLines(curve) ? samples : new double[0];
        starts = this.samples.length > 0 ? starts(samples) : new int[0];
    }

    private boolean followedByLines(DoubleUnaryOperator curve) {
        for (int i = 0; i < PARTS * (ENTRIES - 1); i++) {
            float light = Float.intBitsToFloat((int) ((BOTTOM + (i + 0.5) / PARTS) * (1 << SHIFT)));
            if (Math.abs(onLine(Float.floatToRawIntBits(light)) - code(curve, light)) > FINE_ENOUGH) {
                return false;
            }
        }
        return true;
    }

    private static int[] starts(double[] samples) {
        int[] starts = new int[ENTRIES];
        int at = 1;
        for (int i = 0; i < ENTRIES; i++) {
            double light = i == 0 ? 0 : Float.intBitsToFloat(BOTTOM + i << SHIFT);
            while (at < samples.length - 1 && samples[at] < light) {
                at++;
            }
            starts[i] = at;
        }
        return starts;
    }

    /** True when {@link #lines} are not enough, and each light must be asked for by itself. */
    public boolean isSearched() {
        return samples.length > 0;
    }

    private static float code(DoubleUnaryOperator curve, double light) {
        return (float) (65535 * Math.max(0, Math.min(1, curve.applyAsDouble(light))));
    }

    /**
     * A line for each entry, as the bits of two floats so that one load brings both: its first code, not rounded, in the lower half; in the
     * upper one how much is added on the way to the next entry. Not to be changed.
     */
    public long[] lines() {
        return lines;
    }

    /** Some lights to codes. */
    void codes(float[] light, int[] codes, int count) {
        if (samples.length > 0) {
            for (int p = 0; p < count; p++) {
                codes[p] = searched(light[p]);
            }
            return;
        }
        for (int p = 0; p < count; p++) {
            codes[p] = SinglePrecision.rounded(onLine(Float.floatToRawIntBits(light[p])));
        }
    }

    public char code(float light) {
        return samples.length > 0 ? searched(light) : (char) SinglePrecision.rounded(onLine(Float.floatToRawIntBits(light)));
    }

    private char searched(float light) {
        int bits = Math.min(Float.floatToRawIntBits(light), ONE);
        double value = Math.min(Float.intBitsToFloat(Math.max(bits, 0)), samples[samples.length - 1]);
        if (value <= samples[0]) {
            return 0;
        }
        int above = starts[Math.max(bits >>> SHIFT, BOTTOM) - BOTTOM];
        while (above < samples.length - 1 && samples[above] < value) {
            above++;
        }
        double place = above - 1 + (value - samples[above - 1]) / (samples[above] - samples[above - 1]);
        return (char) (place / (samples.length - 1) * 65535 + 0.5);
    }

    private float onLine(int lightBits) {
        // bits of positive floats rise as the floats do; those of negative ones are below all, and what is no number is full light
        int bits = Math.min(Math.max(lightBits, DARKEST), ONE);
        long line = lines[(bits >>> SHIFT) - BOTTOM];
        float part = (bits & (1 << SHIFT) - 1) * (1f / (1 << SHIFT));
        return Float.intBitsToFloat((int) line) + Float.intBitsToFloat((int) (line >>> 32)) * part;
    }

    static long bytes() {
        return 8L * ENTRIES;
    }
}
