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

    /** The same part of the picture shown through an orientation. */
    public Crop turned(Orientation orientation, int storedWidth, int storedHeight) {
        double right = storedWidth - x - width;
        double bottom = storedHeight - y - height;
        return switch (orientation) {
            case UPRIGHT -> this;
            case MIRRORED -> at(right, y, width, height);
            case HALF_TURN -> at(right, bottom, width, height);
            case FLIPPED -> at(x, bottom, width, height);
            case TRANSPOSED -> at(y, x, height, width);
            case QUARTER_RIGHT -> at(bottom, x, height, width);
            case TRANSVERSED -> at(bottom, right, height, width);
            case QUARTER_LEFT -> at(y, right, height, width);
        };
    }

    private static Crop at(double x, double y, double width, double height) {
        return new Crop(Math.max(0, x), Math.max(0, y), width, height);
    }
}
