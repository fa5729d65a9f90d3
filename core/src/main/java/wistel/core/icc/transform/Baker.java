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
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.PcsEncoding;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Stage;

/**
 * Chooses the fast form of a chain. One input: a table of every code. Curves and a matrix: the same, tabled. Three or four inputs: a grid
 * that is quickly filled where that keeps the promise of {@link Baked}; else the chain's own tables one after another; else a large grid.
 * Where nothing keeps it, and for more inputs, the chain itself serves.
 */
final class Baker {
    /** Nodes along each of three and of four inputs, as many as a tenth of a second fills; and as many as are worth waiting for. */
    private static final int[] QUICK = {0, 0, 0, 81, 17};
    private static final int[] LARGE = {0, 0, 0, 113, 27};

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
        Optional<TableByTable.Found> tables = TableByTable.of(chain.stages(), inputs, outputs, family);
        Optional<Baked> own = tables.map(found -> sample.measured(found.kernel(), "own tables", 0)).filter(Baked::keepsItsPromise);
        if (own.isPresent() && (tables.get().parts() == 1 || forFigures)) {
            return own.get();
        }
        ClutBaker grids = new ClutBaker(chain, inputs, outputs, sample, own.flatMap(Baked::kernel), family);
        return overLab(sample).or(() -> Optional.of(grids.bake(QUICK[inputs]))).filter(Baked::keepsItsPromise)
            .or(() -> own)
            .or(() -> Optional.of(grids.bake(LARGE[inputs])).filter(Baked::keepsItsPromise))
            .orElseGet(() -> Baked.exactOnly("chain, as no grid follows it"));
    }

    /**
     * A grid to the L*a*b* that the chain's last table gives, and from there arithmetic: L*a*b* is smoother than what a display's limits
     * and curves make of it.
     */
    private Optional<Baked> overLab(Sample sample) {
        int cut = lastLab();
        return cut < 0 ? overLinear(sample)
            : over(sample, chain.stages().subList(0, cut), chain.stages().subList(cut, chain.stages().size()));
    }

    /** The same where the last table gives XYZ: the display's light, before its curves, stands for it. */
    private Optional<Baked> overLinear(Sample sample) {
        List<Stage> stages = chain.stages();
        int end = stages.size() - (!stages.isEmpty() && stages.get(stages.size() - 1) instanceof Stage.Curves ? 1 : 0);
        boolean table = stages.stream().anyMatch(Stage.Clut.class::isInstance);
        if (!table || outputs != 3 || end == 0 || !(stages.get(end - 1) instanceof Stage.Linear)) {
            return Optional.empty();
        }
        List<Stage> head = new ArrayList<>(stages.subList(0, end));
        head.addAll(List.of(LIGHT_TO_XYZ, new Stage.XyzToLab()));
        List<Stage> tail = new ArrayList<>(List.of(new Stage.LabToXyz(), XYZ_TO_LIGHT));
        tail.addAll(stages.subList(end, stages.size()));
        return over(sample, head, tail);
    }

    /** Any three lights will do; these are a usual display's. */
    private static final Stage LIGHT_TO_XYZ = DeviceModel.toXyz(StandardSpaces.SRGB, Intent.RELATIVE).get(1);
    private static final Stage XYZ_TO_LIGHT = DeviceModel.fromXyz(StandardSpaces.SRGB, Intent.RELATIVE).get(0);

    private Optional<Baked> over(Sample sample, List<Stage> toLab, List<Stage> afterLab) {
        return MatrixTrcOutput.afterLab(afterLab, LabEncoding.V2, family).map(light -> {
            List<Stage> stages = new ArrayList<>(toLab);
            stages.add(PcsEncoding.LAB_V2.encode());
            Chain head = Chain.of(stages);
            Optional<Chain> lab = Optional.of(Chain.of(List.of(PcsEncoding.LAB_V2.decode())));
            Baked grid = new ClutBaker(head, inputs, 3, new Sample(head, from, 3, lab),
                TableByTable.of(head.stages(), inputs, 3, family).map(TableByTable.Found::kernel), family)
                .bake(QUICK[inputs]);
            return sample.measured(new Sequence(grid.kernel().orElseThrow(), light, inputs, 3, outputs),
                grid.kind() + ", then L*a*b* to light", grid.side());
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
