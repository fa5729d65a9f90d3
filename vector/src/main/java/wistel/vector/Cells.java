package wistel.vector;

import static jdk.incubator.vector.VectorOperators.I2F;
import static jdk.incubator.vector.VectorOperators.LSHL;
import static jdk.incubator.vector.VectorOperators.LSHR;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Lanes.NODE;
import static wistel.vector.Nodes.cell;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.ClutTable;

/** For a block of pixels, the four corners of each one's tetrahedron, their weights, and the sums over them. */
final class Cells {
    /** Where the corners' nodes stand: a block for each corner. */
    private final int[] corners = new int[4 * BLOCK];
    /** Their weights, likewise. */
    private final float[] weights = new float[4 * BLOCK];
    /** The three fractions with their axes' steps, largest first once they are sorted. */
    private final int[][] keys = new int[3][BLOCK];
    private final float[][] parts = new float[3][BLOCK];
    private final int[] origin = new int[BLOCK];
    private final int[] xs;
    private final int[] ys;
    private final int[] zs;
    private final int side;
    private final int stepX;
    private final int diagonal;

    /** @param xs with the others: where the codes of three inputs will stand, block after block */
    Cells(int side, int[] xs, int[] ys, int[] zs) {
        this.xs = xs;
        this.ys = ys;
        this.zs = zs;
        this.side = side;
        this.stepX = side * side;
        this.diagonal = stepX + side + 1;
    }

    // Loops, in the order in which they build on one another.

    void origins(int count) {
        Nodes.origins(xs, ys, zs, side, origin, count);
    }

    /** Only where there is a fourth input before these: its cell moves every corner. */
    void shift(int[] first, int count) {
        int step = side * stepX;
        for (int p = 0; p < count; p += N) {
            cell(Nodes.place(IntVector.fromArray(INTS, first, p), side - 1)).mul(step).add(IntVector.fromArray(INTS, origin, p)).intoArray(origin, p);
        }
    }

    void keys(int count) {
        key(xs, stepX, keys[0], count);
        key(ys, side, keys[1], count);
        key(zs, 1, keys[2], count);
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

    void parts(int count) {
        for (int k = 0; k < 3; k++) {
            part(keys[k], parts[k], count);
        }
    }

    private static void part(int[] keys, float[] parts, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector fraction = IntVector.fromArray(INTS, keys, p).lanewise(LSHR, 15);
            ((FloatVector) fraction.convertShape(I2F, FLOATS, 0)).mul(1f / ClutTable.FULL).intoArray(parts, p);
        }
    }

    void weigh(int count) {
        weigh(parts[0], parts[1], parts[2], count);
    }

    private void weigh(float[] bigs, float[] mids, float[] smalls, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector big = FloatVector.fromArray(FLOATS, bigs, p);
            FloatVector mid = FloatVector.fromArray(FLOATS, mids, p);
            FloatVector small = FloatVector.fromArray(FLOATS, smalls, p);
            big.neg().add(1).intoArray(weights, p);
            big.sub(mid).intoArray(weights, p + BLOCK);
            mid.sub(small).intoArray(weights, p + 2 * BLOCK);
            small.intoArray(weights, p + 3 * BLOCK);
        }
    }

    /** One pixel's four corners weighted, all {@code offset} floats on. */
    FloatVector sum(float[] nodes, int offset, int p) {
        FloatVector sum = FloatVector.fromArray(NODE, nodes, offset + corners[p]).mul(weights[p]);
        sum = FloatVector.fromArray(NODE, nodes, offset + corners[p + BLOCK]).fma(FloatVector.broadcast(NODE, weights[p + BLOCK]), sum);
        sum = FloatVector.fromArray(NODE, nodes, offset + corners[p + 2 * BLOCK]).fma(FloatVector.broadcast(NODE, weights[p + 2 * BLOCK]), sum);
        return FloatVector.fromArray(NODE, nodes, offset + corners[p + 3 * BLOCK]).fma(FloatVector.broadcast(NODE, weights[p + 3 * BLOCK]), sum);
    }
}
