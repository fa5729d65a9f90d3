package wistel.vector;

import static jdk.incubator.vector.VectorOperators.LSHL;
import static jdk.incubator.vector.VectorOperators.LSHR;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;

import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.ClutTable;

/** A cube's nodes, four numbers each whatever its outputs, so that one short vector holds a node; and the arithmetic of places on it. */
final class Nodes {
    /** Numbers a node. */
    static final int WIDTH = 4;

    private Nodes() {
    }

    static int[] padded(ClutTable cube) {
        int n = cube.outputs();
        int[] nodes = new int[WIDTH * (cube.nodes().length / n) + WIDTH];
        char[] codes = cube.nodes();
        for (int at = 0, i = 0; i < codes.length; at += WIDTH) {
            for (int c = 0; c < n; c++) {
                nodes[at + c] = codes[i++];
            }
        }
        return nodes;
    }

    /** Cell in the upper 8 bits, fraction in the lower 24. */
    static IntVector place(IntVector codes, int spans) {
        return codes.lanewise(LSHL, 8).or(codes.lanewise(LSHR, 8)).mul(spans);
    }

    static IntVector cell(IntVector place) {
        return place.lanewise(LSHR, 24);
    }

    /** 0 to {@link ClutTable#FULL}. */
    static IntVector fraction(IntVector place) {
        return place.and(0xFFFFFF).add(256).lanewise(LSHR, 9);
    }

    static IntVector key(IntVector place, int step) {
        return fraction(place).lanewise(LSHL, 15).or(step);
    }

    /** The node below each pixel's place: which one of the first three inputs' cube it is, counted in nodes. */
    static void origins(int[] xs, int[] ys, int[] zs, int side, int[] origins, int count) {
        for (int p = 0; p < count; p += N) {
            IntVector x = cell(place(IntVector.fromArray(INTS, xs, p), side - 1)).mul(side * side);
            IntVector y = cell(place(IntVector.fromArray(INTS, ys, p), side - 1)).mul(side);
            x.add(y).add(cell(place(IntVector.fromArray(INTS, zs, p), side - 1))).intoArray(origins, p);
        }
    }

    /** How far each code is on from the node below it, 0 to {@link ClutTable#FULL}. */
    static void parts(int[] codes, int side, int[] parts, int count) {
        for (int p = 0; p < count; p += N) {
            fraction(place(IntVector.fromArray(INTS, codes, p), side - 1)).intoArray(parts, p);
        }
    }
}
