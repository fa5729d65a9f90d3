package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Crop;
import wistel.core.pictures.SameContent;

/**
 * The part of a picture that a person wants, in shares of its upright width and height, 0 to 1, after it was straightened.
 *
 * @param degrees the picture is turned by, clockwise, about its middle; -10 to 10
 */
public record Cut(double x, double y, double width, double height, double degrees) {
    public static final Cut WHOLE = new Cut(0, 0, 1, 1, 0);
    public static final double MOST_DEGREES = 10;
    private static final double SMALLEST = 0.01;
    private static final double SHARE_TOLERANCE = 1e-6;
    private static final int STEPS = 20;

    /** @throws InvalidRequest when it is no part of the picture */
    public Cut {
        boolean sane = x >= -SHARE_TOLERANCE && y >= -SHARE_TOLERANCE && width >= SMALLEST && height >= SMALLEST
            && x + width <= 1 + SHARE_TOLERANCE
            && y + height <= 1 + SHARE_TOLERANCE
            && Math.abs(degrees) <= MOST_DEGREES;
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "That is no part of the picture.",
                "Crop inside of it; straighten by up to 10 degrees.");
        }
    }

    public boolean whole() {
        return width > 1 - SHARE_TOLERANCE && height > 1 - SHARE_TOLERANCE && degrees == 0;
    }

    /** In the picture's pixels. */
    Crop of(SheetPlan.PixelSize picture) {
        return new Crop(Math.max(0, x * picture.width()), Math.max(0, y * picture.height()), width * picture.width(),
            height * picture.height());
    }

    /**
     * Shrunk until all four corners lie on the turned picture, and drawn towards the picture's middle where that leaves more of it.
     *
     * @param aspect the picture's width over its height
     */
    public Cut inside(double aspect) {
        if (fitting(aspect) >= 1) {
            return this;
        }
        Cut best = null;
        for (int step = 0; step <= STEPS; step++) {
            double share = (double) step / STEPS;
            Cut moved = new Cut(x + (0.5 - width / 2 - x) * share, y + (0.5 - height / 2 - y) * share, width, height, degrees);
            double scale = Math.min(1, moved.fitting(aspect));
            if (scale * Math.min(width, height) >= SMALLEST && (best == null || scale * width > best.width * (1 + SHARE_TOLERANCE))) {
                best = new Cut(moved.x + width * (1 - scale) / 2, moved.y + height * (1 - scale) / 2, width * scale, height * scale,
                    degrees);
            }
        }
        return best == null ? new Cut(0.5 - SMALLEST, 0.5 - SMALLEST, 2 * SMALLEST, 2 * SMALLEST, degrees) : best;
    }

    /**
     * The same content in another file of the picture; moved, and made smaller where that isn't enough, to lie on it.
     *
     * @return this where it is all of the picture, or both files have one frame
     */
    public Cut in(SameContent content) {
        if (whole() || content.sameFrame()) {
            return this;
        }
        double[] middle = middle(content);
        double w = Math.min(1, Math.max(SMALLEST, content.across(width)));
        double h = Math.min(1, Math.max(SMALLEST, content.down(height)));
        return new Cut(Math.max(0, Math.min(1 - w, middle[0] - w / 2)), Math.max(0, Math.min(1 - h, middle[1] - h / 2)), w, h, degrees)
            .inside(content.newer().aspect());
    }

    /** Pixels of the newer file that its content lies off where it should, at the corner where that is most. */
    public double off(SameContent content) {
        if (whole() || content.sameFrame()) {
            return 0;
        }
        Cut got = in(content);
        double[] middle = middle(content);
        double left = Math.abs(got.x - (middle[0] - content.across(width) / 2));
        double right = Math.abs(got.x + got.width - (middle[0] + content.across(width) / 2));
        double top = Math.abs(got.y - (middle[1] - content.down(height) / 2));
        double bottom = Math.abs(got.y + got.height - (middle[1] + content.down(height) / 2));
        return Math.max(Math.max(left, right) * content.newer().width(), Math.max(top, bottom) * content.newer().height());
    }

    /** Where its middle lies in the other file, turned about the middle of that. */
    private double[] middle(SameContent content) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double dx = (x + width / 2 - 0.5) * content.older().width();
        double dy = (y + height / 2 - 0.5) * content.older().height();
        // on the picture as it was before it was turned, in shares of it
        double atX = 0.5 + (dx * cos + dy * sin) / content.older().width();
        double atY = 0.5 + (-dx * sin + dy * cos) / content.older().height();
        double toX = (content.x(atX) - 0.5) * content.newer().width();
        double toY = (content.y(atY) - 0.5) * content.newer().height();
        return new double[] {0.5 + (toX * cos - toY * sin) / content.newer().width(),
            0.5 + (toX * sin + toY * cos) / content.newer().height()};
    }

    /** The largest factor by which it may grow about its middle. */
    private double fitting(double aspect) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double cx = (x + width / 2 - 0.5) * aspect;
        double cy = y + height / 2 - 0.5;
        double best = Double.POSITIVE_INFINITY;
        for (int corner = 0; corner < 4; corner++) {
            double dx = (corner % 2 == 0 ? -1 : 1) * width / 2 * aspect;
            double dy = (corner < 2 ? -1 : 1) * height / 2;
            // on the picture as it was before it was turned: back by the angle
            best = Math.min(best, room(cx * cos + cy * sin, dx * cos + dy * sin, aspect / 2));
            best = Math.min(best, room(-cx * sin + cy * cos, -dx * sin + dy * cos, 0.5));
        }
        return best;
    }

    /** How far a corner may go along its direction before it meets an edge. */
    private static double room(double from, double by, double edge) {
        return Math.abs(by) < 1e-12 ? Double.POSITIVE_INFINITY : Math.max(0, ((by > 0 ? edge : -edge) - from) / by);
    }
}
