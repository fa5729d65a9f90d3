package wistel.core.sheet;

import java.util.Objects;
import wistel.core.fault.InvalidRequest;

/**
 * How pieces find their places.
 *
 * @param gutterMm  between neighbours, where they are cut apart
 * @param cutMarks  at both ends of each cut, outside of the pictures
 * @param longestMm a roll is cut into lengths of at most this; 0 for one length
 * @param rows      how large pieces are in rows
 */
public record Arrangement(Way way, double gutterMm, boolean cutMarks, double longestMm, Rows rows) {
    /** Least paper; least paper with cuts from edge to edge; rows in the order of the pieces; where a person put them. */
    public enum Way {
        TIGHTEST, CUT_ACROSS, ROWS, BY_HAND
    }

    /**
     * Sizes of pieces in rows.
     *
     * @param aPage about so many lie on a page; 0 where pieces keep the sizes that they were given
     */
    public record Rows(Alike alike, int aPage) {
        /** Rows of one height, or frames of one size in each of which a picture is as large as it can be. */
        public enum Alike {
            HEIGHTS, FRAMES
        }

        public static final int MOST = 500;
        public static final Rows AS_SIZED = new Rows(Alike.FRAMES, 0);

        /** @throws InvalidRequest when so many can't lie on a page */
        public Rows {
            Objects.requireNonNull(alike);
            if (aPage < 0 || aPage > MOST) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, aPage + " pictures can't lie on a page.",
                    "Enter 1 to " + MOST + ".");
            }
        }
    }

    public static final double WIDEST_GUTTER_MM = 50;
    public static final Arrangement USUAL = new Arrangement(Way.CUT_ACROSS, 8, true, 0, Rows.AS_SIZED);
    /** Of plans that were made before there were others. */
    public static final Arrangement UNTOLD = new Arrangement(Way.BY_HAND, 8, false, 0, Rows.AS_SIZED);

    /** @throws InvalidRequest when a length is out of its range */
    public Arrangement {
        Objects.requireNonNull(way);
        Objects.requireNonNull(rows);
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
        return new Arrangement(next, gutterMm, cutMarks, longestMm, rows);
    }

    /** With another gutter. */
    public Arrangement apart(double mm) {
        return new Arrangement(way, mm, cutMarks, longestMm, rows);
    }

    /** On a roll that is cut into lengths of at most this. */
    public Arrangement lengths(double mm) {
        return new Arrangement(way, gutterMm, cutMarks, mm, rows);
    }

    public Arrangement sized(Rows next) {
        return new Arrangement(way, gutterMm, cutMarks, longestMm, next);
    }

    /** Pieces are as large as leave about so many on a page. */
    boolean sizes() {
        return way == Way.ROWS && rows.aPage > 0;
    }
}
