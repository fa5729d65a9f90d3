package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;

/**
 * A body that a print is wrapped round: stretcher bars under canvas, or a board under thin paper. Lengths in mm, of the finished body; where on the flat
 * print they lie follows from them. The print bends outwards round each edge, so its printed side goes a quarter circle of its own thickness farther.
 *
 * @param depthMm     of the sides
 * @param turnOverMm  of the print behind the body, which is stapled or glued
 * @param playMm      more of that, on each side, for a body that is not laid on quite in the middle
 * @param thicknessMm of the print
 * @param grows       how much longer it is on the body than when it was printed
 */
public record WrapBody(double faceWidthMm, double faceHeightMm, double depthMm, double turnOverMm, double playMm, double thicknessMm, Growth grows) {
    private static final double LARGEST_MM = 3000;
    private static final double MOST_GROWTH = 0.05;

    /**
     * As shares of the printed length: stretched canvas grows, paper that was wetted shrinks as it dries.
     *
     * @param across the face's width
     * @param along  its height
     */
    public record Growth(double across, double along) {
        public static final Growth NONE = new Growth(0, 0);

        public Growth {
            if (!(Math.abs(across) <= MOST_GROWTH && Math.abs(along) <= MOST_GROWTH)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A print that grows or shrinks by more than " + Math.round(100 * MOST_GROWTH) + " % can't be wrapped.", "Enter a smaller share.");
            }
        }
    }

    /** @throws InvalidRequest when no such body can be wrapped */
    public WrapBody {
        boolean sane = faceWidthMm >= Single.SMALLEST_MM && faceHeightMm >= Single.SMALLEST_MM && Math.max(faceWidthMm, faceHeightMm) <= LARGEST_MM && depthMm > 0 && turnOverMm >= 0 && playMm >= 0
            && thicknessMm >= 0 && thicknessMm < 5;
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A body of " + faceWidthMm + " × " + faceHeightMm + " × " + depthMm + " mm can't be wrapped.", "Its face goes from 5 mm to 3 m, and it has some depth.");
        }
        if (2 * depthMm > Math.min(faceWidthMm, faceHeightMm)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Sides of " + depthMm + " mm are deeper than half of the face.", "Take a larger face, or bars that are less deep.");
        }
    }

    /** What one fold takes of the printed side. */
    public double foldMm() {
        return Math.PI / 2 * thicknessMm;
    }

    /** From the face's edge to where the print turns to the back: one fold and the side; what is to be covered with picture at least. */
    public double sideMm() {
        return foldMm() + depthMm;
    }

    /** From the face's edge to the print's own: both folds, the side, the turn-over and its play. */
    public double aroundMm() {
        return 2 * foldMm() + depthMm + turnOverMm + playMm;
    }

    public double flatWidthMm() {
        return across(faceWidthMm + 2 * aroundMm());
    }

    public double flatHeightMm() {
        return along(faceHeightMm + 2 * aroundMm());
    }

    /** The face on the flat print. */
    public Rect face() {
        return grown(0);
    }

    /** On the flat print, with so much of the finished body's way round its edges. */
    public Rect grown(double aroundMm) {
        double left = across(aroundMm() - aroundMm);
        double top = along(aroundMm() - aroundMm);
        return new Rect(left, top, flatWidthMm() - 2 * left, flatHeightMm() - 2 * top);
    }

    private double across(double finishedMm) {
        return finishedMm / (1 + grows.across);
    }

    private double along(double finishedMm) {
        return finishedMm / (1 + grows.along);
    }
}
