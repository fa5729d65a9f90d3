package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;

/**
 * The first of some inputs through a table of every code; the others don't count.
 *
 * @param tables 65536 codes for each output
 */
public record FirstInputTable(int inputs, char[][] tables) implements Kernel {
    @Override
    public int outputs() {
        return tables.length;
    }

    @Override
    public long bytes() {
        return 2L * 65536 * tables.length;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < tables.length; c++) {
            int channel = c;
            loops.add(n -> CodeTables.look(tables[channel], in[0], out[channel], n));
        }
        return loops;
    }
}
