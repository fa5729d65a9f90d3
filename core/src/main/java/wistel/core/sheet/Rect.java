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

    public Rect moved(double dx, double dy) {
        return new Rect(x + dx, y + dy, width, height);
    }

    /** As it lies when the page of this size is turned. */
    public Rect turned(Orientation orientation, double pageWidth, double pageHeight) {
        Orientation.Box shown = orientation.shown(new Orientation.Box(x, y, width, height), pageWidth, pageHeight);
        return new Rect(shown.x(), shown.y(), shown.width(), shown.height());
    }
}
