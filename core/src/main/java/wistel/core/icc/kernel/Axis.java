package wistel.core.icc.kernel;

/**
 * Where codes lie along an axis of evenly spaced nodes.
 *
 * @param cells between the nodes, at most {@link #MOST_CELLS}
 */
public record Axis(int cells) {
    /** Positions are worked out in 24-bit fractions, which leaves 7 bits for the cell. */
    public static final int MOST_CELLS = 127;

    public Axis {
        if (cells < 1 || cells > MOST_CELLS) {
            throw new IllegalArgumentException(cells + " cells");
        }
    }

    /** Nodes. */
    public int side() {
        return cells + 1;
    }

    /** For each code, the cell in the upper 8 bits and how far on in the lower 24. */
    void places(int[] codes, int[] places, int count) {
        places(codes, cells, places, count);
    }

    private static void places(int[] codes, int cells, int[] places, int count) {
        for (int p = 0; p < count; p++) {
            places[p] = (codes[p] << 8 | codes[p] >>> 8) * cells;
        }
    }
}
