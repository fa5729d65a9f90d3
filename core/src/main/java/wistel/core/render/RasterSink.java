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

    /**
     * Interleaved 16-bit rows as they stand in the file.
     *
     * @param firstRow of the page, 0 for the topmost
     */
    Packed pack(char[] samples, int firstRow, int rows);

    /** Samples as bytes, the high one first; of 8 bits rounded. */
    static byte[] bytes(char[] samples, int count, int bits) {
        byte[] bytes = new byte[count * bits / 8];
        for (int i = 0; i < count; i++) {
            if (bits == 16) {
                bytes[2 * i] = (byte) (samples[i] >> 8);
                bytes[2 * i + 1] = (byte) samples[i];
            } else {
                bytes[i] = (byte) ((samples[i] + 128) / 257);
            }
        }
        return bytes;
    }
}
