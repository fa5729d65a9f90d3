package wistel.vector;

import static jdk.incubator.vector.VectorOperators.I2F;
import static jdk.incubator.vector.VectorOperators.LSHL;
import static jdk.incubator.vector.VectorOperators.LSHR;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Lanes.NODE;
import static wistel.vector.Nodes.cell;
import static wistel.vector.Nodes.key;
import static wistel.vector.Planes.BLOCK;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.Cube;

/** For a block of pixels, the four corners of each one's tetrahedron, their weights, and the sums over them. */
final class Cells {
    /** Where the corners' nodes stand: a block for each corner. */
    private final int[] corners = new int[4 * BLOCK];
    /** Their weights, likewise. */
    private final float[] weights = new float[4 * BLOCK];
    private final int[] longest = new int[BLOCK];
    private final int[] shortest = new int[BLOCK];
    private final int[] middle = new int[BLOCK];
    private final int[] origin = new int[BLOCK];
    private final int side;
    private final int stepX;
    private final int diagonal;

    Cells(int side) {
        this.side = side;
        this.stepX = side * side;
        this.diagonal = stepX + side + 1;
    }

    /** From the codes of three inputs. */
    void find(int[] xs, int[] ys, int[] zs, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector x = Nodes.place(IntVector.fromArray(INTS, xs, p), side - 1);
            IntVector y = Nodes.place(IntVector.fromArray(INTS, ys, p), side - 1);
            IntVector z = Nodes.place(IntVector.fromArray(INTS, zs, p), side - 1);
            cell(x).mul(stepX).add(cell(y).mul(side)).add(cell(z)).intoArray(origin, p);
            IntVector kx = key(x, stepX);
            IntVector ky = key(y, side);
            IntVector kz = key(z, 1);
            IntVector most = kx.max(ky).max(kz);
            IntVector least = kx.min(ky).min(kz);
            most.intoArray(longest, p);
            least.intoArray(shortest, p);
            kx.add(ky).add(kz).sub(most).sub(least).intoArray(middle, p);
        }
        place(count);
        weigh(count);
    }

    /** The fourth input's cell moves every corner. */
    void shift(int[] first, int step, int count) {
        for (int p = 0; p < count; p += N) {
            cell(Nodes.place(IntVector.fromArray(INTS, first, p), side - 1)).mul(step).add(IntVector.fromArray(INTS, origin, p)).intoArray(origin, p);
        }
        place(count);
    }

    private void place(int count) {
        for (int p = 0; p < count; p += N) {
            IntVector near = IntVector.fromArray(INTS, origin, p);
            IntVector far = near.add(diagonal);
            near.lanewise(LSHL, 2).intoArray(corners, p);
            near.add(IntVector.fromArray(INTS, longest, p).and(0x7FFF)).lanewise(LSHL, 2).intoArray(corners, p + BLOCK);
            far.sub(IntVector.fromArray(INTS, shortest, p).and(0x7FFF)).lanewise(LSHL, 2).intoArray(corners, p + 2 * BLOCK);
            far.lanewise(LSHL, 2).intoArray(corners, p + 3 * BLOCK);
        }
    }

    private void weigh(int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector big = part(longest, p);
            FloatVector mid = part(middle, p);
            FloatVector small = part(shortest, p);
            big.neg().add(1).intoArray(weights, p);
            big.sub(mid).intoArray(weights, p + BLOCK);
            mid.sub(small).intoArray(weights, p + 2 * BLOCK);
            small.intoArray(weights, p + 3 * BLOCK);
        }
    }

    private static FloatVector part(int[] keys, int p) {
        return ((FloatVector) IntVector.fromArray(INTS, keys, p).lanewise(LSHR, 15).convertShape(I2F, FLOATS, 0)).mul(1f / Cube.FULL);
    }

    /** One pixel's four corners weighted, all {@code offset} floats on. */
    FloatVector sum(float[] nodes, int offset, int p) {
        FloatVector sum = FloatVector.fromArray(NODE, nodes, offset + corners[p]).mul(weights[p]);
        sum = FloatVector.fromArray(NODE, nodes, offset + corners[p + BLOCK]).fma(FloatVector.broadcast(NODE, weights[p + BLOCK]), sum);
        sum = FloatVector.fromArray(NODE, nodes, offset + corners[p + 2 * BLOCK]).fma(FloatVector.broadcast(NODE, weights[p + 2 * BLOCK]), sum);
        return FloatVector.fromArray(NODE, nodes, offset + corners[p + 3 * BLOCK]).fma(FloatVector.broadcast(NODE, weights[p + 3 * BLOCK]), sum);
    }
}
