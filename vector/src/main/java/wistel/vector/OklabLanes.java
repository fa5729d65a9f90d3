package wistel.vector;

import static wistel.core.icc.kernel.OklabMoves.SIDE;
import static wistel.core.icc.kernel.OklabMoves.WIDTH;
import static wistel.core.icc.kernel.SinglePrecision.SMALLEST;
import static wistel.vector.Lanes.FLOATS;
import static wistel.vector.Lanes.INTS;
import static wistel.vector.Lanes.N;
import static wistel.vector.Planes.BLOCK;

import java.util.ArrayList;
import java.util.List;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.OklabMoves;
import wistel.core.icc.kernel.SinglePrecision;

/** {@link OklabMoves}, operation by operation. */
final class OklabLanes extends LightLanes {
    private static final VectorSpecies<Float> NODE = FloatVector.SPECIES_128;
    private static final float MIDDLE = (SIDE - 1) / 2;

    private final OklabMoves moves;

    OklabLanes(OklabMoves moves) {
        super(moves, moves.end().matrix(), moves.end().offset());
        this.moves = moves;
    }

    @Override
    List<Loop> loops(Strip strip) {
        int[][] codes = new int[3][BLOCK];
        float[][] v = new float[3][BLOCK];
        float[] down = new float[BLOCK];
        float[] right = new float[BLOCK];
        int[] rows = codes[0];
        int[] columns = codes[1];
        float[] nodes = new float[WIDTH * BLOCK];
        List<Loop> loops = new ArrayList<>(toOklab(moves.end().codes(), strip, codes, v));
        loops.addAll(List.of(n -> place(v[1], n), n -> place(v[2], n), n -> apart(v[1], rows, down, n), n -> apart(v[2], columns, right, n),
            n -> mix(rows, columns, down, right, nodes, n),
            n -> apart(nodes, v[1], v[2], right, n), n -> lighten(v[0], right, n), n -> Planes.mix(OklabMoves.ROOTS, v, n), n -> cube(v, n),
            n -> Planes.mix(OklabMoves.XYZ, v, n)));
        if (moves.tint().length > 0) {
            float[] lightness = new float[BLOCK];
            loops.addAll(List.of(n -> System.arraycopy(v[1], 0, lightness, 0, n), n -> MatrixTrcToLabLanes.compress(lightness, n),
                n -> MatrixTrcToLabLanes.compress(v[0], n),
                n -> MatrixTrcToLabLanes.compress(v[2], n), n -> tint(lightness, v[0], v[2], n), n -> expand(v[0], n),
                n -> expand(v[2], n)));
        }
        loops.add(n -> Planes.mix(matrix, v, n));
        loops.addAll(LightTables.loops(moves.end().last(), v, codes));
        loops.add(n -> Planes.together(codes[0], codes[1], codes[2], strip.out, strip.outAt, n));
        return loops;
    }

    /** Loops from L*a*b* codes to Oklab. */
    static List<Loop> toOklab(LabEncoding coding, Strip strip, int[][] codes, float[][] v) {
        return List.of(n -> Planes.deinterleave(strip.in, strip.inAt, codes[0], codes[1], codes[2], n),
            n -> LabToLightLanes.xyz(coding, codes, v, n),
            n -> Planes.mix(OklabMoves.CONES, v, n), n -> root(v[0], n), n -> root(v[1], n), n -> root(v[2], n),
            n -> Planes.mix(OklabMoves.OK, v, n));
    }

    private static void root(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            FloatVector t = FloatVector.fromArray(FLOATS, values, p);
            FloatVector root = MatrixTrcToLabLanes.cubeRoot(t.abs().max(SMALLEST));
            root.blend(root.neg(), t.compare(VectorOperators.LT, 0)).intoArray(values, p);
        }
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

    private static void expand(float[] values, int count) {
        for (int p = 0; p < count; p += N) {
            LabToLightLanes.expanded(FloatVector.fromArray(FLOATS, values, p)).intoArray(values, p);
        }
    }
}
