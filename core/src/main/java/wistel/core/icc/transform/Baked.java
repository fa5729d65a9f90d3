package wistel.core.icc.transform;

import java.util.Optional;
import wistel.core.icc.kernel.Kernel;

/**
 * The fast form of a chain.
 *
 * @param kernel    empty where only the chain itself is good enough
 * @param kind      for people: what it is
 * @param side      nodes along each input of a grid; 0 without one
 * @param mean      mean CIEDE2000 against the chain over a fixed sample of colours (codes over 655.35 where the result can't be looked at);
 *                  0 where nothing is sampled on a grid
 * @param nearlyAll the same that 99.9 % of the sample stay below
 */
public record Baked(Optional<Kernel> kernel, String kind, int side, double mean, double nearlyAll) {
    private static final double PROMISED_MEAN = 0.03;
    private static final double PROMISED_NEARLY_ALL = 0.18;

    boolean keepsItsPromise() {
        return mean < PROMISED_MEAN && nearlyAll < PROMISED_NEARLY_ALL;
    }

    static Baked exactOnly(String why) {
        return new Baked(Optional.empty(), why, 0, 0, 0);
    }

    static Baked withoutGrid(Kernel kernel, String kind) {
        return new Baked(Optional.of(kernel), kind, 0, 0, 0);
    }

    /** Bytes that its tables hold. */
    public long bytes() {
        return kernel.map(Kernel::bytes).orElse(0L);
    }
}
