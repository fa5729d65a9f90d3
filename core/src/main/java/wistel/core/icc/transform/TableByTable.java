package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.Axis;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.CodeTables;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.LabScaling;
import wistel.core.icc.kernel.MatrixTrcToLab;
import wistel.core.icc.kernel.Sequence;
import wistel.core.icc.profile.PcsEncoding;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Interpolation;
import wistel.core.icc.stage.Stage;

/**
 * A chain as a sequence of kernels, one for each of its own tables, read on its own nodes, and arithmetic between them; 16-bit L*a*b*
 * codes pass from one to the next. Nothing is resampled, so only rounding is lost. Chains with other parts are left to grids.
 */
final class TableByTable {
    private final KernelFamily family;
    private final List<Stage> stages;
    private final List<Kernel> parts = new ArrayList<>();
    private int at;
    /** What a code from 0 to 1 means for the stage at hand, for each channel. */
    private Affine[] meaning;
    private boolean possible = true;

    private record Affine(double factor, double offset) {
        static final Affine NONE = new Affine(1, 0);

        Affine then(double f, double o) {
            return new Affine(f * factor, f * offset + o);
        }

        double at(double x) {
            return factor * x + offset;
        }
    }

    private static final Affine[] LAB = meaningOf(LabEncoding.V2);

    private static Affine[] meaningOf(LabEncoding codes) {
        Affine chroma = new Affine(65535 / codes.chroma(), codes.lowest());
        return new Affine[] {new Affine(65535 / codes.lightness(), 0), chroma, chroma};
    }

    private TableByTable(List<Stage> stages, int inputs, KernelFamily family) {
        this.family = family;
        this.stages = stages;
        meaning = none(inputs);
    }

    /** Empty where the chain has another form. */
    static Optional<Kernel> of(List<Stage> stages, int inputs, KernelFamily family) {
        TableByTable parser = new TableByTable(stages, inputs, family);
        while (parser.possible && parser.at < stages.size()) {
            parser.next();
        }
        return parser.possible && !parser.parts.isEmpty() ? Optional.of(new Sequence(parser.parts)) : Optional.empty();
    }

    private static Affine[] none(int channels) {
        Affine[] none = new Affine[channels];
        Arrays.fill(none, Affine.NONE);
        return none;
    }

    private void next() {
        if (is(0, Stage.Linear.class) && is(1, Stage.LabToXyz.class) && at == 0) {
            // L*a*b* goes in, coded
            diagonal((Stage.Linear) stages.get(at++)).ifPresent(scale -> meaning = scale);
            fromLab();
        } else if (is(0, Stage.LabToXyz.class)) {
            fromLab();
        } else if (!light() && !mixed()) {
            table();
        }
    }

    private boolean is(int offset, Class<? extends Stage> kind) {
        return at + offset < stages.size() && kind.isInstance(stages.get(at + offset));
    }

    /** L*a*b* to a display or to a table over XYZ, or through a change of XYZ and back. */
    private void fromLab() {
        LabEncoding codes = new LabEncoding(65535 / meaning[0].factor, 65535 / meaning[1].factor, -128);
        int stop = at + 1 + (is(1, Stage.Linear.class) ? 1 : 0);
        stop += is(stop - at, Stage.XyzToGray.class) ? 1 : 0;
        stop += is(stop - at, Stage.Curves.class) ? 1 : 0;
        Optional<Kernel> end = endsAt(stop) ? MatrixTrcOutput.afterLab(stages.subList(at, stop), codes, family) : Optional.empty();
        if (Math.abs(meaning[1].offset + 128) > 1e-6) {
            possible = false;
        } else if (end.isPresent()) {
            parts.add(end.get());
            at = stop;
            meaning = none(end.get().outputs());
        } else if (is(1, Stage.Linear.class) && is(2, Stage.XyzToLab.class)) {
            Stage.Linear linear = (Stage.Linear) stages.get(at + 1);
            at += 3;
            parts.add(
                family.by(new LabScaling(MatrixTrcOutput.fromOverWhite(overWhite(linear)), offsetOverWhite(linear), codes, codesNow())));
        } else {
            possible = false;
        }
    }

    /** True where the codes of one kernel may pass to the next: before a table, and at the end. */
    private boolean endsAt(int stage) {
        return stage == stages.size() || stages.get(stage) instanceof Stage.Clut;
    }

    /** Where a scale that may stand here leaves the stages. */
    private int afterScale() {
        return at + (is(0, Stage.Linear.class) && diagonal((Stage.Linear) stages.get(at)).isPresent() ? 1 : 0);
    }

    /** The matrix of {@link #mixed}, after a scale and curves that may stand before it; -1 where the stages have another form. */
    private int mixingMatrix() {
        int curves = afterScale();
        int matrix = curves + (is(curves - at, Stage.Curves.class) ? 1 : 0);
        return mixes(matrix) ? matrix : -1;
    }

