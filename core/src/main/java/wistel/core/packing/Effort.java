package wistel.core.packing;

/** How long an arrangement is improved: a number of steps, never a time, so that the same blocks are packed alike on every machine. */
public enum Effort {
    /** While a hand moves something. */
    QUICK(40_000, 1),
    /** When it rests. */
    THOROUGH(640_000, 40);

    /** Few blocks have few orders. */
    private static final int MOST_FOR_EACH = 2500;

    /** Blocks laid in all; an order of n blocks lays n. */
    private final int laid;
    /** Lengths that are tried. */
    private final int tries;

    Effort(int laid, int tries) {
        this.laid = laid;
        this.tries = tries;
    }

    int steps(int blocks) {
        return Math.max(50, Math.min(laid / blocks, MOST_FOR_EACH * blocks));
    }

    int stepsOfATry(int blocks) {
        return Math.max(40, steps(blocks) / tries);
    }
}
