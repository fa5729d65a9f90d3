package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;

/** One page as a PWG raster file (PWG 5102.4). */
public record PwgSink(PwgRaster.Page page) implements RasterSink {
    @Override
    public int channels() {
        return page.space().channels();
    }

    @Override
    public void begin(OutputStream out, int bandRows) throws IOException {
        out.write(PwgRaster.start(page));
    }

    @Override
    public Packed pack(char[] samples, int firstRow, int rows) {
        return PwgRaster.pack(page, samples, rows);
    }
}
