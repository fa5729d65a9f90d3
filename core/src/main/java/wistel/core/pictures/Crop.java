package wistel.core.pictures;

/** The part of a picture that is used, in its pixels; edges may fall between pixels. */
public record Crop(double x, double y, double width, double height) {
    public Crop {
        if (!(width > 0 && height > 0 && x > -1e-6 && y > -1e-6)) {
            throw new IllegalArgumentException("crop " + x + ", " + y + ", " + width + " x " + height);
        }
    }

    public static Crop whole(int width, int height) {
        return new Crop(0, 0, width, height);
    }

    /**
     * The largest part of it that has this shape.
     *
     * @param shape width over height
     * @param atX   where it lies in this one, 0 left to 1 right; {@code atY} likewise downwards
     */
    public Crop shaped(double shape, double atX, double atY) {
        double w = shape < width / height ? height * shape : width;
        double h = shape < width / height ? height : width / shape;
        return new Crop(x + (width - w) * atX, y + (height - h) * atY, w, h);
    }

    /** The same part of the picture in another size. */
    public Crop scaled(double scale) {
        return new Crop(x * scale, y * scale, width * scale, height * scale);
    }

    /** The same part of the picture shown through an orientation. */
    public Crop turned(Orientation orientation, int storedWidth, int storedHeight) {
        Orientation.Box shown = orientation.shown(new Orientation.Box(x, y, width, height), storedWidth, storedHeight);
        return new Crop(Math.max(0, shown.x()), Math.max(0, shown.y()), shown.width(), shown.height());
    }
}
