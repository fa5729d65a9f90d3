package wistel.core.picture;

/** A picture small enough to hold: 16-bit samples, interleaved, in the picture's own space. */
public record View(int width, int height, int channels, char[] pixels) implements PixelSource {

    /** The whole of a source scaled to fit a box, never enlarged; proportions kept. */
    public static View of(PixelSource source, int longestSide, LightCurve light, Progress progress) {
        double scale = Math.min(1, (double) longestSide / Math.max(source.width(), source.height()));
        int w = Math.max(1, (int) Math.round(source.width() * scale));
        int h = Math.max(1, (int) Math.round(source.height() * scale));
        return resampled(source, w, h, light, progress);
    }

    public static View resampled(PixelSource source, int w, int h, LightCurve light, Progress progress) {
        int row = w * source.channels();
        char[] pixels = new char[row * h];
        new Resampler(source, Crop.whole(source), w, h, light).rows((y, samples) -> System.arraycopy(samples, 0, pixels, y * row, row), progress);
        return new View(w, h, source.channels(), pixels);
    }

    @Override
    public void read(int x, int y, int w, int h, char[] out) {
        for (int row = 0; row < h; row++) {
            System.arraycopy(pixels, ((y + row) * width + x) * channels, out, row * w * channels, w * channels);
        }
    }

    /** Bytes held. */
    public long bytes() {
        return 2L * pixels.length;
    }
}
