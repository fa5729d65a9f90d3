package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;
import java.util.concurrent.atomic.LongAdder;

/** Passes a page on as it is, and counts how much ink its colorants ask for: 1 is one ink over all of the page. */
public final class CoverageSink implements RasterSink {
    private final RasterSink inner;
    private final LongAdder ink = new LongAdder();
    private final LongAdder pixels = new LongAdder();

    public CoverageSink(RasterSink inner) {
        this.inner = inner;
    }

    @Override
    public int channels() {
        return inner.channels();
    }

    @Override
    public void begin(OutputStream out, int bandRows) throws IOException {
        inner.begin(out, bandRows);
    }

    @Override
    public Packed pack(char[] samples, int firstRow, int rows) {
        long sum = 0;
        for (char v : samples) {
            sum += 65535 - v;
        }
        ink.add(sum);
        pixels.add(samples.length / channels());
        return inner.pack(samples, firstRow, rows);
    }

    /** Mean over the page, 0 to the number of channels; 0 before anything was written. */
    public double coverage() {
        return pixels.sum() == 0 ? 0 : ink.sum() / 65535.0 / pixels.sum();
    }
}
