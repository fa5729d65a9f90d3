package wistel.core.sheet;

import java.util.Optional;
import wistel.core.length.Ppi;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * A part of a picture on a page.
 *
 * @param crop        in the upright picture's pixels, after it was straightened
 * @param straighten  degrees that the upright picture is turned by about its middle, clockwise, before it is cropped
 * @param atMm        where it lies on the page as it is looked at; it may reach over the paper's edge, and is cut there
 * @param orientation how the part is turned or mirrored to lie there
 * @param sides       what is made round it; empty where nothing is
 */
public record Placed(String renditionId, Crop crop, double straighten, Rect atMm, Orientation orientation, Optional<WrappedSides> sides) {
    public Placed(String renditionId, Crop crop, double straighten, Rect atMm, Orientation orientation) {
        this(renditionId, crop, straighten, atMm, orientation, Optional.empty());
    }

    public static Placed upright(String renditionId, Crop crop, Rect atMm) {
        return new Placed(renditionId, crop, 0, atMm, Orientation.UPRIGHT);
    }

    /** What of it lies on a page of this size, of an upright picture; empty where nothing does. */
    public Optional<Placed> on(double pageWidthMm, double pageHeightMm) {
        double left = Math.max(0, atMm.x());
        double top = Math.max(0, atMm.y());
        double width = Math.min(pageWidthMm, atMm.right()) - left;
        double height = Math.min(pageHeightMm, atMm.bottom()) - top;
        if (width <= 0 || height <= 0) {
            return Optional.empty();
        }
        double perX = crop.width() / atMm.width();
        double perY = crop.height() / atMm.height();
        Crop shown = new Crop(crop.x() + (left - atMm.x()) * perX, crop.y() + (top - atMm.y()) * perY, width * perX, height * perY);
        return Optional.of(new Placed(renditionId, shown, straighten, new Rect(left, top, width, height), orientation));
    }

    Placed moved(double dx, double dy) {
        return new Placed(renditionId, crop, straighten, atMm.moved(dx, dy), orientation, sides.map(s -> s.moved(dx, dy)));
    }

    /** The same part of the same picture in another size. */
    public Placed scaled(double scale) {
        return new Placed(renditionId, crop.scaled(scale), straighten, atMm, orientation, sides);
    }

    /** What of it is seen from the front of the body that it goes round, without its sides; all of one that goes round nothing. */
    public Placed face() {
        return sides.map(s -> {
            Rect face = s.faceMm();
            double perX = crop.width() / atMm.width();
            double perY = crop.height() / atMm.height();
            Crop shown = new Crop(crop.x() + (face.x() - atMm.x()) * perX, crop.y() + (face.y() - atMm.y()) * perY, face.width() * perX, face.height() * perY);
            return new Placed(renditionId, shown, straighten, face, orientation);
        }).orElse(this);
    }

    /** All that is printed of it, what is made round it too. */
    public Rect printedMm() {
        return sides.map(WrappedSides::grownMm).orElse(atMm);
    }

    /** Pixels of the picture per inch of paper, across the picture. */
    public double ppi() {
        double acrossMm = orientation.swapsSides() ? atMm.height() : atMm.width();
        return Ppi.of(crop.width(), acrossMm);
    }
}
