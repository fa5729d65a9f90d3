package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;

/** Passes a page on as it is, and looks at it on the way. */
abstract class PassingSink implements RasterSink {
    private final RasterSink inner;

    PassingSink(RasterSink inner) {
        this.inner = inner;
    }

    /** Takes rows of the page in, on any thread, each row once. */
    abstract void count(char[] samples, int firstRow, int rows);

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
        count(samples, firstRow, rows);
        return inner.pack(samples, firstRow, rows);
    }
}
