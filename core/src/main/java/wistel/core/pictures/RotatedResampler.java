package wistel.core.pictures;

/**
 * Resampling of a part of a picture that is turned by a few degrees about its middle: straightened and brought to size in one step, with
 * the same kernel and the same limits on overshoot as {@link Resampler}, in two dimensions. Immutable.
 */
public final class RotatedResampler implements Resampling {
    /** Places between two source samples for which the kernel is tabled. */
    private static final int PHASES = 1024;

    private final int channels;
    private final int sourceWidth;
    private final int sourceHeight;
    private final int width;
    private final int skippedX;
    private final int skippedY;
    private final LightCurve curve;
    private final boolean enlarges;
    private final Affine toSource;
    private final int count;
    private final float[] kernel;

    /** Result pixel centres to source places, in source pixels from the first sample's centre. */
    private record Affine(double xx, double xy, double x0, double yx, double yy, double y0) {
        double x(int x, int y) {
            return x0 + xx * x + xy * y;
        }

        double y(int x, int y) {
            return y0 + yx * x + yy * y;
        }
    }

    /**
     * @param size    crop in the coordinates of the turned picture, whose middle is the source's
     * @param degrees clockwise
     */
    public RotatedResampler(int sourceWidth, int sourceHeight, int channels, Resampler.Size size, double degrees, LightCurve light) {
        this.channels = channels;
        this.sourceWidth = sourceWidth;
        this.sourceHeight = sourceHeight;
        this.width = size.window().width();
        this.skippedX = size.window().x();
        this.skippedY = size.window().y();
        Crop crop = size.crop();
        double stepX = crop.width() / size.width();
        double stepY = crop.height() / size.height();
        double scale = Math.max(Math.max(stepX, stepY), size.finest());
        this.enlarges = size.finest() == 1 && scale < 1;
        this.curve = enlarges ? light.overLightness() : light;
        double support = Math.max(1, scale);
        this.count = 2 * (int) Math.ceil(Taps.LOBES * support);
        this.kernel = kernel(support, count);
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double middleX = sourceWidth / 2.0;
        double middleY = sourceHeight / 2.0;
        double fromX = crop.x() + stepX / 2 - middleX;
        double fromY = crop.y() + stepY / 2 - middleY;
        // what lies at a place of the turned picture lay, before it was turned, back by the angle
        this.toSource = new Affine(cos * stepX, sin * stepY, cos * fromX + sin * fromY + middleX - 0.5, -sin * stepX, cos * stepY,
            -sin * fromX + cos * fromY + middleY - 0.5);
    }

    /** Weights of {@code count} neighbouring samples for each phase, each set adding up to one. */
    private static float[] kernel(double support, int count) {
        float[] kernel = new float[(PHASES + 1) * count];
        for (int phase = 0; phase <= PHASES; phase++) {
            double sum = 0;
            double[] w = new double[count];
            for (int k = 0; k < count; k++) {
                w[k] = Taps.lanczos((k - (count / 2 - 1) - (double) phase / PHASES) / support);
                sum += w[k];
            }
            for (int k = 0; k < count; k++) {
                kernel[phase * count + k] = (float) (w[k] / sum);
            }
        }
        return kernel;
    }

    @Override
    public int firstRow(int y) {
        double least = Math.min(sourceY(0, y), sourceY(width - 1, y));
        return inside((int) Math.floor(least) - count / 2 + 1, sourceHeight);
    }

    @Override
    public int lastRow(int y) {
        double most = Math.max(sourceY(0, y), sourceY(width - 1, y));
        return inside((int) Math.floor(most) + count / 2, sourceHeight);
    }

    private double sourceY(int x, int y) {
        return toSource.y(skippedX + x, skippedY + y);
    }

    private static int inside(int place, int limit) {
        return Math.max(0, Math.min(limit - 1, place));
    }

    @Override
    public int rowSamples() {
        return width * channels;
    }

    @Override
    public char[] band(char[] source, int top, int from, int to) {
        char[] out = new char[(to - from) * rowSamples()];
        int[] columns = new int[count];
        float[] sum = new float[channels];
        float[] low = new float[channels];
        float[] high = new float[channels];
        for (int y = from; y < to; y++) {
            for (int x = 0; x < width; x++) {
                double sx = toSource.x(skippedX + x, skippedY + y);
                double sy = sourceY(x, y);
                int left = (int) Math.floor(sx);
                int upper = (int) Math.floor(sy);
                int across = (int) Math.rint((sx - left) * PHASES) * count;
                int down = (int) Math.rint((sy - upper) * PHASES) * count;
                for (int k = 0; k < count; k++) {
                    columns[k] = inside(left - count / 2 + 1 + k, sourceWidth) * channels;
                }
                weigh(source, top, upper, columns, across, down, sum);
                if (enlarges) {
                    range(source, top, left, upper, low, high);
                }
                int at = (y - from) * rowSamples() + x * channels;
                for (int c = 0; c < channels; c++) {
                    float v = enlarges ? Math.max(low[c], Math.min(high[c], sum[c])) : sum[c];
                    out[at + c] = curve.code(v);
                }
            }
        }
        return out;
    }

    private void weigh(char[] source, int top, int upper, int[] columns, int across, int down, float[] sum) {
        for (int c = 0; c < channels; c++) {
            float total = 0;
            for (int j = 0; j < count; j++) {
                int row = (inside(upper - count / 2 + 1 + j, sourceHeight) - top) * sourceWidth * channels + c;
                float line = 0;
                for (int k = 0; k < count; k++) {
                    line += kernel[across + k] * curve.light(source[row + columns[k]]);
                }
                total += kernel[down + j] * line;
            }
            sum[c] = total;
        }
    }

    /** Of the four by four nearest samples. */
    private void range(char[] source, int top, int left, int upper, float[] low, float[] high) {
        for (int c = 0; c < channels; c++) {
            char least = 65535;
            char most = 0;
            for (int j = -1; j <= 2; j++) {
                int row = (inside(upper + j, sourceHeight) - top) * sourceWidth * channels + c;
                for (int k = -1; k <= 2; k++) {
                    char v = source[row + inside(left + k, sourceWidth) * channels];
                    least = v < least ? v : least;
                    most = v > most ? v : most;
                }
            }
            low[c] = curve.light(least);
            high[c] = curve.light(most);
        }
    }
}
