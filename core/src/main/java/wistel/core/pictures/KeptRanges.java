package wistel.core.pictures;

import java.io.IOException;
import java.util.List;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageInputStreamImpl;

/**
 * Some byte ranges of a stream as one stream: a JPEG without its metadata, so that no
 * decoder acts on profiles or thumbnails in it. The whole stream stays open for its owner to close.
 */
final class KeptRanges extends ImageInputStreamImpl {
    private final ImageInputStream whole;
    private final List<long[]> ranges;

    KeptRanges(ImageInputStream whole, List<long[]> ranges) {
        this.whole = whole;
        this.ranges = ranges;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int off, int len) throws IOException {
        bitOffset = 0;
        long skip = streamPos;
        for (long[] range : ranges) {
            long size = range[1] - range[0];
            if (skip < size) {
                whole.seek(range[0] + skip);
                int n = whole.read(into, off, (int) Math.min(len, size - skip));
                streamPos += Math.max(0, n);
                return n;
            }
            skip -= size;
        }
        return -1;
    }
}
