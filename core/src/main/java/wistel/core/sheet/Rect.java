package wistel.core.sheet;

import wistel.core.pictures.Orientation;

/** A rectangle in millimetres; x to the right and y downwards. */
public record Rect(double x, double y, double width, double height) {
    public Rect {
        if (!(width > 0 && height > 0) || !Double.isFinite(x + y + width + height)) {
            throw new IllegalArgumentException("rectangle " + x + ", " + y + ", " + width + " x " + height);
        }
    }

    public double right() {
        return x + width;
    }

    public double bottom() {
        return y + height;
    }

    /** As it lies when the page of this size is turned. */
    public Rect turned(Orientation orientation, double pageWidth, double pageHeight) {
        double fromRight = pageWidth - right();
        double fromBottom = pageHeight - bottom();
        return switch (orientation) {
            case UPRIGHT -> this;
            case MIRRORED -> new Rect(fromRight, y, width, height);
            case HALF_TURN -> new Rect(fromRight, fromBottom, width, height);
            case FLIPPED -> new Rect(x, fromBottom, width, height);
            case TRANSPOSED -> new Rect(y, x, height, width);
            case QUARTER_RIGHT -> new Rect(fromBottom, x, height, width);
            case TRANSVERSED -> new Rect(fromBottom, fromRight, height, width);
            case QUARTER_LEFT -> new Rect(y, fromRight, height, width);
        };
    }
}
