package wistel.vector;

import static wistel.core.icc.kernel.OklabMoves.SIDE;
import static wistel.core.icc.kernel.OklabMoves.WIDTH;
import static wistel.core.icc.kernel.SinglePrecision.INVERSE_ROOT_OF_ONE;
import static wistel.core.icc.kernel.SinglePrecision.SMALLEST;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.Loop;
import wistel.core.icc.kernel.OklabMoves;
import wistel.core.icc.kernel.SinglePrecision;

/** {@link OklabMoves}, operation by operation. */
final class OklabLanes extends LaneKernel {
    private static final VectorSpecies<Float> NODE = FloatVector.SPECIES_128;
    private static final float MIDDLE = (SIDE - 1) / 2;

    private final OklabMoves moves;
    private final float[] matrix;

    OklabLanes(OklabMoves moves) {
        super(moves);
        this.moves = moves;
        this.matrix = SinglePrecision.rows(moves.end().matrix(), moves.end().offset());
    }

    @Override
    List<Loop> lanes(int[][] in, int[][] out) {
        LanePlaneLoops by = LanePlaneLoops.LANES;
        float[][] v = new float[3][BLOCK];
        float[][] w = new float[3][BLOCK];
        float[] down = new float[BLOCK];
        float[] right = new float[BLOCK];
        int[] rows = out[0];
        int[] columns = out[1];
        float[] nodes = new float[WIDTH * BLOCK];
        List<Loop> loops = new ArrayList<>(toOklab(moves.end().codes(), in, v, w));
        if (moves.tones().length > 0) {
            loops.addAll(tones(w));
        }
        float[] beyond = new float[BLOCK];
        loops.add(n -> inside(w[1], w[2], beyond, n));
        loops.addAll(List.of(n -> place(w[1], n), n -> place(w[2], n), n -> apart(w[1], rows, down, n), n -> apart(w[2], columns, right, n),
            n -> mix(rows, columns, down, right, nodes, n), n -> apart(nodes, w[1], w[2], right, n), n -> stretch(w[1], beyond, n),
            n -> stretch(w[2], beyond, n), n -> lighten(w[0], right, n)));
        loops.addAll(by.mix(OklabMoves.ROOTS, w, v));
        loops.add(n -> cube(v, n));
        loops.addAll(by.mix(OklabMoves.XYZ, v, w));
        if (moves.tint().length > 0) {
            float[] lightness = new float[BLOCK];
            loops.addAll(List.of(n -> System.arraycopy(w[1], 0, lightness, 0, n), n -> by.compress(lightness, n), n -> by.compress(w[0], n),
                n -> by.compress(w[2], n), n -> tint(lightness, w[0], w[2], n), n -> by.expand(w[0], n), n -> by.expand(w[2], n)));
        }
        loops.addAll(by.mix(matrix, w, v));
        loops.addAll(by.codes(moves.end().last(), v, out));
        return loops;
    }

    private List<Loop> tones(float[][] v) {
        int[] cells = new int[BLOCK];
        float[] parts = new float[BLOCK];
        float[] low = new float[BLOCK];
        float[] high = new float[BLOCK];
        return List.of(n -> toneCells(v[0], cells, parts, n), n -> fetch(moves.tones(), cells, low, high, n),
            n -> tone(low, high, parts, v[0], parts, n), n -> stretch(v[1], parts, n), n -> stretch(v[2], parts, n));
    }

