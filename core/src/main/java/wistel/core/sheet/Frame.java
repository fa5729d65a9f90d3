package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;

/**
 * How large a piece is wanted, and how its picture fills that. A plan that lays pieces on bodies takes the crop from here and the size from
 * the body.
 *
 * @param widthMm as the picture stands upright; with {@link Fit#WHOLE} all of the cut is shown as large as the frame allows
 * @param cropX   with {@link Fit#FILL}, where the frame sits in the cut: 0 left, 1 right
 * @param mayTurn a plan that lays several pieces may lay it by a quarter turn
 */
public record Frame(double widthMm, double heightMm, Fit fit, double cropX, double cropY, boolean mayTurn) {
    /** All of the picture in the frame, or a frame that is full of it. */
    public enum Fit { WHOLE, FILL }

    public static final double SMALLEST_MM = 5;
    public static final double LARGEST_MM = 5000;
    /** Widths over heights that differ by less, as a share, look the same. */
    private static final double SAME_SHAPE = 0.005;

    /** @throws InvalidRequest when a length or place is out of its range */
    public Frame {
        boolean sane = widthMm >= SMALLEST_MM && heightMm >= SMALLEST_MM && widthMm <= LARGEST_MM && heightMm <= LARGEST_MM
            && cropX >= 0 && cropX <= 1 && cropY >= 0 && cropY <= 1;
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A picture of " + widthMm + " × " + heightMm + " mm can't be printed.", "Pictures go from 5 mm to 5 m.");
        }
    }

    /** All of a picture. */
    public static Frame whole(double widthMm, double heightMm) {
        return new Frame(widthMm, heightMm, Fit.WHOLE, 0.5, 0.5, true);
    }

    /** Whether two widths over heights look the same. */
    public static boolean sameShape(double one, double other) {
        return Math.abs(one / other - 1) < SAME_SHAPE;
    }

    public Frame sized(double width, double height) {
        return new Frame(width, height, fit, cropX, cropY, mayTurn);
    }

    public Frame fitted(Fit next) {
        return new Frame(widthMm, heightMm, next, cropX, cropY, mayTurn);
    }

    public Frame turning(boolean may) {
        return new Frame(widthMm, heightMm, fit, cropX, cropY, may);
    }

    public Frame cropped(double x, double y) {
        return new Frame(widthMm, heightMm, fit, x, y, mayTurn);
    }

    /** Width and height of a picture of this shape, laid into this one or a frame of another size. */
    double[] filledBy(double aspect, double width, double height) {
        if (fit == Fit.FILL) {
            return new double[] {width, height};
        }
        return width / height > aspect ? new double[] {height * aspect, height} : new double[] {width, width / aspect};
    }
}
