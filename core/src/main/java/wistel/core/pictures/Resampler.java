package wistel.core.pictures;

import java.util.Arrays;
import java.util.Objects;

/**
 * Separable resampling of a crop to a size, band by band; bands may be made on different threads. Reducing is Lanczos with three lobes in
 * linear light, its kernel widened by the scale so that nothing is skipped. Enlarging is Lanczos in lightness (CIE 1976 L*), each pass
 * limited to the range of the four nearest samples: no edge rings, in the shadows neither. An enlargement goes across first, then down.
 * Immutable.
 */
public final class Resampler implements Resampling {
    /** Pixels by which rounding may bring a crop past the edge. */
    private static final double BEYOND = 0.01;

    private final int channels;
    private final int sourceWidth;
    private final int width;
    private final int copiedX;
    private final int copiedY;
    private final Taps across;
    private final Taps down;
    private final LightCurve curve;
    private final boolean enlarges;
    private final boolean copies;
    private final boolean downFirst;

    /** The order in which a picture is reduced. Both give the same but for rounding. */
    public enum Passes {
        /** As print files were made up to engine 3. */
        ACROSS_FIRST,
        /** Whole rows are added up, which vector units do; what is left to do across is fewer rows. */
        DOWN_FIRST
    }

    /** A part of the result, in its pixels. */
    public record Window(int x, int y, int width, int height) {
        public Window {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(width + " x " + height);
            }
        }
    }

    /**
     * The result's size and what is taken for it.
     *
     * @param crop   the part of the source that is used
     * @param window what of the result is made
     * @param finest source pixels for one line of the finest detail that is kept, at least 1: a print whose picture is brought to fewer
     *               pixels per inch is blurred by this, and still sampled at the printer's own resolution
     */
    public record Size(Crop crop, int width, int height, double finest, Passes passes, Window window) {
        public Size {
            Objects.requireNonNull(passes);
            if (window.x < 0 || window.y < 0 || window.x + window.width > width || window.y + window.height > height) {
                throw new IllegalArgumentException(window + " of " + width + " x " + height);
            }
            if (width < 1 || height < 1 || !(finest >= 1)) {
                throw new IllegalArgumentException("resampling to " + width + " x " + height + ", finest detail " + finest);
            }
        }

        public Size(Crop crop, int width, int height, double finest) {
            this(crop, width, height, finest, Passes.DOWN_FIRST);
        }

        public Size(Crop crop, int width, int height, double finest, Passes passes) {
            this(crop, width, height, finest, passes, new Window(0, 0, width, height));
        }

        /** Only a part of the result, made of the same samples. */
        public Size part(Window next) {
            return new Size(crop, width, height, finest, passes, next);
        }

        public static Size of(Crop crop, int width, int height) {
            return new Size(crop, width, height, 1);
        }
    }

    /**
     * @param channels of the source
     * @param size     a part of the source, and the pixels that it becomes
     * @param light    of the source's codes
     * @throws IllegalArgumentException for a source without pixels, or a part that reaches beyond it
     */
    public Resampler(int sourceWidth, int sourceHeight, int channels, Size size, LightCurve light) {
        this.channels = channels;
        this.sourceWidth = sourceWidth;
        this.width = size.window.width;
        Crop crop = size.crop;
        if (sourceWidth < 1 || sourceHeight < 1 || channels < 1 || crop.x() < -BEYOND || crop.y() < -BEYOND
            || crop.x() + crop.width() > sourceWidth + BEYOND || crop.y() + crop.height() > sourceHeight + BEYOND) {
            throw new IllegalArgumentException(crop + " of " + sourceWidth + " x " + sourceHeight + " x " + channels);
        }
        this.copies = size.finest == 1 && crop.width() == size.width && crop.height() == size.height && crop.x() == Math.rint(crop.x())
            && crop.y() == Math.rint(crop.y());
        this.copiedX = (int) crop.x() + size.window.x;
        this.copiedY = (int) crop.y() + size.window.y;
        this.enlarges = size.finest == 1 && crop.width() < size.width;
        this.downFirst = !enlarges && size.passes == Passes.DOWN_FIRST;
        this.curve = enlarges ? light.overLightness() : light;
        this.across = Taps.of(new Taps.Side(crop.x(), crop.width() / size.width, size.window.x, size.window.width), sourceWidth,
            size.finest);
        this.down = Taps.of(new Taps.Side(crop.y(), crop.height() / size.height, size.window.y, size.window.height), sourceHeight,
            size.finest);
    }

    @Override
    public int firstRow(int y) {
        return copies ? copiedY + y : down.first()[y];
    }

    @Override
    public int lastRow(int y) {
        return copies ? copiedY + y : down.first()[y] + down.count() - 1;
    }

    @Override
    public int rowSamples() {
        return width * channels;
    }

    @Override
    public char[] band(char[] source, int top, int from, int to) {
        int row = rowSamples();
        char[] out = new char[(to - from) * row];
        if (copies) {
            for (int y = from; y < to; y++) {
                System.arraycopy(source, ((firstRow(y) - top) * sourceWidth + copiedX) * channels, out, (y - from) * row, row);
            }
            return out;
        }
        if (downFirst) {
            reduce(source, top, out, from, to);
            return out;
        }
        float[][] lines = new float[down.count()][row];
        float[] light = new float[across.span() * channels];
        int ready = down.first()[from];
        float[][] used = new float[down.count()][];
        float[] sum = new float[row];
        Ranges ranges = new Ranges(enlarges ? light.length : 0);
        for (int y = from; y < to; y++) {
            for (; ready <= lastRow(y); ready++) {
                curve.light(source, ((ready - top) * sourceWidth + across.first()[0]) * channels, light);
                scaleAcross(light, lines[ready % down.count()]);
                if (enlarges) {
                    limitAcross(light, ranges, lines[ready % down.count()]);
                }
            }
            for (int k = 0; k < down.count(); k++) {
                used[k] = lines[(down.first()[y] + k) % down.count()];
            }
            scaleDown(used, y, sum);
            curve.codes(sum, out, (y - from) * row);
        }
        return out;
    }

    /** Each source row is added to every result row that it is part of; a row that is complete is scaled across. */
    private void reduce(char[] source, int top, char[] out, int from, int to) {
        float[] light = new float[across.span() * channels];
        float[][] sums = new float[open(from, to)][light.length];
        float[] scaled = new float[rowSamples()];
        int begun = from;
        for (int y = from, line = down.first()[from]; y < to; line++) {
            curve.light(source, ((line - top) * sourceWidth + across.first()[0]) * channels, light);
            for (; begun < to && down.first()[begun] <= line; begun++) {
                Arrays.fill(sums[begun % sums.length], 0);
            }
            for (int r = y; r < begun; r++) {
                add(light, down.weights()[r * down.count() + line - down.first()[r]], sums[r % sums.length]);
            }
            for (; y < begun && lastRow(y) == line; y++) {
                scaleAcross(sums[y % sums.length], scaled);
                curve.codes(scaled, out, (y - from) * scaled.length);
            }
        }
    }

    /** Most result rows that one source row is part of, or that end with the same. */
    private int open(int from, int to) {
        int most = 1;
        for (int y = from, ended = from; y < to; y++) {
            while (lastRow(ended) < down.first()[y]) {
                ended++;
            }
            most = Math.max(most, y - ended + 1);
        }
        return most;
    }

    private static void add(float[] light, float weight, float[] sum) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += weight * light[i];
        }
    }

    private void scaleAcross(float[] line, float[] out) {
        if (channels == 3) {
            scaleRgbAcross(line, out);
        } else {
            for (int x = 0; x < width; x++) {
                int at = across.first()[x] - across.first()[0];
                float v = 0;
                for (int k = 0; k < across.count(); k++) {
                    v += across.weights()[x * across.count() + k] * line[at + k];
                }
                out[x] = v;
            }
        }
    }

    private void scaleRgbAcross(float[] line, float[] out) {
        int count = across.count();
        if (count == 6) {
            weighRgb(line, across, out);
            return;
        }
        float[] weights = across.weights();
        for (int x = 0, w = 0; x < width; x++) {
            float r = 0;
            float g = 0;
            float b = 0;
            for (int k = 0, at = 3 * (across.first()[x] - across.first()[0]); k < count; k++, at += 3) {
                float weight = weights[w++];
                r += weight * line[at];
                g += weight * line[at + 1];
                b += weight * line[at + 2];
            }
            out[3 * x] = r;
            out[3 * x + 1] = g;
            out[3 * x + 2] = b;
        }
    }

    /** The six samples of an enlargement without a loop over them. */
    private static void weighRgb(float[] line, Taps across, float[] out) {
        float[] weights = across.weights();
        int[] first = across.first();
        int left = first[0];
        for (int x = 0; x < first.length; x++) {
            int at = 3 * (first[x] - left);
            float a = weights[6 * x];
            float b = weights[6 * x + 1];
            float c = weights[6 * x + 2];
            float d = weights[6 * x + 3];
            float e = weights[6 * x + 4];
            float f = weights[6 * x + 5];
            out[3 * x] = a * line[at] + b * line[at + 3] + c * line[at + 6] + d * line[at + 9] + e * line[at + 12] + f * line[at + 15];
            out[3 * x + 1] = a * line[at + 1] + b * line[at + 4] + c * line[at + 7] + d * line[at + 10] + e * line[at + 13]
                + f * line[at + 16];
            out[3 * x + 2] = a * line[at + 2] + b * line[at + 5] + c * line[at + 8] + d * line[at + 11] + e * line[at + 14]
                + f * line[at + 17];
        }
    }

    /**
     * Limits results to the range of the nearest samples, which is worked out for every place of the source line and looked up for the
     * results.
     */
    private void limitAcross(float[] line, Ranges ranges, float[] out) {
        ranges.of(line, channels, across.limiting());
        float[] low = ranges.low;
        float[] high = ranges.high;
        for (int x = 0, to = 0; x < width; x++) {
            int at = (across.near()[x] - across.first()[0]) * channels;
            for (int c = 0; c < channels; c++, at++, to++) {
                float v = out[to];
                v = v > high[at] ? high[at] : v;
                out[to] = v < low[at] ? low[at] : v;
            }
        }
    }

    /** Lowest and highest of a few neighbours, for every sample of a line. */
    private static final class Ranges {
        private final float[] low;
        private final float[] high;
        private final float[] shifted;

        Ranges(int samples) {
            low = new float[samples];
            high = new float[samples];
            shifted = new float[samples];
        }

        /** The shifted copy lets the compiler use vector units: it sees that no two elements of a step depend on each other. */
        void of(float[] line, int channels, int neighbours) {
            System.arraycopy(line, 0, low, 0, line.length);
            System.arraycopy(line, 0, high, 0, line.length);
            for (int k = 1; k < neighbours; k++) {
                System.arraycopy(line, k * channels, shifted, 0, line.length - k * channels);
                lowest(low, shifted);
                highest(high, shifted);
            }
        }

        private static void lowest(float[] low, float[] other) {
            for (int i = 0; i < low.length; i++) {
                low[i] = Math.min(low[i], other[i]);
            }
        }

        private static void highest(float[] high, float[] other) {
            for (int i = 0; i < high.length; i++) {
                high[i] = Math.max(high[i], other[i]);
            }
        }
    }

    private void scaleDown(float[][] lines, int y, float[] sum) {
        int count = down.count();
        int w = y * count;
        if (count == 6) {
            weigh(lines, down.weights(), w, sum);
        } else {
            Arrays.fill(sum, 0);
            for (int k = 0; k < count; k++) {
                float weight = down.weights()[w + k];
                float[] line = lines[k];
                for (int i = 0; i < sum.length; i++) {
                    sum[i] += weight * line[i];
                }
            }
        }
        if (enlarges) {
            limitDown(lines, down.near()[y] - down.first()[y], sum);
        }
    }

    /** The six lines of an enlargement in one pass. */
    private static void weigh(float[][] lines, float[] weights, int at, float[] sum) {
        float[] a = lines[0];
        float[] b = lines[1];
        float[] c = lines[2];
        float[] d = lines[3];
        float[] e = lines[4];
        float[] f = lines[5];
        float wa = weights[at];
        float wb = weights[at + 1];
        float wc = weights[at + 2];
        float wd = weights[at + 3];
        float we = weights[at + 4];
        float wf = weights[at + 5];
        for (int i = 0; i < sum.length; i++) {
            sum[i] = wa * a[i] + wb * b[i] + wc * c[i] + wd * d[i] + we * e[i] + wf * f[i];
        }
    }

    private void limitDown(float[][] lines, int near, float[] sum) {
        if (down.limiting() == Taps.LIMITING) {
            float[] a = lines[near];
            float[] b = lines[near + 1];
            float[] c = lines[near + 2];
            float[] d = lines[near + 3];
            for (int i = 0; i < sum.length; i++) {
                float low = Math.min(Math.min(a[i], b[i]), Math.min(c[i], d[i]));
                float high = Math.max(Math.max(a[i], b[i]), Math.max(c[i], d[i]));
                sum[i] = Math.max(low, Math.min(high, sum[i]));
            }
            return;
        }
        for (int i = 0; i < sum.length; i++) {
            float low = lines[near][i];
            float high = low;
            for (int k = 1; k < down.limiting(); k++) {
                low = Math.min(low, lines[near + k][i]);
                high = Math.max(high, lines[near + k][i]);
            }
            sum[i] = Math.max(low, Math.min(high, sum[i]));
        }
    }
}
