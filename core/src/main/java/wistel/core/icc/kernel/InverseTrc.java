package wistel.core.icc.kernel;

import java.util.function.DoubleUnaryOperator;

/**
 * A device curve from light to 16-bit codes, tabled over the logarithm of light: the exponent and upper bits of a float pick the entry,
 * so that shadows get as many entries as lights; lines between entries.
 */
public final class InverseTrc {
    /**
     * 2^7 entries for each of 40 octaves below 1: a line between two is wrong by an eighth of a code at most for a power of light, and the octaves
     * that pictures use stay in the nearest cache. Below the last octave, a display's darkest code is far away.
     */
    private static final int FRACTION_BITS = 7;
    private static final int OCTAVES = 40;
    /** A float's bits above this one pick the entry, those below it tell how far on. */
    public static final int SHIFT = 23 - FRACTION_BITS;
    /** The bits of the first entry's light. */
    public static final int BOTTOM = 127 - OCTAVES << FRACTION_BITS;
    private static final int ENTRIES = (OCTAVES << FRACTION_BITS) + 1;

    /** Light below which all is as dark as none. */
    public static final float SMALLEST = Float.intBitsToFloat(BOTTOM + 1 << SHIFT);

    private final long[] lines;

    /** @param curve from light to device value, both 0 to 1 */
    public InverseTrc(DoubleUnaryOperator curve) {
        lines = new long[ENTRIES];
        float next = code(curve, 0);
        for (int i = 0; i < ENTRIES; i++) {
            float here = next;
            next = code(curve, Math.min(1, Float.intBitsToFloat(BOTTOM + i + 1 << SHIFT)));
            lines[i] = (long) Float.floatToRawIntBits(next - here) << 32 | Float.floatToRawIntBits(here) & 0xFFFFFFFFL;
        }
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

    char code(double light) {
        if (!(light > SMALLEST)) {
            return (char) (Float.intBitsToFloat((int) lines[0]) + 0.5f);
        }
        int bits = Float.floatToRawIntBits(light < 1 ? (float) light : 1);
        long line = lines[(bits >>> SHIFT) - BOTTOM];
        float part = (bits & (1 << SHIFT) - 1) * (1f / (1 << SHIFT));
        return (char) (Float.intBitsToFloat((int) line) + Float.intBitsToFloat((int) (line >>> 32)) * part + 0.5f);
    }

    static long bytes() {
        return 8L * ENTRIES;
    }
}