    /** Curves, a matrix that mixes channels, and curves: to and from tables over XYZ, and inside lutAToBType and lutBToAType. */
    private boolean mixed() {
        int matrix = meaning.length == 3 ? mixingMatrix() : -1;
        if (matrix < 0) {
            return false;
        }
        int curves = afterScale();
        Affine[] codes = curves > at ? then(meaning, diagonal((Stage.Linear) stages.get(at)).orElseThrow()) : meaning;
        Curve[] first = matrix > curves ? ((Stage.Curves) stages.get(curves)).curves() : identities(3);
        for (int c = 0; c < 3; c++) {
            first[c] = line(codes[c]).then(first[c]);
        }
        Stage.Linear linear = (Stage.Linear) stages.get(matrix);
        at = matrix + 1;
        if (is(0, Stage.LabToXyz.class)) {
            linear = linear.then((Stage.Linear) PcsEncoding.LAB_V2.encode());
            meaning = LAB;
            parts.add(MatrixTrcOutput.between(first, linear, identities(3), family));
            return true;
        }
        Curve[] last = curvesOnly(3);
        possible = endsAt(at);
        meaning = none(3);
        parts.add(MatrixTrcOutput.between(first, linear, last, family));
        return true;
    }

    /** A matrix that mixes channels, or one that a cube root follows: no part of a table. */
    private boolean mixes(int stage) {
        return is(stage - at, Stage.Linear.class)
            && (is(stage + 1 - at, Stage.XyzToLab.class) || diagonal((Stage.Linear) stages.get(stage)).isEmpty());
    }

    private static Affine[] then(Affine[] first, Affine[] second) {
        Affine[] both = new Affine[3];
        Arrays.setAll(both, c -> first[c].then(second[c].factor, second[c].offset));
        return both;
    }

    /** Curves and a matrix to L*a*b*. */
    private boolean light() {
        int curves = is(0, Stage.Curves.class) ? 1 : 0;
        if (!Arrays.equals(meaning, none(3)) || !is(curves, Stage.Linear.class) || !is(curves + 1, Stage.XyzToLab.class)) {
            return false;
        }
        Curve[] first = curves == 1 ? ((Stage.Curves) stages.get(at)).curves() : identities(3);
        float[][] tables = Tables.each(List.of(first), new float[3][], TableByTable::light);
        Stage.Linear linear = (Stage.Linear) stages.get(at + curves);
        at += curves + 2;
        parts.add(family.by(new MatrixTrcToLab(tables, overWhite(linear), offsetOverWhite(linear), codesNow())));
        return true;
    }

    /** Curves, a matrix, and L*a*b* at the end of it, where a chain is just that. */
    static Optional<Kernel> lightToLab(List<Stage> stages, LabEncoding codes, KernelFamily family) {
        int curves = !stages.isEmpty() && stages.get(0) instanceof Stage.Curves ? 1 : 0;
        if (stages.size() != curves + 2 || !(stages.get(curves) instanceof Stage.Linear linear)
            || !(stages.get(curves + 1) instanceof Stage.XyzToLab)) {
            return Optional.empty();
        }
        Curve[] first = curves == 1 ? ((Stage.Curves) stages.get(0)).curves() : identities(3);
        float[][] tables = Tables.each(List.of(first), new float[3][], TableByTable::light);
        return Optional.of(family.by(new MatrixTrcToLab(tables, overWhite(linear), offsetOverWhite(linear), codes)));
    }

