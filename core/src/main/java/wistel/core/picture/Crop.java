package wistel.core.picture;

/** The part of a picture that is used, in its pixels; edges may fall between pixels. */
public record Crop(double x, double y, double width, double height) {
    public Crop {
        if (!(width > 0 && height > 0 && x > -1e-6 && y > -1e-6)) {
            throw new IllegalArgumentException("crop " + x + ", " + y + ", " + width + " x " + height);
        }
    }

    public static Crop whole(PixelSource source) {
        return new Crop(0, 0, source.width(), source.height());
    }
}
