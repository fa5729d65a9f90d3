package wistel.core.icc.kernel;

/**
 * A transform sampled on a grid: three or four inputs, the same nodes along each.
 *
 * @param outputs   one to four
 * @param nodes     four codes of 16 bits a node, the first output in the lowest bits, last input fastest. Not to be changed
 * @param trilinear for three inputs only: read by planes along the axes, as tables over L*a*b* are; else by tetrahedra, and for four inputs
 *                  by two of them joined linearly along the first
 */
public record ClutTable(int inputs, int outputs, Axis axis, long[] nodes, boolean trilinear) {
    /** Values are interpolated with weights of 15 bits, so that a weighted 16-bit code still fits in 31. */
    public static final int FULL = 1 << 15;
    /** Outputs of one table; more are several tables. */
    public static final int MOST_OUTPUTS = 4;

    public ClutTable {
        if (inputs < 3 || inputs > 4 || outputs < 1 || outputs > MOST_OUTPUTS
            || nodes.length != Math.round(Math.pow(axis.side(), inputs))) {
            throw new IllegalArgumentException(
                "a cube of " + inputs + " inputs, " + outputs + " outputs, " + axis.side() + " a side and " + nodes.length + " nodes");
        }
    }

    /** Nodes along each input. */
    int side() {
        return axis.side();
    }

    /**
     * A table as it is made.
     *
     * @param outputs any number of them
     * @param codes   a node's outputs side by side, last input fastest
     */
    public record Codes(int inputs, int outputs, Axis axis, char[] codes, boolean trilinear) {
        /** Up to four outputs from {@code first} on. */
        ClutTable part(int first) {
            int some = Math.min(MOST_OUTPUTS, outputs - first);
            long[] words = new long[codes.length / outputs];
            for (int n = 0; n < words.length; n++) {
                for (int c = 0; c < some; c++) {
                    words[n] |= (long) codes[n * outputs + first + c] << 16 * c;
                }
            }
            return new ClutTable(inputs, some, axis, words, trilinear);
        }
    }
}
