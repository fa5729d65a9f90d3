package wistel.core.picture;

/**
 * How often each of 256 levels occurs, per channel, and the share of pixels that would stay bare paper (all channels full) or be solid
 * black (all zero).
 */
public record Histogram(int[][] counts, double bareShare, double solidShare) {

    /** Counts every pixel that is read through it once, on its way to somebody else. */
    public static final class Tap implements PixelSource {
        private final PixelSource source;
        private final int[][] counts;
        private long bare;
        private long solid;
        private long all;

        public Tap(PixelSource source) {
            this.source = source;
            this.counts = new int[source.channels()][256];
        }

        @Override
        public int width() {
            return source.width();
        }

        @Override
        public int height() {
            return source.height();
        }

        @Override
        public int channels() {
            return source.channels();
        }

        @Override
        public void read(int x, int y, int w, int h, char[] out) {
            source.read(x, y, w, h, out);
            int n = channels();
            int end = w * h * n;
            all += (long) w * h;
            for (int i = 0; i < end; i += n) {
                int low = 65535;
                int high = 0;
                for (int c = 0; c < n; c++) {
                    int v = out[i + c];
                    counts[c][v >> 8]++;
                    low = Math.min(low, v);
                    high = Math.max(high, v);
                }
                bare += low >= 65278 ? 1 : 0;
                solid += high <= 257 ? 1 : 0;
            }
        }

        public Histogram histogram() {
            double total = Math.max(1, all);
            return new Histogram(counts, bare / total, solid / total);
        }
    }
}
