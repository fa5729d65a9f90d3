package wistel.core.icc.transform;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wistel.core.icc.kernel.Axis;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.CodeTables;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Sequence;
import wistel.core.icc.kernel.ShadowGrid;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Stage;

/**
 * Samples a chain on a grid. It starts small; its own error against the chain, measured over a fixed sample of colours, tells how fine
 * the next one must be, and whether shaper curves pay.
 */
final class ClutBaker {
    /** Mean and 99.9 % CIEDE2000 that end the search: a margin below what {@link Baked} promises. */
    private static final double GOOD_MEAN = 0.02;
    private static final double GOOD_NEARLY_ALL = 0.15;
    private static final int ATTEMPTS = 4;
    /**
     * Looking up shaper curves takes half as long as a grid's interpolation, and the worst of a sample's colours are partly luck: the error
     * with them must be this many times smaller.
     */
    private static final double SHAPERS_COST = 2.5;
    /** The error falls somewhere between the first power of the cell (at kinks) and the second (where the chain is smooth). */
    private static final double ORDER = 1.5;
    private static final int FEWEST_DARK = 32;
    private static final int MOST_DARK = 80;
    private static final int[] FIRST_CELLS = {0, 0, 0, 32, 8};

    private final Chain chain;
    private final int inputs;
    private final int outputs;
    private final Sample sample;
    private final Optional<Kernel> filler;
    private final KernelFamily family;

    /**
     * @param filler a slower fast form that is right to the code, to fill nodes with; without one the chain itself does
     */
    ClutBaker(Chain chain, int inputs, int outputs, Sample sample, Optional<Kernel> filler, KernelFamily family) {
        this.family = family;
        this.chain = chain;
        this.inputs = inputs;
        this.outputs = outputs;
        this.sample = sample;
        this.filler = filler;
    }

    /** @param dark cells along the darkest quarter of each input, or 0 without a grid for them */
    private record Tried(Kernel kernel, Sample.Errors errors, ShaperCurves shape, int cells, int dark) {
        /** 1 is just good enough; errors that are no numbers, as damaged tables have them, are beyond any bound. */
        double score() {
            double score = Math.max(errors.mean() / GOOD_MEAN, errors.nearlyAll() / GOOD_NEARLY_ALL);
            return Double.isNaN(score) ? Double.POSITIVE_INFINITY : score;
        }

        Baked baked() {
            String kind = "grid" + shape.words() + (dark > 0 ? " and one of " + (dark + 1) + " for shadows" : "");
            return new Baked(Optional.of(kernel), kind, cells + 1, errors.mean(), errors.nearlyAll());
        }
    }

    /** The smallest grid found that is good, or the best one within the limit. */
    Baked bake(int mostCells) {
        Tried best = first(mostCells);
        for (int attempt = 1; attempt < ATTEMPTS && best.score() > 1; attempt++) {
            Tried next = finer(best, mostCells);
            if (next.score() >= best.score()) {
                break;
            }
            best = next;
        }
        return best.baked();
    }

    /** As fine as this one's errors ask for, or itself where it can't be; of three inputs the dark ones get a grid of their own. */
    private Tried finer(Tried last, int mostCells) {
        if (inputs != 3 || !last.shape.isStraight()) {
            int cells = wanted(last.cells, last.errors.nearlyAll(), mostCells, last.shape);
            return cells <= last.cells ? last : filled(last.shape, cells, 0);
        }
        int all = wanted(last.cells, last.errors.light(), mostCells, last.shape);
        int dark = Math.max(FEWEST_DARK, wanted(last.dark == 0 ? last.cells / ShadowGrid.SCALE : last.dark, last.errors.dark(), MOST_DARK,
            last.shape));
        return all <= last.cells && dark <= last.dark ? last : filled(last.shape, all, dark);
    }

    private static int wanted(int cells, double error, int most, ShaperCurves shape) {
        double score = error / GOOD_NEARLY_ALL;
        return score <= 1 ? cells
            : Math.max(cells, shape.cells((int) Math.ceil(Math.min(most, cells * Math.max(1.1, Math.pow(score, 1 / ORDER)))), most));
    }

