package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;

/**
 * How the picture meets the paper's edge.
 *
 * @param borderless the printer prints past the edge of the paper
 * @param overMm     by how much it does so on each side, enlarging what it is sent; only when borderless
 * @param bleedMm    mirrored picture laid round the exact picture, so that what is cut off is none of it; 0 for none
 */
public record Edge(boolean borderless, double overMm, double bleedMm) {
    public static final Edge BORDERED = new Edge(false, 0, 0);
    public static final double MOST_OVER_MM = 10;
    public static final double MOST_BLEED_MM = 100;

    /** @throws InvalidRequest when a length is out of its range */
    public Edge {
        if (!(overMm >= 0 && overMm <= MOST_OVER_MM && bleedMm >= 0 && bleedMm <= MOST_BLEED_MM) || !borderless && overMm > 0) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "The picture can't reach that far over the edge.",
                "Borderless goes up to " + (int) MOST_OVER_MM + " mm over the edge, a mirrored bleed up to " + (int) MOST_BLEED_MM
                    + " mm.");
        }
    }
}
