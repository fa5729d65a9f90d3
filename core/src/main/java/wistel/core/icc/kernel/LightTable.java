package wistel.core.icc.kernel;

import java.util.function.DoubleUnaryOperator;

/**
 * A device curve from light to 16-bit codes, tabled over the logarithm of light: the exponent and upper bits of a float pick the entry,
 * so that shadows get as many entries as lights; lines between entries.
 */
public final class LightTable {
    /** 2^9 entries for each of 40 octaves below 1: below the last, a display's darkest code is far away. */
    private static final int FRACTION_BITS = 9;
    private static final int OCTAVES = 40;
    /** A float's bits above this one pick the entry, those below it tell how far on. */
    public static final int SHIFT = 23 - FRACTION_BITS;
    /** The bits of the first entry's light. */
    public static final int BOTTOM = 127 - OCTAVES << FRACTION_BITS;
    private static final int ENTRIES = (OCTAVES << FRACTION_BITS) + 2;

    /** Light below which all is as dark as none. */
    public static final float SMALLEST = Float.intBitsToFloat(BOTTOM + 1 << SHIFT);

    private final float[] codes;

    /** @param curve from light to device value, both 0 to 1 */
    public LightTable(DoubleUnaryOperator curve) {
        codes = new float[ENTRIES];
        for (int i = 0; i < ENTRIES; i++) {
            double light = i == 0 ? 0 : Math.min(1, Float.intBitsToFloat(BOTTOM + i << SHIFT));
            codes[i] = (float) (65535 * Math.max(0, Math.min(1, curve.applyAsDouble(light))));
        }
    }

    /** Codes, not rounded; not to be changed. */
    public float[] codes() {
        return codes;
    }

    char code(double light) {
        if (!(light > SMALLEST)) {
            return (char) (codes[0] + 0.5f);
        }
        int bits = Float.floatToRawIntBits(light < 1 ? (float) light : 1);
        int entry = (bits >>> SHIFT) - BOTTOM;
        float part = (bits & (1 << SHIFT) - 1) * (1f / (1 << SHIFT));
        float low = codes[entry];
        return (char) (low + (codes[entry + 1] - low) * part + 0.5f);
    }

    static long bytes() {
        return 4L * ENTRIES;
    }
}