    /** The shape that does best on a small grid. */
    private Tried first(int mostCells) {
        List<ShaperCurves> shapes = ShaperCurves.candidates(chain, inputs);
        Tried best = filled(shapes.get(0), shapes.get(0).cells(FIRST_CELLS[inputs], mostCells), 0);
        for (ShaperCurves shape : shapes.subList(1, shapes.size())) {
            Tried tried = filled(shape, shape.cells(FIRST_CELLS[inputs], mostCells), 0);
            if (tried.score() * (shape.isStraight() ? 1 : SHAPERS_COST) < best.score()) {
                best = tried;
            }
        }
        return best;
    }

    private Tried filled(ShaperCurves shape, int cells, int darkCells) {
        ClutTable.Codes all = table(shape, cells, 1);
        Kernel grid = darkCells == 0 ? family.over(all) : family.over(all, table(shape, darkCells, 1.0 / ShadowGrid.SCALE));
        Kernel kernel = shape.isStraight() ? grid : Sequence.of(new CodeTables(shape.tablesBefore()), grid);
        return new Tried(kernel, sample.errors(kernel), shape, cells, darkCells);
    }

    /** @param reach how much of each axis the nodes cover */
    private ClutTable.Codes table(ShaperCurves shape, int cells, double reach) {
        char[] nodes = filler.map(kernel -> filledNodes(shape, cells, reach, kernel)).orElseGet(() -> nodes(shape, cells, reach));
        return new ClutTable.Codes(inputs, outputs, new Axis(cells), nodes, false);
    }

    private char[] filledNodes(ShaperCurves shape, int cells, double reach, Kernel kernel) {
        int side = cells + 1;
        char[][] axes = new char[inputs][side];
        for (int c = 0; c < inputs; c++) {
            for (int i = 0; i < side; i++) {
                axes[c][i] = Tables.code(shape.undone(c, reach * i / cells));
            }
        }
        int plane = (int) Math.round(Math.pow(side, inputs - 1));
        char[] nodes = new char[side * plane * outputs];
        IntStream.range(0, side).parallel().forEach(first -> {
            char[] in = new char[plane * inputs];
            int[] place = new int[inputs];
            for (int n = 0; n < plane; n++) {
                in[n * inputs] = axes[0][first];
                for (int c = 1; c < inputs; c++) {
                    in[n * inputs + c] = axes[c][place[c]];
                }
                for (int c = inputs - 1; c > 0 && ++place[c] == side; c--) {
                    place[c] = 0;
                }
            }
            kernel.apply(in, 0, nodes, first * plane * outputs, plane);
        });
        return nodes;
    }

    /** The chain at every node. Curves that stand first are worked out once for each axis, not for each node. */
    private char[] nodes(ShaperCurves shape, int cells, double reach) {
        int side = cells + 1;
        boolean curvesFirst = !chain.stages().isEmpty() && chain.stages().get(0) instanceof Stage.Curves;
        Chain rest = curvesFirst ? chain.from(1) : chain;
        double[][] axes = new double[inputs][side];
        for (int c = 0; c < inputs; c++) {
            Curve first = curvesFirst ? ((Stage.Curves) chain.stages().get(0)).curves()[c] : Curve.Power.IDENTITY;
            for (int i = 0; i < side; i++) {
                axes[c][i] = first.at(shape.undone(c, reach * i / cells));
            }
        }
        int rows = (int) Math.round(Math.pow(side, inputs - 1));
        char[] nodes = new char[rows * side * outputs];
        IntStream.range(0, rows / side).parallel().forEach(plane -> {
            double[] work = new double[side * Chain.STRIDE];
            for (int row = plane * side; row < (plane + 1) * side; row++) {
                row(axes, row, side, work);
                rest.apply(work, side);
                for (int i = 0, at = row * side * outputs; i < side * outputs; i++) {
                    nodes[at + i] = Tables.code(work[i / outputs * Chain.STRIDE + i % outputs]);
                }
            }
        });
        return nodes;
    }

    private void row(double[][] axes, int row, int side, double[] work) {
        for (int i = 0; i < side; i++) {
            int place = row;
            work[i * Chain.STRIDE + inputs - 1] = axes[inputs - 1][i];
            for (int c = inputs - 2; c >= 0; c--) {
                work[i * Chain.STRIDE + c] = axes[c][place % side];
                place /= side;
            }
        }
    }
}
