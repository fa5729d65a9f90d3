package wistel.core.render;

import java.util.concurrent.atomic.AtomicLongArray;

/** Passes a page on as it is, and keeps the mean of a few pixels in each place that a {@link PageFingerprint} is made of. */
public final class FingerprintSink extends PassingSink {
    /** Pixels on a side of a place: about 0.3 mm at 360 dpi, what an eye takes for a point. */
    private static final int SIDE = 4;

    private final int width;
    private final int height;
    private final AtomicLongArray sums;

    /** @param width, height of the page in pixels */
    public FingerprintSink(RasterSink inner, int width, int height) {
        super(inner);
        this.width = width;
        this.height = height;
        this.sums = new AtomicLongArray(PageFingerprint.COLUMNS * PageFingerprint.ROWS * inner.channels());
    }

    @Override
    public void count(char[] samples, int firstRow, int rows) {
        for (int place = 0; place < PageFingerprint.ROWS; place++) {
            int from = Math.max(first(place, PageFingerprint.ROWS, height), firstRow);
            int to = Math.min(first(place, PageFingerprint.ROWS, height) + side(height), firstRow + rows);
            for (int y = from; y < to; y++) {
                row(samples, (y - firstRow) * width, place);
            }
        }
    }

    private void row(char[] samples, int at, int placeRow) {
        int channels = channels();
        for (int column = 0; column < PageFingerprint.COLUMNS; column++) {
            int x = first(column, PageFingerprint.COLUMNS, width);
            int place = (placeRow * PageFingerprint.COLUMNS + column) * channels;
            for (int i = 0; i < side(width) * channels; i++) {
                sums.addAndGet(place + i % channels, samples[(at + x) * channels + i]);
            }
        }
    }

    /** First pixel of a place that lies about the middle of its share of the page. */
    private static int first(int place, int places, int pixels) {
        return Math.max(0, Math.min(pixels - side(pixels), (int) ((place + 0.5) * pixels / places) - SIDE / 2));
    }

    private static int side(int pixels) {
        return Math.min(SIDE, pixels);
    }

    /** Mean code of each place, row by row. */
    public char[] codes() {
        long pixels = (long) side(width) * side(height);
        char[] codes = new char[sums.length()];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = (char) ((sums.get(i) + pixels / 2) / pixels);
        }
        return codes;
    }
}
