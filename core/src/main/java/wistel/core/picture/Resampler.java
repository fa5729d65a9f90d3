package wistel.core.picture;

/**
 * Separable Lanczos resampling with three lobes, in linear light, row by row: each source row is read once, scaled across, and kept
 * only while a result row below needs it. Reducing widens the kernel by the scale, so nothing is skipped.
 */
public final class Resampler {
    private static final double LOBES = 3;

    private final PixelSource source;
    private final Crop crop;
    private final int width;
    private final int height;
    private final LightCurve light;

    /** Takes finished rows from top to bottom; the array is reused. */
    @FunctionalInterface
    public interface RowSink {
        void row(int y, char[] samples);
    }

    public Resampler(PixelSource source, Crop crop, int width, int height, LightCurve light) {
        this.source = source;
        this.crop = crop;
        this.width = width;
        this.height = height;
        this.light = light;
    }

    /** For each result place: its first source place and the weights from there on. */
    private record Kernel(int[] first, float[][] weights) {
        static Kernel of(double from, double length, int results, int limit) {
            double step = length / results;
            double scale = Math.max(1, step);
            int[] first = new int[results];
            float[][] weights = new float[results][];
            for (int i = 0; i < results; i++) {
                double centre = from + (i + 0.5) * step - 0.5;
                int low = (int) Math.ceil(centre - LOBES * scale);
                int high = (int) Math.floor(centre + LOBES * scale);
                int begin = Math.max(0, Math.min(low, limit - 1));
                int end = Math.max(begin, Math.min(high, limit - 1));
                double[] w = new double[end - begin + 1];
                double sum = 0;
                for (int s = low; s <= high; s++) {
                    double weight = lanczos((s - centre) / scale);
                    w[Math.max(begin, Math.min(end, s)) - begin] += weight;
                    sum += weight;
                }
                first[i] = begin;
                weights[i] = new float[w.length];
                for (int k = 0; k < w.length; k++) {
                    weights[i][k] = (float) (w[k] / sum);
                }
            }
            return new Kernel(first, weights);
        }

        private static double lanczos(double x) {
            if (Math.abs(x) < 1e-9) {
                return 1;
            }
            if (Math.abs(x) >= LOBES) {
                return 0;
            }
            double p = Math.PI * x;
            return LOBES * Math.sin(p) * Math.sin(p / LOBES) / (p * p);
        }

        int last(int i) {
            return first[i] + weights[i].length - 1;
        }
    }

    public void rows(RowSink sink, Progress progress) {
        boolean same = width == crop.width() && height == crop.height() && crop.x() == Math.rint(crop.x()) && crop.y() == Math.rint(crop.y());
        if (same) {
            copyRows(sink, progress);
            return;
        }
        int n = source.channels();
        Kernel across = Kernel.of(crop.x(), crop.width(), width, source.width());
        Kernel down = Kernel.of(crop.y(), crop.height(), height, source.height());
        int left = across.first[0];
        int wide = across.last(width - 1) - left + 1;
        int deepest = 0;
        for (float[] w : down.weights) {
            deepest = Math.max(deepest, w.length);
        }
        float[][] ring = new float[deepest][width * n];
        char[] out = new char[width * n];
        float[] sum = new float[width * n];
        Band band = new Band(left, wide, down.first[0], down.last(height - 1));
        int ready = down.first[0];
        float[] line = new float[wide * n];
        for (int y = 0; y < height; y++) {
            for (; ready <= down.last(y); ready++) {
                band.light(ready, line);
                scaleAcross(line, left, across, n, ring[ready % deepest]);
            }
            java.util.Arrays.fill(sum, 0);
            float[] weights = down.weights[y];
            for (int k = 0; k < weights.length; k++) {
                float w = weights[k];
                float[] row = ring[(down.first[y] + k) % deepest];
                for (int i = 0; i < sum.length; i++) {
                    sum[i] += w * row[i];
                }
            }
            for (int i = 0; i < sum.length; i++) {
                out[i] = light.code(sum[i]);
            }
            sink.row(y, out);
            if ((y & 63) == 0) {
                progress.at((double) y / height);
            }
        }
        progress.at(1);
    }

    private static void scaleAcross(float[] line, int left, Kernel across, int n, float[] out) {
        int results = out.length / n;
        for (int x = 0; x < results; x++) {
            float[] weights = across.weights[x];
            int at = (across.first[x] - left) * n;
            if (n == 3) {
                float r = 0;
                float g = 0;
                float b = 0;
                for (int k = 0; k < weights.length; k++, at += 3) {
                    float w = weights[k];
                    r += w * line[at];
                    g += w * line[at + 1];
                    b += w * line[at + 2];
                }
                out[3 * x] = r;
                out[3 * x + 1] = g;
                out[3 * x + 2] = b;
            } else {
                float v = 0;
                for (int k = 0; k < weights.length; k++) {
                    v += weights[k] * line[at + k];
                }
                out[x] = v;
            }
        }
    }

    private void copyRows(RowSink sink, Progress progress) {
        Band band = new Band((int) crop.x(), width, (int) crop.y(), (int) crop.y() + height - 1);
        char[] row = new char[width * source.channels()];
        for (int y = 0; y < height; y++) {
            band.codes((int) crop.y() + y, row);
            sink.row(y, row);
            if ((y & 63) == 0) {
                progress.at((double) y / height);
            }
        }
        progress.at(1);
    }

    /** Reads the source in bands of rows and hands them out one at a time, downwards. */
    private final class Band {
        private final int left;
        private final int wide;
        private final int lastRow;
        private final int rows = source.bandRows();
        private final char[] samples;
        private int top;
        private int bottom;

        Band(int left, int wide, int firstRow, int lastRow) {
            this.left = left;
            this.wide = wide;
            this.lastRow = lastRow;
            this.top = firstRow;
            this.bottom = firstRow;
            this.samples = new char[wide * source.channels() * Math.min(rows, lastRow - firstRow + 1)];
        }

        private int place(int y) {
            if (y >= bottom) {
                top = y;
                int count = Math.min(rows, lastRow - y + 1);
                source.read(left, y, wide, count, samples);
                bottom = y + count;
            }
            return (y - top) * wide * source.channels();
        }

        void light(int y, float[] line) {
            int at = place(y);
            for (int i = 0; i < line.length; i++) {
                line[i] = light.light(samples[at + i]);
            }
        }

        void codes(int y, char[] row) {
            System.arraycopy(samples, place(y), row, 0, row.length);
        }
    }
}
