package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A curve for each channel, tabled over all 16-bit codes: what stands before and after a lookup table. */
public record CodeTables(char[][] tables) implements Kernel {
    @Override
    public int inputs() {
        return tables.length;
    }

    @Override
    public int outputs() {
        return tables.length;
    }

    @Override
    public long bytes() {
        return Arrays.stream(tables).distinct().count() * 2L * 65536;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < tables.length; c++) {
            char[] table = tables[c];
            int[] from = in[c];
            int[] to = out[c];
            loops.add(n -> look(table, from, to, n));
        }
        return loops;
    }

    static void look(char[] table, int[] codes, int[] out, int count) {
        for (int p = 0; p < count; p++) {
            out[p] = table[codes[p]];
        }
    }
}