    private static void toneCells(float[] lightness, int[] cells, float[] parts, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector place = FloatVector.fromArray(FLOATS, lightness, p).max(0).min(1).mul(OklabMoves.TONES);
            IntVector cell = ((IntVector) place.convertShape(VectorOperators.F2I, INTS, 0)).min(OklabMoves.TONES - 1);
            cell.intoArray(cells, p);
            place.sub((FloatVector) cell.convertShape(VectorOperators.I2F, FLOATS, 0)).intoArray(parts, p);
        }
    }

    private static void fetch(float[] table, int[] cells, float[] low, float[] high, int count) {
        for (int p = 0; p < count; p++) {
            low[p] = table[cells[p]];
            high[p] = table[cells[p] + 1];
        }
    }

    /** @param shares what chroma is multiplied with */
    private static void tone(float[] low, float[] high, float[] parts, float[] lightness, float[] shares, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector l = FloatVector.fromArray(FLOATS, lightness, p);
            FloatVector from = FloatVector.fromArray(FLOATS, low, p);
            FloatVector moved = FloatVector.fromArray(FLOATS, high, p).sub(from).mul(FloatVector.fromArray(FLOATS, parts, p)).add(from)
                .add(l.sub(l.max(0).min(1)));
            FloatVector darker = moved.div(l.max(OklabMoves.DARKEST)).max(0).min(1);
            darker.mul(shown(l).div(shown(moved).max(OklabMoves.DARKEST * OklabMoves.DARKEST)).min(1)).intoArray(shares, p);
            moved.intoArray(lightness, p);
        }
    }

    private static FloatVector shown(FloatVector l) {
        FloatVector part = l.mul(OklabMoves.SHOWN);
        return part.mul(part).min(1);
    }

    private static void stretch(float[] values, float[] factors, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector.fromArray(FLOATS, values, p).mul(FloatVector.fromArray(FLOATS, factors, p)).intoArray(values, p);
        }
    }

    /** Colours outside the table to its edge, and how far outside they were. */
    private static void inside(float[] as, float[] bs, float[] beyond, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector a = FloatVector.fromArray(FLOATS, as, p);
            FloatVector b = FloatVector.fromArray(FLOATS, bs, p);
            FloatVector out = a.abs().max(b.abs()).mul(1 / OklabMoves.RANGE).max(1);
            out.intoArray(beyond, p);
            a.div(out).intoArray(as, p);
            b.div(out).intoArray(bs, p);
        }
    }

    /** Loops from L*a*b* codes to Oklab. */
    static List<Loop> toOklab(LabEncoding coding, int[][] codes, float[][] xyz, float[][] oklab) {
        LanePlaneLoops by = LanePlaneLoops.LANES;
        float[][] cones = new float[3][BLOCK];
        List<Loop> loops = new ArrayList<>(by.decode(coding, codes, xyz));
        loops.addAll(by.mix(OklabMoves.CONES, xyz, cones));
        loops.addAll(List.of(n -> root(cones[0], n), n -> root(cones[1], n), n -> root(cones[2], n)));
        loops.addAll(by.mix(OklabMoves.OK, cones, oklab));
        return loops;
    }

    private static void root(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector t = FloatVector.fromArray(FLOATS, values, p);
            FloatVector root = cubeRoot(t.abs().max(SMALLEST));
            root.blend(root.neg(), t.compare(VectorOperators.LT, 0)).intoArray(values, p);
        }
    }

    private static FloatVector cubeRoot(FloatVector t) {
        FloatVector upper = (FloatVector) t.reinterpretAsInts().lanewise(VectorOperators.LSHR, 8).convertShape(VectorOperators.I2F, FLOATS,
            0);
        FloatVector r = Lanes.rounded(upper.mul(-1 / 3f).add(INVERSE_ROOT_OF_ONE)).lanewise(VectorOperators.LSHL, 8).reinterpretAsFloats();
        r = closer(t, closer(t, closer(t, r)));
        return r.mul(r).mul(t);
    }

    private static FloatVector closer(FloatVector t, FloatVector r) {
        return r.mul(r.mul(r).mul(r).mul(t).mul(-1 / 3f).add(4 / 3f));
    }

    /** Oklab's a or b to its place in nodes. */
    static void place(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector v = FloatVector.fromArray(FLOATS, values, p);
            FloatVector from = v.abs().mul(1 / OklabMoves.RANGE).min(1).sqrt();
            from.blend(from.neg(), v.compare(VectorOperators.LT, 0)).add(1).mul(MIDDLE).intoArray(values, p);
        }
    }

    /** Each place's cell, and how far on from there. */
    private static void apart(float[] places, int[] cells, float[] parts, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector place = FloatVector.fromArray(FLOATS, places, p);
            IntVector cell = ((IntVector) place.convertShape(VectorOperators.F2I, INTS, 0)).min(SIDE - 2);
            cell.intoArray(cells, p);
            place.sub((FloatVector) cell.convertShape(VectorOperators.I2F, FLOATS, 0)).intoArray(parts, p);
        }
    }

    private void mix(int[] rows, int[] columns, float[] down, float[] right, float[] nodes, int count) {
        float[] plane = moves.plane();
        for (int p = 0; p < count; p++) {
            int at = WIDTH * (rows[p] * SIDE + columns[p]);
            FloatVector above = line(plane, at, right[p]);
            line(plane, at + WIDTH * SIDE, right[p]).sub(above).mul(down[p]).add(above).intoArray(nodes, WIDTH * p);
        }
    }

    private static FloatVector line(float[] plane, int at, float part) {
        FloatVector from = FloatVector.fromArray(NODE, plane, at);
        return FloatVector.fromArray(NODE, plane, at + WIDTH).sub(from).mul(part).add(from);
    }

    private static void apart(float[] nodes, float[] a, float[] b, float[] lighter, int count) {
        for (int p = 0, i = 0; p < count; p++, i += WIDTH) {
            a[p] = nodes[i];
            b[p] = nodes[i + 1];
            lighter[p] = nodes[i + 2];
        }
    }

    private static void lighten(float[] lightness, float[] lighter, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector l = FloatVector.fromArray(FLOATS, lightness, p);
            FloatVector weight = l.mul(4).mul(l.neg().add(1)).max(0);
            FloatVector.fromArray(FLOATS, lighter, p).mul(weight).add(l).intoArray(lightness, p);
        }
    }

    private static void cube(float[][] values, int count) {
        for (float[] channel : values) {
            cube(channel, count);
        }
    }

    private static void cube(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector f = FloatVector.fromArray(FLOATS, values, p);
            f.mul(f).mul(f).intoArray(values, p);
        }
    }

    private void tint(float[] fy, float[] fx, float[] fz, int count) {
        for (int p = 0; p < count; p++) {
            float at = Math.max(0, Math.min(OklabMoves.TINTS, (fy[p] * 116 - 16) * (OklabMoves.TINTS / 100f)));
            int step = Math.min(OklabMoves.TINTS - 1, (int) at);
            fx[p] = fx[p] + moves.tint(2 * step, at - step) / 500 - SinglePrecision.BLACK;
            fz[p] = fz[p] - moves.tint(2 * step + 1, at - step) / 200 - SinglePrecision.BLACK;
        }
    }
}
