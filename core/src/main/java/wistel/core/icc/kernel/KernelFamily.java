package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;

/** One way to write the loops over a {@link ClutTable} and before it. All families give the same codes. */
public interface KernelFamily {
    /** For people: what a log line or a measurement calls it. */
    String name();

    /** The table read by interpolation. */
    Kernel over(ClutTable table);

    /** The same for a table of any number of outputs. */
    default Kernel over(ClutTable.Codes table) {
        return joined(table.outputs(), first -> over(table.part(first)));
    }

    private static Kernel joined(int outputs, IntFunction<Kernel> part) {
        List<Kernel> parts = new ArrayList<>();
        for (int first = 0; first < outputs; first += ClutTable.MOST_OUTPUTS) {
            parts.add(part.apply(first));
        }
        return parts.size() == 1 ? parts.get(0) : new JoinedOutputs(parts);
    }

    /** The two grids read by interpolation. */
    Kernel over(ShadowGrid grid);

    /** The same for grids of any number of outputs, the second one over the darkest quarter of each input. */
    default Kernel over(ClutTable.Codes all, ClutTable.Codes dark) {
        return joined(all.outputs(), first -> over(ShadowGrid.of(all.part(first), dark.part(first))));
    }

    /** Curves, matrices and L*a*b* by arithmetic. */
    Kernel by(LightKernel light);

    /** L*a*b* codes to light by way of Oklab. */
    Kernel moved(OklabMoves moves);

    /** L*a*b* codes to codes of lightness by way of Oklab. */
    Kernel mixed(OklabMix mix);
}
