package wistel.core.icc.kernel;

/**
 * Two grids over three inputs: one over all colours, and a finer one over the dark ones, all of whose inputs lie below a quarter. There
 * an equal step of code is the largest step of colour, and there people look first.
 *
 * @param outputs one to four
 * @param all     along each input
 * @param dark    along the darkest quarter of each input
 * @param nodes   four codes of 16 bits a node, the first output in the lowest bits, last input fastest: those of the first grid, then those
 *                of the second. Not to be changed
 */
public record ShadowGrid(int outputs, Axis all, Axis dark, long[] nodes) {
    /** How many times the dark inputs go into the whole. */
    public static final int SCALE = 4;
    /** Codes below this one are dark. */
    public static final int BRIGHTEST = 65536 / SCALE;

    /** @throws IllegalArgumentException where there are not as many nodes as the grids have */
    public ShadowGrid {
        if (outputs < 1 || outputs > ClutTable.MOST_OUTPUTS || nodes.length != count(all) + count(dark)) {
            throw new IllegalArgumentException(outputs + " outputs and " + nodes.length + " nodes");
        }
    }

    private static int count(Axis axis) {
        return axis.side() * axis.side() * axis.side();
    }

    /** Where the second grid's nodes begin. */
    public int darkStart() {
        return count(all);
    }

    /** Two tables as one. */
    static ShadowGrid of(ClutTable all, ClutTable dark) {
        long[] nodes = new long[all.nodes().length + dark.nodes().length];
        System.arraycopy(all.nodes(), 0, nodes, 0, all.nodes().length);
        System.arraycopy(dark.nodes(), 0, nodes, all.nodes().length, dark.nodes().length);
        return new ShadowGrid(all.outputs(), all.axis(), dark.axis(), nodes);
    }
}
