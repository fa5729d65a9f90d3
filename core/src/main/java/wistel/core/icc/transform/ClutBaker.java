package wistel.core.icc.transform;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.ShadowGrid;
import wistel.core.icc.kernel.ShapedKernel;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Stage;

/**
 * Samples a chain on a grid. It starts small; its own error against the chain, measured over a fixed sample of colours, tells how fine
 * the next one must be, and whether shaper curves pay. Of three inputs, dark colours get a finer grid of their own where they need it.
 */
final class ClutBaker {
    /** Mean and 99.9 % CIEDE2000 that end the search: a margin below what {@link Baked} promises. */
    private static final double GOOD_MEAN = 0.02;
    private static final double GOOD_NEARLY_ALL = 0.15;
    private static final int ATTEMPTS = 3;
    /** A grid that is this near to the limit goes there at once: one step more would fill nearly the same again. */
    private static final double NEARLY = 1.2;
    /**
     * Looking up shaper curves takes half as long as a grid's interpolation, and the worst of a sample's colours are partly luck: the error
     * with them must be this many times smaller.
     */
    private static final double SHAPERS_COST = 2.5;
    /** The error falls somewhere between the first power of the cell (at kinks) and the second (where the chain is smooth). */
    private static final double ORDER = 1.5;
    private static final int[] FIRST_SIDE = {0, 0, 0, 17, 9};
    private static final int FIRST_SHADOW_SIDE = 33;
    private static final int MOST_SHADOW_SIDE = 65;

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
        this.filler = filler;
        this.chain = chain;
        this.inputs = inputs;
        this.outputs = outputs;
        this.sample = sample;
    }

    /** @param part what its errors are taken over, and which part of the axes its nodes cover */
    private record Tried(Baked baked, ShaperCurves shape, Sample.Part part) {
        /** 1 is just good enough; errors that are no numbers, as damaged tables have them, are beyond any bound. */
        double score() {
            double score = Math.max(baked.mean() / GOOD_MEAN, baked.nearlyAll() / GOOD_NEARLY_ALL);
            return Double.isNaN(score) ? Double.POSITIVE_INFINITY : score;
        }
    }

    /** The smallest grid found that is good, or the best one within the limit. */
    Baked bake(int mostSide) {
        Tried first = first(mostSide);
        if (inputs != 3 || !first.shape.isStraight()) {
            return searched(first, mostSide).baked;
        }
        Baked small = first.baked;
        Tried light = searched(new Tried(sample.measured(small.kernel().orElseThrow(), small.kind(), small.side(), Sample.Part.NOT_DARK),
            first.shape, Sample.Part.NOT_DARK), mostSide);
        Kernel kernel = light.baked.kernel().orElseThrow();
        Baked one = sample.measured(kernel, light.baked.kind(), light.baked.side());
        if (new Tried(one, light.shape, Sample.Part.ALL).score() <= 1) {
            return one;
        }
        Tried dark = searched(filled(light.shape, FIRST_SHADOW_SIDE, Sample.Part.DARK), MOST_SHADOW_SIDE);
        Kernel both = new ShadowGrid(kernel, dark.baked.kernel().orElseThrow(), outputs);
        return sample.measured(both, light.baked.kind() + " and one of " + dark.baked.side() + " for shadows", light.baked.side());
    }

    private Tried searched(Tried start, int mostSide) {
        Tried best = start;
        for (int attempt = 1; attempt < ATTEMPTS && best.score() > 1; attempt++) {
            Tried next = finer(best, mostSide);
            if (next.score() >= best.score()) {
                break;
            }
            best = next;
        }
        return best;
    }

    /** As fine as this one's error asks for; this one itself where the limit forbids that. */
    private Tried finer(Tried last, int mostSide) {
        double needed = 1 + Math.ceil((last.baked.side() - 1) * Math.max(1.2, Math.pow(last.score(), 1 / ORDER)));
        if (needed > 1.5 * mostSide && last.part != Sample.Part.DARK) {
            return last;
        }
        int side = last.shape.side(needed * NEARLY < mostSide ? (int) needed : mostSide, mostSide);
        return side <= last.baked.side() ? last : filled(last.shape, side, last.part);
    }

    /** The shape that does best on a small grid. */
    private Tried first(int mostSide) {
        List<ShaperCurves> shapes = ShaperCurves.candidates(chain, inputs);
        Tried best = filled(shapes.get(0), shapes.get(0).side(FIRST_SIDE[inputs], mostSide), Sample.Part.ALL);
        for (ShaperCurves shape : shapes.subList(1, shapes.size())) {
            Tried tried = filled(shape, shape.side(FIRST_SIDE[inputs], mostSide), Sample.Part.ALL);
            if (tried.score() * (shape.isStraight() ? 1 : SHAPERS_COST) < best.score()) {
                best = tried;
            }
        }
        return best;
    }

    private Tried filled(ShaperCurves shape, int side, Sample.Part part) {
        double reach = part == Sample.Part.DARK ? ShadowGrid.REACH : 1;
        Kernel kernel = family.over(new ClutTable(inputs, outputs, side, nodes(shape, side, reach), false));
        if (!shape.isStraight()) {
            kernel = new ShapedKernel(kernel, outputs, shape.tablesBefore(), new char[0][]);
        }
        // what is measured of the shadows' grid is measured where it will stand
        Kernel inPlace = part == Sample.Part.DARK ? new ShadowGrid(kernel, kernel, outputs) : kernel;
        Baked measured = sample.measured(inPlace, "grid" + shape.words(), side, part);
        return new Tried(new Baked(Optional.of(kernel), measured.kind(), side, measured.mean(), measured.nearlyAll()), shape, part);
    }

    private char[] nodes(ShaperCurves shape, int side, double reach) {
        return filler.isPresent() ? filledNodes(shape, side, reach, filler.get()) : chainNodes(shape, side, reach);
    }

    private char[] filledNodes(ShaperCurves shape, int side, double reach, Kernel kernel) {
        char[][] axes = new char[inputs][side];
        for (int c = 0; c < inputs; c++) {
            for (int i = 0; i < side; i++) {
                axes[c][i] = Tables.code(shape.undone(c, reach * i / (side - 1.0)));
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
    private char[] chainNodes(ShaperCurves shape, int side, double reach) {
        boolean curvesFirst = !chain.stages().isEmpty() && chain.stages().get(0) instanceof Stage.Curves;
        Chain rest = curvesFirst ? chain.from(1) : chain;
        double[][] axes = new double[inputs][side];
        for (int c = 0; c < inputs; c++) {
            Curve first = curvesFirst ? ((Stage.Curves) chain.stages().get(0)).curves()[c] : Curve.Power.IDENTITY;
            for (int i = 0; i < side; i++) {
                axes[c][i] = first.at(shape.undone(c, reach * i / (side - 1.0)));
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
