package wistel.core.sheet;

/**
 * A mark of one's own over a picture.
 *
 * @param x, y          of its upper left corner in what is printed of the picture, in shares of that; {@code width} and {@code height} likewise
 */
public record PictureStamp(MarkArt art, double x, double y, double width, double height, double opacity, OwnMark.Ink ink) {
    /** @throws IllegalArgumentException when it has no size */
    public PictureStamp {
        if (!(width > 0 && height > 0) || !Double.isFinite(x + y)) {
            throw new IllegalArgumentException("a mark of " + width + " x " + height);
        }
    }

    /** @param picture its printed size in mm */
    public static PictureStamp of(OwnMark mark, Rect picture) {
        Rect at = mark.at(picture);
        return new PictureStamp(mark.art(), (at.x() - picture.x()) / picture.width(), (at.y() - picture.y()) / picture.height(),
            at.width() / picture.width(), at.height() / picture.height(), mark.opacity(), mark.ink());
    }
}
