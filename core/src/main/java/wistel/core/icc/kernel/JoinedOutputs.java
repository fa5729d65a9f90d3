package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** More outputs than one table holds: the same inputs through a table for each four of them. */
record JoinedOutputs(List<Kernel> parts) implements Kernel {
    @Override
    public int inputs() {
        return parts.get(0).inputs();
    }

    @Override
    public int outputs() {
        return parts.stream().mapToInt(Kernel::outputs).sum();
    }

    @Override
    public PixelEnds ends() {
        return parts.get(0).ends();
    }

    @Override
    public long bytes() {
        return parts.stream().mapToLong(Kernel::bytes).sum();
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        List<Loop> loops = new ArrayList<>();
        int first = 0;
        for (Kernel part : parts) {
            // a part may overwrite what it is given
            int[][] own = new int[in.length][BLOCK];
            loops.add(n -> copy(in, own, n));
            loops.addAll(part.loops(own, Arrays.copyOfRange(out, first, first + part.outputs())));
            first += part.outputs();
        }
        return loops;
    }

    private static void copy(int[][] in, int[][] own, int count) {
        for (int c = 0; c < in.length; c++) {
            System.arraycopy(in[c], 0, own[c], 0, count);
        }
    }
}
