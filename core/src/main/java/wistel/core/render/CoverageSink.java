package wistel.core.render;

import java.util.concurrent.atomic.LongAdder;

/** Passes a page on as it is, and counts how much ink its colorants ask for: 1 is one ink over all of the page. */
public final class CoverageSink extends PassingSink {
    private final LongAdder ink = new LongAdder();
    private final LongAdder pixels = new LongAdder();

    public CoverageSink(RasterSink inner) {
        super(inner);
    }

    @Override
    void count(char[] samples, int firstRow, int rows) {
        long sum = 0;
        for (char v : samples) {
            sum += 65535 - v;
        }
        ink.add(sum);
        pixels.add(samples.length / channels());
    }

    /** Mean over the page, 0 to the number of channels; 0 before anything was written. */
    public double coverage() {
        return pixels.sum() == 0 ? 0 : ink.sum() / 65535.0 / pixels.sum();
    }
}
