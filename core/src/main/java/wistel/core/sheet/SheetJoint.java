package wistel.core.sheet;

import java.util.Objects;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;

/**
 * How neighbouring sheets of a picture are joined. In both ways the joint that is seen lies in the middle of what both print, so that a cut
 * or a feed that is off by a little shows no white.
 *
 * @param overMm overlap of sheets that are glued; bleed past the joint of each that is butted
 */
public record SheetJoint(Way way, double overMm) {
    /** One is cut at the joint and laid over the other; or both are cut there and laid edge to edge. */
    public enum Way {
        GLUED, BUTTED
    }

    /** Half an inch to glue. */
    public static final SheetJoint USUAL = new SheetJoint(Way.GLUED, 12.7);
    /** The bleed of sheets that are butted. */
    public static final double USUAL_BLEED_MM = 3;
    /** By which a sheet may lie off in its feed. */
    private static final double FEED_TOLERANCE_MM = 1;
    private static final double WIDEST_MM = 200;

    /** @throws InvalidRequest when sheets can't be joined so */
    public SheetJoint {
        Objects.requireNonNull(way);
        double least = way == Way.GLUED ? 2 * FEED_TOLERANCE_MM : FEED_TOLERANCE_MM;
        if (!(overMm >= least && overMm <= WIDEST_MM)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "Sheets can't " + (way == Way.GLUED ? "overlap" : "bleed") + " by " + overMm + " mm.",
                "Enter " + Length.mm(least) + " to " + Length.mm(WIDEST_MM) + " mm: a feed may be off by " + Length.mm(FEED_TOLERANCE_MM)
                    + " mm.");
        }
    }

    /** What both neighbours print. */
    public double commonMm() {
        return way == Way.GLUED ? overMm : 2 * overMm;
    }

    /** How far each of them prints past the joint. */
    public double reachMm() {
        return commonMm() / 2;
    }
}
