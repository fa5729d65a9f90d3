package wistel.core.icc.transform;

import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import java.util.stream.IntStream;
import wistel.core.icc.stage.Curve;

/** Functions of one value tabled over all 16-bit codes, and the codes themselves. */
final class Tables {
    private static final int CODES = 65536;
    private static final int BLOCK = 4096;

    private Tables() {
    }

    /** The nearest code of a value from 0 to 1; what lies outside is clipped, and what is no number is 0. */
    static char code(double unit) {
        return (char) (unit > 0 ? Math.min(1, unit) * 65535 + 0.5 : 0);
    }

    /** Codes to codes. */
    static char[] codes(DoubleUnaryOperator f) {
        char[] table = new char[CODES];
        IntStream.range(0, CODES / BLOCK).parallel().forEach(block -> {
            for (int i = block * BLOCK; i < (block + 1) * BLOCK; i++) {
                table[i] = code(f.applyAsDouble(i / 65535.0));
            }
        });
        return table;
    }

    /** Codes to values. */
    static double[] values(Curve curve) {
        double[] table = new double[CODES];
        Arrays.parallelSetAll(table, i -> curve.at(i / 65535.0));
        return table;
    }

    /** A table for each curve; equal curves share one, so that it is worked out once and stays in the cache. */
    static <T> T[] each(List<Curve> curves, T[] tables, Function<Curve, T> table) {
        Arrays.setAll(tables, c -> curves.indexOf(curves.get(c)) < c ? tables[curves.indexOf(curves.get(c))] : table.apply(curves.get(c)));
        return tables;
    }
}
