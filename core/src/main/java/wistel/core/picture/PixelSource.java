package wistel.core.picture;

/**
 * The idea of this room: pictures travel as strips of 16-bit rows, never whole. Here they are probed, decoded, turned, resampled, counted and
 * scaled to views.
 *
 * <p>A picture that hands out rectangles of 16-bit samples, interleaved; gray (one channel) or RGB (three). Read top to bottom it holds little memory.
 */
public interface PixelSource {
    int width();

    int height();

    int channels();

    /**
     * @param out room for {@code w * h * channels()} samples
     * @throws wistel.core.fault.PictureException when the file turns out to be cut off or damaged here
     */
    void read(int x, int y, int w, int h, char[] out);

    /** Rows that make about 24 MB of samples: the unit in which pictures travel. */
    default int bandRows() {
        return Math.max(16, Math.min(height(), (12 << 20) / (width() * channels())));
    }

    /** This picture turned or mirrored, without being copied. */
    default PixelSource oriented(Orientation orientation) {
        return orientation == Orientation.UPRIGHT ? this : new Oriented(this, orientation);
    }

    /** Reads a source through an orientation: each rectangle asked for is one rectangle of the source, rearranged. */
    record Oriented(PixelSource source, Orientation orientation) implements PixelSource {
        @Override
        public int width() {
            return orientation.swapsSides() ? source.height() : source.width();
        }

        @Override
        public int height() {
            return orientation.swapsSides() ? source.width() : source.height();
        }

        @Override
        public int channels() {
            return source.channels();
        }

        @Override
        public void read(int x, int y, int w, int h, char[] out) {
            int[] a = orientation.toStored(x, y, source.width(), source.height());
            int[] b = orientation.toStored(x + w - 1, y + h - 1, source.width(), source.height());
            int left = Math.min(a[0], b[0]);
            int top = Math.min(a[1], b[1]);
            int wide = Math.abs(a[0] - b[0]) + 1;
            int high = Math.abs(a[1] - b[1]) + 1;
            int n = channels();
            char[] stored = new char[wide * high * n];
            source.read(left, top, wide, high, stored);
            int[] right = orientation.toStored(x + 1, y, source.width(), source.height());
            int[] down = orientation.toStored(x, y + 1, source.width(), source.height());
            int stepX = ((right[1] - a[1]) * wide + right[0] - a[0]) * n;
            int stepY = ((down[1] - a[1]) * wide + down[0] - a[0]) * n;
            int start = ((a[1] - top) * wide + a[0] - left) * n;
            int to = 0;
            for (int row = 0; row < h; row++) {
                int from = start + row * stepY;
                for (int col = 0; col < w; col++, from += stepX) {
                    for (int c = 0; c < n; c++) {
                        out[to++] = stored[from + c];
                    }
                }
            }
        }
    }
}
