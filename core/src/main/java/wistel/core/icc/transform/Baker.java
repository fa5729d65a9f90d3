package wistel.core.icc.transform;

import java.util.Optional;
import wistel.core.icc.stage.Stage;
import java.util.List;
import java.util.stream.IntStream;
import wistel.core.icc.kernel.FirstInputTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.stage.Chain;

/**
 * Chooses the fast form of a chain. One input: a table of every code. Else the chain's own curves, matrices and tables, each read as it is,
 * which loses rounding only. Chains that have other parts, or lose more than {@link Baked} promises: a grid that samples them. Where no grid
 * keeps the promise, and for more inputs, the chain itself serves.
 */
final class Baker {
    /** Cells along each of three and of four inputs, as many as are worth waiting for. */
    private static final int[] MOST_CELLS = {0, 0, 0, 112, 26};

    private final Chain chain;
    private final ColourSpace from;
    private final int inputs;
    private final int outputs;
    private final Optional<Chain> look;
    private final boolean forFigures;
    private final KernelFamily family;

    /**
     * @param look from results to L*a*b*, where there is such a way
     */
    Baker(Chain chain, ColourSpace from, ColourSpace to, Optional<Chain> look, KernelFamily family) {
        this.family = family;
        // few colours go to L*a*b* at a time, so a grid would never pay for its filling
        this.forFigures = to == ColourSpace.LAB;
        this.chain = chain;
        this.from = from;
        this.inputs = from.channels();
        this.outputs = to.channels();
        this.look = look;
    }

    Baked bake() {
        if (inputs == 1) {
            return Baked.withoutGrid(grayTable(chain, outputs), "table");
        }
        Optional<Kernel> plain = inputs != 3 ? Optional.empty()
            : outputs == 3 ? MatrixTrcOutput.whole(chain, family) : outputs == 1 ? MatrixTrcOutput.toGray(chain, family) : Optional.empty();
        if (plain.isPresent()) {
            return Baked.withoutGrid(plain.get(), "curves and matrix");
        }
        if (inputs != 3 && inputs != 4) {
            return Baked.exactOnly("chain of " + inputs + " inputs");
        }
        return fast();
    }

    private Baked fast() {
        Sample sample = new Sample(chain, from, outputs, look);
        Optional<Kernel> tables = TableByTable.of(chain.stages(), inputs, family);
        Optional<Baked> own = tables.map(kernel -> sample.measured(kernel, "own tables", 0)).filter(Baked::keepsItsPromise);
        if (own.isPresent() && (forFigures || inputs != 3 || isOneTable())) {
            return own.get();
        }
        return Optional.of(new ClutBaker(chain, inputs, outputs, sample, own.flatMap(Baked::kernel), family).bake(most(inputs)))
            .filter(Baked::keepsItsPromise).or(() -> own).orElseGet(() -> Baked.exactOnly("chain, as no grid follows it"));
    }

    /** A table that the inputs go straight into, and arithmetic after it: a grid would save next to nothing. */
    private boolean isOneTable() {
        List<Stage> stages = chain.stages();
        return stages.stream().filter(Stage.Clut.class::isInstance).count() == 1
            && stages.stream().filter(s -> !(s instanceof Stage.Curves)).findFirst().filter(Stage.Clut.class::isInstance).isPresent();
    }

    /** As many cells along each input as are worth waiting for. */
    static int most(int inputs) {
        return MOST_CELLS[inputs];
    }

    /** One input: every code through the chain. */
    static Kernel grayTable(Chain chain, int outputs) {
        char[][] codes = new char[outputs][65536];
        IntStream.range(0, 256).parallel().forEach(block -> {
            double[] work = new double[256 * Chain.STRIDE];
            for (int i = 0; i < 256; i++) {
                work[i * Chain.STRIDE] = (256 * block + i) / 65535.0;
            }
            chain.apply(work, 256);
            for (int i = 0; i < 256 * outputs; i++) {
                codes[i % outputs][256 * block + i / outputs] = Tables.code(work[i / outputs * Chain.STRIDE + i % outputs]);
            }
        });
        return new FirstInputTable(1, codes);
    }
}
