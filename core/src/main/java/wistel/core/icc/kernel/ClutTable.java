package wistel.core.icc.kernel;

/**
 * A transform sampled on a grid: three or four inputs, the same number of nodes along each.
 *
 * @param nodes     16-bit codes, a node's outputs side by side, last input fastest
 * @param trilinear for three inputs only: read by planes along the axes, as tables over L*a*b* are; else by tetrahedra, and for four inputs
 *                  by two of them joined linearly along the first
 */
public record ClutTable(int inputs, int outputs, int side, char[] nodes, boolean trilinear) {
    /** Positions are worked out in 24-bit fractions, which leaves 7 bits for the cell. */
    public static final int MOST_SIDE = 128;
    /** Values are interpolated with weights of 15 bits, so that a weighted 16-bit code still fits in 31. */
    public static final int FULL = 1 << 15;

    public ClutTable {
        if (inputs < 3 || inputs > 4 || side < 2 || side > MOST_SIDE || nodes.length != outputs * Math.round(Math.pow(side, inputs))) {
            throw new IllegalArgumentException("a cube of " + inputs + " inputs, " + side + " a side and " + nodes.length + " values");
        }
    }
}
