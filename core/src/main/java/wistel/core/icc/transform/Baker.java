package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.GrayTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Sequence;
import wistel.core.icc.profile.PcsEncoding;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Stage;

/**
 * Chooses the fast form of a chain. One input: a table of every code. Curves and a matrix: the same, tabled. Three or four inputs: a grid
 * that is quickly filled where that keeps the promise of {@link Baked}; else the chain's own tables one after another; else a large grid.
 * Where nothing keeps it, and for more inputs, the chain itself serves.
 */
final class Baker {
    /** Nodes along each of three and of four inputs, as many as a tenth of a second fills; and as many as are worth waiting for. */
    private static final int[] QUICK = {0, 0, 0, 97, 17};
    private static final int[] LARGE = {0, 0, 0, 113, 27};

    private final Chain chain;
    private final int inputs;
    private final int outputs;
    private final Optional<Chain> look;
    private final boolean forFigures;
    private final KernelFamily family;

    /**
     * @param look       from results to L*a*b*, where there is such a way
     * @param forFigures few colours will go through it, so a grid would never pay for its filling
     */
    Baker(Chain chain, int inputs, int outputs, Optional<Chain> look, boolean forFigures, KernelFamily family) {
        this.family = family;
        this.forFigures = forFigures;
        this.chain = chain;
        this.inputs = inputs;
        this.outputs = outputs;
        this.look = look;
    }

    Baked bake() {
        if (inputs == 1) {
            return Baked.withoutGrid(grayTable(chain, outputs), "table");
        }
        Optional<Kernel> plain = inputs != 3 ? Optional.empty() : outputs == 3 ? MatrixTrcOutput.whole(chain, family) : outputs == 1 ? MatrixTrcOutput.toGray(chain, family) : Optional.empty();
        if (plain.isPresent()) {
            return Baked.withoutGrid(plain.get(), "curves and matrix");
        }
        if (inputs != 3 && inputs != 4) {
            return Baked.exactOnly("chain of " + inputs + " inputs");
        }
        return fast();
    }

    private Baked fast() {
        Sample sample = new Sample(chain, inputs, outputs, look);
        Optional<TableByTable.Found> tables = TableByTable.of(chain.stages(), inputs, outputs, family);
        Optional<Baked> own = tables.map(found -> sample.measured(found.kernel(), "own tables", 0)).filter(Baked::keepsItsPromise);
        ClutBaker grids = new ClutBaker(chain, inputs, outputs, sample, own.flatMap(Baked::kernel), family);
        if (own.isPresent() && (tables.get().parts() == 1 || forFigures)) {
            return own.get();
        }
        Optional<Baked> overLab = overLab(sample);
        return overLab.or(() -> Optional.of(grids.bake(QUICK[inputs]))).filter(Baked::keepsItsPromise)
            .or(() -> own)
            .or(() -> Optional.of(grids.bake(LARGE[inputs])).filter(Baked::keepsItsPromise))
            .orElseGet(() -> Baked.exactOnly("chain, as no grid follows it"));
    }

    /**
     * A grid to the L*a*b* that the chain's last table gives, and from there arithmetic: L*a*b* is smoother than what a display's limits and
     * curves make of it.
     */
    private Optional<Baked> overLab(Sample sample) {
        int cut = lastLab();
        Optional<Kernel> end = cut < 0 ? Optional.empty() : MatrixTrcOutput.afterLab(chain.stages().subList(cut, chain.stages().size()), LabEncoding.V2, family);
        return end.map(light -> {
            List<Stage> stages = new ArrayList<>(chain.stages().subList(0, cut));
            stages.add(PcsEncoding.LAB_V2.encode());
            Chain head = Chain.of(stages);
            Optional<Chain> lab = Optional.of(Chain.of(List.of(PcsEncoding.LAB_V2.decode())));
            Baked toLab = new ClutBaker(head, inputs, 3, new Sample(head, inputs, 3, lab), TableByTable.of(head.stages(), inputs, 3, family).map(TableByTable.Found::kernel), family)
                .bake(QUICK[inputs]);
            return sample.measured(new Sequence(toLab.kernel().orElseThrow(), light, inputs, 3, outputs), toLab.kind() + ", then L*a*b* to light", toLab.side());
        });
    }

    /** Where the chain last leaves L*a*b* that a table gave it, or -1. */
    private int lastLab() {
        int found = -1;
        boolean table = false;
        for (int i = 0; i < chain.stages().size(); i++) {
            table |= chain.stages().get(i) instanceof Stage.Clut;
            if (table && chain.stages().get(i) instanceof Stage.LabToXyz) {
                found = i;
            }
        }
        return found;
    }

    /** As many nodes along each input as are worth waiting for. */
    static int most(int inputs) {
        return LARGE[inputs];
    }

    static GrayTable grayTable(Chain chain, int outputs) {
        char[] codes = new char[65536 * outputs];
        IntStream.range(0, 256).parallel().forEach(block -> {
            double[] work = new double[256 * Chain.STRIDE];
            for (int i = 0; i < 256; i++) {
                work[i * Chain.STRIDE] = (256 * block + i) / 65535.0;
            }
            chain.apply(work, 256);
            for (int i = 0; i < 256 * outputs; i++) {
                codes[256 * outputs * block + i] = Tables.code(work[i / outputs * Chain.STRIDE + i % outputs]);
            }
        });
        return new GrayTable(codes, outputs);
    }
}
