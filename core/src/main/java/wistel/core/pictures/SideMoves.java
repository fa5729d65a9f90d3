package wistel.core.pictures;

import wistel.core.fault.InvalidRequest;

/**
 * What is done to the sides of a wrapped picture alone. It fades in over the first {@link #FADE_MM} behind the fold, so the face stays as
 * it is.
 *
 * @param darker     percent, -50 (lighter) to 50
 * @param softer     0 to 100: {@link #SOFTEST_MM} of blur at most
 * @param lessColour percent, 0 to 100
 */
public record SideMoves(int darker, int softer, int lessColour) {
    public static final SideMoves NONE = new SideMoves(0, 0, 0);
    public static final double FADE_MM = 2;
    /** One standard deviation. */
    private static final double SOFTEST_MM = 2;

    /** @throws InvalidRequest when one is out of its range */
    public SideMoves {
        if (Math.abs(darker) > 50 || softer < 0 || softer > 100 || lessColour < 0 || lessColour > 100) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Sides can't be moved that far.",
                "Darker goes from -50 to 50, softer and less colour from 0 to 100.");
        }
    }

    /** Nothing that a colour alone decides. */
    public boolean leavesColours() {
        return darker == 0 && lessColour == 0;
    }

    public boolean changesNothing() {
        return leavesColours() && softer == 0;
    }

    public double softMm() {
        return SOFTEST_MM * softer / 100;
    }

    /** How much of a move there is so far behind the fold. */
    public static double share(double mm) {
        double t = Math.max(0, Math.min(1, mm / FADE_MM));
        return t * t * (3 - 2 * t);
    }
}
