package wistel.core.paper;

/** What a person sees of a paper's white beside another's. */
public enum PaperTone {
    WARM, NEUTRAL, COLD;

    /**
     * b* of white from which a sheet looks warm beside others, and below which it looks cold: most papers without whitener lie above, those
     * with it below.
     */
    private static final double WARM_FROM = 1;
    private static final double COLD_BELOW = -2;

    /** @param white L*, a*, b* as measured */
    public static PaperTone of(double[] white) {
        return white[2] > WARM_FROM ? WARM : white[2] < COLD_BELOW ? COLD : NEUTRAL;
    }
}
