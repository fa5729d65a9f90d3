package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;

/** A file format that takes a page band by band. Bands are packed on any thread and written in order. */
public interface RasterSink {
    /** Bytes ready to be written; {@code bytes} may be longer than {@code size}. */
    record Packed(byte[] bytes, int size) {
    }

    /** Samples of a pixel. */
    int channels();

    /** Writes what stands before the rows. All bands have {@code bandRows} rows, the last one perhaps fewer. */
    void begin(OutputStream out, int bandRows) throws IOException;

    /** Interleaved 16-bit rows as they stand in the file. */
    Packed pack(char[] samples, int rows);
}
