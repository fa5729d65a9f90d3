package wistel.vector;

import static jdk.incubator.vector.VectorOperators.LSHL;
import static jdk.incubator.vector.VectorOperators.LSHR;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Lanes.NODE;
import static wistel.vector.Lanes.PAIR;
import static wistel.vector.Nodes.cell;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.ClutTable;

/** For a block of pixels, the four corners of each one's tetrahedron, their weights, and the sums over them. */
final class Cells {
    /** Where the corners' nodes stand: a block for each corner. */
    private final int[] corners = new int[4 * BLOCK];
    /** Their weights, likewise. */
    private final int[] weights = new int[4 * BLOCK];
    /** The three fractions with their axes' steps, largest first once they are sorted. */
    private final int[][] keys = new int[3][BLOCK];
    private final int[] origin = new int[BLOCK];
    private final int[] xs;
    private final int[] ys;
    private final int[] zs;
    private final int side;
    /** Nodes from one to the next along the last of the three axes. */
    private final int step;
    private final int diagonal;

    /**
     * @param step nodes from one to the next along the last of the three axes: 1, or more where a further input comes after it
     * @param xs   with the others: where the codes of three inputs will stand, block after block
     */
    Cells(int side, int step, int[] xs, int[] ys, int[] zs) {
        this.xs = xs;
        this.ys = ys;
        this.zs = zs;
        this.side = side;
        this.step = step;
        this.diagonal = step * (side * side + side + 1);
    }

    // Loops, in the order in which they build on one another.

    void origins(int count) {
        Nodes.origins(xs, ys, zs, side, origin, count);
    }

    /** Only where a fourth input comes after these: its cell moves every corner. */
    void shift(int[] last, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector.fromArray(INTS, origin, p).mul(step).add(cell(Nodes.place(IntVector.fromArray(INTS, last, p), side - 1)))
                .intoArray(origin, p);
        }
    }

    void keys(int count) {
        key(xs, step * side * side, keys[0], count);
        key(ys, step * side, keys[1], count);
        key(zs, step, keys[2], count);
    }

    private void key(int[] codes, int step, int[] keys, int count) {
        for (int p = 0; p < count; p += N) {
            Nodes.key(Nodes.place(IntVector.fromArray(INTS, codes, p), side - 1), step).intoArray(keys, p);
        }
    }

    void sort(int count) {
        sort(keys[0], keys[1], keys[2], count);
    }

    private static void sort(int[] xs, int[] ys, int[] zs, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector x = IntVector.fromArray(INTS, xs, p);
            IntVector y = IntVector.fromArray(INTS, ys, p);
            IntVector z = IntVector.fromArray(INTS, zs, p);
            IntVector most = x.max(y).max(z);
            IntVector least = x.min(y).min(z);
            most.intoArray(xs, p);
            x.add(y).add(z).sub(most).sub(least).intoArray(ys, p);
            least.intoArray(zs, p);
        }
    }

    void place(int count) {
        for (int p = 0; p < count; p += N) {
            IntVector near = IntVector.fromArray(INTS, origin, p);
            IntVector far = near.add(diagonal);
            near.lanewise(LSHL, 2).intoArray(corners, p);
            near.add(IntVector.fromArray(INTS, keys[0], p).and(0x7FFF)).lanewise(LSHL, 2).intoArray(corners, p + BLOCK);
            far.sub(IntVector.fromArray(INTS, keys[2], p).and(0x7FFF)).lanewise(LSHL, 2).intoArray(corners, p + 2 * BLOCK);
            far.lanewise(LSHL, 2).intoArray(corners, p + 3 * BLOCK);
        }
    }

    void weigh(int count) {
        weigh(keys[0], keys[1], keys[2], count);
    }

    private void weigh(int[] bigs, int[] mids, int[] smalls, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector big = IntVector.fromArray(INTS, bigs, p).lanewise(LSHR, 15);
            IntVector mid = IntVector.fromArray(INTS, mids, p).lanewise(LSHR, 15);
            IntVector small = IntVector.fromArray(INTS, smalls, p).lanewise(LSHR, 15);
            big.neg().add(ClutTable.FULL).intoArray(weights, p);
            big.sub(mid).intoArray(weights, p + BLOCK);
            mid.sub(small).intoArray(weights, p + 2 * BLOCK);
            small.intoArray(weights, p + 3 * BLOCK);
        }
    }

    /** One pixel's four corners weighted. */
    IntVector sum(int[] nodes, int p) {
        IntVector sum = IntVector.fromArray(NODE, nodes, corners[p]).mul(weights[p]);
        sum = sum.add(IntVector.fromArray(NODE, nodes, corners[p + BLOCK]).mul(weights[p + BLOCK]));
        sum = sum.add(IntVector.fromArray(NODE, nodes, corners[p + 2 * BLOCK]).mul(weights[p + 2 * BLOCK]));
        return Lanes.codes(sum.add(IntVector.fromArray(NODE, nodes, corners[p + 3 * BLOCK]).mul(weights[p + 3 * BLOCK])));
    }

    /**
     * The same of the two nodes that lie side by side at each corner. A method of its own: the length of a vector must be known where it is
     * compiled.
     */
    IntVector sumOfPairs(int[] nodes, int p) {
        IntVector sum = IntVector.fromArray(PAIR, nodes, corners[p]).mul(weights[p]);
        sum = sum.add(IntVector.fromArray(PAIR, nodes, corners[p + BLOCK]).mul(weights[p + BLOCK]));
        sum = sum.add(IntVector.fromArray(PAIR, nodes, corners[p + 2 * BLOCK]).mul(weights[p + 2 * BLOCK]));
        return Lanes.codes(sum.add(IntVector.fromArray(PAIR, nodes, corners[p + 3 * BLOCK]).mul(weights[p + 3 * BLOCK])));
    }
}
