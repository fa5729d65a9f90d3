package wistel.core.sheet;

import java.util.Objects;
import wistel.core.fault.InvalidRequest;

/**
 * How pieces find their places.
 *
 * @param gutterMm  between neighbours, where they are cut apart
 * @param cutMarks  at both ends of each cut, outside of the pictures
 * @param longestMm a roll is cut into lengths of at most this; 0 for one length
 */
public record Arrangement(Way way, double gutterMm, boolean cutMarks, double longestMm) {
    /** Least paper; least paper with cuts from edge to edge; rows in the order of the pieces; where a person put them. */
    public enum Way {
        TIGHTEST, CUT_ACROSS, ROWS, BY_HAND
    }

    public static final double WIDEST_GUTTER_MM = 50;
    public static final Arrangement USUAL = new Arrangement(Way.CUT_ACROSS, 8, true, 0);
    /** Of plans that were made before there were others. */
    public static final Arrangement UNTOLD = new Arrangement(Way.BY_HAND, 8, false, 0);

    /** @throws InvalidRequest when a length is out of its range */
    public Arrangement {
        Objects.requireNonNull(way);
        if (!(gutterMm >= 0 && gutterMm <= WIDEST_GUTTER_MM)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A gutter of " + gutterMm + " mm can't be left between pieces.",
                "Gutters go from 0 to 50 mm.");
        }
        if (!(longestMm == 0 || longestMm >= 100 && longestMm <= Frame.LARGEST_MM)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A roll can't be cut into lengths of " + longestMm + " mm.",
                "Lengths go from 100 mm to 5 m.");
        }
    }

    public Arrangement by(Way next) {
        return new Arrangement(next, gutterMm, cutMarks, longestMm);
    }
}
