package wistel.core.sheet;

import java.util.Optional;
import wistel.core.fault.InvalidRequest;

/**
 * A body that a print is wrapped round: stretcher bars under canvas, or a board under thin paper. Lengths in mm, of the finished body;
 * where on the flat print they lie follows from them. The print bends outwards round each edge, so its printed side goes a quarter circle
 * of its own thickness farther.
 *
 * @param thicknessMm of the print
 * @param growth      empty when it isn't known
 */
public record WrapBody(double faceWidthMm, double faceHeightMm, Support support, TurnOver turnOver, double thicknessMm,
    Optional<Growth> growth) {
    private static final double LARGEST_MM = 3000;
    private static final double MOST_GROWTH = 0.05;
    private static final double DEEPEST_MM = 200;
    private static final double MOST_TURNED_MM = 300;

    public enum Kind { BARS, BOARD }

    /**
     * What stands under the print.
     *
     * @param airGapMm by which a rim lifts the print off a board; it makes the sides deeper
     */
    public record Support(Kind kind, double depthMm, double airGapMm) {
        public Support {
            if (!(depthMm > 0 && depthMm <= DEEPEST_MM && airGapMm >= 0 && airGapMm <= DEEPEST_MM)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A body " + depthMm + " mm deep can't be wrapped.",
                    "Enter a depth of up to " + Math.round(DEEPEST_MM) + " mm.");
            }
        }

        /** Of the sides. */
        public double totalMm() {
            return depthMm + airGapMm;
        }
    }

    /**
     * What of the print goes behind the body, to be stapled or glued.
     *
     * @param playMm  more of it on each side, for a body that is not laid on quite in the middle
     * @param printed the picture goes on over it, else it is left bare
     * @param bleedMm how far the picture goes on beyond what it is meant to cover, so that no white shows at the edge
     */
    public record TurnOver(double widthMm, double playMm, boolean printed, double bleedMm) {
        public TurnOver {
            if (!(widthMm >= 0 && widthMm <= MOST_TURNED_MM && playMm >= 0 && playMm <= MOST_TURNED_MM && bleedMm >= 0
                && bleedMm <= MOST_TURNED_MM)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "That can't be turned over.",
                    "Turn-over, play and bleed go from 0 to " + Math.round(MOST_TURNED_MM) + " mm.");
            }
        }
    }

    /**
     * How much longer a print is on the body than when it was printed, as shares of the printed length: stretched canvas grows, paper that
     * was wetted shrinks as it dries.
     *
     * @param across the face's width
     * @param along  its height
     */
    public record Growth(double across, double along) {
        public static final Growth NONE = new Growth(0, 0);

        public Growth {
            if (!(Math.abs(across) <= MOST_GROWTH && Math.abs(along) <= MOST_GROWTH)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                    "A print that grows or shrinks by more than " + Math.round(100 * MOST_GROWTH) + " % can't be wrapped.",
                    "Enter a smaller share.");
            }
        }
    }

    /** @throws InvalidRequest when no such body can be wrapped */
    public WrapBody {
        boolean sane = faceWidthMm >= Frame.SMALLEST_MM && faceHeightMm >= Frame.SMALLEST_MM
            && Math.max(faceWidthMm, faceHeightMm) <= LARGEST_MM && thicknessMm >= 0 && thicknessMm < 5;
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A face of " + faceWidthMm + " × " + faceHeightMm + " mm can't be wrapped.",
                "Faces go from 5 mm to 3 m, prints are less than 5 mm thick.");
        }
        if (2 * support.totalMm() > Math.min(faceWidthMm, faceHeightMm)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "Sides of " + support.totalMm() + " mm are deeper than half of the face.",
                "Take a larger face, or bars that are less deep.");
        }
    }

    public WrapBody sized(double width, double height) {
        return new WrapBody(width, height, support, turnOver, thicknessMm, growth);
    }

    public WrapBody on(Support next) {
        return new WrapBody(faceWidthMm, faceHeightMm, next, turnOver, thicknessMm, growth);
    }

    public WrapBody turnedOver(TurnOver next) {
        return new WrapBody(faceWidthMm, faceHeightMm, support, next, thicknessMm, growth);
    }

    /** Of another print. */
    public WrapBody of(double nextThicknessMm, Optional<Growth> nextGrowth) {
        return new WrapBody(faceWidthMm, faceHeightMm, support, turnOver, nextThicknessMm, nextGrowth);
    }

    /** What one fold takes of the printed side. */
    public double foldMm() {
        return Math.PI / 2 * thicknessMm;
    }

    /** From the face's edge to where the print turns to the back: one fold and the side; what is to be covered with picture at least. */
    public double sideMm() {
        return foldMm() + support.totalMm();
    }

    /** From the face's edge to the print's own: both folds, the side, the turn-over and its play. */
    public double aroundMm() {
        return sideMm() + foldMm() + turnOver.widthMm + turnOver.playMm;
    }

    /** From the face's edge to where the picture ends. */
    public double printedMm() {
        return turnOver.printed ? aroundMm() + turnOver.bleedMm : Math.min(aroundMm(), sideMm() + turnOver.bleedMm);
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
        return finishedMm / (1 + growth.map(Growth::across).orElse(0.0));
    }

    private double along(double finishedMm) {
        return finishedMm / (1 + growth.map(Growth::along).orElse(0.0));
    }
}