    private static float[] light(Curve curve) {
        float[] light = new float[65536];
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) curve.at(i / 65535.0);
        }
        return light;
    }

    /** The chain holds L*a*b* in its own units now. Where it ends by coding it, that is done at once. */
    private LabEncoding codesNow() {
        if (mixingMatrix() >= 0) {
            // no table clips L*a*b* before this matrix does its work
            meaning = meaningOf(LabEncoding.WIDE);
            return LabEncoding.WIDE;
        }
        meaning = LAB;
        if (at != stages.size() - 1 || !(stages.get(at) instanceof Stage.Linear linear)) {
            return LabEncoding.V2;
        }
        Stage.Linear outer = (Stage.Linear) PcsEncoding.LAB.encode();
        possible &= Arrays.equals(linear.matrix(), outer.matrix()) && Arrays.equals(linear.offset(), outer.offset());
        at++;
        return LabEncoding.V4;
    }

    private static double[] overWhite(Stage.Linear linear) {
        double[] m = linear.matrix().clone();
        for (int i = 0; i < 3; i++) {
            m[i] /= D50.X;
            m[6 + i] /= D50.Z;
        }
        return m;
    }

    private static double[] offsetOverWhite(Stage.Linear linear) {
        return new double[] {linear.offset()[0] / D50.X, linear.offset()[1], linear.offset()[2] / D50.Z};
    }

    /** Curves and scales, a table, curves and scales. */
    private void table() {
        Curve[] before = curves(meaning);
        if (!possible || !is(0, Stage.Clut.class)) {
            possible = false;
            return;
        }
        Stage.Clut clut = (Stage.Clut) stages.get(at++);
        ClutGrid grid = clut.grid();
        int n = grid.inputs();
        boolean even = IntStream.range(1, n).allMatch(i -> grid.size(i) == grid.size(0)) && grid.size(0) > 1
            && grid.size(0) <= Axis.MOST_CELLS + 1;
        if (!even || n != before.length || n != 3 && n != 4 || n == 4 && clut.interpolation() != Interpolation.JOINED_TETRAHEDRA) {
            possible = false;
            return;
        }
        Affine[] scale = none(grid.outputs());
        boolean mixedAfter = mixes(at + (is(0, Stage.Curves.class) ? 1 : 0));
        Curve[] after = mixedAfter || is(0, Stage.Linear.class) ? identities(grid.outputs()) : curvesOnly(grid.outputs());
        boolean straightAfter = Arrays.stream(after).allMatch(Curve::isIdentity);
        // a scale before another table is that table's to read
        boolean toLab = !mixedAfter && is(0, Stage.Linear.class) && grid.outputs() == 3
            && (at + 1 == stages.size() || is(1, Stage.LabToXyz.class));
        if (toLab) {
            Optional<Affine[]> found = diagonal((Stage.Linear) stages.get(at++));
            possible = found.isPresent();
            scale = found.orElse(scale);
        }
        if (!possible) {
            return;
        }
        boolean endsInUnits = at < stages.size() && toLab;
        Affine[] fold = scale.clone();
        for (int c = 0; endsInUnits && c < fold.length; c++) {
            // the chain goes on in units of L*a*b*, the kernels in its codes
            fold[c] = scale[c].then(1 / LAB[c].factor, -LAB[c].offset / LAB[c].factor);
        }
        if (!Arrays.stream(before).allMatch(Curve::isIdentity)) {
            parts.add(new CodeTables(tables(before, none(n))));
        }
        parts.add(family.over(new ClutTable.Codes(n, grid.outputs(), new Axis(grid.size(0) - 1),
            nodes(grid, straightAfter ? fold : none(grid.outputs())), clut.interpolation() == Interpolation.MULTILINEAR)));
        if (!straightAfter) {
            parts.add(new CodeTables(tables(after, fold)));
        }
        meaning = endsInUnits ? LAB : none(grid.outputs());
    }

    /** Everything up to the next table as one function of the code for each channel. */
    private Curve[] curves(Affine[] start) {
        Affine[] affine = start;
        while (is(0, Stage.Linear.class) && affine.length == 3) {
            Optional<Affine[]> scale = diagonal((Stage.Linear) stages.get(at));
            if (scale.isEmpty()) {
                possible = false;
                return new Curve[0];
            }
            affine = then(affine, scale.get());
            at++;
        }
        Curve[] then = curvesOnly(affine.length);
        Curve[] all = new Curve[affine.length];
        for (int c = 0; c < all.length; c++) {
            all[c] = line(affine[c]).then(then[c]);
        }
        return all;
    }

    private static Curve line(Affine a) {
        boolean nothing = Math.abs(a.factor - 1) < 1e-9 && Math.abs(a.offset) < 1e-9;
        // a line as the lower part of a parametric curve that never reaches its upper one
        return nothing ? Curve.Power.IDENTITY : new Curve.Parametric(1, 1, 0, a.factor, Double.MAX_VALUE, 0, a.offset);
    }

    private Curve[] curvesOnly(int channels) {
        return is(0, Stage.Curves.class) ? ((Stage.Curves) stages.get(at++)).curves() : identities(channels);
    }

    private static Curve[] identities(int channels) {
        Curve[] curves = new Curve[channels];
        Arrays.fill(curves, Curve.Power.IDENTITY);
        return curves;
    }

    private static Optional<Affine[]> diagonal(Stage.Linear linear) {
        Affine[] scale = new Affine[3];
        for (int i = 0; i < 9; i++) {
            if (i % 4 != 0 && Math.abs(linear.matrix()[i]) > 1e-12) {
                return Optional.empty();
            }
            if (i % 4 == 0) {
                scale[i / 4] = new Affine(linear.matrix()[i], linear.offset()[i / 4]);
            }
        }
        return Optional.of(scale);
    }

    private static char[] nodes(ClutGrid grid, Affine[] fold) {
        char[] nodes = new char[grid.values().length];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = Tables.code(fold[i % fold.length].at(grid.values()[i]));
        }
        return nodes;
    }

    private static char[][] tables(Curve[] curves, Affine[] then) {
        char[][] tables = new char[curves.length][];
        Arrays.setAll(tables, c -> {
            int same = IntStream.range(0, c).filter(i -> curves[i].equals(curves[c]) && then[i].equals(then[c])).findFirst().orElse(c);
            return same < c ? tables[same] : Tables.codes(x -> then[c].at(curves[c].at(x)));
        });
        return tables;
    }
}
