package wistel.vector;

import static jdk.incubator.vector.VectorOperators.LSHL;
import static jdk.incubator.vector.VectorOperators.LSHR;

import jdk.incubator.vector.IntVector;
import wistel.core.icc.kernel.Cube;

/** A cube's nodes, four floats each whatever its outputs, so that one short vector holds a node; and the arithmetic of places on it. */
final class Nodes {
    /** Floats a node. */
    static final int WIDTH = 4;

    private Nodes() {
    }

    static float[] padded(Cube cube) {
        int n = cube.outputs();
        float[] nodes = new float[WIDTH * (cube.nodes().length / n) + WIDTH];
        for (int i = 0; i < cube.nodes().length; i++) {
            nodes[WIDTH * (i / n) + i % n] = cube.nodes()[i];
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

    /** 0 to {@link Cube#FULL}. */
    static IntVector fraction(IntVector place) {
        return place.and(0xFFFFFF).add(256).lanewise(LSHR, 9);
    }

    static IntVector key(IntVector place, int step) {
        return fraction(place).lanewise(LSHL, 15).or(step);
    }
}
