package wistel.core.pictures;

/**
 * How often each of 256 levels occurs, per channel, and the share of pixels that would stay bare paper (all channels full) or be solid
 * black (all zero).
 */
public record Histogram(int[][] counts, double bareShare, double solidShare) {
    /** Within one 8-bit level of the end. */
    private static final int BARE = 65535 - 257;
    private static final int SOLID = 257;

    /** Counts pixels part by part, from any thread. */
    public static final class Counter {
        private final int channels;
        private final int[][] counts;
        private long bare;
        private long solid;
        private long all;

        public Counter(int channels) {
            this.channels = channels;
            this.counts = new int[channels][256];
        }

        /** Interleaved samples from one place to another. */
        public void count(char[] samples, int from, int to) {
            int[][] part = new int[channels][256];
            long bareHere = 0;
            long solidHere = 0;
            for (int i = from; i < to; i += channels) {
                int low = 65535;
                int high = 0;
                for (int c = 0; c < channels; c++) {
                    int v = samples[i + c];
                    part[c][v >> 8]++;
                    low = Math.min(low, v);
                    high = Math.max(high, v);
                }
                bareHere += low >= BARE ? 1 : 0;
                solidHere += high <= SOLID ? 1 : 0;
            }
            add(part, bareHere, solidHere, Math.max(0, to - from) / channels);
        }

        private synchronized void add(int[][] part, long bareHere, long solidHere, long pixels) {
            for (int c = 0; c < channels; c++) {
                for (int level = 0; level < 256; level++) {
                    counts[c][level] += part[c][level];
                }
            }
            bare += bareHere;
            solid += solidHere;
            all += pixels;
        }

        public synchronized Histogram histogram() {
            double total = Math.max(1, all);
            return new Histogram(counts, bare / total, solid / total);
        }
    }
}
